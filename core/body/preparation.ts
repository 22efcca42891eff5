import type { ProtocolBody } from './protocol';

/** What is asked before any tape: of everybody, whatever is measured. */
export const GENERAL_PREPARATION: readonly string[] = [
  'Close-fitting clothes, no thick seams',
  'Pockets empty',
  'Level, hard floor',
  'Ask before touching; privacy for whoever wants it',
];

/**
 * What is prepared for a docket, each once: what its protocols say, and for garments, which say nothing
 * of it, what is asked of everybody.
 *
 * @example preparationOf([], true)[0] // 'Close-fitting clothes, no thick seams'
 */
export function preparationOf(
  protocols: readonly Pick<ProtocolBody, 'prepare'>[],
  withGarments: boolean,
): string[] {
  const lines = protocols.flatMap(({ prepare }) => prepare);
  return [...new Set(lines.length === 0 || withGarments ? [...lines, ...GENERAL_PREPARATION] : lines)];
}
