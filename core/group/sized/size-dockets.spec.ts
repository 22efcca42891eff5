import {
  chartSheetSchema,
  judgeDocket,
  judgeOne,
  type Docket,
  type MeasurementCode,
  type Reading,
} from '../../testing/all';
import { RANDOM_CODES, drawFrom, randomChart, type Draw } from '../../testing/random-chart';
import { seededRandom } from '../../testing/random';
import { ODALYS, shelvedChart, SpecDocket, specId } from '../../testing/docket';
import { asKnown, inGroup, sizeDockets, type GroupSize } from '.';

/** Charts of every kind, and one as most are. */
const SHELVES = 20;
const EACH = 100;
const PLAIN = 8_000;

/** A reading that stands, some micrometres long. */
function readingOf(code: MeasurementCode, length: number, changes: Partial<Reading> = {}): Reading {
  return {
    ...{ id: specId(), code, typed: `${length / 1_000} mm`, unit: 'mm', length: length as Reading['length'] },
    ...{ stance: 'standing', tension: 'firm', clothing: 'close-fitting', instrument: 'tape' },
    ...{ origin: 'fitter', carriedFrom: null, device: null, takenAt: '2026-05-04T08:00:00.000Z' },
    ...{ by: ODALYS, withdrawnAt: null },
    ...changes,
  } as Reading;
}

/** Somebody of whom most was read once or twice, by whoever and however well. */
function anyBody(docket: Docket, chartId: string, draw: Draw): Docket {
  const readings = RANDOM_CODES.flatMap((code) => {
    if (draw(14) === 0) return [];
    const length = (680 + draw(520)) * 1_000;
    const origin = (['fitter', 'fitter', 'self', 'reported'] as const)[draw(3)]!;
    const again = draw(2) === 0 ? [] : [readingOf(code, length + (draw(8) - 4) * 1_000, { origin })];
    return [
      readingOf(code, length, { origin, carriedFrom: again.length > 0 ? null : '2026-01-04T08:00:00.000Z' }),
      ...again,
    ];
  });
  const own = draw(9);
  return {
    ...docket,
    readings,
    preference: own === 0 ? 'roomy' : 'regular',
    passed:
      own === 1
        ? [{ code: RANDOM_CODES[draw(RANDOM_CODES.length - 1)]!, reason: 'declined', idle: draw(1) === 0 }]
        : [],
    garments:
      own === 2
        ? []
        : docket.garments.map((one) =>
            one.chartId === chartId && own === 3 ? { ...one, rule: 'closest' } : one,
          ),
  } as Docket;
}

/** Somebody of whom chest and waist were read once by now, to half a centimetre. */
function plainBody(docket: Docket, draw: Draw): Docket {
  const read = (code: MeasurementCode, from: number) =>
    readingOf(code, (from + draw(56) / 2) * 10_000, { carriedFrom: '2026-01-04T08:00:00.000Z' });
  return { ...docket, readings: [read('chest-girth', 92), read('waist-girth', 80)] };
}

const chanceOf = ({ odds }: GroupSize, label: string | null) =>
  odds.find((one) => one.label === label)?.chance ?? 0;

describe('a group', () => {
  it('is sized as its dockets are judged one by one', () => {
    const draw = drawFrom(seededRandom(20));
    let [asked, certain] = [0, 0];
    for (let shelf = 0; shelf <= SHELVES; shelf++) {
      const isPlain = shelf === SHELVES;
      const chart = isPlain
        ? shelvedChart()
        : { id: specId(), sheet: chartSheetSchema.parse(randomChart(draw)) };
      const base = new SpecDocket([chart]);
      const { habits } = base.library;
      const dockets = Array.from({ length: isPlain ? PLAIN : EACH }, () =>
        isPlain ? plainBody(base.docket!, draw) : anyBody(base.docket!, chart.id, draw),
      );
      sizeDockets(dockets, chart, habits).forEach((sized, at) => {
        const docket = dockets[at]!;
        const [one] = judgeDocket(docket, { charts: [chart], habits }).garments;
        if (one === undefined) return expect(sized).toBeNull();
        asked += 1;
        const alone = inGroup(one.verdict);
        const { verdict, proposed, alternates } = sized!;
        if (sized!.odds.length === 1) certain += 1;
        expect({ verdict, proposed, alternates: [...alternates] })
          .withContext(`shelf ${shelf}, docket ${at}`)
          .toEqual({ verdict: alone.verdict, proposed: alone.proposed, alternates: [...alone.alternates] });
        expect(Math.abs(chanceOf(sized!, proposed) - chanceOf(alone, proposed))).toBeLessThan(0.005);
      });
    }
    expect(asked).toBeGreaterThan(9_700);
    expect(certain).toBeGreaterThan(3_000);
  });

  it('uses what stands on record for what nobody has read, and says what it rests on', () => {
    const jacket = shelvedChart();
    const spec = new SpecDocket([jacket]);
    const at = '2026-05-05T08:00:00.000Z';
    const record = (
      code: MeasurementCode,
      value: number,
      origin: 'fitter' | 'self' = 'fitter',
      due = false,
    ) => ({ code, value, origin, due, takenAt: '2026-02-05T08:00:00.000Z' }) as never;
    const look = (...known: never[]) => {
      const { docket, rests } = asKnown(spec.docket!, spec.library, known, at);
      return [rests, judgeOne(docket, jacket, spec.library.habits).proposed];
    };
    expect(look()).toEqual(['nothing', null]);
    expect(look(record('chest-girth', 980_000))).toEqual(['record', null]);
    expect(look(record('chest-girth', 980_000), record('waist-girth', 860_000))).toEqual(['record', 'M']);
    expect(look(record('chest-girth', 980_000), record('waist-girth', 860_000, 'self'))).toEqual([
      'own',
      'M',
    ]);
    expect(look(record('chest-girth', 980_000), record('waist-girth', 860_000, 'fitter', true)))
      .withContext('what is due is not used by itself')
      .toEqual(['record', null]);
    // What was read for it stands before what is on record.
    spec.reads('chest-girth', 106, 106);
    spec.reads('waist-girth', 94, 94);
    expect(look(record('chest-girth', 980_000))).toEqual(['read', 'L']);
    expect(spec.docket!.readings.length).toBe(4);
  });
});
