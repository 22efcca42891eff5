import type { MeasurementCode } from '../../body/catalogue/codes';
import type { ColumnCode } from '../../chart/column-code';
import type { CompiledPart } from '../../chart/compile-chart';
import { NONE } from '../../chart/cut-column';
import { VERDICTS } from '../verdict';
import { Axis } from './axis';
import { PartPlacer, type PartRuling } from './part-placer';
import { asAnswer, PartTable, sizeIn, verdictIn, type Answer } from './part-table';
import { MISSING, UNMET, WAITS, type WhyNothing } from './why-nothing';

const BEYOND = VERDICTS.indexOf('beyond');
const INCOMPLETE = VERDICTS.indexOf('incomplete');
const SUSPECT = VERDICTS.indexOf('suspect');
/** A round of fewer wearers is asked one by one: a table that is not there need not be made. */
const FEW = 32;

/** A column of a part at work: its own values and those of what may stand in for them. */
export interface ColumnRun {
  readonly choices: readonly { readonly code: ColumnCode; readonly values: Float64Array }[];
  /** Whether no value can only mean that it was not measured. */
  readonly alwaysMissing: boolean;
}

interface RuledPart {
  readonly part: CompiledPart;
  readonly ruling: PartRuling;
}

/** What a part is made ready from. */
export interface PartRunPlan {
  readonly whole: RuledPart;
  /** What is offered, by the size of the part it goes by. */
  readonly cases: ReadonlyMap<string, RuledPart>;
  readonly by: { readonly part: number; readonly sizes: readonly string[] } | null;
  readonly columns: readonly ColumnRun[];
  readonly why: WhyNothing;
  readonly capacity: number;
}

/** One part at work: every column's values placed on one axis, then looked up by combination. */
export class PartRun {
  /** What each wearer came to: an index of `VERDICTS`, and a size of the whole part or -1. */
  readonly verdicts: Uint8Array;
  readonly sizes: Int16Array;
  readonly columns: readonly ColumnRun[];
  /** The part of which nothing is left out. */
  readonly whole: PartTable;

  private readonly cases: readonly (PartTable | null)[];
  private readonly by: number | null;
  private readonly axes: readonly Axis[];
  private readonly places: readonly Uint16Array[];
  private readonly chosen: readonly Float64Array[];
  private readonly values: Float64Array;
  private readonly why: WhyNothing;

  constructor({ whole, cases, by, columns, why, capacity }: PartRunPlan) {
    this.verdicts = new Uint8Array(capacity);
    this.sizes = new Int16Array(capacity);
    this.columns = columns;
    this.why = why;
    this.by = by?.part ?? null;
    const all = [whole, ...cases.values()];
    this.axes = columns.map((_, at) => new Axis(all.map(({ part }) => part.deciding[at]!.cut)));
    const table = ({ part, ruling }: RuledPart) =>
      new PartTable(
        new PartPlacer(part, ruling),
        Int16Array.from(part.sizes, (size) => whole.part.sizes.indexOf(size)),
        this.axes,
      );
    this.whole = table(whole);
    this.cases = (by?.sizes ?? []).map((size) => {
      const one = cases.get(size);
      return one === undefined ? null : table(one);
    });
    this.places = columns.map(() => new Uint16Array(capacity));
    this.chosen = columns.map(({ choices }) =>
      choices.length === 1 ? choices[0]!.values : new Float64Array(capacity),
    );
    this.values = new Float64Array(columns.length);
  }

  /** Whether it goes by another part's outcome. */
  get goesByAnother(): boolean {
    return this.by !== null;
  }

  /** The table that holds for one wearer, by what the part before came to. */
  tableFor(row: number, parts: readonly PartRun[]): PartTable {
    const before = this.by === null ? NONE : parts[this.by]!.sizes[row]!;
    return (before === NONE ? null : this.cases[before]!) ?? this.whole;
  }

