import {
  adopted,
  chartRuns,
  cm,
  compileChart,
  compiledAsItRuns,
  inches,
  mm,
  onlyPart,
  sayRun,
  tellingRuns,
  withRuns,
  type ChartRun,
  type GarmentLook,
  type Sight,
} from '../testing/all';
import { chartSheetSchema } from '../chart/sheet-schema';
import { scale, wholeSheet } from '../testing/whole-sheet';

const CELLS = ['86-94', '94-102', '102-110'];
const sheetOf = (cells: readonly string[] = CELLS, more: object = {}) =>
  wholeSheet({
    unit: 'cm',
    parts: [scale('size', 'chest-girth', ['S', 'M', 'L'], { unit: 'cm', ...more }, cells)],
  });
const looks = (count: number, sight: Sight, value: number, size = 'M'): GarmentLook[] =>
  Array.from({ length: count }, (_, at) => ({
    wearer: `${sight} ${at}`,
    part: 'size',
    code: 'chest-girth' as const,
    size,
    sight,
    value: cm(value),
    standardError: 7_000,
  }));
/** Many of whom the jacket was small well within what it says to hold. */
const SMALL = [...looks(16, 'small', 99), ...looks(8, 'right', 96)];

describe('chartRuns', () => {
  it('tells of every column that was looked at, and of no other', () => {
    const compiled = compileChart(sheetOf());
    const [run, ...more] = chartRuns(compiled, SMALL);
    expect(more).toEqual([]);
    expect(run).toEqual(
      jasmine.objectContaining({
        part: 'size',
        code: 'chest-girth',
        name: 'Chest',
        runs: 'small',
        wearers: 24,
      }),
    );
    expect(chartRuns(compiled, [])).toEqual([]);
    expect(
      chartRuns(
        compiled,
        looks(3, 'small', 99).map((one) => ({ ...one, code: 'hip-girth' })),
      ),
    ).toEqual([]);
  });

  it('goes by the labels of sizes, so that looks at an earlier version count, and those of sizes that are gone do not', () => {
    const later = compileChart(
      wholeSheet({
        unit: 'cm',
        parts: [scale('size', 'chest-girth', ['XS', 'M'], { unit: 'cm' }, ['80-94', '94-102'])],
      }),
    );
    const [run] = chartRuns(later, [...SMALL, ...looks(5, 'large', 90, 'S')]);
    expect([run!.wearers, run!.seen]).toEqual([24, { small: 16, right: 8, large: 0 }]);
  });
});

describe('sayRun', () => {
  const run: ChartRun = {
    part: 'size',
    code: 'chest-girth',
    name: 'Chest',
    foot: false,
    small: mm(14),
    least: mm(6),
    most: mm(22),
    runs: 'small',
    wearers: 23,
    looks: 30,
    seen: { small: 12, right: 17, large: 1 },
  };

  it('says by how much, between what and what, and from how many', () => {
    expect(sayRun(run, 'cm')).toBe('runs 1.4 cm small in the chest (0.6 to 2.2 cm), from 23 wearers');
    const large = {
      ...run,
      runs: 'large',
      small: mm(-14),
      least: mm(-22),
      most: mm(-6),
      wearers: 1,
    } as const;
    expect(sayRun(large, 'cm')).toBe('runs 1.4 cm large in the chest (0.6 to 2.2 cm), from 1 wearer');
    expect(sayRun({ ...run, runs: 'no-sign', least: mm(-5) }, 'cm')).toBe(
      'no sign that it runs small or large in the chest (−0.5 to 2.2 cm small), from 23 wearers',
    );
    expect(sayRun({ ...run, foot: true, name: 'Foot length' }, 'in/8')).toBe(
      'runs 14 mm small in the foot length (6 to 22 mm), from 23 wearers',
    );
  });
});

describe('withRuns', () => {
  const holdsOf = (sheet: ReturnType<typeof sheetOf>) =>
    onlyPart(compileChart(sheet)).deciding[0]!.intervals.map(({ from, until }) => [from, until]);
  const run = { part: 'size', code: 'chest-girth', small: mm(20), runs: 'small' } as const;
  const less = (intervals: number[][], by: number) => intervals.map((ends) => ends.map((end) => end - by));

  it('has every size hold less by what was found, whatever way the maker writes it', () => {
    const printed = sheetOf();
    const finished = sheetOf(['96-100', '104-108', '112-116'], { ease: { least: '8 cm', most: '12 cm' } });
    const single = sheetOf(['90', '98', '106']);
    for (const sheet of [printed, finished, single]) {
      const moved = withRuns(sheet, [run]);
      expect(holdsOf(moved)).toEqual(less(holdsOf(sheet), 20_000));
      // It is a chart like any other.
      expect(chartSheetSchema.safeParse(JSON.parse(JSON.stringify(moved))).success).toBeTrue();
    }
    const elsewhere = withRuns(printed, [{ ...run, part: 'jacket' }]);
    expect(holdsOf(elsewhere)).withContext('of another part').toEqual(holdsOf(printed));
    expect(withRuns(printed, [run]).parts[0]!.columns[0]!.cells).toEqual(printed.parts[0]!.columns[0]!.cells);
  });

  it('has them hold more of what runs large, and leaves alone what shows no sign, and every other column', () => {
    const sheet = sheetOf();
    expect(holdsOf(withRuns(sheet, [{ ...run, small: mm(-15), runs: 'large' }]))).toEqual(
      less(holdsOf(sheet), -15_000),
    );
    expect(withRuns(sheet, [{ ...run, runs: 'no-sign' }])).toEqual(sheet);
    expect(withRuns(sheet, [{ ...run, code: 'hip-girth' }])).toEqual(sheet);
  });

  it('is compiled anew for what runs otherwise, and once for what runs the same', () => {
    const sheet = sheetOf();
    const by = (small: number) => compiledAsItRuns(sheet, [{ ...run, small: mm(small) }]);
    const [one, again, other] = [by(10), by(10), by(20)];
    expect(again).toBe(one);
    expect(other).not.toBe(one);
    expect(holdsOf(other.sheet)).not.toEqual(holdsOf(one.sheet));
  });

  it('adopts what was found to the millimetre, and finds no sign any more once it is adopted', () => {
    expect(adopted({ small: inches(0.5) })).toBe(mm(13));
    const [found] = chartRuns(compileChart(sheetOf()), SMALL);
    const after = chartRuns(compileChart(withRuns(sheetOf(), [found!])), SMALL);
    expect(tellingRuns(after)).toEqual([]);
  });
});
