/**
 * Sizing done the slow way, straight from a chart file as JSON and sharing no line with the
 * core, to hold the core against. It knows plain measurements, the largest of several, parts
 * offered by another part, ease and combinations; nothing else of the chart form.
 */
export interface PlainChart {
  readonly rule: string;
  readonly key?: string;
  readonly label?: string;
  readonly unit: string;
  readonly parts: readonly {
    readonly code: string;
    readonly sizes: readonly string[];
    readonly lean?: string;
    readonly columns: readonly {
      readonly code: string;
      readonly unit: string;
      readonly role?: string;
      readonly reach?: string;
      readonly ease?: { readonly least: string; readonly most: string };
      readonly cells: readonly string[];
    }[];
    readonly offered?: { readonly by: string; readonly sizes: Readonly<Record<string, readonly string[]>> };
  }[];
  readonly derivations?: readonly {
    readonly code: string;
    readonly steps: readonly { do: string; of: string[] }[];
  }[];
  readonly combinations?: readonly {
    readonly parts: [string, string];
    readonly made: Record<string, string[]>;
  }[];
}

/** From the first whole micrometre that belongs to a size to before the first that does not. */
type Range = [from: number, until: number];
type Preference = 'close' | 'regular' | 'roomy';

const MICROMETRES: Readonly<Record<string, number>> = { mm: 1_000, cm: 10_000, in: 25_400 };
const ORDER = ['settled', 'overlap', 'split', 'between', 'not-made', 'beyond'];

/** A number with eighths and the like, in micrometres. */
function measure(text: string, unit: string): number {
  const [whole, share] = text.trim().split(' ');
  const parts = whole!.includes('/') ? ['0', whole!] : [whole!, share];
  const [above, below] = (parts[1] ?? '0/1').split('/').map(Number);
  return Math.round((Number(parts[0]) + above! / below!) * MICROMETRES[unit]!);
}

function written(text: string): number {
  const [, number, unit] = /^(.*?)\s*(mm|cm|in)$/.exec(text)!;
  return measure(number!, unit!);
}

/** The ranges of a column of cells, as printed, all of one sort. */
function ranges(
  cells: readonly string[],
  unit: string,
  reach = 'halfway',
  ease?: { least: string; most: string },
): Range[] {
  const nominal = cells.every((cell) => /^[\d ./]+$/.test(cell));
  const at = nominal ? cells.map((cell) => measure(cell, unit)) : [];
  return cells.map((cell, size): Range => {
    if (nominal && ease) {
      const [from, until] = [at[size]! - written(ease.most), at[size]! - written(ease.least)];
      const next = at[size + 1];
      return [from, next !== undefined && next - written(ease.most) === until ? until : until + 1];
    }
    if (nominal) {
      const below = at[size - 1] ?? 2 * at[size]! - at[size + 1]!;
      const above = at[size + 1] ?? 2 * at[size]! - at[size - 1]!;
      if (reach === 'next-up') return [below + 1, at[size]! + 1];
      return [Math.ceil((below + at[size]!) / 2), Math.ceil((at[size]! + above) / 2)];
    }
    if (cell.startsWith('>=')) return [measure(cell.slice(2), unit), Infinity];
    if (cell.startsWith('<')) return [-Infinity, measure(cell.slice(1), unit)];
    const [from, until] = cell.split('-').map((end) => measure(end, unit));
    const next = cells[size + 1];
    const shared = next !== undefined && measure(next.replace('>=', '').split('-')[0]!, unit) === until;
    return [from!, shared ? until! : until! + 1];
  });
}

/** What one wearer comes to: the verdict (`edge` counts as `settled` here) and the label, `null` for none. */
export function plainSizing(
  chart: PlainChart,
  body: Readonly<Record<string, number>>,
  preference: Preference,
): { verdict: string; label: string | null } {
  const sizes: Record<string, string> = {};
  let worst = 'settled';
  for (const part of chart.parts) {
    const offered = part.offered?.sizes[sizes[part.offered.by] ?? ''] ?? part.sizes;
    const deciding = part.columns
      .filter(({ role }) => role !== 'advisory')
      .map((column) => ({
        value: valueOf(chart, column.code, body),
        isKey: column.code === chart.key,
        ranges: ranges(
          column.cells.filter((_, size) => offered.includes(part.sizes[size]!)),
          column.unit,
          column.reach,
          column.ease,
        ),
      }));
    const kept = part.sizes.filter((size) => offered.includes(size));
    const liked = part.lean === 'larger' ? 'roomy' : part.lean === 'smaller' ? 'close' : preference;
    const { verdict, size } = placeAll(deciding, chart.rule, liked, kept.length);
    if (ORDER.indexOf(verdict) > ORDER.indexOf(worst)) worst = verdict;
    if (size !== null) sizes[part.code] = kept[size]!;
  }
  if (chart.parts.some(({ code }) => sizes[code] === undefined)) return { verdict: worst, label: null };
  const made = (chart.combinations ?? []).every(
    ({ parts: [one, other], made }) => made[sizes[one]!]?.includes(sizes[other]!) ?? false,
  );
  if (!made)
    return { verdict: ORDER.indexOf(worst) < ORDER.indexOf('not-made') ? 'not-made' : worst, label: null };
  const template = chart.label ?? chart.parts.map(({ code }) => `{${code}}`).join(' ');
  return { verdict: worst, label: template.replace(/\{(.*?)\}/g, (_, code: string) => sizes[code]!) };
}

