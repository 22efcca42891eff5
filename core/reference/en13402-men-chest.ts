import { cm } from '../quantity/length';
import type { Cell } from '../chart/interval';
import { plainPart, type ChartPart } from '../chart/size-chart';

/** Lower end, nominal value and upper end of each chest size, in cm. */
const CHEST_SIZES: readonly (readonly [number, number, number])[] = [
  [82, 84, 86],
  [86, 88, 90],
  [90, 92, 94],
  [94, 96, 98],
  [98, 100, 102],
  [102, 104, 106],
  [106, 108, 110],
  [110, 112, 114],
  [114, 116, 118],
  [118, 120, 123],
  [123, 126, 129],
  [129, 132, 135],
  [135, 138, 141],
  [141, 144, 147],
];

/** Letter codes by chest girth, in cm. */
const CHEST_LETTERS: readonly (readonly [string, number, number])[] = [
  ['XS', 78, 86],
  ['S', 86, 94],
  ['M', 94, 102],
  ['L', 102, 110],
  ['XL', 110, 118],
  ['XXL', 118, 129],
  ['3XL', 129, 141],
];

/**
 * Men's chest sizes after EN 13402-3: intervals in cm, the lower bound included and the
 * upper not.
 *
 * Source: EN 13402-3, from memory.
 */
export const EN_13402_MEN_CHEST: ChartPart = part(
  CHEST_SIZES.map(([lower, size, upper]) => [String(size), lower, upper]),
);

/** Men's letter codes by chest girth after EN 13402-3, from memory; bounds as above. */
export const EN_13402_MEN_CHEST_LETTERS: ChartPart = part(CHEST_LETTERS);

function part(rows: readonly (readonly [string, number, number])[]): ChartPart {
  return plainPart(
    rows.map(([size]) => size),
    [
      {
        code: 'chest-girth',
        role: 'deciding',
        unit: 'cm',
        reach: 'halfway',
        ease: null,
        instead: [],
        cells: rows.map(
          ([, lower, upper]): Cell => ({
            kind: 'interval',
            lower: { at: cm(lower), edge: 'closed' },
            upper: { at: cm(upper), edge: 'open' },
          }),
        ),
      },
    ],
  );
}
