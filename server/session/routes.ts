import {
  firstRunSchema,
  handSchema,
  PATHS,
  ROUTES,
  signInSchema,
  takeCodeSchema,
  type FirstRun,
  type Session,
  type TakeCode,
} from '@neat-measure/contract';
import { Router, type Request, type Response } from 'express';
import { noted } from '../audit/store';
import type { Database } from '../database/database';
import { notFound, ProblemError } from '../http/problem-error';
import { readBody, readId } from '../http/request';
import type { Factors } from '../accounts/factors';
import { isEnded } from './away-devices';
import { askingOf } from './asking';
import { findAccount, hasAccounts, listHands, type Account } from '../accounts/store';
import type { HouseSettings } from '../settings/service';
import type { SessionCookie } from './cookie';
import type { KnownDevice } from './known-device';
import {
  begin,
  closeSession,
  giveBenchBack,
  openSession,
  pensSince,
  signedIn,
  takeBench,
  whoAsks,
  type From,
} from './service';
import { endPens } from './pens';
import { endSessions, listSessions } from './store';
import { attempt, limitsOf } from './throttle';

/** What the routes of sessions work with. */
export interface SessionParts {
  readonly database: Database;
  readonly settings: HouseSettings;
  readonly cookie: SessionCookie;
  readonly device: KnownDevice;
  /** What opens what a device keeps sealed, told to nobody but who is signed in there. */
  readonly keyOfDevice: (deviceId: string) => string;
  readonly factors: Factors;
  /** The ways in for whoever has no passphrase yet, which the room of people keeps. */
  readonly ways: {
    readonly firstAccount: (database: Database, first: FirstRun) => Promise<{ readonly id: string }>;
    readonly setByCode: (database: Database, taken: TakeCode) => Promise<Account>;
  };
}

/** Signing in and out, switching the fitter at a bench, and where one is signed in. */
export function sessionRoutes({
  database,
  settings,
  cookie,
  device,
  keyOfDevice,
  factors,
  ways,
}: SessionParts): Router {
  const fromOf = (request: Request): From => ({
    address: request.ip ?? '',
    agent: request.get('user-agent') ?? '',
    knownFor: (accountId) => device.ofAccount(request, accountId),
  });
  /** @param deviceId the device that asks, where it is not what its cookie says yet */
  const told = async (
    request: Request,
    response: Response,
    token: string | undefined,
    deviceId = device.idOf(request),
  ): Promise<Session> => {
    const asking = token === undefined ? undefined : await whoAsks(database, settings, token);
    const ended = deviceId !== null && (await isEnded(database, deviceId)) ? { deviceEnded: true } : {};
    if (asking === undefined)
      return { who: null, firstRun: !(await hasAccounts(database)), device: null, ...ended };
    const id = deviceId ?? device.remember(request, response, asking.owner.id);
    return {
      who: await signedIn(database, settings, asking, fromOf(request), id),
      firstRun: false,
      device: { key: keyOfDevice(id), awayDays: (await settings.now()).awayDays },
      ...ended,
    };
  };
  /** A new session ends the one this browser had, which is known for the account from now on. */
  const enter = async (
    request: Request,
    response: Response,
    { token, accountId }: { readonly token: string; readonly accountId: string },
  ): Promise<void> => {
    const before = cookie.read(request);
    if (before !== undefined) await closeSession(database, before);
    cookie.write(response, token, (await settings.now()).sessionHours);
    const id = device.remember(request, response, accountId);
    response.json(await told(request, response, token, id));
  };
  return Router()
    .get(ROUTES.session, async (request, response) => {
      response.json(await told(request, response, cookie.read(request)));
    })
    .post(ROUTES.session, async (request, response) => {
      const signIn = readBody(signInSchema, request);
      await enter(
        request,
        response,
        await openSession({ database, settings, factors }, signIn, fromOf(request)),
      );
    })
    .delete(ROUTES.session, async (request, response) => {
      const token = cookie.read(request);
      const asking = token === undefined ? undefined : await whoAsks(database, settings, token);
      if (asking !== undefined)
        await noted(
          database,
          async (transaction) => {
            await closeSession(transaction, asking.token);
            // Nothing waits on the device any more: what signed it need not outlast the session.
            if (request.query['pens'] === 'for-good')
              await endPens(transaction, { sessionIds: [asking.session.id] });
          },
          () => ({
            by: asking.person.id,
            kind: 'signed-out',
            about: { kind: 'person', id: asking.owner.id },
          }),
        );
      cookie.clear(response);
      response.status(204).end();
    })
    .post(PATHS.firstRun, async (request, response) => {
      const account = await ways.firstAccount(database, readBody(firstRunSchema, request));
      const token = await begin(database, settings, account, fromOf(request));
      await enter(request, response, { token, accountId: account.id });
    })
    .post(PATHS.takeCode, async (request, response) => {
      const taken = readBody(takeCodeSchema, request);
      const from = fromOf(request);
      const whose = await findAccount(database, taken.signIn);
      const limits = limitsOf({
        account: taken.signIn,
        address: from.address,
        device: whose === undefined ? null : from.knownFor(whose.id),
      });
      const account = await attempt(database, limits, () => ways.setByCode(database, taken));
      // A second factor stays what it was: whoever has one signs in with it.
      if (account.factorOn)
        throw new ProblemError('second-factor-wanted', 'The passphrase is set. Sign in with it.');
      const token = await begin(database, settings, account, from);
      await enter(request, response, { token, accountId: account.id });
    })
    .get(PATHS.hands, async (_request, response) => {
      response.json(await listHands(database));
    })
    .post(PATHS.hand, async (request, response) => {
      const asking = askingOf(response);
      await takeBench(database, asking, readBody(handSchema, request), fromOf(request));
      response.json(await told(request, response, asking.token));
    })
    .delete(PATHS.hand, async (request, response) => {
      const asking = askingOf(response);
      await giveBenchBack(database, asking);
      response.json(await told(request, response, asking.token));
    })
    .get(PATHS.sessions, async (_request, response) => {
      const { owner, session } = ownOf(response);
      response.json(await listSessions(database, owner.id, session.id, await pensSince(settings)));
    })
    .delete(PATHS.sessions, async (_request, response) => {
      const { owner, session } = ownOf(response);
      await endSessions(database, owner.id, { allBut: session.id });
      response.status(204).end();
    })
    .delete(`${PATHS.sessions}/:id`, async (request, response) => {
      const { owner } = ownOf(response);
      if ((await endSessions(database, owner.id, { id: readId(request) })) === 0) throw notFound('session');
      response.status(204).end();
    });
}

/**
 * Who asks about what is their own. Whoever has only taken a bench over has shown a short code, which
 * opens nothing that is their own, and nothing of whoever signed in.
 *
 * @throws ProblemError `not-allowed`
 */
export function ownOf(response: Response): ReturnType<typeof askingOf> {
  const asking = askingOf(response);
  if (asking.person.id !== asking.owner.id)
    throw new ProblemError('not-allowed', 'Sign in with your own passphrase to change your own account.');
  return asking;
}
