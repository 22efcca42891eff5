// What the corner of a table between two axes says of them.

/** What a corner names, `Collar \ Sleeve`: one thing, or the two axes. */
export function cornerNames(corner: string): string[] {
  return corner.split(/\s*(?:[\\|×→↓]|\s[x/]\s|\/(?=\s*\p{L})|\bby\b|\bvs\.?\b)\s*/iu).filter(Boolean);
}

/**
 * The names of the two axes of a matrix, by what stands in its corner, `Collar \ Sleeve`, and above it.
 *
 * @param corner what heads the column of labels
 * @param above what stands above the row of labels, beside that column
 */
export function axesOf(corner: string, above: string): { readonly down: string; readonly across: string } {
  const parts = cornerNames(corner);
  if (parts.length === 2) return { down: parts[0]!, across: parts[1]! };
  return { down: corner, across: above };
}
