import type { GarmentKind } from '../garment/kinds';

/**
 * The order in which garments are put on one after the other, whatever order they were asked for in: what is worn
 * beneath before what goes over it, a jacket before the trousers that go with it, as their size starts from its, and
 * boots before whatever is hemmed over them. Common practice, no source.
 */
const PUT_ON: readonly GarmentKind[] = [
  'bra',
  'shirt',
  'jacket',
  'waistcoat',
  'boots',
  'trousers',
  'dress',
  'one-piece',
  'vest',
  'outerwear',
  'dry-suit',
  'waders',
  'hat',
  'gloves',
  'other',
];

/**
 * The places of some garments in the order in which they are tried on; those of one kind as they were asked for.
 *
 * @example trialOrder(['trousers', 'jacket', 'trousers']) // [1, 0, 2]
 */
export function trialOrder(kinds: readonly GarmentKind[]): number[] {
  return kinds
    .map((kind, at) => ({ at, rank: PUT_ON.indexOf(kind) }))
    .sort((one, other) => one.rank - other.rank || one.at - other.at)
    .map(({ at }) => at);
}
