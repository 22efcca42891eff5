import * as z from 'zod';

/** The kinds of problem the server answers with, by the last part of their `type`. */
export const PROBLEM_KINDS = [
  'unreadable-request',
  'invalid',
  'not-signed-in',
  'sign-in-refused',
  'second-factor-wanted',
  'not-allowed',
  'name-taken',
  'foreign-origin',
  'unknown-host',
  'not-found',
  'changed-meanwhile',
  'id-taken',
  'link-ended',
  'precondition-failed',
  'too-large',
  'unsupported',
  'not-satisfiable',
  'too-many-requests',
  'chart-findings',
  'stock-refused',
  'unavailable',
  'unexpected',
] as const;
export type ProblemKind = (typeof PROBLEM_KINDS)[number];

/**
 * The error form of every route: problem details after RFC 9457. `detail` says what
 * happened and what to do next; `faults` name the places, `findings` the sentences of a
 * chart that was not taken.
 */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  faults: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
  findings: z.array(z.string()).optional(),
});
export type Problem = z.infer<typeof problemSchema>;

/** The `type` of a problem of a kind. */
export function problemType(kind: ProblemKind): string {
  return `/problems/${kind}`;
}
