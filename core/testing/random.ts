export { seededRandom } from '../foresight/random';

/** A standard normal draw by Box and Muller's transform. */
export function seededNormal(random: () => number): () => number {
  return () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}
