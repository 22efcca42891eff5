import { chartSheetSchema, cm, type Length, type MeasurementCode } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import type { Chart } from './chart';
import { agreementOf, standingReadings, type Docket, type Reading } from './docket';
import { judgingBasisOf, judgeGarment, settledBody, settledValues } from './judge-docket';

let minute = 0;
const reading = (code: MeasurementCode, value: Length, changes: Partial<Reading> = {}): Reading => ({
  id: uuidv7(),
  docketId: uuidv7(),
  code,
  typed: '1',
  unit: 'cm',
  stance: 'standing',
  tension: 'skin',
  clothing: 'close-fitting',
  instrument: 'tape',
  origin: 'fitter',
  takenAt: new Date(Date.UTC(2026, 4, 4, 8, minute++)).toISOString(),
  carriedFrom: null,
  device: null,
  length: value,
  fitterId: uuidv7(),
  withdrawnAt: null,
  ...changes,
});
const withdrawn = { withdrawnAt: '2026-05-04T09:00:00.000Z' };

describe('standing readings', () => {
  it('are those not withdrawn, in the order taken', () => {
    const [first, second, third] = [
      reading('chest-girth', cm(98)),
      reading('chest-girth', cm(90), withdrawn),
      reading('chest-girth', cm(99)),
    ];
    expect(standingReadings([third, second, first], ['chest-girth'])).toEqual([first, third]);
    expect(standingReadings([first], ['waist-girth'])).toEqual([]);
  });
});

describe('agreementOf', () => {
  it('takes one carried over as settled, and one read here as half the work', () => {
    expect(agreementOf('chest-girth', [reading('chest-girth', cm(98))]).state).toBe('one');
    const carried = reading('chest-girth', cm(98), { carriedFrom: '2026-01-04T08:00:00.000Z' });
    expect(agreementOf('chest-girth', [carried])).toEqual(
      jasmine.objectContaining({ state: 'agreed', value: cm(98) }),
    );
  });
});

describe('settledBody', () => {
  it('gives each measurement its value and the error of its origin', () => {
    const body = settledBody([
      reading('chest-girth', cm(98)),
      reading('chest-girth', cm(99)),
      reading('waist-girth', cm(85), { origin: 'self' }),
      reading('hip-girth', cm(100), { origin: 'reported' }),
    ]);
    // The catalogue's error of these girths is 7 mm; twice for the wearer's own, three times for what is only reported.
    expect([...body].map(([code, one]) => [code, Number(one.value), one.standardError])).toEqual([
      // Its two readings lie 10 mm apart: their own spread, 10 over root 2, is more than the catalogue’s 7.
      ['chest-girth', 985_000, 10_000 / Math.SQRT2],
      ['waist-girth', 850_000, 14_000],
      ['hip-girth', 1_000_000, 21_000],
    ]);
  });

  it('has no value where everything was withdrawn or nothing agrees', () => {
    const readings = [
      reading('chest-girth', cm(98), withdrawn),
      ...[80, 90, 100].map((value) => reading('waist-girth', cm(value))),
    ];
    expect(settledValues(readings).size).toBe(0);
  });
});

describe('judgeGarment', () => {
  const cells = ['86-94', '94-102'];
  const column = (code: string, role = 'deciding') => ({ code, unit: 'cm', role, cells });
  const chart: Chart = {
    id: uuidv7(),
    seriesId: uuidv7(),
    version: 1,
    source: 'typed',
    importedAt: '2026-05-04T08:00:00.000Z',
    sheet: chartSheetSchema.parse({
      maker: 'Ostrel Workwear',
      garment: 'Watch coat',
      unit: 'cm',
      rule: 'widest-decides',
      options: [{ name: 'Long', when: [{ of: 'height', is: 'above', length: '188 cm' }], adds: '+2 in' }],
      parts: [
        {
          code: 'size',
          name: 'Size',
          sizes: ['S', 'M'],
          columns: [column('chest-girth'), column('waist-girth', 'advisory')],
        },
      ],
    }),
  };
  const docket: Docket = {
    id: uuidv7(),
    number: 1,
    wearerId: uuidv7(),
    occasion: 'Intake',
    unit: 'cm',
    preference: 'regular',
    chartIds: [chart.id],
    protocolIds: [],
    overrides: {},
    extraCodes: [],
    version: 1,
    openedAt: '2026-05-04T08:00:00.000Z',
  };
  const judged = (readings: Reading[], changes: Partial<Docket> = {}) =>
    judgeGarment(
      chart,
      judgingBasisOf({ docket: { ...docket, ...changes }, readings, confirmations: [], skips: [] }),
    );
  const chest = reading('chest-girth', cm(92));
  const pair = [chest, reading('chest-girth', cm(92))];

  it('judges again only what a reading bears on', () => {
    const first = judged(pair);
    expect(first.proposed).toBe('S');
    expect(judged([...pair, reading('calf-girth', cm(38)), reading('calf-girth', cm(38))])).toBe(first);
    const other = judged([reading('chest-girth', cm(98)), reading('chest-girth', cm(98))]);
    expect(other.proposed).toBe('M');
    expect(judged(pair)).toEqual(first);
  });

  it('judges again when what is only reported, an option, the fit or the tape’s lie changes', () => {
    const first = judged(pair);
    const twice = (code: MeasurementCode, value: Length) => [reading(code, value), reading(code, value)];
    expect(judged([...pair, ...twice('waist-girth', cm(90))]).parts[0]!.advisory.length).toBe(1);
    expect(judged([...pair, ...twice('height', cm(190))]).options.map(({ name }) => name)).toEqual(['Long']);
    expect(judged(pair, { preference: 'roomy' }).preference).toBe('roomy');
    expect(judged(pair, { overrides: { [chart.id]: { rule: 'closest', preference: null } } }).rule).toBe(
      'closest',
    );
    expect(judged(pair)).toEqual(first);
  });
});
