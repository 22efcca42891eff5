import { cm, compileChart, judge, type MeasurementCode } from '@neat-measure/core';
import { chartSheetSchema } from '@neat-measure/core/sheets';
import { watchCoat } from '../../testing/watch-coat';
import { candidatesOf, rulersOf, shortOutcome } from './verdict-view';

/** Between M and L nobody is held by the chest. */
const JACKET = watchCoat(['86-94', '94-102', '104-110']);
const judged = (values: Partial<Record<MeasurementCode, number>>) =>
  judge(
    compileChart(JACKET),
    new Map(Object.entries(values).map(([code, value]) => [code as MeasurementCode, { value: cm(value) }])),
  );

describe('what a card shows', () => {
  it('names both sizes beside a gap, the smaller first', () => {
    const verdict = judged({ 'chest-girth': 103, 'waist-girth': 78 });
    expect([verdict.verdict, shortOutcome(verdict)]).toEqual(['between', 'M | L']);
  });

  it('names the neighbour at an edge, how many are left, and made to measure', () => {
    expect(shortOutcome(judged({ 'chest-girth': 94.2, 'waist-girth': 82.1 }))).toBe('M | S');
    expect(shortOutcome(judged({ 'chest-girth': 98 }))).toBe('1 left');
    expect(shortOutcome(judged({ 'chest-girth': 130, 'waist-girth': 98 }))).toBe('made to measure');
    expect(shortOutcome(judged({ 'chest-girth': 98, 'waist-girth': 86 }))).toBe('M');
  });

  it('keeps in the running what readings leave, and nothing before any', () => {
    expect(candidatesOf(judged({}).parts[0]!)).toEqual([]);
    expect(candidatesOf(judged({ 'chest-girth': 98 }).parts[0]!)).toEqual(['M']);
    expect(candidatesOf(judged({ 'chest-girth': 98, 'waist-girth': 93 }).parts[0]!)).toEqual(['L', 'M']);
  });

  it('shows a long scale about its candidates', () => {
    const sizes = Array.from({ length: 30 }, (_, at) => `${at}`);
    const long = chartSheetSchema.parse({
      ...JACKET,
      parts: [
        {
          code: 'size',
          name: 'Size',
          sizes,
          columns: [
            { code: 'chest-girth', unit: 'cm', cells: sizes.map((_, at) => `${80 + at * 2}-${82 + at * 2}`) },
          ],
        },
      ],
    });
    const verdict = judge(compileChart(long), new Map([['chest-girth' as const, { value: cm(101) }]]));
    const [ruler] = rulersOf(long, verdict);
    expect(ruler!.sizes).toContain('10');
    expect(ruler!.sizes.length).toBeLessThan(10);
    expect(ruler!.intervals.length).toBe(ruler!.sizes.length);
  });
});
