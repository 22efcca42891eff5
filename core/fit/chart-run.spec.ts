import {
  compileChart,
  howItRuns,
  onlyPart,
  PRIOR_SHARE,
  type ColumnRun,
  type LookedAtSize,
} from '../testing/all';
import { seededNormal, seededRandom } from '../testing/random';
import { scale, wholeSheet } from '../testing/whole-sheet';
import { bodies507 } from '../reference/bodies-507';

const STEP = 80_000;
const COLUMN = onlyPart(
  compileChart(
    wholeSheet({
      unit: 'cm',
      parts: [
        scale('size', 'chest-girth', ['XS', 'S', 'M', 'L', 'XL', '2XL'], { unit: 'cm' }, [
          '70-78',
          '78-86',
          '86-94',
          '94-102',
          '102-110',
          '110-120',
        ]),
      ],
    }),
  ),
).deciding[0]!;
const CHESTS = bodies507().map((body) => body.get('chest-girth')! as number);

/**
 * A season of a chart whose garments hold less than it says by a shift: people put on the size that the
 * tape gave, and the next where something was wrong. Simulated apart from the model: what is seen is
 * counted out of drawn numbers, never of a chance.
 */
function season(wearers: number, shift: number, random: () => number): LookedAtSize[] {
  const normal = seededNormal(random);
  const looks: LookedAtSize[] = [];
  for (let at = 0; at < wearers; at++) {
    const chest = CHESTS[Math.floor(random() * CHESTS.length)]!;
    const value = Math.round(chest + 7_000 * normal());
    const worn = chest + shift + 0.35 * STEP * normal();
    let size = COLUMN.intervals.findIndex(({ from, until }) => from <= value && value < until);
    if (size < 0) continue;
    for (let tries = 0; tries < 3; tries++) {
      const { from, until } = COLUMN.intervals[size]!;
      const seen = worn + 0.15 * STEP * normal();
      const sight = seen >= until ? 'small' : seen < from ? 'large' : 'right';
      looks.push({ wearer: `${at}`, value, standardError: 7_000, size, sight });
      if (sight === 'right') break;
      const next = size + (sight === 'small' ? 1 : -1);
      if (COLUMN.intervals[next] === undefined) break;
      size = next;
    }
  }
  return looks;
}

const holds = ({ least, most }: ColumnRun, shift: number) => least <= shift && shift <= most;

describe('howItRuns', () => {
  it('says nothing where nobody has looked, and little where one has', () => {
    expect(howItRuns(COLUMN, [])).toBeNull();
    const one = howItRuns(COLUMN, season(1, 0, seededRandom(3)))!;
    expect(one.runs).toBe('no-sign');
    expect(one.most - one.least).toBeGreaterThan(STEP);
  });

  for (const wearers of [5, 20, 100])
    it(`holds the truth in 90 to 97 of 100 seasons of ${wearers} wearers`, () => {
      const random = seededRandom(wearers);
      const normal = seededNormal(random);
      let [held, seasons] = [0, 0];
      for (let count = 0; count < (wearers > 50 ? 60 : 160); count++) {
        // Charts as they come: most near what they say, some far from it.
        const shift = PRIOR_SHARE * STEP * normal();
        const run = howItRuns(COLUMN, season(wearers, shift, random));
        if (run === null) continue;
        seasons += 1;
        if (holds(run, shift)) held += 1;
      }
      const share = (100 * held) / seasons;
      // eslint-disable-next-line no-console
      console.log(
        `how a chart runs: ${wearers} wearers, the interval holds the truth in ${share.toFixed(1)} of 100`,
      );
      expect(share).toBeGreaterThanOrEqual(90);
      expect(share).toBeLessThanOrEqual(97);
    });

  it('says so where a chart runs as it says, and tells one that does not', () => {
    const random = seededRandom(77);
    const told = (shift: number, wearers: number) => {
      const counts = { small: 0, large: 0, 'no-sign': 0 };
      for (let count = 0; count < 40; count++)
        counts[howItRuns(COLUMN, season(wearers, shift, random))!.runs] += 1;
      return counts;
    };
    expect(told(0, 20)['no-sign']).toBeGreaterThanOrEqual(36);
    expect(told(0, 60)['no-sign']).toBeGreaterThanOrEqual(36);
    expect(told(30_000, 40).small).toBeGreaterThanOrEqual(32);
    expect(told(-30_000, 40).large).toBeGreaterThanOrEqual(32);
    expect(told(30_000, 40).large + told(-30_000, 40).small).toBe(0);
  });

  it('counts a wearer who tried three sizes as one', () => {
    const looks: LookedAtSize[] = [2, 2, 2].map((size) => ({
      wearer: 'one',
      value: 900_000,
      standardError: 7_000,
      size,
      sight: 'small',
    }));
    const together = howItRuns(COLUMN, looks)!;
    const apart = howItRuns(
      COLUMN,
      looks.map((one, at) => ({ ...one, wearer: `${at}` })),
    )!;
    expect(together.wearers).toBe(1);
    expect(together.looks).toBe(3);
    expect(together.seen).toEqual({ small: 3, right: 0, large: 0 });
    expect(apart.small).toBeGreaterThan(together.small * 1.3);
  });

  it('says nothing of a column with a single size', () => {
    const single = onlyPart(
      compileChart(
        wholeSheet({
          unit: 'cm',
          parts: [scale('size', 'chest-girth', ['one'], { unit: 'cm' }, ['80-120'])],
        }),
      ),
    ).deciding[0]!;
    const look: LookedAtSize = {
      wearer: 'a',
      value: 1_150_000,
      standardError: 7_000,
      size: 0,
      sight: 'small',
    };
    expect(howItRuns(single, [look])).toBeNull();
  });

  it('is the same whatever the order of what was seen', () => {
    const looks = season(20, 15_000, seededRandom(5));
    expect(howItRuns(COLUMN, [...looks].reverse())).toEqual(howItRuns(COLUMN, looks));
  });

  it('stays within its reach where what was seen cannot be', () => {
    const strange: LookedAtSize[] = [
      { wearer: 'one', value: 1_150_000, standardError: 7_000, size: 0, sight: 'large' },
      { wearer: 'one', value: 1_150_000, standardError: 7_000, size: 5, sight: 'small' },
    ];
    const run = howItRuns(COLUMN, strange)!;
    expect(Number.isFinite(run.small) && Math.abs(run.small) <= 2 * STEP).toBeTrue();
  });
});
