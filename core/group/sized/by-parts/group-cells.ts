import type { MeasurementCode } from '../../../body/catalogue/codes';
import { normalBelow, normalQuantiles } from '../../../capture/normal';
import type { ColumnCode } from '../../../chart/column-code';
import type { CompiledChart } from '../../../chart/compile-chart';
import { isOnBound, stretchOf, type CutColumn } from '../../../chart/cut-column';
import type { RuleOverride } from '../../../match/kernel/kernel';
import { Kernel } from '../../../match/kernel/kernel';
import type { SizesTogether } from '../../../match/odds/odds';
import { VERDICTS } from '../../../match/verdict';
import type { PartGroup } from './part-groups';

/** A reading of one of many: how long, and how far off as a standard deviation. In micrometres. */
export interface CellReading {
  readonly value: number;
  readonly error: number;
  /** What it is recorded to, where its chart says so; else 1. */
  readonly step: number;
}

/** Farther than so many standard errors nobody's value is. */
const FAR = 4.5;
/** What is less likely than so is left out. */
const LEAST = 1e-5;
/** So finely what goes into a derivation is weighed: in equally likely pieces. */
const PIECES = 2_048;
/** So many values are remembered of what goes into derivations; then it begins anew. */
const REMEMBERED = 1 << 13;
/** Of a combination of stretches in which it matters where a value lies. */
const DIFFERS = -1;

const OVERLAP = VERDICTS.indexOf('overlap');

/** What one reading alone decides, cut at every end of the column that goes by it. */
interface PlacedAxis {
  readonly code: MeasurementCode;
  readonly column: ColumnCode;
  /** Whether the column goes by the reading as it is. */
  readonly isPlain: boolean;
  readonly points: Float64Array;
  readonly stride: number;
  /** Of every stretch that was met a reading that lies in it. */
  readonly within: Map<number, number>;
  /** Whether a value lies on a bound of a column that decides. */
  readonly isOnBound: (value: number) => boolean;
}

/** The stretches that a value may lie in, and how likely each is. */
interface Cells {
  readonly places: readonly number[];
  readonly chances: readonly number[];
}

/** What was found so far: how likely each set of sizes is, by its id, and which were met. */
interface Found {
  readonly chances: number[];
  readonly ids: number[];
  isKnown: boolean;
}

/**
 * The odds of some parts of a chart without draws: a plain measurement says the same all along a stretch, so that what
 * is likely is how likely each stretch is; and what goes into a derivation is weighed once a value, for each
 * combination of the stretches of the rest. As exact as the integral over the readings' errors, to about a thousandth.
 */
export class GroupCells {
  /** Whether it can be done at all; where not, whoever asks must draw. */
  readonly isAble: boolean;
  private readonly axes: readonly PlacedAxis[];
  private readonly mixed: MeasurementCode | null;
  private readonly one: Kernel;
  private readonly many: Kernel | null;
  /** What every combination of stretches comes to, by number; `DIFFERS` where that rests on the value itself. */
  private readonly answers = new Map<number, number>();
  private readonly sizes: (readonly number[])[] = [];
  private readonly byKey = new Map<string, number>();
  private readonly places: number[] = [];
  /** Values of somebody: what does not matter is theirs, as it takes longer to find out about nothing. */
  private readonly anybody = new Map<MeasurementCode, number>();
  private through = new Map<string, Cells>();
  private weighed = new Map<string, Map<number, readonly SizesTogether[]>>();

  constructor(
    chart: CompiledChart,
    readonly group: PartGroup,
    private readonly ruling: RuleOverride,
  ) {
    const parts = group.parts.map((at) => chart.parts[at]!);
    let stride = 1;
    this.axes = group.placed.map(({ code, column }): PlacedAxis => {
      const columns = parts.flatMap(({ whole, cases }) =>
        [whole, ...cases.values()].flatMap(({ deciding }) => deciding.filter((one) => one.code === column)),
      );
      const points = Float64Array.from(
        new Set(columns.flatMap(({ cut }) => [...cut.points, ...middlesOf(cut)])),
      ).sort();
      const isPlain = column === code && (chart.expects.get(code)?.rounding ?? null) === null;
      const within = new Map<number, number>();
      const axis = {
        code,
        column,
        isPlain,
        points,
        stride,
        within,
        isOnBound: isPlain ? onAny(columns) : never,
      };
      // One more for what comes to nothing.
      stride *= points.length + 2;
      return axis;
    });
    this.mixed = group.mixed[0] ?? null;
    const hasStandIns = parts.some(({ whole }) => whole.deciding.some(({ standIns }) => standIns.length > 0));
    this.isAble =
      (ruling.preference ?? 'regular') === 'regular' &&
      group.mixed.length <= 1 &&
      stride < Number.MAX_SAFE_INTEGER &&
      !hasStandIns &&
      (this.mixed === null ||
        parts.every(({ whole }) => isMixed(whole, group) || isByStretches(whole, ruling)));
    this.one = new Kernel(chart, ruling, 1);
    this.many =
      this.isAble && (this.mixed !== null || this.axes.some((axis) => !axis.isPlain))
        ? new Kernel(chart, ruling, PIECES)
        : null;
  }