  /** Sizes everybody of a round by this part. */
  run(count: number, parts: readonly PartRun[], suspects?: ReadonlySet<MeasurementCode>): void {
    const { columns, chosen, axes, places, verdicts, sizes } = this;
    for (let at = 0; at < columns.length; at++) {
      if (columns[at]!.choices.length > 1) this.chooseEach(at, count);
      axes[at]!.placeEach(chosen[at]!, 0, count, places[at]!);
    }
    const ask = (row: number, table: PartTable): Answer => this.askOne(row, table);
    if (suspects !== undefined && suspects.size > 0)
      this.answerEach(count, (row) =>
        this.restsOn(suspects, row) ? asAnswer(SUSPECT, NONE) : ask(row, this.tableFor(row, parts)),
      );
    else if (count < FEW || !this.canBeLookedUp)
      this.answerEach(count, (row) => ask(row, this.tableFor(row, parts)));
    else if (this.by === null) this.whole.lookUp(places, count, verdicts, sizes, ask);
    else this.answerEach(count, (row) => this.tableFor(row, parts).lookUpOne(places, row, ask));
  }

  private get canBeLookedUp(): boolean {
    return this.whole.canBeLookedUp && this.cases.every((one) => one?.canBeLookedUp !== false);
  }

  /** Which of a column's choices one wearer goes by: its own, or the first stand-in there is while it is missing. */
  choiceOf(column: number, row: number): number {
    const { choices } = this.columns[column]!;
    if (choices.length === 1 || !Number.isNaN(choices[0]!.values[row]!)) return 0;
    // Only what is missing may be estimated; what broke off stays broken off.
    if (this.why.status(choices[0]!.code, row) !== MISSING) return 0;
    const standIn = choices.findIndex(({ values }) => !Number.isNaN(values[row]!));
    return standIn < 0 ? 0 : standIn;
  }

  private chooseEach(column: number, count: number): void {
    const { choices } = this.columns[column]!;
    const chosen = this.chosen[column]!;
    const own = choices[0]!.values;
    chosen.set(own.subarray(0, count));
    for (let row = 0; row < count; row++)
      if (Number.isNaN(own[row]!)) chosen[row] = choices[this.choiceOf(column, row)]!.values[row]!;
  }

  private answerEach(count: number, answerOf: (row: number) => Answer): void {
    for (let row = 0; row < count; row++) {
      const answer = answerOf(row);
      this.verdicts[row] = verdictIn(answer);
      this.sizes[row] = sizeIn(answer);
    }
  }

  /** Sizes one wearer by the values chosen for them. */
  private askOne(row: number, table: PartTable): Answer {
    const { columns, chosen, values } = this;
    let complete = true;
    for (let at = 0; at < columns.length; at++) {
      values[at] = chosen[at]![row]!;
      if (Number.isNaN(values[at]!)) complete = false;
    }
    return complete ? table.place(values) : asAnswer(this.verdictWithout(row, table), NONE);
  }

  /** What a part comes to of which something is not known: a requirement before what is missing, that before the rest. */
  private verdictWithout(row: number, table: PartTable): number {
    const { columns, values, why } = this;
    table.placer.differs = false;
    let [unmet, incomplete] = [false, false];
    for (let at = 0; at < columns.length; at++) {
      if (!Number.isNaN(values[at]!)) continue;
      const { choices, alwaysMissing } = columns[at]!;
      if (!alwaysMissing) table.placer.differs = true;
      const status = alwaysMissing ? MISSING : why.status(choices[0]!.code, row);
      if (status === UNMET) unmet = true;
      else if (status === MISSING || status === WAITS) incomplete = true;
    }
    return unmet ? SUSPECT : incomplete ? INCOMPLETE : BEYOND;
  }

  private restsOn(suspects: ReadonlySet<MeasurementCode>, row: number): boolean {
    return this.columns.some((column, at) => {
      if (Number.isNaN(this.chosen[at]![row]!)) return false;
      const { code } = column.choices[this.choiceOf(at, row)]!;
      return this.why.readingsOf(code).some((one) => suspects.has(one));
    });
  }
}
