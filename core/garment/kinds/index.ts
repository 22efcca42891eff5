import type { GarmentKindFacts } from '../garment-kind';
import { boots } from './boots';
import { bra } from './bra';
import { dress } from './dress';
import { drySuit } from './dry-suit';
import { gloves } from './gloves';
import { hat } from './hat';
import { jacket } from './jacket';
import { onePiece } from './one-piece';
import { other } from './other';
import { outerwear } from './outerwear';
import { shirt } from './shirt';
import { trousers } from './trousers';
import { vest } from './vest';
import { waders } from './waders';
import { waistcoat } from './waistcoat';

/** Every kind of garment, in the order in which lists head them. */
const KINDS = [
  outerwear,
  jacket,
  waistcoat,
  shirt,
  trousers,
  dress,
  bra,
  onePiece,
  vest,
  drySuit,
  waders,
  boots,
  gloves,
  hat,
  other,
] as const;

/** What a chart sizes. The kind brings its fit checks and cautions; the chart says the rest. */
export type GarmentKind = (typeof KINDS)[number]['kind'];

/** The kinds by name, in the order in which lists head them. */
export const GARMENT_KINDS: readonly GarmentKind[] = KINDS.map(({ kind }) => kind);

const BY_NAME = new Map<GarmentKind, GarmentKindFacts>(KINDS.map((one) => [one.kind, one]));

/**
 * All there is to know of a kind of garment.
 *
 * @example garmentKind('vest').protects // true
 * @example garmentKind('trousers').hemmed // 'leg'
 */
export function garmentKind(kind: GarmentKind): GarmentKindFacts {
  return BY_NAME.get(kind)!;
}
