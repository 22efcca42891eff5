import type { Clothing } from './measurement';
import type { ProtocolBody } from './protocol';

/** What is asked before any tape: of everybody, whatever is measured. */
export const GENERAL_PREPARATION: readonly string[] = [
  'Close-fitting clothes, no thick seams',
  'Pockets empty',
  'Level, hard floor',
  'Ask before touching; offer privacy',
];

/** What of a preparation is meant for the fitter alone. */
const FOR_THE_FITTER: ReadonlySet<string> = new Set([GENERAL_PREPARATION[3]!]);

/**
 * What a wearer who measures at home prepares: what is meant for a fitter left out, and a helper where one is needed.
 *
 * @param needsHelp whether something is measured that nobody reaches on themselves
 * @example ownPreparation(['Pockets empty'], true)[0] // 'A helper: some measurements are on your back'
 * @example ownPreparation(['Pockets empty'], false).at(-1) // 'A mirror, to see that the tape is level all round'
 */
export function ownPreparation(lines: readonly string[], needsHelp: boolean): string[] {
  const own = lines.filter((line) => !FOR_THE_FITTER.has(line));
  return [
    ...(needsHelp ? ['A helper: some measurements are on your back'] : []),
    ...own,
    'A mirror, to see that the tape is level all round',
  ];
}

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
