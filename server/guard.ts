import { ACCESS, CAPABILITIES, grants, type Access } from '@neat-measure/contract';
import type { RequestHandler } from 'express';
import type { Database } from './database/database';
import { findTape } from './devices/tape-store';
import { hashToken } from './accounts/passphrases';
import type { SessionCookie } from './session/cookie';
import { whoAsks } from './session/service';
import { askedBy } from './http/asker';
import type { Entered } from './http/request';
import type { HouseSettings } from './settings/service';
import { notFound, ProblemError } from './http/problem-error';

const ENTRIES = ACCESS.map(({ method, path, access }) => ({
  method,
  access,
  pattern: new RegExp(`^${path.replace(/[.]/g, '\\.').replace(/:[a-z]+/gi, '[^/]+')}/?$`),
}));

/** What opens a route; `null` for one there is not. */
export function accessOf(method: string, path: string): Access | null {
  const asked = method === 'HEAD' ? 'GET' : method;
  // The first that fits, as the routers have it: a word before a place for any.
  return ENTRIES.find((one) => one.method === asked && one.pattern.test(path))?.access ?? null;
}

/**
 * Stands before every route of the API and lets through whoever the one table of access says.
 *
 * @throws ProblemError `not-found`, `not-signed-in`, or `not-allowed`
 */
export function guard(database: Database, settings: HouseSettings, cookie: SessionCookie): RequestHandler {
  return async (request, response, next) => {
    const access = accessOf(request.method, request.baseUrl + request.path);
    if (access === null) throw notFound('route');
    const entered = response.locals as Entered;
    entered.access = access;
    if (access === 'anyone' || access === 'pen' || access === 'link') return next();
    if (access === 'tape') {
      const secret = /^Bearer (\S{1,100})$/.exec(request.get('authorization') ?? '')?.[1];
      if (secret !== undefined) {
        const tape = await findTape(database, hashToken(secret));
        if (tape === undefined)
          throw new ProblemError(
            'not-signed-in',
            'This tape is not paired here. Pair it, and use its new secret.',
          );
        entered.tape = tape;
        return askedBy(`tape ${tape}`, next);
      }
    }
    const token = cookie.read(request);
    const asking = token === undefined ? undefined : await whoAsks(database, settings, token);
    if (asking === undefined)
      throw new ProblemError(
        'not-signed-in',
        'You are not signed in, or the session has ended. Sign in to continue; what you typed is kept.',
      );
    if (access !== 'self') {
      if (asking.owes.length > 0)
        throw new ProblemError(
          'not-allowed',
          'The house requires a second factor. Set it up under your name, then continue.',
        );
      // What a tape sends may be sent for it by whoever measures.
      const takes = access === 'tape' ? 'measure' : access;
      if (!grants(asking.role, takes))
        throw new ProblemError(
          'not-allowed',
          `Your role does not let you ${CAPABILITIES[takes]}. Ask an administrator.`,
        );
    }
    entered.asking = asking;
    askedBy(asking.session.id, next);
  };
}