function valueOf(chart: PlainChart, code: string, body: Readonly<Record<string, number>>): number {
  const derivation = chart.derivations?.find((one) => one.code === code);
  return derivation ? Math.max(...derivation.steps[0]!.of.map((one) => body[one]!)) : body[code]!;
}

interface Placed {
  readonly value: number;
  readonly isKey: boolean;
  readonly ranges: readonly Range[];
}

function placeAll(
  columns: readonly Placed[],
  rule: string,
  liked: Preference,
  count: number,
): { verdict: string; size: number | null } {
  const every = Array.from({ length: count }, (_, size) => size);
  const inside = ({ value, ranges }: Placed, size: number) =>
    ranges[size]![0] <= value && value < ranges[size]![1];
  const common = every.filter((size) => columns.every((column) => inside(column, size)));
  const outside = columns.some(
    (column) =>
      !every.some((size) => inside(column, size)) &&
      (column.ranges.every(([from]) => column.value < from) ||
        column.ranges.every(([, until]) => column.value >= until)),
  );
  const gap = columns.some((column) => !every.some((size) => inside(column, size)));
  const verdict = outside
    ? 'beyond'
    : gap
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
    return {
      verdict,
      size: byKey(
        key,
        every.filter((size) => inside(key, size)),
        liked,
        every,
      ),
    };
  }
  const asked = columns.map((column) => {
    const holding = every.filter((size) => inside(column, size));
    return holding.length > 0
      ? holding.at(-1)!
      : (every.find((size) => column.ranges[size]![0] > column.value) ?? null);
  });
  return { verdict, size: asked.includes(null) ? null : Math.max(...(asked as number[])) };
}

/** An end as printed: an upper end that is included was moved up by a micrometre. */
const end = (until: number) => (until % 10 === 1 ? until - 1 : until);

function among(columns: readonly Placed[], sizes: readonly number[], liked: Preference): number {
  if (liked === 'close') return sizes[0]!;
  if (liked === 'roomy') return sizes.at(-1)!;
  const off = (size: number) =>
    columns.reduce((sum, { value, ranges }) => {
      const [from, until] = ranges[size]!;
      const ends = [from, end(until)].filter(Number.isFinite);
      const middle = Math.round(ends.reduce((all, one) => all + one, 0) / ends.length);
      return sum + (ends.length === 0 ? 0 : Math.abs(value - middle));
    }, 0);
  return sizes.reduce((best, size) => (off(size) <= off(best) ? size : best));
}

function byKey(
  key: Placed,
  holding: readonly number[],
  liked: Preference,
  every: readonly number[],
): number | null {
  if (holding.length > 0) return among([key], holding, liked);
  const above = every.find((size) => key.ranges[size]![0] > key.value) ?? null;
  const below = [...every].reverse().find((size) => key.ranges[size]![1] <= key.value) ?? null;
  if (below === null || above === null) return above;
  if (liked !== 'regular') return liked === 'close' ? below : above;
  return key.value - end(key.ranges[below]![1]) < key.ranges[above]![0] - key.value ? below : above;
}

function closest(columns: readonly Placed[], every: readonly number[]): number {
  const misfit = (size: number) =>
    columns.reduce((sum, { value, ranges }) => {
      const [from, until] = ranges[size]!;
      const steps = ranges
        .slice(1)
        .flatMap(([next, nextUntil], at) => [next - ranges[at]![0], end(nextUntil) - end(ranges[at]![1])])
        .sort((a, b) => a - b);
      const away = value < from ? from - value : value >= until ? value - end(until) : 0;
      return sum + away / steps[Math.floor(steps.length / 2)]!;
    }, 0);
  return every.reduce((best, size) => (misfit(size) <= misfit(best) ? size : best));
}
