import { problemType, type Problem, type ProblemKind } from '@neat-measure/contract';

const TITLES: Readonly<Record<ProblemKind, readonly [status: number, title: string]>> = {
  'unreadable-request': [400, 'The request cannot be read'],
  invalid: [400, 'The request is wrong'],
  'not-signed-in': [401, 'Not signed in'],
  'sign-in-refused': [401, 'Sign-in refused'],
  'second-factor-wanted': [401, 'A second factor is required'],
  'not-allowed': [403, 'Not allowed'],
  'name-taken': [409, 'The name is taken'],
  'foreign-origin': [403, 'Request from another site'],
  'unknown-host': [421, 'Not known by this name'],
  'not-found': [404, 'Not found'],
  'changed-meanwhile': [409, 'Changed in the meantime'],
  'id-taken': [409, 'The id is taken'],
  'link-ended': [410, 'The link has ended'],
  'precondition-failed': [412, 'Changed in the meantime'],
  'too-large': [413, 'Too large'],
  unsupported: [415, 'Format not supported'],
  'not-satisfiable': [416, 'No such part'],
  'chart-findings': [422, 'The chart was not saved'],
  'stock-refused': [409, 'Stores cannot do that'],
  'too-many-requests': [429, 'Too many requests'],
  unexpected: [500, 'Something went wrong'],
  unavailable: [503, 'Not available'],
};

/** A problem on its way to the client; thrown by services, written by the error handler. */
export class ProblemError extends Error {
  /** After how many seconds it may be tried again, where that is known. */
  readonly retryAfter: number | null;
  private readonly more: Pick<Problem, 'faults' | 'findings'>;

  constructor(
    readonly kind: ProblemKind,
    detail: string,
    { retryAfter, ...more }: Pick<Problem, 'faults' | 'findings'> & { readonly retryAfter?: number } = {},
  ) {
    super(detail);
    this.more = more;
    this.retryAfter = retryAfter ?? null;
  }

  /** The problem as RFC 9457 has it. */
  toProblem(): Problem {
    const [status, title] = TITLES[this.kind];
    return { type: problemType(this.kind), title, status, detail: this.message, ...this.more };
  }
}

/** The problem of a thing that is not there. */
export function notFound(what: string): ProblemError {
  return new ProblemError('not-found', `There is no such ${what}. It may have been opened from an old link.`);
}

/** The problem of an id under which something else stands. */
export function idTaken(): ProblemError {
  return new ProblemError(
    'id-taken',
    'Something else was saved under this id. Reload the page and save again.',
  );
}

/** The problem of an edit that did not count, by what stands; nothing where it did. */
export function refuseEdit(saved: 'saved' | 'repeated' | 'changed' | 'missing'): void {
  if (saved === 'missing') throw notFound('record');
  if (saved === 'changed')
    throw new ProblemError(
      'changed-meanwhile',
      'Another user changed this in the meantime. Check the change, then save yours again.',
    );
}
