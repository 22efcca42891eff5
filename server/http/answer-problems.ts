import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import { hasCode, isAway, isFull } from '../database/trouble';
import { ProblemError } from './problem-error';

/** After how many seconds what was too much, or away, may be asked again. */
const RETRY_AFTER_S = 2;

/** Writes every error as problem details. What nobody foresaw is logged whole and told in general words. */
export function answerProblems(logger: Logger): ErrorRequestHandler {
  return (error: unknown, _request, response, _next) => {
    const problem = asProblem(error);
    if (problem.kind === 'unexpected') logger.error({ err: error }, 'unexpected error');
    // What is half on its way cannot be taken back; an end without its end says that it is not whole.
    if (response.headersSent) return void response.destroy();
    const body = problem.toProblem();
    if (body.status === 503 || body.status === 429)
      response.setHeader('Retry-After', problem.retryAfter ?? RETRY_AFTER_S);
    response.status(body.status).type('application/problem+json').send(JSON.stringify(body));
  };
}

/** Any error as a problem that can be told. */
export function asProblem(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  if (isFull(error))
    return new ProblemError(
      'unavailable',
      'The disk of the database is full. Nothing is lost on this device. Tell the administrator, and continue when there is space.',
    );
  if (isAway(error))
    return new ProblemError(
      'unavailable',
      'The database does not answer. Nothing is lost on this device; Neat Measure tries again in a moment.',
    );
  if (hasCode(error, 'ER_DATA_TOO_LONG', 'ER_TRUNCATED_WRONG_VALUE_FOR_FIELD', 'ER_WARN_DATA_OUT_OF_RANGE'))
    return new ProblemError('invalid', 'A text is too long to save. Shorten it and save again.');
  return ofRequest(error) ?? unexpected();
}

/** What Express and its parsers refuse by itself: each carries a status, and many a type. */
function ofRequest(error: unknown): ProblemError | null {
  if (!(error instanceof Error)) return null;
  const { type, status, limit } = error as Partial<Record<'type' | 'status' | 'limit', unknown>>;
  if (type === 'entity.too.large')
    return new ProblemError(
      'too-large',
      `The request is larger than ${typeof limit === 'number' ? Math.round(limit / 1_000) : 2_000} kB. Check that it is the right file; nothing was saved.`,
    );
  if (status === 415)
    return new ProblemError('unsupported', 'The format of the request is not supported. Send JSON in UTF-8.');
  if (status === 412)
    return new ProblemError('precondition-failed', 'This has changed since it was loaded. Reload the page.');
  if (status === 416)
    return new ProblemError('not-satisfiable', 'There is no such part of this file. Request the whole file.');
  if (status === 404)
    return new ProblemError('not-found', 'There is nothing at this address. It may be an old link.');
  if (error instanceof URIError || (typeof status === 'number' && status >= 400 && status < 500))
    return new ProblemError(
      'unreadable-request',
      'The request cannot be read: it is not JSON, or incomplete. Reload the page and try again.',
    );
  return null;
}

function unexpected(): ProblemError {
  return new ProblemError(
    'unexpected',
    'The server met an unexpected error. Nothing was saved; try again, and tell the administrator if it happens again.',
  );
}
