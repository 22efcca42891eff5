// Labels read back: whatever a chart from outside says, a label is read within bounds.
import type { ChartSheet } from './chart-shape';
import { isMade, labelOf, piecesOf } from './label';

type Labelled = Pick<ChartSheet, 'label' | 'parts' | 'combinations'>;
type Sizes = Readonly<Record<string, string>>;

/** So many beginnings of a label are looked at: more ways to read one has no chart whose labels tell its sizes apart. */
const MOST_WALKED = 20_000;

/**
 * The sizes of the parts that a label stands for: `labelOf` the other way round. What of the label can be read to its end
 * is known first, from the end on, so that only a label with many whole readings takes long; of such not all are tried.
 *
 * @returns `null` for what is no label of the chart, or of nothing that it makes
 * @example sizesOfLabel(jacket.sheet, 'L') // { size: 'L' }
 */
export function sizesOfLabel(sheet: Labelled, label: string): Record<string, string> | null {
  const pieces = piecesOf(sheet.parts, sheet.label);
  const options = pieces.map((piece, at) => optionsOf(sheet, piece, at));
  const ends = endsFrom(options, label);
  let left = MOST_WALKED;
  const walk = (at: number, from: number, sizes: Record<string, string>): Record<string, string> | null => {
    if (left-- <= 0 || !isMade(sheet, sizes)) return null;
    const piece = pieces[at];
    if (piece === undefined) return labelOf(sheet, sizes) === label ? sizes : null;
    // One size may begin as another does, `4` and `42`: each that fits is tried.
    for (const text of options[at]!) {
      const to = from + text.length;
      if (!label.startsWith(text, from) || !ends[at + 1]!.has(to)) continue;
      const found = walk(at + 1, to, at % 2 === 0 ? sizes : { ...sizes, [piece]: text });
      if (found !== null) return found;
    }
    return null;
  };
  return walk(0, 0, {}) ?? calledSo(sheet, label);
}

/** What may stand in a label for a piece of its template: its text, or a size of its part. */
function optionsOf({ parts }: Labelled, piece: string, at: number): readonly string[] {
  return at % 2 === 0 ? [piece] : (parts.find(({ code }) => code === piece)?.sizes ?? []);
}

/** For each piece, and behind the last, from where in a label the rest can be read. */
function endsFrom(options: readonly (readonly string[])[], label: string): readonly ReadonlySet<number>[] {
  const ends: Set<number>[] = options.map(() => new Set());
  ends.push(new Set([label.length]));
  for (let at = options.length - 1; at >= 0; at--)
    for (const text of options[at]!)
      for (const to of ends[at + 1]!)
        if (to >= text.length && label.startsWith(text, to - text.length)) ends[at]!.add(to - text.length);
  return ends;
}

/** The two sizes that have a name of their own together. */
function calledSo(
  sheet: Pick<ChartSheet, 'label' | 'parts' | 'combinations'>,
  label: string,
): Record<string, string> | null {
  for (const { parts, called } of sheet.combinations)
    for (const [one, others] of Object.entries(called ?? {}))
      for (const [other, name] of Object.entries(others)) {
        const sizes = { [parts[0]]: one, [parts[1]]: other };
        if (name === label && labelOf(sheet, sizes) === label && isMade(sheet, sizes)) return sizes;
      }
  return null;
}

/** One label, and two garments that it stands for. */
export interface ReadTwice {
  readonly label: string;
  readonly readings: readonly [Sizes, Sizes];
}

/** Two beginnings of labels, the first of which is further by a text. */
interface Apart {
  /** How many pieces each has. */
  readonly pieces: readonly [number, number];
  /** What the first has more. */
  readonly ahead: string;
  readonly sizes: readonly [Sizes, Sizes];
}

/**
 * A label that stands for two garments which are made; `null` where every label tells which one it is. Two labels are put
 * together piece by piece, the one that is behind next, so that most charts need no more. Only where the two that come out
 * alike are not made are all that are made written out, as far as they can be counted.
 */
