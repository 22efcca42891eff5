import { TestBed } from '@angular/core/testing';
import { sheetAround } from '@neat-measure/core';
import { importCsv } from '@neat-measure/core/sheets';
import { CASES } from '../../../core/testing/tables/cases';
import { HOSTILE } from '../../../core/testing/tables/hostile';
import { ImportReader } from './import-reader';
import { ChartFiles, type ImportedFile } from './chart-files';

const cells = (imported: ImportedFile | null) =>
  imported?.kind === 'tables'
    ? imported.tables.map(({ grid }) => grid.rows.map((row) => row.cells))
    : imported;
const fileOf = (bytes: Uint8Array, name = 'table') => new File([bytes as BlobPart], name);

describe('ChartFiles', () => {
  let files: ChartFiles;
  beforeEach(() => (files = TestBed.inject(ChartFiles)));

  it('writes a workbook that reads back', async () => {
    const part = importCsv('size,chest-girth (cm)\nS,86-94\nM,94-102\n');
    if (!part.ok) throw new Error('a faulty table in a spec');
    const sheet = sheetAround(part.value, { maker: 'm', garment: 'Cap', rule: 'widest-decides' });
    const blob = await files.writeWorkbook(sheet);
    expect(cells(await files.read(new File([blob], 'cap.xlsx')))).toEqual([
      [
        ['size', 'chest-girth (cm)'],
        ['S', '86-94'],
        ['M', '94-102'],
      ],
    ]);
  });

  it('reads a page with spans in its worker, and runs nothing of it', async () => {
    const html =
      '<p>x</p><table><tr><th rowspan=2>Size<th colspan=2>Chest</tr><tr><td>in<td>cm</tr><tr><td>S<td>34–36<td>86–91<script>window.ran=1</script></tr></table>';
    expect(cells(await files.readPasted(html))).toEqual([
      [
        ['Size', 'Chest', 'Chest'],
        ['Size', 'in', 'cm'],
        ['S', '34–36', '86–91'],
      ],
    ]);
    expect('ran' in window).toBeFalse();
  });

  it('reads in its worker what it reads without one', async () => {
    for (const name of ['text-utf-16le', 'text-mac', 'xlsx-hidden', 'ods', 'page-spans', 'pipes']) {
      const made = CASES.find(({ file }) => file.startsWith(`${name}.`))!;
      const imported = await files.read(fileOf(made.bytes, made.file));
      expect(imported?.kind).withContext(name).toBe('tables');
      expect(imported?.kind === 'tables' && imported.tables.length).toBe(made.tables!.length);
    }
  });

  it('refuses what is no table with a sentence', async () => {
    expect((await files.readPasted('<p>no table</p>'))?.kind).toBe('refused');
    expect((await files.readPasted('   '))?.kind).toBe('refused');
    expect((await files.read(fileOf(new Uint8Array([0x50, 0x4b, 3, 4, 1]), 'x.xlsx')))?.kind).toBe('refused');
    for (const { what, bytes } of HOSTILE.filter(
      ({ refused }) => refused === 'too-many-bytes' || refused === 'no-text',
    ))
      expect((await files.read(fileOf(bytes())))?.kind)
        .withContext(what)
        .toBe('refused');
  });

  it('is stopped by whoever waits, and by what is imported next', async () => {
    const first = files.readPasted('Size,Hip (cm)\nS,90-98\n');
    const second = files.readPasted('Size,Hip (cm)\nM,98-106\n');
    expect(await first).toBeNull();
    expect((await second)?.kind).toBe('tables');
    const third = files.readPasted('Size,Hip (cm)\nS,90-98\n');
    const reader = TestBed.inject(ImportReader);
    expect(reader.words()).toBe('Reading');
    reader.stop();
    expect(await third).toBeNull();
    expect(reader.words()).toBeNull();
  });

  it('takes a whole chart from JSON', async () => {
    const json = {
      maker: 'm',
      garment: 'Cap',
      unit: 'cm',
      rule: 'widest-decides',
      parts: [
        {
          code: 'size',
          name: 'Size',
          sizes: ['S'],
          columns: [{ code: 'head-girth', unit: 'cm', cells: ['54-56'] }],
        },
      ],
    };
    expect((await files.readPasted(JSON.stringify(json)))?.kind).toBe('sheet');
    expect((await files.readPasted(JSON.stringify({ ...json, parts: [] })))?.kind).toBe('refused');
    expect((await files.read(new File([`\ufeff ${JSON.stringify(json)}`], 'cap.json')))?.kind).toBe('sheet');
  });
});
