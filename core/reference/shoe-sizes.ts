import { inches, mm, type Length } from '../quantity/length';
import { graded, namedPart, nominal, published, type PublishedChart } from './published-chart';

/**
 * How much longer than the foot a last is, for the systems that count in lasts. Makers
 * differ; common practice, no source.
 */
export const LAST_ALLOWANCE: Length = mm(15);

/** The systems that count the length of the last. */
export const LAST_SYSTEMS = ['Paris point', 'English', 'American men’s'] as const;
export type LastSystem = (typeof LAST_SYSTEMS)[number];

/**
 * The size of a last in one of the systems that count in lasts, not rounded.
 *
 * - Paris point: two thirds of a centimetre each.
 * - English adult sizes: three barleycorns to the inch, less 25.
 * - American men's: the same, less 24.
 *
 * Source: common shoemaking practice, from memory.
 *
 * @example sizeOfLast(cm(28), 'Paris point') // 42
 */
export function sizeOfLast(last: Length, system: LastSystem): number {
  switch (system) {
    case 'Paris point':
      return (last * 3) / 20_000;
    case 'English':
      return (last * 3) / inches(1) - 25;
    case 'American men’s':
      return (last * 3) / inches(1) - 24;
  }
}

/**
 * The Mondopoint designation of a foot: its length and width in whole millimetres.
 *
 * Source: ISO 9407, from memory.
 *
 * @example mondopoint(mm(250), mm(100)) // '250/100'
 */
export function mondopoint(length: Length, width: Length): string {
  return [length, width].map((one) => Math.round(one / mm(1))).join('/');
}

/** Mondopoint lengths 5 mm apart. Feet measure up to the size they are given: a shoe must not be shorter than the foot. */
export const MONDOPOINT: PublishedChart = published(
  'ISO 9407',
  'Shoes by Mondopoint',
  'boots',
  'ISO 9407, from memory; some services grade by 7.5 mm instead',
  [
    namedPart('length', 'Length', graded(220, 5, 19), [
      { ...nominal('derived:longer-foot', 'mm', graded(220, 5, 19).map(mm)), reach: 'next-up' },
    ]),
    namedPart('width', 'Width', graded(80, 5, 9), [
      { ...nominal('derived:wider-foot', 'mm', graded(80, 5, 9).map(mm)), reach: 'next-up' },
    ]),
  ],
  {
    label: '{length}/{width}',
    derivations: [
      {
        code: 'derived:longer-foot',
        name: 'Longer foot',
        steps: [{ do: 'max', as: 'longer', of: ['foot-length-left', 'foot-length-right'] }],
      },
      {
        code: 'derived:wider-foot',
        name: 'Wider foot',
        steps: [{ do: 'max', as: 'wider', of: ['foot-width-left', 'foot-width-right'] }],
      },
    ],
  },
);