export function labelReadTwice(sheet: Labelled): ReadTwice | null {
  const pieces = piecesOf(sheet.parts, sheet.label);
  const options = pieces.map((piece, at) => optionsOf(sheet, piece, at));
  // A part that has no size makes no label.
  if (options.some(({ length }) => length === 0)) return null;
  const adds = (sizes: Sizes, at: number, text: string): Sizes =>
    at % 2 === 0 ? sizes : { ...sizes, [pieces[at]!]: text };
  const seen = new Set<string>();
  const waiting = firstApart(options, adds);
  for (let one = waiting.pop(); one !== undefined && seen.size < MOST_WALKED; one = waiting.pop()) {
    const { ahead, sizes } = one;
    const key = `${one.pieces.join()} ${ahead}`;
    if (seen.has(key)) continue;
    seen.add(key);
    const isWhole = one.pieces.every((many) => many === pieces.length);
    if (!isWhole || ahead !== '') {
      waiting.push(...further(one, options, adds));
      continue;
    }
    const label = writtenOut(pieces, sizes[0]);
    const isOne = label === writtenOut(pieces, sizes[1]) && sizes.every((each) => isMade(sheet, each));
    // Others that come to the same are not looked at one by one here.
    return isOne ? { label, readings: sizes } : amongMade(sheet, pieces);
  }
  return null;
}

/** The same by writing out everything that is made; `null`, too, where that is more than is looked at. */
function amongMade(sheet: Labelled, pieces: readonly string[]): ReadTwice | null {
  const known = new Map<string, Sizes>();
  let left = MOST_WALKED;
  const walk = (at: number, sizes: Sizes): ReadTwice | null => {
    if (left-- <= 0 || !isMade(sheet, sizes)) return null;
    const part = sheet.parts[at];
    if (part !== undefined) {
      for (const size of part.sizes) {
        const found = walk(at + 1, { ...sizes, [part.code]: size });
        if (found !== null) return found;
      }
      return null;
    }
    const label = writtenOut(pieces, sizes);
    // What has a name of its own is not told by its sizes.
    if (labelOf(sheet, sizes) !== label) return null;
    const before = known.get(label);
    known.set(label, before ?? sizes);
    const differs = pieces.some((piece, place) => place % 2 === 1 && before?.[piece] !== sizes[piece]);
    return before !== undefined && differs ? { label, readings: [before, sizes] } : null;
  };
  return walk(0, {});
}

type Adds = (sizes: Sizes, at: number, text: string) => Sizes;

/** Where two labels that are alike so far first differ: one size begins as another of the same part does. */
function firstApart(options: readonly (readonly string[])[], adds: Adds): Apart[] {
  let alike: Sizes = {};
  const found: Apart[] = [];
  options.forEach((texts, at) => {
    for (const longer of texts)
      for (const shorter of texts)
        if (longer.length > shorter.length && longer.startsWith(shorter))
          found.push({
            ...{ pieces: [at + 1, at + 1], ahead: longer.slice(shorter.length) },
            sizes: [adds(alike, at, longer), adds(alike, at, shorter)],
          });
    alike = adds(alike, at, texts[0]!);
  });
  return found;
}

/** Both with one piece more of the one that is behind, or has fewer pieces. */
function further(one: Apart, options: readonly (readonly string[])[], adds: Adds): Apart[] {
  const { pieces, ahead, sizes } = one;
  const isFirst = ahead === '' && pieces[0] < pieces[1];
  const [at, other] = isFirst ? pieces : [pieces[1], pieces[0]];
  const [own, others] = isFirst ? sizes : [sizes[1], sizes[0]];
  return (options[at] ?? []).flatMap((text): Apart[] => {
    const more = adds(own, at, text);
    if (ahead.startsWith(text))
      return [{ pieces: [other, at + 1], ahead: ahead.slice(text.length), sizes: [others, more] }];
    return text.startsWith(ahead)
      ? [{ pieces: [at + 1, other], ahead: text.slice(ahead.length), sizes: [more, others] }]
      : [];
  });
}

function writtenOut(pieces: readonly string[], sizes: Sizes): string {
  return pieces.map((piece, at) => (at % 2 === 0 ? piece : (sizes[piece] ?? ''))).join('');
}
