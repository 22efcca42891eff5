import { isMeasurementCode, measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';

/**
 * Sizing done the slow way, straight from a chart file as JSON and sharing no line with the rest but the catalogue's errors,
 * to hold it against. It knows the whole of the chart form but labels' odds: every kind of step,
 * stand-ins, what is offered and made, ease, reach, leans and rules.
 */
export interface PlainChart {
  readonly rule: Rule;
  readonly key?: string | null;
  readonly label?: string | null;
  readonly choices?: readonly {
    readonly code: string;
    readonly usual: string;
    readonly ways: readonly { readonly label: string; readonly length: string }[];
  }[];
  readonly expects?: readonly { readonly code: string; readonly rounding?: Rounding | null }[];
  readonly parts: readonly PlainPart[];
  readonly derivations?: readonly { readonly code: string; readonly steps: readonly PlainStep[] }[];
  readonly combinations?: readonly {
    readonly parts: readonly string[];
    readonly made: Readonly<Record<string, readonly string[]>>;
  }[];
}

interface PlainPart {
  readonly code: string;
  readonly sizes: readonly string[];
  readonly lean?: string | null;
  readonly rule?: Rule | null;
  readonly values?: readonly string[] | null;
  readonly columns: readonly PlainColumn[];
  readonly offered?: {
    readonly by: string;
    readonly sizes: Readonly<Record<string, readonly string[]>>;
  } | null;
}

interface PlainColumn {
  readonly code: string;
  readonly unit: string;
  readonly role?: string;
  readonly reach?: string;
  readonly ease?: { readonly least: string; readonly most: string } | null;
  readonly standIns?: readonly string[];
  readonly cells: readonly string[];
}

interface Rounding {
  readonly mode: string;
  readonly step?: string;
  readonly offered?: readonly string[];
}

interface PlainStep {
  readonly do: string;
  readonly as: string;
  readonly of?: string | readonly string[];
  readonly from?: string;
  readonly take?: string;
  readonly by?: number;
  readonly rows?: readonly { readonly upTo: string; readonly gives: string }[];
  readonly to?: Rounding;
  readonly least?: string | null;
  readonly most?: string | null;
}

type Rule = string;
type Preference = 'close' | 'regular' | 'roomy';
type Body = Readonly<Record<string, number | undefined>>;

/** A number, or why there is none. */
type Reckoned = number | 'missing' | 'waits' | 'no-size' | 'off-scale' | 'unmet';

/** From the first whole micrometre that belongs to a size to before the first that does not, and its ends as printed. */
interface Reach {
  readonly from: number;
  readonly until: number;
  readonly lower: number | null;
  readonly upper: number | null;
}

/** What one wearer comes to; `edge` counts as `settled` here. */
export interface PlainSize {
  readonly verdict: string;
  readonly label: string | null;
  readonly sizes: Readonly<Record<string, string>>;
}

const MICROMETRES: Readonly<Record<string, number>> = { mm: 1_000, cm: 10_000, in: 25_400 };
const ORDER = ['settled', 'overlap', 'split', 'between', 'not-made', 'beyond', 'incomplete', 'suspect'];

/** A number with eighths and the like, in micrometres. */
function measure(text: string, unit: string): number {
  const [whole, share] = text.trim().split(' ');
  const parts = whole!.includes('/') ? ['0', whole!] : [whole!, share];
  const [above, below] = (parts[1] ?? '0/1').split('/').map(Number);
  return Math.round((Number(parts[0]) + above! / below!) * MICROMETRES[unit]!);
}

function written(text: string): number {
  const [, minus, number, unit] = /^(-?)(.*?)\s*(mm|cm|in)$/.exec(text)!;
  return (minus === '-' ? -1 : 1) * measure(number!, unit!);
}

function rounded(value: number, to: Rounding): Reckoned {
  if (to.mode === 'down-to-offered') {
    const within = to.offered!.map(written).filter((one) => one <= value);
    return within.length === 0 ? 'off-scale' : Math.max(...within);
  }
  const step = written(to.step!);
  if (to.mode === 'up') return Math.ceil(value / step) * step;
  if (to.mode === 'down') return Math.floor(value / step) * step;
  return Math.floor(value / step + 0.5) * step;
}

/** What one wearer comes to: the verdict and the label, `null` for none. */
export function plainSizing(chart: PlainChart, body: Body, preference: Preference = 'regular'): PlainSize {
  const sizes: Record<string, string> = {};
  const verdicts: Record<string, string> = {};
  for (const part of chart.parts) {
    const offered = part.offered?.sizes[sizes[part.offered.by] ?? ''] ?? part.sizes;
    const kept = part.sizes.filter((size) => offered.includes(size));
    const deciding = part.columns.filter(({ role }) => role !== 'advisory');
    const values = deciding.map((column) => columnValue(chart, column, body, sizes, verdicts));
    const placed = deciding.map((column, at) => ({
      value: values[at] as number,
      isKey: column.code === chart.key,
      reaches: reachesOf(
        column,
        part.sizes.flatMap((size, index) => (offered.includes(size) ? [index] : [])),
      ),
    }));
    const margins = deciding.map(({ code }) =>
      Math.max(...behind(chart, code).map((one) => measurement(one as MeasurementCode).standardError)),
    );
    const liked = part.lean === 'larger' ? 'roomy' : part.lean === 'smaller' ? 'close' : preference;
    const broken = values.filter((one) => typeof one === 'string');
    const { verdict, size } = broken.includes('unmet')
      ? { verdict: 'suspect', size: null }
      : broken.includes('missing') || broken.includes('waits')
        ? { verdict: 'incomplete', size: null }
        : broken.length > 0
          ? { verdict: 'beyond', size: null }
          : atTheEnd(
              placeAll(placed, part.rule ?? chart.rule, liked, kept.length),
              placed,
              margins,
              part.rule ?? chart.rule,
              (part.lean ?? null) === null ? preference : 'regular',
              kept.length,
            );
    verdicts[part.code] = verdict;
    if (size !== null) sizes[part.code] = kept[size]!;
  }
  const worst = Object.values(verdicts).reduce((one, other) =>
    ORDER.indexOf(other) > ORDER.indexOf(one) ? other : one,
  );
  if (chart.parts.some(({ code }) => sizes[code] === undefined))
    return { verdict: worst, label: null, sizes };
  const made = (chart.combinations ?? []).every(
    ({ parts: [one, other], made: with_ }) => with_[sizes[one!]!]?.includes(sizes[other!]!) ?? false,
  );
  if (!made)
    return {
      verdict: ORDER.indexOf(worst) < ORDER.indexOf('not-made') ? 'not-made' : worst,
      label: null,
      sizes,
    };
  const template = chart.label ?? chart.parts.map(({ code }) => `{${code}}`).join(' ');
  return { verdict: worst, label: template.replace(/\{(.*?)\}/g, (_, code: string) => sizes[code]!), sizes };
}

/** The measurements that a column goes by in the end. */
function behind(chart: PlainChart, code: string): string[] {
  const derivation = chart.derivations?.find((one) => one.code === code);
  if (derivation === undefined) return isMeasurementCode(code) ? [code] : [];
  const known = derivation.steps.map(({ as }) => as);
  return derivation.steps.flatMap(({ from, of, take, least, do: does }) =>
    [
      from,
      ...(typeof of === 'string' ? [of] : (of ?? [])),
      take,
      does === 'require' ? least : undefined,
    ].flatMap((text) => (typeof text !== 'string' || known.includes(text) ? [] : behind(chart, text))),
  );
}

/** At the top of its one size somebody who likes it roomy has the next, at the bottom of it somebody who likes it close the one before. */
function atTheEnd(
  placing: { verdict: string; size: number | null },
  columns: readonly Placed[],
  margins: readonly number[],
  rule: string,
  liked: Preference,
  count: number,
): { verdict: string; size: number | null } {
  const { verdict, size } = placing;
  if (verdict !== 'settled' || size === null) return placing;
  const all = columns.map((column, at) => ({ ...column, margin: margins[at]! }));
  const asked = rule === 'key-decides' ? [all.find(({ isKey }) => isKey) ?? all[0]!] : all;
  const top = asked.some(({ value, reaches, margin }) => reaches[size]!.until - value <= margin);
  const bottom = asked.every(
    ({ value, reaches, margin }) =>
      size > 0 && value - reaches[size]!.from <= margin && value - reaches[size - 1]!.until <= margin,
  );
  if (liked === 'roomy' && top && size < count - 1) return { verdict, size: size + 1 };
  return liked === 'close' && bottom && size > 0 ? { verdict, size: size - 1 } : placing;
}

/** What a column goes by: itself, or while it is missing the first of its stand-ins that there is. */
function columnValue(
  chart: PlainChart,
  { code, standIns = [] }: PlainColumn,
  body: Body,
  sizes: Readonly<Record<string, string>>,
  verdicts: Readonly<Record<string, string>>,
): Reckoned {
  const own = reckon(chart, code, body, sizes, verdicts);
  if (own !== 'missing') return own;
  const others = standIns.map((one) => reckon(chart, one, body, sizes, verdicts));
  return others.find((one) => typeof one === 'number') ?? own;
}

function reckon(
  chart: PlainChart,
  code: string,
  body: Body,
  sizes: Readonly<Record<string, string>>,
  verdicts: Readonly<Record<string, string>>,
): Reckoned {
  const derivation = chart.derivations?.find((one) => one.code === code);
  if (derivation === undefined) {
    const value = body[code];
    const rounding = chart.expects?.find((one) => one.code === code)?.rounding ?? null;
    return value === undefined ? 'missing' : rounding === null ? value : rounded(value, rounding);
  }
  const results: Record<string, Reckoned> = {};
  const problems: Reckoned[] = [];
  const operand = (text: string): Reckoned => {
    if (text in results) return results[text]!;
    if (/\d\s*(mm|cm|in)$/.test(text)) return written(text);
    if (text.startsWith('choice:')) {
      const choice = chart.choices!.find((one) => `choice:${one.code}` === text)!;
      return written(choice.ways.find(({ label }) => label === choice.usual)!.length);
    }
    if (!text.startsWith('size-of:')) return reckon(chart, text, body, sizes, verdicts);
    const part = chart.parts.find((one) => `size-of:${one.code}` === text)!;
    const size = sizes[part.code];
    if (size !== undefined) return written(part.values![part.sizes.indexOf(size)]!);
    return verdicts[part.code] === 'beyond' ? 'no-size' : 'waits';
  };
  for (const step of derivation.steps) {
    const texts = [step.from, ...(typeof step.of === 'string' ? [step.of] : (step.of ?? [])), step.take];
    if (step.do === 'require') texts.push(step.least!);
    const operands = texts.filter((text) => text !== undefined).map(operand);
    // A step whose operand broke off earlier is told by that.
    problems.push(...operands.filter((one) => typeof one === 'string'));
    if (operands.some((one) => typeof one === 'string')) {
      results[step.as] = operands.find((one) => typeof one === 'string')!;
      continue;
    }
    results[step.as] = carryOut(step, operands as number[]);
    if (typeof results[step.as] === 'string') problems.push(results[step.as]!);
  }
  if (problems.includes('missing')) return 'missing';
  return problems[0] ?? results[derivation.steps.at(-1)!.as]!;
}

function carryOut(step: PlainStep, operands: readonly number[]): Reckoned {
  const [first = 0, second = 0] = operands;
  const sum = operands.reduce((all, one) => all + one, 0);
  switch (step.do) {
    case 'reading':
      return first;
    case 'add':
      return sum;
    case 'subtract':
      return first - second;
    case 'multiply':
      return Math.round(first * step.by!);
    case 'average':
      return Math.round(sum / operands.length);
    case 'difference':
      return Math.abs(first - second);
    case 'max':
      return Math.max(...operands);
    case 'lookup':
      return (
        step
          .rows!.map(({ upTo, gives }) => [written(upTo), written(gives)] as const)
          .find(([upTo]) => first <= upTo)?.[1] ?? 'off-scale'
      );
    case 'round':
      return rounded(first, step.to!);
    case 'clamp':
      return Math.min(
        Math.max(first, (step.least ?? null) === null ? -Infinity : written(step.least!)),
        (step.most ?? null) === null ? Infinity : written(step.most!),
      );
    default:
      return first >= second ? first : 'unmet';
  }
}

/** The reaches of a column's sizes, of those that are offered; their ends as printed or settled. */
function reachesOf(column: PlainColumn, kept: readonly number[]): Reach[] {
  const all = column.cells.map((cell) => cell.trim());
  const nominal = all.every((cell) => /^[\d ./]+$/.test(cell));
  const at = all.map((cell) => (nominal ? measure(cell, column.unit) : 0));
  const least = column.ease ? written(column.ease.least) : 0;
  const most = column.ease ? written(column.ease.most) : 0;
  if (nominal && !column.ease) {
    // The only one that is offered reaches as far as among all.
    const among = kept.length === 1 ? at : kept.map((index) => at[index]!);
    const reached = among.map((one, index): Reach => {
      const below = among[index - 1] ?? 2 * one - among[index + 1]!;
      const above = among[index + 1] ?? 2 * one - among[index - 1]!;
      if (column.reach === 'next-up') return { from: below + 1, until: one + 1, lower: below, upper: one };
      if (column.reach === 'next-down') return { from: one, until: above, lower: one, upper: above };
      const [from, until] = [Math.ceil((below + one) / 2), Math.ceil((one + above) / 2)];
      return { from, until, lower: from, upper: until };
    });
    return kept.length === 1 ? [reached[kept[0]!]!] : reached;
  }
  const ends = kept.map((index) => {
    const cell = all[index]!;
    if (nominal)
      return { lower: at[index]! - most, opensAt: true, upper: at[index]! - least, upperAs: 'printed' };
    const open = [...cell.matchAll(/(>=|<=|>|<)\s*([\d ./]+)/g)];
    const [from, until] = open.length > 0 ? [] : cell.split('-');
    const down = open.find(([, sign]) => sign!.startsWith('>'));
    const up = open.find(([, sign]) => sign!.startsWith('<'));
    const lower = from ?? down?.[2];
    const upper = until ?? up?.[2];
    return {
      lower: lower === undefined ? null : measure(lower, column.unit) - most,
      opensAt: down?.[1] !== '>',
      upper: upper === undefined ? null : measure(upper, column.unit) - least,
      upperAs: up === undefined ? 'printed' : up[1] === '<=' ? 'closed' : 'open',
    };
  });
  return ends.map(({ lower, opensAt, upper, upperAs }, index): Reach => {
    const next = ends[index + 1];
    const shared = upperAs === 'printed' && next?.lower === upper && next?.opensAt === true;
    return {
      from: lower === null ? -Infinity : opensAt ? lower : lower + 1,
      until: upper === null ? Infinity : upperAs === 'open' || shared ? upper : upper + 1,
      lower,
      upper,
    };
  });
}

interface Placed {
  readonly value: number;
  readonly isKey: boolean;
  readonly reaches: readonly Reach[];
}

const inside = ({ value, reaches }: Placed, size: number) =>
  reaches[size]!.from <= value && value < reaches[size]!.until;

function placeAll(
  columns: readonly Placed[],
  rule: string,
  liked: Preference,
  count: number,
): { verdict: string; size: number | null } {
  const every = Array.from({ length: count }, (_, size) => size);
  const common = every.filter((size) => columns.every((column) => inside(column, size)));
  const out = (column: Placed) => !every.some((size) => inside(column, size));
  const outside = columns.some(
    (column) =>
      out(column) &&
      (column.reaches.every(({ from }) => column.value < from) ||
        column.reaches.every(({ until }) => column.value >= until)),
  );
  const verdict = outside
    ? 'beyond'
    : columns.some(out)
      ? 'between'
      : common.length === 0
        ? 'split'
        : common.length > 1
          ? 'overlap'
          : 'settled';
  if (common.length > 0) return { verdict, size: among(columns, common, liked) };
  if (rule === 'closest') return { verdict, size: closest(columns, every) };
  if (rule === 'key-decides') {
    const key = columns.find(({ isKey }) => isKey) ?? columns[0]!;
    return { verdict, size: byKey(key, liked, every) };
  }
  const asked = columns.map((column) => {
    const holding = every.filter((size) => inside(column, size));
    return holding.length > 0 ? holding.at(-1)! : above(column, every);
  });
  return { verdict, size: asked.includes(null) ? null : Math.max(...(asked as number[])) };
}

/** Of the sizes that begin above a value the one that begins first; of equals the larger. */
function above({ value, reaches }: Placed, every: readonly number[]): number | null {
  const higher = every.filter((size) => reaches[size]!.from > value);
  const first = Math.min(...higher.map((size) => reaches[size]!.from));
  return higher.filter((size) => reaches[size]!.from === first).at(-1) ?? null;
}

function below({ value, reaches }: Placed, every: readonly number[]): number | null {
  const lower = every.filter((size) => reaches[size]!.until <= value);
  const last = Math.max(...lower.map((size) => reaches[size]!.until));
  return lower.filter((size) => reaches[size]!.until === last).at(-1) ?? null;
}

function among(columns: readonly Placed[], sizes: readonly number[], liked: Preference): number {
  if (liked === 'close') return sizes[0]!;
  if (liked === 'roomy') return sizes.at(-1)!;
  const off = (size: number) =>
    columns.reduce((sum, { value, reaches }) => {
      const { lower, upper } = reaches[size]!;
      const ends = [lower ?? upper, upper ?? lower];
      return sum + (ends[0] === null ? 0 : Math.abs(2 * value - ends[0]! - ends[1]!));
    }, 0);
  return sizes.reduce((best, size) => (off(size) <= off(best) ? size : best));
}

function byKey(key: Placed, liked: Preference, every: readonly number[]): number | null {
  const holding = every.filter((size) => inside(key, size));
  if (holding.length > 0) return among([key], holding, liked);
  const [lower, higher] = [below(key, every), above(key, every)];
  if (lower === null || higher === null) return higher;
  if (liked !== 'regular') return liked === 'close' ? lower : higher;
  return key.value - key.reaches[lower]!.upper! < key.reaches[higher]!.lower! - key.value ? lower : higher;
}

/** Distances in steps are fractions: brought to one denominator and compared as whole numbers. */
function closest(columns: readonly Placed[], every: readonly number[]): number {
  const steps = columns.map(({ reaches }) => {
    const apart = reaches
      .slice(1)
      .flatMap((next, at) => [
        next.lower !== null && reaches[at]!.lower !== null ? next.lower - reaches[at]!.lower! : 0,
        next.upper !== null && reaches[at]!.upper !== null ? next.upper - reaches[at]!.upper! : 0,
      ])
      .filter((step) => step > 0)
      .sort((a, b) => a - b);
    return BigInt(apart[Math.floor(apart.length / 2)] ?? 1);
  });
  const misfit = (size: number) =>
    columns.reduce((sum, column, at) => {
      const { lower, upper } = column.reaches[size]!;
      const away = inside(column, size)
        ? 0
        : Math.min(
            lower === null ? Infinity : Math.abs(column.value - lower),
            upper === null ? Infinity : Math.abs(column.value - upper),
          );
      return sum + steps.reduce((all, step, other) => (other === at ? all : all * step), BigInt(away));
    }, 0n);
  return every.reduce((best, size) => (misfit(size) <= misfit(best) ? size : best));
}
