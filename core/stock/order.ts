import { daysFrom } from '../words/days';
import type { MakerMessage } from './order-sheet';

/** One line of an order: so many of one article. */
export interface OrderLine {
  readonly line: number;
  readonly articleId: string;
  readonly count: number;
}

/** What happened to an order, beside what its maker says: an append-only list. */
export type OrderEvent =
  /** To its maker's desk, or by the house's own hand. */
  | { readonly kind: 'sent'; readonly at: string; readonly byHand?: true }
  | { readonly kind: 'heard'; readonly message: MakerMessage }
  /** Pieces came in for a line; of another size where a substitute was taken. */
  | {
      readonly kind: 'received';
      readonly line: number;
      readonly count: number;
      /** What its label says, where that is another than was ordered. */
      readonly as?: string;
    }
  /** Something came that was not ordered so, and was taken in as what it is. */
  | { readonly kind: 'beside'; readonly count: number; readonly label: string }
  /** Something else came than was ordered, and went back. */
  | { readonly kind: 'sent-back'; readonly count: number; readonly label: string }
  /** The rest of a line is waited for no more. */
  | { readonly kind: 'closed'; readonly line: number; readonly count: number };

/** How one line stands. */
export interface LineStanding {
  readonly line: number;
  readonly received: number;
  readonly closed: number;
  /** Still to come. */
  readonly open: number;
  /** On its way by the maker's word, and not received yet. */
  readonly underWay: number;
  readonly backOrdered: { readonly count: number; readonly until: string } | null;
  readonly substitute: { readonly count: number; readonly label: string } | null;
}

/** How an order stands. */
export interface OrderStanding {
  readonly stage: 'draft' | 'sent' | 'acknowledged' | 'part-received' | 'done' | 'ended';
  /** The day the maker named last; `null` before it named one. */
  readonly promised: string | null;
  /** Whether that day is past, and something is still to come. */
  readonly late: boolean;
  /** Since when its maker has named no day, where that is too long; `null` where it is not. */
  readonly silentSince: string | null;
  readonly lines: readonly LineStanding[];
}

/** So many days a maker may take to name a day; a working value of ours. */
export const ANSWER_DAYS = 5;

/**
 * How an order stands on a day, by all that happened to it.
 *
 * @example standingOfOrder([{ line: 1, articleId: 'a', count: 15 }], [{ kind: 'sent', at: '2026-05-04T08:00:00.000Z' }, { kind: 'received', line: 1, count: 3 }], '2026-05-10').lines[0].open // 12
 */
export function standingOfOrder(
  lines: readonly OrderLine[],
  events: readonly OrderEvent[],
  today: string,
): OrderStanding {
  const heard = events.flatMap((one) => (one.kind === 'heard' ? [one.message] : []));
  const standing = lines.map((line) => standingOfLine(line, events, heard));
  const promised =
    heard
      .flatMap((one) => (one.says === 'acknowledged' || one.says === 'late' ? [one.promised] : []))
      .at(-1) ?? null;
  const open = standing.some((line) => line.open > 0);
  const sent = events.find((one) => one.kind === 'sent')?.at.slice(0, 10) ?? null;
  const silent = open && promised === null && sent !== null && daysFrom(sent, today) > ANSWER_DAYS;
  return {
    stage: stageOfOrder(events, standing),
    promised,
    late: open && promised !== null && promised < today,
    silentSince: silent ? sent : null,
    lines: standing,
  };
}

function standingOfLine(
  { line, count }: OrderLine,
  events: readonly OrderEvent[],
  heard: readonly MakerMessage[],
): LineStanding {
  const sum = (kind: 'received' | 'closed') =>
    events.reduce((all, one) => (one.kind === kind && one.line === line ? all + one.count : all), 0);
  const [received, closed] = [sum('received'), sum('closed')];
  const despatched = heard
    .flatMap((one) => (one.says === 'despatched' ? one.holds : []))
    .reduce((all, one) => (one.line === line ? all + one.count : all), 0);
  const open = Math.max(0, count - received - closed);
  const backOrdered = heard
    .flatMap((one) => (one.says === 'back-ordered' && one.line === line ? [one] : []))
    .at(-1);
  const substitute = heard
    .flatMap((one) => (one.says === 'substituted' && one.line === line ? [one] : []))
    .at(-1);
  return {
    line,
    received,
    closed,
    open,
    underWay: Math.min(open, Math.max(0, despatched - received)),
    backOrdered:
      backOrdered === undefined || open === 0
        ? null
        : { count: Math.min(backOrdered.count, open), until: backOrdered.until },
    substitute: substitute === undefined ? null : { count: substitute.count, label: substitute.label },
  };
}

function stageOfOrder(events: readonly OrderEvent[], lines: readonly LineStanding[]): OrderStanding['stage'] {
  if (lines.every(({ open }) => open === 0)) return lines.some(({ closed }) => closed > 0) ? 'ended' : 'done';
  if (lines.some(({ received }) => received > 0)) return 'part-received';
  if (events.some((one) => one.kind === 'heard' && one.message.says === 'acknowledged'))
    return 'acknowledged';
  return events.some(({ kind }) => kind === 'sent') ? 'sent' : 'draft';
}
