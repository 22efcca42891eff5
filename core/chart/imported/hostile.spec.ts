import { isAsked, planTable, readPlanned, writeWorkbook } from '../../testing/all';
import { HOSTILE } from '../../testing/tables/hostile';
import { readImportedFile, readImportedText } from './sources/read-imported';
import { LIMITS } from './sources/imported';
import { sayImportProblem } from './sources/say-import-problem';

describe('a file that is meant to keep a machine busy', () => {
  for (const { what, bytes, refused } of HOSTILE)
    it(`comes to an end: ${what}`, async () => {
      const read = await readImportedFile(bytes());
      if (!read.ok) {
        expect(String(read.problem.code)).toBe(String(refused));
        expect(sayImportProblem(read.problem)).toMatch(/\w{3,}.*\.$/);
        return;
      }
      expect(refused).toBeNull();
      for (const { grid, name } of read.value.tables) {
        const plan = planTable(grid, undefined, { name });
        // Whatever it is taken for, it is read or it is told.
        expect([isAsked(plan), readPlanned(plan).ok].length).toBe(2);
      }
    });

  it('is told by its place: a cell of a workbook that is too long', async () => {
    const rows = [
      ['Size', 'Chest (cm)'],
      ['M', 'x'.repeat(LIMITS.cell + 1)],
    ];
    const read = await readImportedFile(await writeWorkbook([{ name: 'Sizes', rows }]));
    expect(!read.ok && read.problem).toEqual({ code: 'cell-too-long', where: 'Sizes', line: 2, column: 2 });
  });

  it('is told by its place, too, in a page', () => {
    const row = (...cells: readonly string[]) =>
      `<tr>${cells.map((cell) => `<td>${cell}</td>`).join('')}</tr>`;
    const long = 'x'.repeat(LIMITS.cell + 1);
    const read = readImportedText(`<table>${row('Size', 'Chest (cm)')}${row('M', long)}</table>`);
    expect(!read.ok && read.problem).toEqual(
      jasmine.objectContaining({ code: 'cell-too-long', line: 2, column: 2 }) as never,
    );
  });

  it('is refused before it is looked at where it is pasted', () => {
    const read = readImportedText('S,90-98\n'.repeat(LIMITS.text));
    expect(!read.ok && read.problem.code).toBe('too-many-bytes');
  });
});
