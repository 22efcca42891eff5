import { draftPairs, draftSizes, type DraftedPairs, type DraftedSizes } from '@neat-measure/core/own-chart';
import type { Length } from '@neat-measure/core';

/** What is asked: people by one measurement or two, and how sizes may lie. In micrometres. */
export interface OwnQuestion {
  /** Tells the answers apart. */
  readonly id: number;
  readonly people: readonly (readonly number[])[];
  readonly count: number;
  readonly spans: readonly Length[];
  readonly grid: Length;
  readonly widths: 'any' | 'equal' | readonly Length[];
}

/** What so many sizes do for the people. */
export interface OwnPoint {
  readonly count: number;
  readonly left: number;
  readonly misfit: number;
}

/** The sizes that were asked for, and what each further size adds. */
export interface OwnAnswer {
  readonly id: number;
  readonly one: DraftedSizes | null;
  readonly two: DraftedPairs | null;
  readonly curve: readonly OwnPoint[];
  /** Why there is none, in words. */
  readonly trouble: string;
}

/** The curve goes so far at least. */
const MOST_ON_CURVE = 12;

/** Drafts the sizes that were asked for, and those of every other number for the curve. */
export function draftOwn({ id, people, count, spans, grid, widths }: OwnQuestion): OwnAnswer {
  const counts = Array.from({ length: Math.max(MOST_ON_CURVE, count) }, (_, at) => at + 1);
  try {
    if (spans.length === 1) {
      const values = people.map(([value]) => value!);
      const draft = (many: number, how = widths) =>
        draftSizes(values, { count: many, span: spans[0]!, grid, widths: how });
      const one = draft(count);
      // A maker's grading has its own number of sizes: the curve shows what others would come to as they fit.
      const along = widths === 'equal' ? 'equal' : 'any';
      const curve = counts.map((many) => ({ count: many, ...draft(many, along) }));
      return { id, one, two: null, curve: curve.map(toPoint), trouble: '' };
    }
    const pairs = people.map(([one, other]): [number, number] => [one!, other!]);
    const draft = (many: number) =>
      draftPairs(pairs, { count: many, spans: [spans[0]!, spans[1]!], grids: [grid, grid] });
    const curve = counts.map((many) => ({ count: many, ...draft(many) }));
    return { id, one: null, two: curve[count - 1]!, curve: curve.map(toPoint), trouble: '' };
  } catch (error) {
    return { id, one: null, two: null, curve: [], trouble: (error as Error).message };
  }
}

function toPoint({ count, left, misfit }: OwnPoint): OwnPoint {
  return { count, left, misfit };
}
