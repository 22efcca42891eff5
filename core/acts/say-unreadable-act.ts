/** Why something that was sent or kept is no act. */
export type UnreadableAct =
  | { readonly code: 'unknown-kind'; readonly kind: unknown }
  | { readonly code: 'misshapen'; readonly kind: string; readonly faults: readonly string[] };

/**
 * Why something is no act, and what to do.
 *
 * @example sayUnreadableAct({ code: 'unknown-kind', kind: 'nap-taken' }).slice(0, 48) // 'This version of Neat Measure does not know this '
 */
export function sayUnreadableAct(problem: UnreadableAct): string {
  if (problem.code === 'unknown-kind')
    return 'This version of Neat Measure does not know this change. Reload the page to get the newer version.';
  return `The change is incomplete (${problem.faults.join('; ')}). Reload the page and do it again.`;
}
