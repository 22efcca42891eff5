import type { ShownLength } from '../quantity/format-length';
import Papa from 'papaparse';
import type { MeasurementCode } from '../body/catalogue/codes';
import type { CompiledChart } from '../chart/compile-chart';
import { asksForOneHip, fullerHip, withFullerHip } from '../match/fuller-hip';
import { findingOf, judge, type JudgeOptions, type MeasuredBody } from '../match/judge';
import { Kernel } from '../match/kernel/kernel';
import { EdgeFinder, type Rival } from '../match/odds/edge';
import { sayReason } from '../match/say-verdict';
import { VERDICTS, type GarmentVerdict, type Verdict } from '../match/verdict';
import { Labels } from './labels';
import type { Person } from './read-people';

/**
 * Sizes one row of a list, with everything its verdict rests on.
 *
 * @example sizePerson(compileChart(jacket.sheet), { id: 'ada', values: new Map([['chest-girth', cm(98)], ['waist-girth', cm(85)]]) }).proposed // 'M'
 */
export function sizePerson(chart: CompiledChart, person: Person, options: JudgeOptions = {}): GarmentVerdict {
  return judge(chart, withFullerHip(bodyOf(person), codesOf(chart)), options);
}

/** What somebody of a list comes to, in brief. */
export interface BriefSize {
  readonly verdict: Verdict;
  readonly proposed: string | null;
  /** Other sizes somebody might choose; of a settled size none are looked for. */
  readonly alternates: readonly string[];
  /** Always of a size that somebody must look at; of a settled or an edge one only where it was asked for. */
  readonly reason: string;
}

/** By one value after the other, at the last what it came to. */
type Found = Map<number, BriefSize | Map<number, unknown>>;

/** So many different sets of values are remembered; then it begins anew. */
const REMEMBERED = 1 << 16;

/**
 * Sizes the people of a list, many at a time. Verdicts and sizes are those of `judge`; odds are
 * drawn only for who is settled and may be near an edge, and reasons are made only for who is not
 * settled. Readings are read to an eighth or a half, so the same values come again and again: what
 * was found of them with some work is remembered.
 */
export class PeopleSizer {
  private readonly kernel: Kernel;
  private readonly edges: EdgeFinder;
  private readonly labels: Labels;
  /** What those came to whom nothing is near, by their label: the same for all of them. */
  private readonly clear = new Map<string, BriefSize>();
  /** What was found with some work, by the values in their order: a map a value. */
  private known: Found = new Map();
  private remembered = 0;
  private readonly inputs: readonly Float64Array[];

  /** @param unit what reasons are told in */
  constructor(
    private readonly chart: CompiledChart,
    private readonly options: JudgeOptions,
    private readonly unit: ShownLength,
  ) {
    this.kernel = new Kernel(chart, options);
    this.labels = new Labels(chart);
    this.edges = new EdgeFinder(this.kernel, options);
    this.inputs = [...chart.arithmetic.readings.keys()].map((code) => this.kernel.input(code));
  }

  /** The most people of one round. */
  get capacity(): number {
    return this.kernel.capacity;
  }

  /** Sizes a round of people. */
  size(listed: readonly Person[]): BriefSize[] {
    const { kernel, inputs } = this;
    const codes = codesOf(this.chart);
    const people = asksForOneHip(codes) ? listed.map(byFullerHip) : listed;
    codes.forEach((code, at) => {
      for (let row = 0; row < people.length; row++) inputs[at]![row] = people[row]!.values.get(code) ?? NaN;
    });
    kernel.run(people.length);
    return people.map((person, row) => this.sized(person, row));
  }

  private sized(person: Person, row: number): BriefSize {
    const settled = VERDICTS[this.kernel.verdicts[row]!] === 'settled';
    if (settled && this.edges.isClear(row)) return this.clearlySettled(row);
    let known = this.known;
    const last = this.inputs.length - 1;
    for (let at = 0; at < last; at++) {
      const value = this.inputs[at]![row]!;
      const next = (known.get(value) as Found | undefined) ?? new Map();
      known.set(value, next);
      known = next;
    }
    const value = this.inputs[last]![row]!;
    const before = known.get(value) as BriefSize | undefined;
    if (before !== undefined) return before;
    const found = settled
      ? this.settled(row, this.edges.rivals(row, person.values))
      : this.flagged(person, row);
    known.set(value, found);
    this.remembered += 1;
    if (this.remembered >= REMEMBERED) [this.known, this.remembered] = [new Map(), 0];
    return found;
  }

