import { mm, type Length } from '../quantity/length';
import { measurement } from './catalogue';
import type { MeasurementCode } from './catalogue/codes';
import type { Stance } from './measurement';

/** One mark that is read in passing, and how far beyond the mark before it can lie. */
export interface ChainMark {
  readonly code: MeasurementCode;
  /** How the mark is said while the tape lies. */
  readonly at: string;
  /** From the mark before, or from the landmark for the first one. */
  readonly beyond: { readonly least: Length; readonly most: Length };
}

/**
 * One placing of the tape with several readings: one end stays at a landmark, the eye moves along
 * the body from mark to mark. Each reading is from the landmark, so each is more than the one before.
 */
export interface Chain {
  readonly code: ChainCode;
  readonly name: string;
  /** Where the end is held. */
  readonly from: string;
  /** How the tape runs. */
  readonly runs: string;
  /** In order along the body. */
  readonly marks: readonly ChainMark[];
}

export const CHAIN_CODES = ['throat', 'front', 'arm', 'hand', 'floor', 'fork', 'side', 'back'] as const;
export type ChainCode = (typeof CHAIN_CODES)[number];

const mark = (code: MeasurementCode, at: string, least: number, most: number): ChainMark => ({
  code,
  at,
  beyond: { least: mm(least), most: mm(most) },
});

/**
 * The chains of the full record. Common practice, no source; how far two neighbouring marks lie
 * apart are working limits of ours, wide enough for the smallest and the largest that the catalogue
 * knows.
 */
export const CHAINS: Readonly<Record<ChainCode, Chain>> = {
  throat: {
    code: 'throat',
    name: 'Down the middle',
    from: 'the hollow of the throat',
    runs: 'straight down the middle of the front',
    marks: [
      mark('notch-to-waist', 'natural waist', 250, 560),
      mark('notch-to-belt-standing', 'top of the belt', 0, 200),
      mark('hollow-to-hem', 'floor, in the shoes to be worn', 400, 1600),
    ],
  },
  front: {
    code: 'front',
    name: 'Down the front',
    from: 'the point where neck meets shoulder',
    runs: 'over the bust point and straight down',
    marks: [
      mark('shoulder-to-above-bust', 'armpit level', 90, 320),
      mark('shoulder-to-bust', 'bust point', 10, 260),
      mark('shoulder-to-underbust', 'underbust', 15, 220),
      mark('front-waist-length', 'natural waist', 20, 320),
      mark('shoulder-to-hip', 'hip level', 80, 380),
      mark('shoulder-to-knee', 'top of the knee', 150, 600),
      mark('shoulder-to-floor', 'floor', 250, 750),
    ],
  },
  arm: {
    code: 'arm',
    name: 'Down the arm',
    from: 'the shoulder point',
    runs: 'down the slightly bent arm, over the elbow',
    marks: [
      mark('shoulder-to-elbow', 'elbow', 200, 480),
      mark('arm-length', 'wrist bone', 130, 400),
      mark('shoulder-to-knuckle', 'thumb knuckle', 30, 170),
    ],
  },
  hand: {
    code: 'hand',
    name: 'Along the hand',
    from: 'the wrist',
    runs: 'over the flat hand to the tip of the middle finger',
    marks: [
      mark('wrist-to-knuckle', 'knuckle of the middle finger', 50, 150),
      mark('hand-length', 'fingertip', 40, 160),
    ],
  },
  floor: {
    code: 'floor',
    name: 'Up from the floor',
    from: 'the floor, the end beneath the foot',
    runs: 'straight up the leg',
    marks: [
      mark('knee-to-floor', '3 in above the knee', 300, 750),
      mark('hip-to-floor', 'hip level', 120, 600),
    ],
  },
  fork: {
    code: 'fork',
    name: 'Through the legs',
    from: 'the natural waist, centre front',
    runs: 'through the legs, up to the back',
    marks: [
      mark('crotch-length-front', 'fork', 180, 700),
      mark('crotch-length', 'natural waist, centre back', 180, 750),
    ],
  },
  side: {
    code: 'side',
    name: 'Down the side',
    from: 'the natural waist at the side',
    runs: 'over the hip and straight down',
    marks: [
      mark('waist-to-high-hip', 'high hip', 40, 200),
      mark('waist-to-hip', 'hip level', 15, 260),
      mark('waist-to-knee', 'middle of the kneecap', 150, 600),
      mark('waist-to-ankle', 'ankle bone', 200, 600),
      mark('outside-leg-length', 'floor', 20, 170),
      mark('waist-to-floor-tiptoe', 'floor, on tiptoe', 15, 200),
    ],
  },
  back: {
    code: 'back',
    name: 'Down the back',
    from: 'the nape bone',
    runs: 'down the middle of the back',
    marks: [
      mark('back-waist-length', 'natural waist', 280, 600),
      mark('nape-to-high-hip', 'hip bones', 20, 200),
      mark('nape-to-belt', 'top of the belt', 0, 200),
      mark('nape-to-hip', 'hip level', 30, 350),
      mark('nape-to-crotch', 'fork', 20, 350),
    ],
  },
};

const OF_CODE: ReadonlyMap<MeasurementCode, Chain> = new Map(
  Object.values(CHAINS).flatMap((chain) => chain.marks.map(({ code }) => [code, chain] as const)),
);

/**
 * The chain that a measurement is a mark of; `null` for one that is taken by itself.
 *
 * @example chainOf('waist-to-high-hip').from // 'the natural waist at the side'
 */
export function chainOf(code: MeasurementCode): Chain | null {
  return OF_CODE.get(code) ?? null;
}

/**
 * The stance a chain begins in: where a later mark wants another, it is changed with the tape in place.
 *
 * @example stanceOfChain(CHAINS.floor) // 'standing'
 */
export function stanceOfChain({ marks }: Chain): Stance {
  return measurement(marks[0]!.code).stance;
}

/**
 * How a mark is said.
 *
 * @example markWords('waist-to-high-hip') // 'high hip'
 */
export function markWords(code: MeasurementCode): string {
  return chainOf(code)?.marks.find((one) => one.code === code)?.at ?? measurement(code).name.toLowerCase();
}

/**
 * How far one mark of a chain can lie beyond another before it, whatever was left out between.
 *
 * @returns `null` where they are not two marks of one chain in this order
 * @example Object.keys(beyondMark('shoulder-to-bust', 'shoulder-to-underbust')) // ['least', 'most']
 */
export function beyondMark(
  before: MeasurementCode,
  code: MeasurementCode,
): { readonly least: Length; readonly most: Length } | null {
  const marks = chainOf(code)?.marks ?? [];
  const [from, to] = [before, code].map((one) => marks.findIndex((mark) => mark.code === one)) as [
    number,
    number,
  ];
  if (from < 0 || to <= from) return null;
  const between = marks.slice(from + 1, to + 1);
  const sum = (bound: 'least' | 'most') =>
    between.reduce((total, { beyond }) => total + beyond[bound], 0) as Length;
  return { least: sum('least'), most: sum('most') };
}
