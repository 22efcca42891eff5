import {
  cm,
  inches,
  readPeople,
  sayPeopleFinding,
  sayPersonProblem,
  sizedRow,
  sizePerson,
  writeCsv,
  type Person,
} from '../index';
import { compiledOf } from '../testing/charts';

const rowsOf = (csv: string) => {
  const read = readPeople(csv);
  if (!read.ok) throw new Error(JSON.stringify(read.problem));
  return read.value;
};
const findingsOf = (csv: string) => {
  const read = readPeople(csv);
  return read.ok ? [] : read.problem.map(sayPeopleFinding);
};

describe('readPeople', () => {
  it('reads each column in the unit its heading names, and an empty cell as not taken', () => {
    const rows = rowsOf(
      'id,chest-girth (in),waist-girth (cm),foot-length-left (cm)\nada,38 1/2,80,24.5\nben,97cm,,\n',
    );
    expect(rows.map((row) => row.ok && [...row.value.values])).toEqual([
      [
        ['chest-girth', inches(38.5)],
        ['waist-girth', cm(80)],
        ['foot-length-left', cm(24.5)],
      ],
      [['chest-girth', cm(97)]],
    ]);
  });

  it('reports the rows it cannot read by their line and goes on', () => {
    const rows = rowsOf('id,chest-girth (cm)\nada,abc\n\n,98\nben,98\nben,99\ncid,98,extra\ndot,4');
    expect(rows.map((row) => row.ok)).toEqual([false, false, true, false, false, false]);
    expect(rows.flatMap((row) => (row.ok ? [] : row.problem.map(sayPersonProblem)))).toEqual([
      'Line 2, ada, chest-girth (cm): “abc” is no length. Write a number such as 38, 38.5, 38 1/2 or 97.5 cm.',
      'Line 4: this row has no id. Give it one.',
      'Line 6: ben already stands on line 5. Rename one, or take it out.',
      'Line 7, cid: there are more cells than headings. Check the commas of this row.',
      'Line 8, dot, chest-girth (cm): 4 cm is outside any chest (60 cm to 180 cm). Read the tape again.',
    ]);
  });

  it('refuses a list whose headings are wrong', () => {
    expect(findingsOf('name,waist (cm),chest-girth (cm),chest-girth (in)\nada,80,90,35').length).toBe(3);
    expect(findingsOf('')).toEqual(['The file is empty. It needs a heading line and one line a size.']);
    expect(findingsOf('id,chest-girth\nada,98')).toEqual([
      'Chest-girth (line 1, column 2): the unit is missing. Write chest-girth (cm), (in) or (mm).',
    ]);
  });
});

describe('a list sized', () => {
  const chart = compiledOf('size,chest-girth (cm)\nM,94-102\nL,104-110');
  const person = (id: string, chest: number): Person => ({
    line: 2,
    id,
    values: new Map([['chest-girth', cm(chest)]]),
  });

  it('is written as id, verdict, size, alternates and reason', () => {
    expect(sizedRow(person('ada', 103), sizePerson(chart, person('ada', 103)), 'cm')).toEqual([
      'ada',
      'between',
      'L',
      'M',
      'Chest 103 cm falls in the gap between M and L. The widest decides: L.',
    ]);
  });

  it('starts no formula in a spreadsheet', () => {
    expect(writeCsv([['=1+1', 'a,b', '+3']])).toBe(`"'=1+1","a,b","'+3"\n`);
  });
});
