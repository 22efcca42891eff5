import {
  agreementOf,
  settle,
  settledValues,
  standingReadings,
  UNSETTLED,
  type MeasurementCode,
} from '../../index';
import { SpecDocket } from '../../testing/docket';

const errorOf = (one: SpecDocket, code: MeasurementCode) =>
  settle(one.docket!.readings, UNSETTLED).get(code)!.standardError;

describe('standing readings', () => {
  it('are those not taken back, in the order taken', () => {
    const one = new SpecDocket();
    const [, back] = one.reads('chest-girth', 98, 90, 99);
    one.does('reading-withdrawn', { readingId: back!.id, code: 'chest-girth' });
    const { readings } = one.docket!;
    expect(standingReadings(readings, ['chest-girth']).map(({ typed }) => typed)).toEqual(['98', '99']);
    expect(standingReadings(readings, ['waist-girth'])).toEqual([]);
  });
});

describe('the agreement of readings', () => {
  it('takes one carried over as settled, and one read here as half the work', () => {
    const one = new SpecDocket();
    one.reads('chest-girth', 98);
    one.does('reading-taken', one.reading('waist-girth', 85, { carriedFrom: '2026-01-04T08:00:00.000Z' }));
    const state = (code: MeasurementCode) =>
      agreementOf(code, standingReadings(one.docket!.readings, [code]), UNSETTLED).state;
    expect([state('chest-girth'), state('waist-girth'), state('hip-girth')]).toEqual([
      'one',
      'agreed',
      'none',
    ]);
  });
});

describe('the values readings settle to', () => {
  it('have the spread of three readings, by one less than there are', () => {
    const one = new SpecDocket();
    one.reads('chest-girth', 97, 98, 99);
    const spread = errorOf(one, 'chest-girth');
    expect([one.docket!.readings.length, spread]).toEqual([3, 10_000]);
  });

  it('have the error of their origin and of their own repeats', () => {
    const one = new SpecDocket();
    one.reads('chest-girth', 98, 99);
    one.does('reading-taken', one.reading('waist-girth', 85, { origin: 'self' }));
    one.does('reading-taken', one.reading('hip-girth', 100, { origin: 'reported' }));
    // The catalogue's error of these girths is 7 mm; twice for the wearer's own, three times for what is only reported.
    expect(
      [...settle(one.docket!.readings, UNSETTLED)].map(([code, { value, standardError }]) => [
        code,
        Number(value),
        standardError,
      ]),
    ).toEqual([
      // Its two readings lie 10 mm apart: their own spread, 10 over root 2, is more than the catalogue’s 7.
      ['chest-girth', 985_000, 10_000 / Math.SQRT2],
      ['waist-girth', 850_000, 14_000],
      ['hip-girth', 1_000_000, 21_000],
    ]);
  });

  it('are not made doubtful by what was superseded', () => {
    const one = new SpecDocket();
    one.reads('chest-girth', 120, 98, 98, 98);
    expect(settledValues(one.docket!.readings, UNSETTLED).get('chest-girth')).toBe(980_000 as never);
    expect(errorOf(one, 'chest-girth')).toBe(7_000);
    const third = new SpecDocket();
    third.reads('chest-girth', 120, 98, 98);
    expect(errorOf(third, 'chest-girth')).withContext('the one of three that does not agree').toBe(7_000);
    const two = new SpecDocket();
    two.reads('chest-girth', 98, 104);
    expect(errorOf(two, 'chest-girth'))
      .withContext('two that disagree')
      .toBeCloseTo(60_000 / Math.SQRT2, 5);
  });

  it('take their origin and their way from the readings that count', () => {
    const one = new SpecDocket();
    one.does('reading-taken', one.reading('chest-girth', 120, { origin: 'reported' }));
    one.reads('chest-girth', 98, 98, 98);
    expect(errorOf(one, 'chest-girth')).toBe(7_000);
    one.does('reading-taken', one.reading('waist-girth', 85, { clothing: 'thick', tension: 'snug' }));
    const { clothing, tension } = settle(one.docket!.readings, UNSETTLED).get('waist-girth')!;
    expect([clothing, tension]).toEqual(['thick', 'snug']);
  });

  it('are none where everything was taken back or nothing agrees', () => {
    const one = new SpecDocket();
    const [back] = one.reads('chest-girth', 98);
    one.does('reading-withdrawn', { readingId: back!.id, code: 'chest-girth' });
    one.reads('waist-girth', 80, 90, 100);
    expect(settledValues(one.docket!.readings, UNSETTLED).size).toBe(0);
  });
});
