import type { MeasurementCode } from '../../body/catalogue/codes';
import { measurement } from '../../body/catalogue';
import type { CompiledChart } from '../../chart/compile-chart';
import { withFullerHip } from '../../match/fuller-hip';
import { EDGE_CHANCE, judge, type JudgeOptions } from '../../match/judge';
import { Kernel } from '../../match/kernel/kernel';
import { EdgeFinder } from '../../match/odds/edge';
import { onBounds } from '../../match/odds/on-bounds';
import { VERDICTS, type GarmentVerdict } from '../../match/verdict';
import { Labels } from '../labels';
import { ByParts } from './by-parts/by-parts';
import type { GroupBody, GroupSize } from './group-size';

/** Whose size is left at most so likely has it for certain: the odds list nothing else of note. A working value of ours. */
const CERTAIN = 0.002;

/**
 * Sizes many bodies against one chart under one ruling, each as `judge` would: whoever lies plainly inside one size is
 * told so by the kernel's round, and of all others the groups of parts are weighed each by itself; only who has a reading
 * in doubt is judged alone.
 */
export class GroupSizer {
  private readonly kernel: Kernel;
  private readonly edges: EdgeFinder;
  private readonly labels: Labels;
  private readonly codes: readonly MeasurementCode[];
  private readonly inputs: readonly Float64Array[];
  private readonly errors: ReadonlyMap<MeasurementCode, Float64Array>;
  private readonly plainly: number;
  private readonly clear = new Map<string, GroupSize>();
  private readonly byParts: ByParts;

  /** @param ruling what all of them are judged by */
  constructor(
    private readonly chart: CompiledChart,
    private readonly ruling: Omit<JudgeOptions, 'suspects' | 'expected'>,
  ) {
    this.kernel = new Kernel(chart, ruling);
    this.edges = new EdgeFinder(this.kernel, ruling);
    this.byParts = new ByParts(this.kernel, ruling);
    this.labels = new Labels(chart);
    this.codes = [...chart.arithmetic.readings.keys()];
    this.inputs = this.codes.map((code) => this.kernel.input(code));
    this.errors = new Map(this.codes.map((code) => [code, new Float64Array(this.kernel.capacity)]));
    this.plainly = Math.min(CERTAIN, (ruling.edgeChance ?? EDGE_CHANCE) / 2);
  }

  /** Sizes everybody, in their order. */
  size(bodies: readonly GroupBody[]): GroupSize[] {
    const sized: GroupSize[] = [];
    for (let from = 0; from < bodies.length; from += this.kernel.capacity)
      sized.push(...this.round(bodies.slice(from, from + this.kernel.capacity)));
    return sized;
  }

  private round(some: readonly GroupBody[]): GroupSize[] {
    const { kernel, codes, inputs, errors } = this;
    const round = some.map(({ body, suspects }) => ({ body: withFullerHip(body, codes), suspects }));
    codes.forEach((code, at) => {
      const [input, error] = [inputs[at]!, errors.get(code)!];
      const usual = measurement(code).standardError;
      round.forEach(({ body }, row) => {
        const one = body.get(code);
        input[row] = one?.value ?? NaN;
        error[row] = one?.assumed === true ? 0 : (one?.standardError ?? usual);
      });
    });
    kernel.run(round.length);
    return round.map((one, row) => this.one(one, row));
  }

  private one({ body, suspects }: GroupBody, row: number): GroupSize {
    const { kernel, codes } = this;
    const doubted = codes.filter((code) => suspects.has(code) || suspects.has(body.get(code)?.from ?? code));
    const isSettled = doubted.length === 0 && VERDICTS[kernel.verdicts[row]!] === 'settled';
    if (isSettled && this.isPlain(row))
      return this.certain(this.labels.of(kernel.parts.map(({ sizes }) => sizes[row]!)));
    if (doubted.length > 0)
      return inGroup(judge(this.chart, body, { ...this.ruling, suspects: new Set(doubted) }));
    return this.byParts.of(row, { body, suspects }, (code) => this.errors.get(code)![row]!);
  }

  /** Whether the odds would list nothing but the size there is. What lies on a bound is held to its size, and its odds are even. */
  private isPlain(row: number): boolean {
    const { kernel, edges, errors, plainly } = this;
    return edges.leaving(row, errors) * kernel.parts.length < plainly && onBounds(kernel, row).size === 0;
  }

  private certain(label: string): GroupSize {
    const known = this.clear.get(label);
    if (known !== undefined) return known;
    const size: GroupSize = {
      verdict: 'settled',
      proposed: label,
      odds: [{ label, chance: 1 }],
      alternates: [],
    };
    this.clear.set(label, size);
    return size;
  }
}

/**
 * Of a whole verdict what is told of one of many.
 *
 * @example inGroup(judgeOne(docket, jacket, house)).proposed // 'M'
 */
export function inGroup({ verdict, proposed, odds, alternates }: GarmentVerdict): GroupSize {
  return { verdict, proposed, odds, alternates };
}
