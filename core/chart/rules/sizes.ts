import type { ChartPart, ChartSheet } from '../chart-shape';
import { named } from '../named';
import { about, rulesOf, type Found } from './rule';

const LETTERS = [
  '4XS',
  '3XS',
  'XXXS',
  '2XS',
  'XXS',
  'XS',
  'S',
  'M',
  'L',
  'XL',
  'XXL',
  '2XL',
  'XXXL',
  '3XL',
  '4XL',
  '5XL',
  '6XL',
];
/** Letters that stand for one size. */
const SAME_LETTER: Readonly<Record<string, string>> = { XXXS: '3XS', XXS: '2XS', XXL: '2XL', XXXL: '3XL' };

/** What the sizes of a chart say of themselves: their letters, what is offered, what is made together. */
export const SIZE_RULES = rulesOf(
  ['letters-out-of-order', 'letters-alike', 'size-missing-in-run', 'never-offered', 'never-combined'],
  (sheet) => [
    ...sheet.parts.flatMap((part) => [
      ...examineLabels(sheet, part),
      ...examineRun(sheet, part),
      ...examineOffer(sheet, part),
    ]),
    ...examineCombinations(sheet),
  ],
);

/** Letters that do not grow. */
function examineLabels(sheet: ChartSheet, part: ChartPart): Found[] {
  const ranks = part.sizes.map((size) => LETTERS.indexOf(size.toUpperCase()));
  return ranks.flatMap((rank, size): Found[] => {
    const before = ranks[size - 1] ?? -1;
    if (rank < 0 || before < 0 || rank > before) return [];
    const same = letter(part.sizes[size]!) === letter(part.sizes[size - 1]!);
    const path = ['parts', sheet.parts.indexOf(part), 'sizes', size];
    const labels = [part.sizes[size - 1]!, part.sizes[size]!];
    return [
      about(sheet, same ? 'letters-alike' : 'letters-out-of-order', path, labels, { part: part.code, size }),
    ];
  });
}

/** The run of letters that makers usually make, each by one of its names. */
const RUN = ['4XS', '3XS', '2XS', 'XS', 'S', 'M', 'L', 'XL', '2XL', '3XL', '4XL', '5XL', '6XL'];

/** A size that is missing within a run: S, M, XL; or 36, 38, 42 where all others are two apart. */
function examineRun(sheet: ChartSheet, part: ChartPart): Found[] {
  const letters = part.sizes.map((size) => RUN.indexOf(letter(size)));
  const numbers = part.sizes.map((size) => (/^\d+$/.test(size) ? Number(size) : NaN));
  const steps = numbers.slice(1).map((number, at) => number - numbers[at]!);
  const usual = Math.min(...steps);
  return part.sizes.flatMap((size, at): Found[] => {
    if (at === 0) return [];
    const before = part.sizes[at - 1]!;
    const path = ['parts', sheet.parts.indexOf(part), 'sizes', at];
    const missing =
      (letters[at - 1] ?? -1) >= 0 && (letters[at] ?? 0) - (letters[at - 1] ?? 0) === 2
        ? RUN[letters[at]! - 1]!
        : // One step that is twice as wide as all the others; a run that grades wider at its end is none.
          steps.every((step) => step > 0) &&
            steps[at - 1] === 2 * usual &&
            steps.filter((step) => step !== usual).length === 1
          ? String(numbers[at - 1]! + usual)
          : null;
    return missing === null
      ? []
      : [about(sheet, 'size-missing-in-run', path, [missing, before, size], { part: part.code, size: at })];
  });
}

function letter(size: string): string {
  return SAME_LETTER[size.toUpperCase()] ?? size.toUpperCase();
}

/** Sizes that no outcome of the part before offers. */
function examineOffer(sheet: ChartSheet, part: ChartPart): Found[] {
  if (part.offered === null) return [];
  const { by, sizes } = part.offered;
  const offered = new Set(Object.values(sizes).flat());
  const first = sheet.parts.find(({ code }) => code === by)!;
  const everythingElse = first.sizes.some((size) => named(sizes, size) === undefined);
  return part.sizes.flatMap((label, size): Found[] => {
    if (everythingElse || offered.has(label)) return [];
    const path = ['parts', sheet.parts.indexOf(part), 'sizes', size];
    return [about(sheet, 'never-offered', path, [label, first.name], { part: part.code, size })];
  });
}

/** Sizes that are made with no size of the other part. */
function examineCombinations(sheet: ChartSheet): Found[] {
  return sheet.combinations.flatMap(({ parts: [first, second], made }) =>
    [first, second].flatMap((code) => {
      const part = sheet.parts.find((one) => one.code === code)!;
      const other = sheet.parts.find((one) => one.code === (code === first ? second : first))!;
      return part.sizes.flatMap((label, size): Found[] => {
        const isMade =
          code === first
            ? (named(made, label)?.length ?? 0) > 0
            : Object.values(made).some((labels) => labels.includes(label));
        const path = ['parts', sheet.parts.indexOf(part), 'sizes', size];
        return isMade
          ? []
          : [about(sheet, 'never-combined', path, [label, other.name], { part: code, size })];
      });
    }),
  );
}
