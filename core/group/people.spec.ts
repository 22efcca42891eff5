import {
  chartSheetSchema,
  cm,
  compileChart,
  inBrief,
  inches,
  micrometres,
  PeopleSizer,
  readPeople,
  sayPeopleFinding,
  sayPersonProblem,
  sizedRow,
  sizePerson,
  writeCsv,
  type Person,
} from '../testing/all';
import { compiledOf } from '../testing/charts';
import { drawFrom, randomBody, randomChart } from '../testing/random-chart';
import { seededRandom } from '../testing/random';
import { scale, wholeSheet } from '../testing/whole-sheet';

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
  it('says that a list is empty', () =>
    expect(readPeople(' \n')).toEqual({ ok: false, problem: [{ code: 'file-empty' }] }));

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

  it('passes over empty cells beyond the last heading, and tells any other', () => {
    const rows = rowsOf('id,chest-girth (cm)\nada,97,,\nben,98,,x\n');
    expect(rows.map((row) => row.ok || row.problem.map(({ code }) => code))).toEqual([
      true,
      ['too-many-cells'],
    ]);
  });

  it('reads a weight as a mass, in kilograms or pounds', () => {
    const rows = rowsOf('id,weight (kg)\nada,71.5\nben,70 stone\ncid,11 st\ndot,9 feet');
    expect(rows.map((row) => row.ok && [...row.value.values.values()].map(Number))).toEqual([
      [71_500],
      false,
      [69_853],
      false,
    ]);
    expect(rows.flatMap((row) => (row.ok ? [] : row.problem.map(sayPersonProblem)))).toEqual([
      'Line 3, ben, weight (kg): 70 stone is outside any weight (20 kg to 300 kg). Read the scale again.',
      'Line 5, dot, weight (kg): “feet” in “9 feet” is not a unit of weight. Use kg, g, lb or st, or leave the unit out.',
    ]);
    expect(findingsOf('id,weight (cm)\nada,70')).toEqual([
      'Weight (cm) (line 1, column 2): “cm” is not a unit for it. Write weight (kg) or (lb).',
    ]);
  });

  it('reports the rows it cannot read by their line and goes on', () => {
    const rows = rowsOf('id,chest-girth (cm)\nada,abc\n\n,98\nben,98\nben,99\ncid,98,extra\ndot,4');
    expect(rows.map((row) => row.ok)).toEqual([false, false, true, false, false, false]);
    expect(rows.flatMap((row) => (row.ok ? [] : row.problem.map(sayPersonProblem)))).toEqual([
      'Line 2, ada, chest-girth (cm): “abc” is not a length. Enter a number such as 38, 38.5, 38 1/2 or 97.5 cm.',
      'Line 4: this row has no id. Give it one.',
      'Line 6: ben is already on line 5. Rename one or remove it.',
      'Line 7, cid: there are more cells than headings. Check the commas of this row.',
      'Line 8, dot, chest-girth (cm): 4 cm is outside any chest (60 cm to 180 cm). Read the tape again.',
    ]);
  });

  it('refuses a list whose headings are wrong', () => {
    expect(findingsOf('name,waist (cm),chest-girth (cm),chest-girth (in)\nada,80,90,35').length).toBe(3);
    expect(findingsOf('')).toEqual(['The file is empty. It needs a heading line and one line per size.']);
    expect(findingsOf('id,chest-girth\nada,98')).toEqual([
      'Chest-girth (line 1, column 2): the unit is missing. Write chest-girth (in), (cm) or (mm).',
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
    const people = [person('ada', 103), person('ben', 98)];
    const [ada, ben] = new PeopleSizer(chart, {}, 'cm').size(people);
    expect(sizedRow(people[0]!, ada!)).toEqual([
      'ada',
      'between',
      'L',
      'M',
      'Chest 103 cm falls in the gap between M and L. The widest decides: L.',
    ]);
    expect(sizedRow(people[1]!, ben!)).toEqual(['ben', 'settled', 'M', '', '']);
    expect(inBrief(sizePerson(chart, people[1]!), 'cm').reason).toBe(
      'Chest 98 cm is inside M, 4 cm clear of its edge.',
    );
  });

  it('names the neighbour in the part that is at an edge, the other parts as they are', () => {
    const shirt = compileChart(
      wholeSheet({
        label: '{neck}/{sleeve}',
        parts: [
          scale('neck', 'neck-girth', ['15', '16']),
          scale('sleeve', 'cervicale-to-wrist', ['32', '33', '34']),
        ],
      }),
    );
    const [brief] = new PeopleSizer(shirt, {}, 'in/8').size([
      {
        line: 2,
        id: 'ada',
        values: new Map([
          ['neck-girth', inches(15)],
          ['cervicale-to-wrist', inches(32.45)],
        ]),
      },
    ]);
    expect([brief!.verdict, brief!.proposed, brief!.alternates]).toEqual(['edge', '15/32', ['15/33']]);
  });

  it('names no neighbour where the edge is that of the whole chart', () => {
    const [far] = new PeopleSizer(chart, {}, 'cm').size([person('far', 109.9)]);
    expect(sizedRow(person('far', 109.9), far!)).toEqual(['far', 'edge', 'L', '', '']);
    const shirt = compileChart(
      wholeSheet({
        label: '{neck}/{sleeve}',
        parts: [
          scale('neck', 'neck-girth', ['15', '16']),
          scale('sleeve', 'cervicale-to-wrist', ['32', '33']),
        ],
      }),
    );
    const long: Person = {
      ...person('long', 98),
      values: new Map([
        ['neck-girth', inches(15)],
        ['cervicale-to-wrist', inches(33.45)],
      ]),
    };
    const [brief] = new PeopleSizer(shirt, {}, 'in/8').size([long]);
    expect([brief!.verdict, brief!.proposed, brief!.alternates])
      .withContext('of one part of several')
      .toEqual(['edge', '15/33', []]);
  });

  it('sizes by the larger of two hips, as a docket does, where the chart asks for one', () => {
    const hips = (more: readonly object[] = []) =>
      compileChart(
        chartSheetSchema.parse({
          maker: 'Ostrel Workwear',
          garment: 'Marsh skirt',
          unit: 'cm',
          rule: 'widest-decides',
          parts: [
            {
              code: 'size',
              name: 'Size',
              sizes: ['S', 'M', 'L'],
              columns: [{ code: 'hip-girth', unit: 'cm', cells: ['90-98', '98-106', '106-114'] }, ...more],
            },
          ],
        }),
      );
    const fuller = {
      ...person('two', 98),
      values: new Map([
        ['hip-girth', cm(95)],
        ['high-hip-girth', cm(102)],
      ] as const),
    };
    const sizes = (chart: ReturnType<typeof hips>) => [
      new PeopleSizer(chart, {}, 'cm').size([fuller])[0]!.proposed,
      sizePerson(chart, fuller).proposed,
    ];
    expect(sizes(hips())).toEqual(['M', 'M']);
    expect(sizePerson(hips(), fuller).countedAs.map(({ from }) => from)).toEqual(['high-hip-girth']);
    const both = hips([{ code: 'high-hip-girth', unit: 'cm', cells: ['92-100', '100-108', '108-116'] }]);
    expect(sizePerson(both, fuller).countedAs)
      .withContext('a chart that has both decides by itself')
      .toEqual([]);
  });

  it('comes to the verdicts, sizes and neighbours that judging one by one gives, on random charts', () => {
    const draw = drawFrom(seededRandom(91));
    const seen = new Map<string, number>();
    for (let at = 0; at < 120; at++) {
      const random = compileChart(chartSheetSchema.parse(randomChart(draw)));
      const people = Array.from({ length: 20 }, (_, line) => ({
        line,
        id: `${line}`,
        values: new Map([...randomBody(draw)].map(([code, value]) => [code, micrometres(value)])),
      }));
      new PeopleSizer(random, {}, 'mm').size(people).forEach(({ verdict, proposed }, row) => {
        const alone = sizePerson(random, people[row]!);
        seen.set(verdict, (seen.get(verdict) ?? 0) + 1);
        if (alone.verdict !== verdict || alone.proposed !== proposed)
          fail(`chart ${at}, ${row}: ${verdict} ${proposed}, alone ${alone.verdict} ${alone.proposed}`);
      });
    }
    expect(seen.get('edge') ?? 0).toBeGreaterThan(3);
    expect(seen.get('settled') ?? 0).toBeGreaterThan(10);
  });

  it('starts no formula in a spreadsheet', () => {
    expect(writeCsv([['=1+1', 'a,b', '+3']])).toBe(`"'=1+1","a,b","'+3"\n`);
  });
});