  /** Whether any of the readings lies right on a bound of a size. */
  hasOnBound(readings: (code: MeasurementCode) => CellReading): boolean {
    return this.axes.some((axis) => axis.isOnBound(readings(axis.code).value));
  }

  /**
   * How likely the sizes of the parts are together.
   *
   * @param held whether what lies right on a bound is held to its side of it
   * @returns `null` where only draws can tell
   */
  together(readings: (code: MeasurementCode) => CellReading, held: boolean): readonly SizesTogether[] | null {
    if (this.anybody.size === 0)
      for (const code of this.one.chart.arithmetic.readings.keys())
        this.anybody.set(code, readings(code).value);
    const cells = this.axes.map((axis) => {
      const reading = readings(axis.code);
      const { value, error } = reading;
      return axis.isPlain
        ? cellsOf(axis, value, held && axis.isOnBound(value) ? 0 : error)
        : this.cellsThrough(axis, reading);
    });
    const found: Found = { chances: [], ids: [], isKnown: true };
    this.walk(cells, this.mixed === null ? null : readings(this.mixed), 0, 0, 1, found);
    if (!found.isKnown) return null;
    return found.ids.map((id) => ({ sizes: this.sizes[id]!, chance: found.chances[id]! }));
  }

  /** Every combination of the stretches there may be, each with how likely it is. */
  private walk(
    cells: readonly Cells[],
    mixed: CellReading | null,
    at: number,
    combination: number,
    chance: number,
    found: Found,
  ): void {
    if (at < cells.length) {
      const { places, chances } = cells[at]!;
      const { stride } = this.axes[at]!;
      for (let which = 0; which < places.length; which++) {
        const likely = chance * chances[which]!;
        if (likely < LEAST) continue;
        this.places[at] = places[which]!;
        this.walk(cells, mixed, at + 1, combination + places[which]! * stride, likely, found);
      }
      return;
    }
    if (mixed !== null) {
      for (const one of this.weigh(combination, this.places, mixed))
        add(found, this.idOf(one.sizes), chance * one.chance);
      return;
    }
    const answer = this.answers.get(combination) ?? this.ask(combination, this.places);
    if (answer === DIFFERS) found.isKnown = false;
    else add(found, answer, chance);
  }

  private idOf(sizes: readonly number[]): number {
    const key = sizes.join();
    const known = this.byKey.get(key);
    if (known !== undefined) return known;
    const id = this.sizes.push(sizes) - 1;
    this.byKey.set(key, id);
    return id;
  }

  /** What somebody in a combination of stretches comes to: the same for all of them, or it differs. */
  private ask(combination: number, places: readonly number[]): number {
    const { one, group } = this;
    this.putPlaced(one, places, 1);
    one.run(1);
    const differs = group.parts.some((at) => this.mayDiffer(at));
    const answer = differs ? DIFFERS : this.idOf(group.parts.map((at) => one.parts[at]!.sizes[0]!));
    this.answers.set(combination, answer);
    return answer;
  }

  /** Whether another in the same stretches, cut at their middles too, may come to another size of a part. */
  private mayDiffer(at: number): boolean {
    const { parts, chart } = this.one;
    const part = parts[at]!;
    if (!part.tableFor(0, parts).placer.differs) return false;
    const { rule, deciding } = chart.parts[at]!.whole;
    const isByMiddles = deciding.length === 1 || part.verdicts[0] !== OVERLAP;
    return (this.ruling.rule ?? rule) === 'closest' || !isByMiddles;
  }

  private weigh(
    combination: number,
    places: readonly number[],
    { value, error, step }: CellReading,
  ): readonly SizesTogether[] {
    const by = `${value}/${error}`;
    const known = this.weighed.get(by) ?? new Map<number, readonly SizesTogether[]>();
    if (this.weighed.size >= REMEMBERED) this.weighed = new Map();
    this.weighed.set(by, known);
    const before = known.get(combination);
    if (before !== undefined) return before;
    const kernel = this.many!;
    this.putPlaced(kernel, places, PIECES);
    const pieces = putPieces(kernel.input(this.mixed!), { value, error, step });
    kernel.run(pieces);
    const parts = this.group.parts.map((at) => kernel.parts[at]!);
    const counts = new Map<number, number>();
    // Neighbours mostly come to the same.
    for (let row = 0, from = 0; row < pieces; row++) {
      if (row + 1 < pieces && parts.every(({ sizes }) => sizes[row] === sizes[row + 1])) continue;
      const id = this.idOf(parts.map(({ sizes }) => sizes[row]!));
      counts.set(id, (counts.get(id) ?? 0) + row + 1 - from);
      from = row + 1;
    }
    const found = [...counts].map(([id, count]) => ({ sizes: this.sizes[id]!, chance: count / pieces }));
    known.set(combination, found);
    return found;
  }

