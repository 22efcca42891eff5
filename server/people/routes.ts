import {
  benchCodeSaveSchema,
  factorConfirmSchema,
  ownPassphraseSchema,
  passphraseChangeSchema,
  PATHS,
  personSaveSchema,
  preferencesSchema,
} from '@neat-measure/contract';
import { Router, type RequestHandler } from 'express';
import type { Database } from '../database/database';
import { noted } from '../audit/store';
import { fitterOf, readBody, readId } from '../http/request';
import { ownOf } from '../session/routes';
import { endSessions } from '../session/store';
import { attempt, limitsOf } from '../session/throttle';
import type { Factors } from '../accounts/factors';
import { beginFactor, clearFactor, confirmFactor, endFactor, renewCodes } from './second-factor';
import { changePassphrase, giveCode, keepPerson, setBenchCode } from './service';
import { accountOf, changeAccount, listPeople } from '../accounts/store';

/** What is one's own: passphrase, bench code, second factor, how one likes to work. */
export function ownRoutes(database: Database, factors: Factors): Router {
  /** Something that needs the passphrase again: guessed at a bench left alone, it is throttled like signing in. */
  const guarded =
    (
      work: (request: Parameters<RequestHandler>[0], own: ReturnType<typeof ownOf>) => Promise<unknown>,
    ): RequestHandler =>
    async (request, response) => {
      const own = ownOf(response);
      const { signIn: account } = own.owner;
      const limits = limitsOf({ account, address: request.ip ?? '', device: own.session.id });
      await attempt(database, limits, () => work(request, own)).then((told) =>
        told === undefined ? response.status(204).end() : response.json(told),
      );
    };
  return Router()
    .put(
      PATHS.passphrase,
      guarded((request, { owner, session }) =>
        changePassphrase(database, owner, readBody(passphraseChangeSchema, request), session.id),
      ),
    )
    .put(
      PATHS.benchCode,
      guarded((request, { owner }) => setBenchCode(database, owner, readBody(benchCodeSaveSchema, request))),
    )
    .post(
      PATHS.factor,
      guarded((request, { owner }) =>
        beginFactor(database, factors, owner, readBody(ownPassphraseSchema, request).passphrase),
      ),
    )
    .put(PATHS.factor, async (request, response) => {
      const { code } = readBody(factorConfirmSchema, request);
      response.json(await confirmFactor(database, factors, ownOf(response).owner, code));
    })
    .post(
      PATHS.recoveryCodes,
      guarded((request, { owner }) =>
        renewCodes(database, factors, owner, readBody(ownPassphraseSchema, request).passphrase),
      ),
    )
    .delete(
      PATHS.factor,
      guarded((request, { owner }) =>
        endFactor(database, owner, readBody(ownPassphraseSchema, request).passphrase),
      ),
    )
    .put(PATHS.preferences, async (request, response) => {
      const { owner } = ownOf(response);
      await changeAccount(database, owner.id, { preferences: readBody(preferencesSchema, request) });
      response.json((await accountOf(database, owner.id))!.preferences);
    });
}

/** Who may sign in. */
export function peopleRoutes(database: Database): Router {
  return Router()
    .get(PATHS.people, async (_request, response) => {
      response.json(await listPeople(database));
    })
    .put(`${PATHS.people}/:id`, async (request, response) => {
      const id = readId(request);
      await keepPerson(database, id, readBody(personSaveSchema, request), fitterOf(response).id);
      response.json((await listPeople(database)).find((one) => one.id === id));
    })
    .post(`${PATHS.people}/:id/code`, async (request, response) => {
      const id = readId(request);
      const by = fitterOf(response).id;
      const code = await giveCode(database, id, by);
      // Whoever has lost their passphrase may have lost the rest with the same telephone.
      await clearFactor(database, id, by);
      response.json(code);
    })
    .delete(`${PATHS.people}/:id/sessions`, async (request, response) => {
      const id = readId(request);
      await noted(
        database,
        (transaction) => endSessions(transaction, id, { allBut: null }),
        (ended) => ({
          by: fitterOf(response).id,
          kind: 'sessions-ended',
          about: { kind: 'person', id },
          detail: { ended },
        }),
      );
      response.status(204).end();
    });
}
