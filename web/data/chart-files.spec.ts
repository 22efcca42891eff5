import { importCsv, sheetAround } from '@neat-measure/core';
import { ChartFiles } from './chart-files';

const files = new ChartFiles();
const cells = (brought: Awaited<ReturnType<ChartFiles['read']>>) =>
  brought.kind === 'table' ? brought.grid.rows.map((row) => row.cells) : brought;

describe('ChartFiles', () => {
  it('writes a workbook that reads back, merged cells and all', async () => {
    const part = importCsv('size,chest-girth (cm)\nS,86-94\nM,94-102\n');
    if (!part.ok) throw new Error('a faulty table in a spec');
    const sheet = sheetAround(part.value, { maker: 'm', garment: 'Cap', rule: 'widest-decides' });
    const blob = await files.writeWorkbook(sheet);
    expect(cells(await files.read(new File([blob], 'cap.xlsx')))).toEqual([
      ['size', 'chest-girth (cm)'],
      ['S', '86-94'],
      ['M', '94-102'],
    ]);
  });

  it('reads an HTML table with spans, and runs nothing of the page', () => {
    const html =
      '<p>x</p><table><tr><th rowspan=2>Size<th colspan=2>Chest</tr><tr><td>in<td>cm</tr><tr><td>S<td>34–36<td>86–91<script>window.ran=1</script></tr></table>';
    expect(cells(files.readPasted(html))).toEqual([
      ['Size', 'Chest', 'Chest'],
      ['Size', 'in', 'cm'],
      ['S', '34–36', jasmine.stringContaining('86–91') as unknown as string],
    ]);
    expect('ran' in window).toBeFalse();
  });

  it('refuses what is no table with a sentence', async () => {
    expect(files.readPasted('<p>no table</p>').kind).toBe('refused');
    expect(files.readPasted('   ').kind).toBe('refused');
    expect((await files.read(new File([new Uint8Array([0x50, 0x4b, 3, 4, 1])], 'x.xlsx'))).kind).toBe(
      'refused',
    );
  });

  it('takes a whole chart from JSON', () => {
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
    expect(files.readPasted(JSON.stringify(json)).kind).toBe('sheet');
    expect(files.readPasted(JSON.stringify({ ...json, parts: [] })).kind).toBe('refused');
  });
});
