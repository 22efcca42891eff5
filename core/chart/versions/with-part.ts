import type { ChartPart, ChartSheet } from '../chart-shape';

/**
 * A sheet with a part in the place of the one of its code, and all that names its sizes following
 * them: what other parts offer by it, what it offers itself, and what is made together. A size that
 * is gone is no longer named.
 *
 * @param was for each size of the new part which size of the old one it was, by index; -1 for a new one
 * @example withPart(jacket.sheet, jacket.sheet.parts[0], [0, 1, 2]).parts.length // 1
 */
export function withPart(sheet: ChartSheet, part: ChartPart, was: readonly number[]): ChartSheet {
  const old = sheet.parts.find(({ code }) => code === part.code)!;
  const labels = new Map(
    was.flatMap((from, at) => (from < 0 ? [] : [[old.sizes[from]!, part.sizes[at]!] as const])),
  );
  const renamed = (sizes: readonly string[]) =>
    sizes.flatMap((size) => (labels.has(size) ? [labels.get(size)!] : []));
  const keyed = <Value>(of: Readonly<Record<string, Value>>): Record<string, Value> =>
    Object.fromEntries(
      Object.entries(of).flatMap(([size, others]) =>
        labels.has(size) ? [[labels.get(size)!, others] as const] : [],
      ),
    );
  const listed = (of: Readonly<Record<string, string[]>>) =>
    Object.fromEntries(Object.entries(of).map(([size, others]) => [size, renamed(others)]));
  return {
    ...sheet,
    parts: sheet.parts.map((one) => {
      const whole = one.code === part.code ? part : one;
      const { offered } = whole;
      if (offered === null) return whole;
      if (whole === part) return { ...whole, offered: { ...offered, sizes: listed(offered.sizes) } };
      return offered.by === part.code
        ? { ...whole, offered: { ...offered, sizes: keyed(offered.sizes) } }
        : whole;
    }),
    combinations: sheet.combinations.map((one) => {
      const [first, second] = one.parts;
      const made = first === part.code ? keyed(one.made) : second === part.code ? listed(one.made) : one.made;
      if (one.called === undefined) return { ...one, made };
      const called =
        first === part.code
          ? keyed(one.called)
          : second === part.code
            ? Object.fromEntries(Object.entries(one.called).map(([size, names]) => [size, keyed(names)]))
            : one.called;
      return { ...one, made, called };
    }),
  };
}