  private clearlySettled(row: number): BriefSize {
    const label = this.labels.of(this.kernel.parts.map((part) => part.sizes[row]!));
    const known = this.clear.get(label) ?? this.settled(row, []);
    this.clear.set(label, known);
    return known;
  }

  private settled(row: number, rivals: readonly Rival[]): BriefSize {
    const sizes = this.kernel.parts.map((part) => part.sizes[row]!);
    const others = rivals.flatMap(({ part, size }) =>
      size === null ? [] : [this.labels.of(sizes.map((own, at) => (at === part ? size : own)))],
    );
    return {
      verdict: rivals.length > 0 ? 'edge' : 'settled',
      proposed: this.labels.of(sizes),
      alternates: others,
      reason: '',
    };
  }

  private flagged(person: Person, row: number): BriefSize {
    const found = findingOf(this.kernel, row, bodyOf(person), this.options);
    const { verdict, proposed, alternates } = found;
    return { verdict, proposed, alternates, reason: sayReason({ ...found, assumed: [] }, this.unit) };
  }
}

function bodyOf({ values }: Person): MeasuredBody {
  return new Map([...values].map(([code, value]) => [code, { value }]));
}

/** The heading of the sizes written out. */
export const SIZED_HEADING = ['id', 'verdict', 'size', 'alternates', 'reason'] as const;

/**
 * One line of the sizes written out; several alternates are parted by a bar.
 *
 * @example sizedRow({ id: 'ada' }, { verdict: 'edge', proposed: 'L', alternates: ['M'], reason: '' }) // ['ada', 'edge', 'L', 'M', '']
 */
export function sizedRow(
  { id }: Pick<Person, 'id'>,
  { verdict, proposed, alternates, reason }: BriefSize,
): string[] {
  return [id, verdict, proposed ?? '', alternates.join('|'), reason];
}

/** What was written of a size before, behind the id. */
const WRITTEN = new WeakMap<BriefSize, string>();

/**
 * The lines of the sizes written out, as CSV; most came before, and only whose they are is new.
 *
 * @example sizedCsv([{ id: 'ada' }], [{ verdict: 'settled', proposed: 'M', alternates: [], reason: '' }]) // 'ada,settled,M,,\n'
 */
export function sizedCsv(people: readonly Pick<Person, 'id'>[], sizes: readonly BriefSize[]): string {
  const ids = writeCsv(people.map(({ id }) => [id])).split('\n');
  // A line break in an id is none between them.
  if (ids.length !== people.length + 1) return writeCsv(people.map((one, at) => sizedRow(one, sizes[at]!)));
  return people
    .map((_, at) => {
      const size = sizes[at]!;
      const written = WRITTEN.get(size) ?? writeCsv([sizedRow({ id: 'x' }, size)]).slice(1);
      WRITTEN.set(size, written);
      return `${ids[at]!}${written}`;
    })
    .join('');
}

/**
 * A whole verdict as a line of the sizes written out wants it.
 *
 * @example inBrief(judgeOne(docket, jacket, house), 'cm').proposed // 'M'
 */
export function inBrief(verdict: GarmentVerdict, unit: ShownLength): BriefSize {
  return { ...verdict, reason: sayReason(verdict, unit) };
}

/**
 * Rows as CSV. A cell that a spreadsheet would take for a formula is quoted out of being one.
 *
 * @example writeCsv([['=1+1', 'a,b']]) // `"'=1+1","a,b"\n`
 */
export function writeCsv(rows: readonly (readonly string[])[]): string {
  return `${Papa.unparse(rows as string[][], { newline: '\n', escapeFormulae: true })}\n`;
}

/** Somebody with the larger of two hips in the place of the hip. */
function byFullerHip(person: Person): Person {
  const { values } = person;
  const fuller = fullerHip(values.get('hip-girth'), values.get('high-hip-girth'));
  return fuller === null ? person : { ...person, values: new Map(values).set('hip-girth', fuller) };
}

/** What a chart reads. */
function codesOf({ arithmetic }: CompiledChart): MeasurementCode[] {
  return [...arithmetic.readings.keys()];
}
