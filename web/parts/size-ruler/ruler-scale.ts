import {
  formatNumber,
  inches,
  cm,
  type Interval,
  type Length,
  type WorkingUnit,
  shownIn,
} from '@neat-measure/core';

/** One size on the rule, in percent of its width. */
export interface Segment {
  readonly size: string;
  readonly start: number;
  readonly width: number;
  /** 0, or 1 for one drawn a step lower because it overlaps its neighbour. */
  readonly lane: number;
  readonly openStart: boolean;
  readonly openEnd: boolean;
}

/** A labelled point of the axis. */
export interface Tick {
  readonly at: number;
  readonly label: string;
}

/** A column of sizes and a reading, laid out to scale. */
export interface RulerScale {
  readonly segments: readonly Segment[];
  readonly lanes: number;
  readonly ticks: readonly Tick[];
  /** The reading and the ends of its whiskers, in percent; `null` while nothing is read. */
  readonly mark: { readonly at: number; readonly from: number; readonly to: number } | null;
}

/** A reading to be marked, with the half-length of its whiskers. */
export interface MarkedReading {
  readonly value: Length;
  readonly standardError: number;
}

/** How much of the span an open end is given. */
const OPEN_ROOM = 0.22;

/** Ticks stand on round numbers, at most about this many. */
const MOST_TICKS = 8;
const STEPS: Readonly<Record<WorkingUnit, readonly number[]>> = {
  in: [0.5, 1, 2, 4, 6, 12].map(inches),
  cm: [1, 2, 4, 5, 10, 20, 50].map(cm),
  mm: [0.5, 1, 2, 5, 10, 20, 50].map(cm),
};

/**
 * Lays out a column to scale. The rule reaches from the smallest printed end to the largest,
 * and further where the reading lies outside them.
 */
export function layOut(
  sizes: readonly string[],
  intervals: readonly Interval[],
  reading: MarkedReading | null,
  unit: WorkingUnit,
): RulerScale {
  const ends = intervals
    .flatMap(({ lower, upper }) => [lower, upper])
    .filter((end): end is Length => end !== null);
  const whiskers =
    reading === null
      ? []
      : [reading.value - 1.5 * reading.standardError, reading.value + 1.5 * reading.standardError];
  const known = [...ends, ...whiskers];
  const span = Math.max(Math.max(...known) - Math.min(...known), cm(1));
  // An open-ended size is drawn as wide as a label needs; where it ends nobody knows.
  const room = (open: boolean) => span * (open ? OPEN_ROOM : 0.03);
  const low = Math.min(...known) - room(intervals.some(({ lower }) => lower === null));
  const high = Math.max(...known) + room(intervals.some(({ upper }) => upper === null));
  const percent = (length: number) => ((Math.min(Math.max(length, low), high) - low) / (high - low)) * 100;

  const segments: Segment[] = [];
  intervals.forEach(({ lower, upper }, index) => {
    const start = percent(lower ?? -Infinity);
    const end = percent(upper ?? Infinity);
    const before = segments.at(-1);
    const overlaps = before !== undefined && start < before.start + before.width - 0.01;
    segments.push({
      size: sizes[index]!,
      start,
      width: end - start,
      lane: overlaps ? 1 - before.lane : 0,
      openStart: lower === null,
      openEnd: upper === null,
    });
  });
  return {
    segments,
    lanes: segments.some(({ lane }) => lane === 1) ? 2 : 1,
    // Ticks stand on halves of an inch at the finest.
    ticks: ticksBetween(low, high, unit).map((at) => ({
      at: percent(at),
      label: formatNumber(at, shownIn(unit, 8)),
    })),
    mark:
      reading === null
        ? null
        : {
            at: percent(reading.value),
            from: percent(reading.value - reading.standardError),
            to: percent(reading.value + reading.standardError),
          },
  };
}

function ticksBetween(low: number, high: number, unit: WorkingUnit): Length[] {
  const step = STEPS[unit].find((one) => (high - low) / one <= MOST_TICKS) ?? STEPS[unit].at(-1)!;
  const ticks: Length[] = [];
  for (let at = Math.ceil(low / step) * step; at <= high; at += step) ticks.push(at as Length);
  return ticks;
}

/** How a label stands: within its size where there is room, over it whatever its width, leaning off its edge, or not at all. */
export type Label = 'if-it-fits' | 'always' | 'to-the-left' | 'to-the-right' | 'hidden';

/** The width a ruler has at least, and what a label takes of it, in pixels of 13 px type. */
const LEAST_WIDTH = 210;
const LETTER = 7.8;
const BESIDE = 5;

/**
 * Which labels stand whatever their sizes are wide: those still in the running, and of the others so
 * many that none runs into another on the narrowest ruler. Two neighbours in the running that are too
 * narrow for theirs lean away from each other.
 */
export function labelsOf(
  segments: readonly Segment[],
  candidates: readonly string[],
  mark: number | null = null,
): readonly Label[] {
  const wide = ({ size }: Segment) => ((size.length * LETTER + BESIDE) / LEAST_WIDTH) * 100;
  const centred = (segment: Segment) => segment.start + (segment.width - wide(segment)) / 2;
  const isNarrow = (segment: Segment) => segment.width < wide(segment);
  const labels: Label[] = segments.map(() => 'hidden');
  const standing: { readonly from: number; readonly to: number; readonly lane: number }[] = [];
  const stand = (at: number, label: Label, from: number) => {
    labels[at] = label;
    const { lane } = segments[at]!;
    standing.push({ from, to: from + wide(segments[at]!), lane });
  };
  const chosen = segments.flatMap(({ size }, at) => (candidates.includes(size) ? [at] : []));
  const [one, next] = chosen;
  const crowded = chosen.length === 2 && next === one! + 1 && chosen.some((at) => isNarrow(segments[at]!));
  for (const at of chosen) {
    const segment = segments[at]!;
    const aside = mark === null || crowded ? null : besideMark(segment, wide(segment), mark);
    if (aside !== null) stand(at, aside.label, aside.from);
    else if (!crowded) stand(at, 'always', centred(segment));
    else if (at === one) stand(at, 'to-the-left', segment.start + segment.width - wide(segment));
    else stand(at, 'to-the-right', segment.start);
  }
  segments.forEach((segment, at) => {
    if (labels[at] !== 'hidden') return;
    const from = centred(segment);
    const to = from + wide(segment);
    const free = standing.every(
      (other) => other.to <= from || other.from >= to || other.lane !== segment.lane,
    );
    if (free) stand(at, isNarrow(segment) ? 'always' : 'if-it-fits', from);
  });
  return labels;
}

/** Where a label stands that the mark would strike through: at the end of its size that has more room; `null` where it need not, or cannot, move. */
function besideMark(
  { start, width }: Segment,
  wide: number,
  mark: number,
): { readonly label: Label; readonly from: number } | null {
  const end = start + width;
  const from = start + (width - wide) / 2;
  if (mark < from || mark > from + wide) return null;
  const [left, right] = [mark - start, end - mark];
  if (Math.max(left, right) < wide * MARK_ROOM) return null;
  return left > right ? { label: 'to-the-right', from: start } : { label: 'to-the-left', from: end - wide };
}

/** A label needs so much of its own width beside the mark: its letters are narrower than the room kept for them. */
const MARK_ROOM = 0.8;
