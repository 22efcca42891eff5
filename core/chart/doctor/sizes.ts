import type { ChartPart, ChartSheet } from '../chart-shape';
import type { Diagnosis } from './diagnosis';

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

/** Letters that do not grow. */
export function examineLabels(sheet: ChartSheet, part: ChartPart): Diagnosis[] {
  const ranks = part.sizes.map((size) => LETTERS.indexOf(size.toUpperCase()));
  return ranks.flatMap((rank, size): Diagnosis[] => {
    const before = ranks[size - 1] ?? -1;
    if (size === 0 || rank < 0 || before < 0 || rank > before) return [];
    const same = letter(part.sizes[size]!) === letter(part.sizes[size - 1]!);
    return [
      {
        code: 'letters-out-of-order',
        severity: same ? 'look' : 'wrong',
        place: { part: part.code, column: null, size },
        facts: { lengths: [], labels: [part.sizes[size - 1]!, part.sizes[size]!], unit: sheet.unit },
        mend: null,
      },
    ];
  });
}

function letter(size: string): string {
  return SAME_LETTER[size.toUpperCase()] ?? size.toUpperCase();
}

/** Sizes that no outcome of the part before offers. */
export function examineOffer(sheet: ChartSheet, part: ChartPart): Diagnosis[] {
  if (part.offered === null) return [];
  const { by, sizes } = part.offered;
  const offered = new Set(Object.values(sizes).flat());
  const first = sheet.parts.find(({ code }) => code === by)!;
  const everythingElse = first.sizes.some((size) => sizes[size] === undefined);
  return part.sizes.flatMap((label, size): Diagnosis[] =>
    everythingElse || offered.has(label)
      ? []
      : [
          {
            code: 'never-offered',
            severity: 'look',
            place: { part: part.code, column: null, size },
            facts: { lengths: [], labels: [label, first.name], unit: sheet.unit },
            mend: null,
          },
        ],
  );
}

/** Sizes that are made with no size of the other part. */
export function examineCombinations(sheet: ChartSheet): Diagnosis[] {
  return sheet.combinations.flatMap(({ parts: [first, second], made }) =>
    [first, second].flatMap((code) => {
      const part = sheet.parts.find((one) => one.code === code)!;
      const other = sheet.parts.find((one) => one.code === (code === first ? second : first))!;
      return part.sizes.flatMap((label, size): Diagnosis[] => {
        const isMade =
          code === first
            ? (made[label]?.length ?? 0) > 0
            : Object.values(made).some((labels) => labels.includes(label));
        if (isMade) return [];
        return [
          {
            code: 'never-combined',
            severity: 'look',
            place: { part: code, column: null, size },
            facts: { lengths: [], labels: [label, other.name], unit: sheet.unit },
            mend: null,
          },
        ];
      });
    }),
  );
}
