import { cm, type Length, type MeasurementCode } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { agreementOf, standingReadings, type Reading } from './docket';
import { settledBody, settledValues } from './judge-docket';

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
