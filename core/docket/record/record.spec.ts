import {
  latestSettled,
  recordOf,
  standingTaken,
  UNSETTLED,
  type Habits,
  type MeasurementCode,
  type LibraryChart,
} from '../../index';
import { shelvedChart, SpecDocket } from '../../testing/docket';

const NOW = Date.UTC(2026, 6, 1);
const AT = (days: number) => ({ at: new Date(NOW - days * 86_400_000).toISOString() });
const taken = (...dockets: readonly SpecDocket[]) => dockets.flatMap(({ acts }) => standingTaken(acts));
const library = (charts: readonly LibraryChart[] = [], habits: Partial<Habits> = {}) => ({
  charts,
  habits: { ...UNSETTLED, ...habits },
});
const valueOf = (all: readonly { code: MeasurementCode; value: number }[], code: MeasurementCode) =>
  all.find((one) => one.code === code)?.value;

describe('what was measured before', () => {
  it('is of each measurement what the docket that took it last agrees on', () => {
    const [first, second] = [new SpecDocket(), new SpecDocket()];
    first.reads('chest-girth', 98, 98);
    first.reads('waist-girth', 84, 84);
    first.reads('hip-girth', 100);
    second.reads('chest-girth', 101, 102);
    second.reads('waist-girth', 80, 90, 100);
    const [back] = second.reads('neck-girth', 38, 38);
    second.does('reading-withdrawn', { readingId: back!.id, code: 'neck-girth' });
    const settled = latestSettled(taken(first, second), UNSETTLED);
    expect(valueOf(settled, 'chest-girth')).toBe(1_015_000);
    expect(settled.map(({ code }) => code))
      .withContext('one reading, three that disagree, one taken back')
      .toEqual(['chest-girth']);
  });

  it('is due after half a year, or after what a chart says, counted from when it was first taken', () => {
    const one = new SpecDocket();
    for (const typed of [98, 98]) one.does('reading-taken', one.reading('chest-girth', typed), AT(182));
    for (const typed of [84, 84]) one.does('reading-taken', one.reading('waist-girth', typed), AT(184));
    one.does('reading-taken', one.reading('hip-girth', 100, { carriedFrom: AT(400).at }), AT(1));
    const due = (charts: readonly LibraryChart[], habits: Partial<Habits> = {}) =>
      recordOf(taken(one), [], library(charts, habits), NOW)
        .filter((value) => value.due)
        .map(({ code }) => code);
    expect(due([])).toEqual(['waist-girth', 'hip-girth']);
    const strict = [90, 30].map((remeasureAfter) =>
      shelvedChart({ expects: [{ code: 'chest-girth', remeasureAfter }] }),
    );
    expect(due(strict)).toContain('chest-girth');
    expect(due([shelvedChart({ expects: [{ code: 'waist-girth', remeasureAfter: 365 }] })])).toEqual([
      'hip-girth',
    ]);
    const house = {
      remeasure: { days: 190, of: { 'chest-girth': 100 }, growing: { under: 18, days: 91 } },
    };
    expect(due([], house)).withContext('as the house has settled').toEqual(['chest-girth', 'hip-girth']);
    expect(due([shelvedChart({ expects: [{ code: 'chest-girth', remeasureAfter: 200 }] })], house))
      .withContext('the chart before the house')
      .toEqual(['hip-girth']);
  });

  it('is due by the shortest period that any chart names for it, and by no other measurement’s', () => {
    const one = new SpecDocket();
    for (const typed of [98, 98]) one.does('reading-taken', one.reading('chest-girth', typed), AT(60));
    const due = (...expects: object[]) =>
      recordOf(
        taken(one),
        [],
        library(expects.map((expected) => shelvedChart({ expects: [expected] }))),
        NOW,
      )[0]!.due;
    expect(due({ code: 'chest-girth', remeasureAfter: 90 })).toBeFalse();
    expect(
      due({ code: 'chest-girth', remeasureAfter: 90 }, { code: 'chest-girth', remeasureAfter: 30 }),
    ).toBeTrue();
    expect(due({ code: 'waist-girth', remeasureAfter: 30 })).toBeFalse();
    expect(due({ code: 'chest-girth', tension: 'snug' })).toBeFalse();
  });

  it('stands before what the wearer sent, unless it is due', () => {
    const one = new SpecDocket();
    for (const typed of [98, 98]) one.does('reading-taken', one.reading('chest-girth', typed), AT(10));
    for (const typed of [84, 84]) one.does('reading-taken', one.reading('waist-girth', typed), AT(300));
    const sent = (code: MeasurementCode, value: number) =>
      ({ code, value: value as never, takenAt: AT(1).at, origin: 'self', due: false }) as const;
    const record = recordOf(
      taken(one),
      [sent('chest-girth', 1), sent('waist-girth', 2), sent('waist-girth', 3), sent('height', 4)],
      library(),
      NOW,
    );
    expect(record.map(({ code, value, origin }) => [code, Number(value), origin])).toEqual([
      ['chest-girth', 980_000, 'fitter'],
      ['waist-girth', 3, 'self'],
      ['height', 4, 'self'],
    ]);
  });
});
