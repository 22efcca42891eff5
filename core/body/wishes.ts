import { inches, mm, micrometres, type Length } from '../quantity/length';
import type { ChainCode } from './chains';

/** The codes of what can be wished of a garment's lengths. */
export const WISH_CODES = [
  'neckline-front',
  'neckline-front-shoulder',
  'neckline-back',
  'sleeve-short',
  'sleeve-elbow',
  'sleeve-three-quarter',
  'sleeve-long',
  'top-length',
  'top-length-shoulder',
  'dress-length',
  'skirt-length',
  'knee-width',
  'split',
  'hem',
  'train',
  'trouser-hem',
] as const;
export type WishCode = (typeof WISH_CODES)[number];

/**
 * A length of the garment that is wanted, and none of the body: it is kept on the docket, goes into
 * no record of a person and gives no size.
 */
export interface Wish {
  readonly code: WishCode;
  readonly name: string;
  /** From where to where. */
  readonly place: string;
  readonly limits: { readonly least: Length; readonly most: Length };
  /** The placing of the tape in which it can be read in passing, where there is one. */
  readonly chain: ChainCode | null;
  /** The same end from another start, which is another length; schools differ. `null` where all start alike. */
  readonly elsewhere: WishCode | null;
}

const wish = (
  code: WishCode,
  name: string,
  place: string,
  least: number,
  most: number,
  chain: ChainCode | null = null,
  elsewhere: WishCode | null = null,
): Wish => ({ code, name, place, limits: { least: mm(least), most: mm(most) }, chain, elsewhere });

/** Every wish there is, from the neck to the floor. Limits are working values of ours. */
export const WISHES: readonly Wish[] = [
  wish(
    'neckline-front',
    'Neckline, front',
    'From the hollow of the throat down to where the neckline ends.',
    0,
    450,
    null,
    'neckline-front-shoulder',
  ),
  wish(
    'neckline-front-shoulder',
    'Neckline, front, from the shoulder',
    'From the point where neck meets shoulder straight down to the level where the neckline ends.',
    40,
    560,
    'front',
    'neckline-front',
  ),
  wish(
    'neckline-back',
    'Neckline, back',
    'From the nape bone down to where the neckline ends.',
    0,
    600,
    'back',
  ),
  wish(
    'sleeve-short',
    'Sleeve, short',
    'From the shoulder point to where a short sleeve ends.',
    30,
    400,
    'arm',
  ),
  wish(
    'sleeve-elbow',
    'Sleeve, to the elbow',
    'From the shoulder point to where it ends at the elbow.',
    180,
    500,
    'arm',
  ),
  wish(
    'sleeve-three-quarter',
    'Sleeve, three-quarter',
    'From the shoulder point to where it ends on the forearm.',
    250,
    700,
    'arm',
  ),
  wish(
    'sleeve-long',
    'Sleeve, long',
    'From the shoulder point to where it ends at the hand, arm slightly bent.',
    350,
    950,
    'arm',
  ),
  wish(
    'top-length',
    'Top, length',
    'From the nape bone to the hem of the top.',
    250,
    1200,
    'back',
    'top-length-shoulder',
  ),
  wish(
    'top-length-shoulder',
    'Top, length, from the shoulder',
    'From the point where neck meets shoulder, over the bust point, to the hem of the top.',
    280,
    1300,
    'front',
    'top-length',
  ),
  wish(
    'dress-length',
    'Dress, length',
    'From the point where neck meets shoulder, over the bust point, to the hem.',
    500,
    2000,
    'front',
  ),
  wish('skirt-length', 'Skirt, length', 'From the natural waist at the side to the hem.', 150, 1400, 'side'),
  wish('knee-width', 'Skirt, width at the knee', 'All round, where the skirt passes the knee.', 500, 3000),
  wish('split', 'Split', 'From the floor up to where the split begins.', 0, 1300, 'floor'),
  wish(
    'hem',
    'Hem above the floor',
    'From the floor up to the hem, in the shoes to be worn.',
    0,
    1300,
    'floor',
  ),
  wish('train', 'Train', 'From the heel back along the floor to where the train ends.', 50, 3000),
  wish(
    'trouser-hem',
    'Trousers, to the hem',
    'From the worn waistband down the side to the hem, in the shoes to be worn.',
    300,
    1400,
  ),
];

const BY_CODE: ReadonlyMap<WishCode, Wish> = new Map(WISHES.map((one) => [one.code, one]));

/**
 * The wish of a code.
 *
 * @example wishOf('train').name // 'Train'
 */
export function wishOf(code: WishCode): Wish {
  return BY_CODE.get(code)!;
}

/** How close a narrow skirt is cut. */
export const SKIRT_CUTS = ['close', 'every-day', 'easy'] as const;
export type SkirtCut = (typeof SKIRT_CUTS)[number];

/** How much less than the hip the knee of a narrow skirt is. Common practice, no source. */
const LESS_THAN_HIP: Readonly<Record<SkirtCut, { readonly least: number; readonly most: number }>> = {
  close: { least: 8, most: 8 },
  'every-day': { least: 6, most: 7 },
  easy: { least: 5, most: 6 },
};

/**
 * The width of a narrow skirt at the knee, which is not measured but taken from the hip: an estimate,
 * to be marked as one wherever it is shown.
 *
 * @param hip the girth of the hip
 * @returns the narrowest and the widest that is usual for the cut; one width for a close one
 *
 * @example kneeFromHip(inches(40), 'close').least === inches(32) // true
 */
export function kneeFromHip(hip: Length, cut: SkirtCut): { readonly least: Length; readonly most: Length } {
  const { least, most } = LESS_THAN_HIP[cut];
  return { least: micrometres(hip - inches(most)), most: micrometres(hip - inches(least)) };
}

/** Each cut in words. */
export const SKIRT_CUT_WORDS: Readonly<Record<SkirtCut, string>> = {
  close: 'close',
  'every-day': 'for every day',
  easy: 'with ease',
};