  /** The stretches of a column that a reading comes to through a derivation, or rounded. */
  private cellsThrough({ code, column, points, within }: PlacedAxis, reading: CellReading): Cells {
    const by = `${code} ${reading.value}/${reading.error}`;
    const before = this.through.get(by);
    if (before !== undefined) return before;
    const kernel = this.many!;
    this.putPlaced(kernel, [], PIECES);
    const input = kernel.input(code);
    const pieces = putPieces(input, reading);
    kernel.run(pieces);
    const values = kernel.values(column);
    const counts = new Map<number, number>();
    for (let row = 0; row < pieces; row++) {
      const place = Number.isNaN(values[row]!) ? points.length + 1 : stretchOf({ points }, values[row]!);
      counts.set(place, (counts.get(place) ?? 0) + 1);
      if (!within.has(place)) within.set(place, input[row]!);
    }
    const cells = {
      places: [...counts.keys()],
      chances: [...counts.values()].map((count) => count / pieces),
    };
    if (this.through.size >= REMEMBERED) this.through = new Map();
    this.through.set(by, cells);
    return cells;
  }

  /** Puts somebody of these stretches into a round; nothing else is known of them. */
  private putPlaced(kernel: Kernel, places: readonly number[], count: number): void {
    for (const [code, value] of this.anybody) kernel.input(code).fill(value, 0, count);
    places.forEach((place, at) => {
      const { code, points, isPlain, within } = this.axes[at]!;
      const plain = place === 0 ? (points[0] ?? 1) - 1 : points[place - 1]!;
      kernel.input(code).fill(isPlain ? plain : within.get(place)!, 0, count);
    });
  }
}

function add({ chances, ids }: Found, id: number, chance: number): void {
  const before = chances[id];
  if (before === undefined) ids.push(id);
  chances[id] = (before ?? 0) + chance;
}

/** Puts a reading with its error into a round, in equally likely pieces; how many there are. */
function putPieces(input: Float64Array, { value, error, step }: CellReading): number {
  if (error === 0) {
    input[0] = value;
    return 1;
  }
  const off = normalQuantiles(PIECES);
  for (let row = 0; row < PIECES; row++) input[row] = Math.round((value + error * off[row]!) / step) * step;
  return PIECES;
}

const never = () => false;

/** Where a value comes to be nearer the next size: in the gap between two, and by their middles where both hold it. */
function middlesOf({ lower, upper, twiceMiddle }: CutColumn): number[] {
  const found: number[] = [];
  for (let size = 1; size < lower.length; size++)
    found.push(
      Math.ceil((upper[size - 1]! + lower[size]!) / 2),
      Math.ceil((twiceMiddle[size - 1]! + twiceMiddle[size]!) / 4),
    );
  return found.filter((one) => !Number.isNaN(one));
}

function onAny(columns: readonly { readonly cut: { readonly points: Float64Array } }[]) {
  return (value: number) => columns.some(({ cut }) => isOnBound(cut, value));
}

/** Whether all that a part goes by is weighed as it is. */
function isMixed(
  { deciding }: CompiledChart['parts'][number]['whole'],
  { placed }: Pick<PartGroup, 'placed'>,
): boolean {
  return deciding.every(({ code }) => placed.every(({ column }) => column !== code));
}

/** Whether a size of a part never rests on how near a value is to anything, but where a stretch is cut for it. */
function isByStretches(
  { rule: own, deciding, lean }: CompiledChart['parts'][number]['whole'],
  { rule }: RuleOverride,
): boolean {
  const by = rule ?? own;
  const overlaps = deciding.some(({ intervals }) =>
    intervals.some(({ from }, at) => at > 0 && intervals[at - 1]!.until > from),
  );
  return (
    by !== 'closest' && (deciding.length === 1 || (by === 'widest-decides' && (!overlaps || lean !== null)))
  );
}

function cellsOf({ points }: PlacedAxis, value: number, error: number): Cells {
  const own = stretchOf({ points }, value);
  if (error === 0) return { places: [own], chances: [1] };
  const [low, high] = [value - FAR * error, value + FAR * error];
  let from = own;
  while (from > 0 && points[from - 1]! > low) from -= 1;
  const places: number[] = [];
  const chances: number[] = [];
  let before = 0;
  for (let place = from; place <= points.length; place++) {
    // What is drawn is whole, and an end belongs to the stretch that begins there.
    const until = points[place] ?? Infinity;
    const below = until >= high ? 1 : normalBelow((until - 0.5 - value) / error);
    places.push(place);
    chances.push(below - before);
    before = below;
    if (until >= high) break;
  }
  return { places, chances };
}
