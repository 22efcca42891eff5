import { ROUTES, signInSchema } from '@neat-measure/contract';
import { Router, type CookieOptions, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { Database } from '../database/database';
import { ProblemError } from '../http/problem-error';
import { readBody } from '../http/request';
import { closeSession, openSession, SESSION_HOURS, takePen, whoHolds } from './service';

const COOKIE = 'neat-measure';

function tokenOf(cookies: unknown): string | undefined {
  const token = (cookies as Record<string, unknown> | undefined)?.[COOKIE];
  return typeof token === 'string' ? token : undefined;
}

/** Signing in and out. A handful of wrong passphrases a minute is a slip; more is turned away. */
export function sessionRoutes(database: Database, secure: boolean): Router {
  const cookie: CookieOptions = { httpOnly: true, sameSite: 'strict', secure, path: '/' };
  const limit = rateLimit({
    windowMs: 60_000,
    limit: 10,
    skipSuccessfulRequests: true,
    handler: () => {
      throw new ProblemError('too-many-requests', 'Too many wrong sign-ins. Wait a minute, then try again.');
    },
  });
  return Router()
    .post(ROUTES.session, limit, async (request, response) => {
      const { fitter, token } = await openSession(database, readBody(signInSchema, request));
      response.cookie(COOKIE, token, { ...cookie, maxAge: SESSION_HOURS * 3_600_000 }).json(fitter);
    })
    .get(ROUTES.session, async (request, response) => {
      const token = tokenOf(request.cookies);
      const fitter = token === undefined ? undefined : await whoHolds(database, token);
      response.json(
        fitter === undefined ? null : { ...fitter, pen: await takePen(database, token!, fitter) },
      );
    })
    .delete(ROUTES.session, async (request, response) => {
      const token = tokenOf(request.cookies);
      if (token !== undefined) await closeSession(database, token);
      response.clearCookie(COOKIE, cookie).status(204).end();
    });
}

/** Lets a request through only with a session that lasts, and notes whose it is. */
export function requireSession(database: Database): RequestHandler {
  return async (request, response, next) => {
    const token = tokenOf(request.cookies);
    const fitter = token === undefined ? undefined : await whoHolds(database, token);
    if (fitter === undefined)
      throw new ProblemError(
        'not-signed-in',
        'You are not signed in, or the session has ended. Sign in and go on; what you typed is kept.',
      );
    (response.locals as { fitter?: typeof fitter }).fitter = fitter;
    next();
  };
}
