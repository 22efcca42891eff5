import type { GarmentKind } from '../../garment/kinds';
import { bootsLooks } from './kinds/boots';
import { braLooks } from './kinds/bra';
import { dressLooks } from './kinds/dress';
import { drySuitLooks } from './kinds/dry-suit';
import { glovesLooks } from './kinds/gloves';
import { hatLooks } from './kinds/hat';
import { jacketLooks } from './kinds/jacket';
import { onePieceLooks } from './kinds/one-piece';
import { otherLooks } from './kinds/other';
import { outerwearLooks } from './kinds/outerwear';
import { shirtLooks } from './kinds/shirt';
import { trousersLooks } from './kinds/trousers';
import { vestLooks } from './kinds/vest';
import { wadersLooks } from './kinds/waders';
import { waistcoatLooks } from './kinds/waistcoat';
import type { KindLooks, Look } from './look';

/** What is drawn of each kind's checks. */
const LOOKS: Readonly<Record<GarmentKind, KindLooks>> = {
  outerwear: outerwearLooks,
  jacket: jacketLooks,
  waistcoat: waistcoatLooks,
  shirt: shirtLooks,
  trousers: trousersLooks,
  dress: dressLooks,
  bra: braLooks,
  'one-piece': onePieceLooks,
  vest: vestLooks,
  'dry-suit': drySuitLooks,
  waders: wadersLooks,
  boots: bootsLooks,
  gloves: glovesLooks,
  hat: hatLooks,
  other: otherLooks,
};

/**
 * What is seen at a check where an answer holds; `null` of a maker's own check, which nobody has drawn.
 *
 * @param answer `right`, or the code of one of the check's answers
 */
export function lookAt(kind: GarmentKind, check: string, answer: string): Look | null {
  return LOOKS[kind][check]?.(answer) ?? null;
}
