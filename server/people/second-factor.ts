import type { FactorOffer, RecoveryCodes } from '@neat-measure/contract';
import type { Factors } from '../accounts/factors';
import { forgetCodes } from '../accounts/factors';
import { accountOf, changeAccount, type Account, type AccountChange } from '../accounts/store';
import type { Database } from '../database/database';
import { notFound, ProblemError } from '../http/problem-error';
import { offerFactor, stepOfCode } from '../session/second-factor';
import { changed, confirm } from './own-account';

/**
 * Begins a second factor: it counts from its first code on.
 *
 * @throws ProblemError `sign-in-refused` for another passphrase: a bench left alone is no way to lock its owner out
 */
export async function beginFactor(
  database: Database,
  factors: Factors,
  account: Account,
  passphrase: string,
): Promise<FactorOffer> {
  await confirm(account, passphrase);
  if (account.factorOn)
    throw new ProblemError(
      'invalid',
      'You already have a second factor. Remove it before setting up another.',
    );
  const offer = offerFactor(account.signIn);
  const factorSecret = factors.seal(account.id, offer.secret);
  await changeAccount(database, account.id, { factorSecret, factorStep: null });
  return offer;
}

/**
 * Turns a second factor on by the first code of the authenticator.
 *
 * @returns codes for whoever loses it, told this once
 * @throws ProblemError `invalid` for a code that is not the one shown now
 */
export async function confirmFactor(
  database: Database,
  factors: Factors,
  account: Account,
  code: string,
): Promise<RecoveryCodes> {
  const { id, factorSecret, factorOn } = account;
  const step =
    factorSecret === null || factorOn ? null : await stepOfCode(factors.open(id, factorSecret), code);
  if (step === null)
    throw new ProblemError(
      'invalid',
      'This is not the code your authenticator shows now. Wait for the next one.',
    );
  const on = { factorOn: true, factorStep: step };
  if (!(await changed(database, id, on, { by: id, kind: 'factor-on' }, { factorSecret })))
    throw new ProblemError('changed-meanwhile', 'The set-up was begun anew on another device. Begin again.');
  return { codes: await factors.renewCodes(database, id) };
}

/** New recovery codes; those of before are good no more. */
export async function renewCodes(
  database: Database,
  factors: Factors,
  account: Account,
  passphrase: string,
): Promise<RecoveryCodes> {
  await confirm(account, passphrase);
  if (!account.factorOn)
    throw new ProblemError('invalid', 'You have no second factor. Set one up; recovery codes come with it.');
  return { codes: await factors.renewCodes(database, account.id) };
}

/** Takes one's own second factor out. */
export async function endFactor(database: Database, account: Account, passphrase: string): Promise<void> {
  await confirm(account, passphrase);
  await takeOut(database, account.id, account.id);
}

/** Takes somebody's second factor out who has lost it; an administrator's doing. */
export async function clearFactor(database: Database, id: string, by: string | null): Promise<void> {
  const account = await accountOf(database, id);
  if (account === undefined) throw notFound('person');
  if (account.factorOn) await takeOut(database, id, by);
}

const NO_FACTOR: AccountChange = { factorOn: false, factorSecret: null, factorStep: null };

async function takeOut(database: Database, id: string, by: string | null): Promise<void> {
  await changed(database, id, NO_FACTOR, { by, kind: 'factor-off' });
  await forgetCodes(database, id);
}
