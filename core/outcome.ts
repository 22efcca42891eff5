/**
 * What a step that can fail returns: the value, or a typed problem.
 *
 * Core never throws for something a person can cause. A problem is data (a code and
 * the facts); the sentence is made at the edge, in the reader's unit.
 */
export type Outcome<Value, Problem> =
  | { readonly ok: true; readonly value: Value }
  | { readonly ok: false; readonly problem: Problem };

/**
 * Wraps a value that was obtained.
 *
 * @example success(42) // { ok: true, value: 42 }
 */
export function success<Value>(value: Value): { readonly ok: true; readonly value: Value } {
  return { ok: true, value };
}

/**
 * Wraps the problem that kept a value from being obtained.
 *
 * @example failure({ code: 'empty' }).ok // false
 */
export function failure<Problem>(problem: Problem): { readonly ok: false; readonly problem: Problem } {
  return { ok: false, problem };
}
