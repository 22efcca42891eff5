import type { Clothing } from './measurement';
import type { ProtocolBody } from './protocol';

/** What is asked before any tape: of everybody, whatever is measured. */
export const GENERAL_PREPARATION: readonly string[] = [
  'Close-fitting clothes, no thick seams',
  'Pockets empty',
  'Level, hard floor',
  'Ask before touching; privacy for whoever wants it',
];

/** What a garment says of what is worn while somebody is measured for it. */
export interface WornFor {
  readonly clothing: Clothing | null;
  readonly prepare: readonly string[];
}

/**
 * What is prepared for a docket, each once: what its protocols say, what its garments' kinds want worn, and what is
 * asked of everybody. Where every garment is measured over clothes of its own, nobody is asked for close-fitting ones.
 *
 * @param garments what each garment's kind wants worn
 * @example preparationOf([], [{ clothing: null, prepare: ['The socks that will be worn'] }])[0] // 'The socks that will be worn'
 */
export function preparationOf(
  protocols: readonly Pick<ProtocolBody, 'prepare'>[],
  garments: readonly WornFor[],
): string[] {
  const lines = [...protocols, ...garments].flatMap(({ prepare }) => prepare);
  if (lines.length > 0 && garments.length === 0) return [...new Set(lines)];
  const overOthers = garments.length > 0 && garments.every(({ clothing }) => clothing !== null);
  return [...new Set([...lines, ...(overOthers ? GENERAL_PREPARATION.slice(1) : GENERAL_PREPARATION)])];
}
