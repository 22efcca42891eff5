import type { RequestHandler } from 'express';
import { ProblemError } from './problem-error';

/** What browsers say of where a request comes from that the page itself, or a person, has made. */
const OWN = ['same-origin', 'none'];

/**
 * Lets another site's page get nothing done here, nor one on another port of this host, nor one
 * without an origin of its own (`null`). What is no browser names neither, and has no cookie to misuse.
 */
export const refuseForeignOrigins: RequestHandler = (request, _response, next) => {
  const origin = request.get('origin');
  const site = request.get('sec-fetch-site');
  const foreign =
    (origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== request.get('host'))) ||
    (site !== undefined && !OWN.includes(site));
  if (foreign)
    throw new ProblemError(
      'foreign-origin',
      'This request came from another site. Open Neat Measure itself and try there.',
    );
  next();
};
