import type { ChartSheet } from './chart-shape';
import { isOfLengths } from './size-chart';
import { named } from './named';

/**
 * The label of a garment from the sizes of its parts, by the chart's template.
 *
 * @returns the label, or `null` while a part has no size
 *
 * @example labelOf({ label: '{waist}x{leg}', parts: [{ code: 'waist' }, { code: 'leg' }] }, { waist: '34', leg: '32' }) // '34x32'
 */
export function labelOf(
  {
    label,
    parts,
    combinations,
  }: Pick<ChartSheet, 'label' | 'parts'> & Partial<Pick<ChartSheet, 'combinations'>>,
  sizes: Readonly<Record<string, string>>,
): string | null {
  for (const { code } of parts) if (named(sizes, code) === undefined) return null;
  const called = parts.length === 2 ? calledTogether(combinations ?? [], sizes) : null;
  if (called !== null) return called;
  return piecesOf(parts, label)
    .map((piece, at) => (at % 2 === 0 ? piece : (named(sizes, piece) ?? '')))
    .join('');
}

/** What the sizes of two parts are called together, where they have a name of their own. */
function calledTogether(
  combinations: ChartSheet['combinations'],
  sizes: Readonly<Record<string, string>>,
): string | null {
  for (const { parts, called } of combinations) {
    if (called === undefined) continue;
    const [one, other] = [named(sizes, parts[0]), named(sizes, parts[1])];
    const name =
      one === undefined || other === undefined ? undefined : named(named(called, one) ?? {}, other);
    if (name !== undefined) return name;
  }
  return null;
}

const PIECES = new WeakMap<
  ChartSheet['parts'],
  { readonly label: string | null; readonly pieces: string[] }
>();

/**
 * A template taken apart, once a chart: text and the codes of parts in turn.
 *
 * @example piecesOf([{ code: 'waist' }, { code: 'leg' }], '{waist}x{leg}') // ['', 'waist', 'x', 'leg', '']
 */
export function piecesOf(parts: ChartSheet['parts'], label: string | null): readonly string[] {
  const known = PIECES.get(parts);
  if (known?.label === label) return known.pieces;
  const template = label ?? parts.map(({ code }) => `{${code}}`).join(' ');
  const pieces = template.split(/\{([^}]*)\}/);
  PIECES.set(parts, { label, pieces });
  return pieces;
}

/**
 * Whether the sizes of the parts are offered and made together.
 *
 * @example isMade(jacket.sheet, { size: 'L' }) // true
 */
export function isMade(
  { combinations, parts }: Pick<ChartSheet, 'combinations' | 'parts'>,
  sizes: Readonly<Record<string, string>>,
): boolean {
  const made = combinations.every(({ parts: [first, second], made }) => {
    const [one, other] = [named(sizes, first), named(sizes, second)];
    return one === undefined || other === undefined || (named(made, one)?.includes(other) ?? false);
  });
  return (
    made &&
    parts.every(({ code, offered }) => {
      const [own, by] = [named(sizes, code), offered === null ? undefined : named(sizes, offered.by)];
      return own === undefined || by === undefined || (named(offered!.sizes, by)?.includes(own) ?? true);
    })
  );
}

/** The most combinations that are looked through for near ones. */
const MOST_LOOKED_AT = 200_000;

/**
 * The combinations that are made and lie nearest to one that is not, by steps of size summed
 * over the parts. What can be worn comes first: a size that is too long is shortened, one that is too wide is taken
 * in, one that is too short may do, and one that is too tight does not. Of equals the larger first.
 *
 * @example nearestMade(jacket.sheet, { size: 'L' }) // [{ size: 'XL' }, { size: 'M' }]
 */
export function nearestMade(
  sheet: ChartSheet,
  asked: Readonly<Record<string, string>>,
  most = 4,
): Record<string, string>[] {
  const { parts } = sheet;
  const at = parts.map(({ code, sizes }) => sizes.indexOf(named(asked, code)!));
  const lengths = parts.map((part) => isOfLengths(sheet, part));
  const found: { sizes: Record<string, string>; steps: number; size: number; worn: number }[] = [];
  let left = MOST_LOOKED_AT;
  // Rings of growing distance, so that the first ring with enough in it ends the search.
  for (let reach = 1; reach <= 6 && !enough(found, most) && left > 0; reach++) {
    const walk = (
      index: number,
      steps: number,
      size: number,
      worn: number,
      sizes: Record<string, string>,
    ): void => {
      if (left-- <= 0 || !isMade(sheet, sizes)) return;
      if (index === parts.length) {
        if (steps === reach) found.push({ sizes, steps, size, worn });
        return;
      }
      const part = parts[index]!;
      for (let by = steps - reach; by <= reach - steps; by++) {
        const label = part.sizes[at[index]! + by];
        if (label === undefined) continue;
        const wears = by >= 0 ? 0 : lengths[index]! ? 1 : 2;
        walk(index + 1, steps + Math.abs(by), size + by, Math.max(worn, wears), {
          ...sizes,
          [part.code]: label,
        });
      }
    };
    walk(0, 0, 0, 0, {});
  }
  return found
    .sort((a, b) => a.worn - b.worn || a.steps - b.steps || b.size - a.size)
    .slice(0, most)
    .map(({ sizes }) => sizes);
}

/** Whether enough was found, one among them that can be worn as it is or altered. */
function enough(found: readonly { readonly worn: number }[], most: number): boolean {
  return found.length >= most && found.some(({ worn }) => worn === 0);
}
