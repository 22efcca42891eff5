import type {
  BenchCodeSave,
  FirstRun,
  OneTimeCode,
  PassphraseChange,
  PersonSave,
  Role,
  SignIn,
  TakeCode,
} from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { noted } from '../audit/store';
import type { Database } from '../database/database';
import { notFound, ProblemError, refuseEdit } from '../http/problem-error';
import { forgetPens } from '../session/service';
import { endSessions } from '../session/store';
import { changed, confirm } from './own-account';
import { hashSecret, isSecret, oneTimeCode, refuseGuessable } from '../accounts/passphrases';
import {
  accountOf,
  addAccount,
  addFirstAccount,
  findAccount,
  savePerson,
  type Account,
} from '../accounts/store';

/** How long a one-time code stands. */
const CODE_HOURS = 48;

/**
 * Adds somebody with a passphrase of their own; for commands and the demo.
 *
 * @returns whether they were added; `false` when the sign-in name is taken
 */
export async function addPerson(
  database: Database,
  { name, signIn, passphrase, role }: SignIn & { readonly name: string; readonly role: Role },
): Promise<boolean> {
  const account = { id: uuidv7(), name, signIn, role, passphraseHash: await hashSecret(passphrase) };
  return (await addAccount(database, account)) === 'added';
}

/**
 * Makes the first account of a house, which runs it.
 *
 * @throws ProblemError `not-allowed` once there is one
 */
export async function firstAccount(
  database: Database,
  { name, signIn, passphrase }: FirstRun,
): Promise<{ readonly id: string }> {
  refuseGuessable(passphrase, [name, signIn]);
  const account = {
    id: uuidv7(),
    name,
    signIn,
    role: 'administrator' as const,
    passphraseHash: await hashSecret(passphrase),
  };
  if ((await addFirstAccount(database, account)) === 'late')
    throw new ProblemError(
      'not-allowed',
      'The house already has an administrator. Ask the administrator for an account.',
    );
  return account;
}

/**
 * Adds somebody, or changes them. Whoever is no longer active is signed out everywhere, and their pens
 * write no more.
 *
 * @throws ProblemError `name-taken`, `changed-meanwhile`, or `invalid` for the last administrator
 */
export async function keepPerson(
  database: Database,
  id: string,
  save: PersonSave,
  by: string,
): Promise<void> {
  const before = await accountOf(database, id);
  const saved = await noted(
    database,
    async (transaction) => {
      const done = await savePerson(transaction, id, save);
      if (done === 'saved' && !save.active) await endSessions(transaction, id, { allBut: null });
      return done;
    },
    (done) =>
      done === 'saved'
        ? {
            by,
            kind: 'person-kept',
            about: { kind: 'person', id },
            detail: {
              before: before === undefined ? null : asTold(before),
              after: asTold(save),
            },
          }
        : null,
  );
  if (saved === 'name-taken')
    throw new ProblemError('name-taken', `Another user signs in as ${save.signIn}. Choose another name.`);
  if (saved === 'last-administrator')
    throw new ProblemError(
      'invalid',
      'There is no other administrator. Make another user an administrator first.',
    );
  refuseEdit(saved);
  forgetPens();
}

/** What of somebody is told of a change: never what proves who they are. */
function asTold({
  name,
  signIn,
  role,
  active,
}: Pick<Account, 'name' | 'signIn' | 'role' | 'active'>): object {
  return { name, signIn, role, active };
}

/** A one-time code by which somebody sets a passphrase; an earlier one is good no more. */
export async function giveCode(database: Database, id: string, by: string | null): Promise<OneTimeCode> {
  const code = oneTimeCode();
  const until = new Date(Date.now() + CODE_HOURS * 3_600_000);
  const change = { codeHash: await hashSecret(code), codeUntil: until };
  const known = await changed(database, id, change, { by, kind: 'code-given' });
  if (!known) throw notFound('person');
  return { code, until: until.toISOString() };
}

/**
 * Sets the passphrase of whoever has a one-time code, and signs them out everywhere.
 *
 * @throws ProblemError `sign-in-refused` for a code that is wrong, used, or too old
 */
export async function setByCode(
  database: Database,
  { signIn, code, passphrase }: TakeCode,
): Promise<Account> {
  const account = await findAccount(database, signIn);
  const right = await isSecret(code.toLowerCase(), account?.codeHash);
  if (account === undefined || !right || !account.active || account.codeUntil! < new Date())
    throw new ProblemError(
      'sign-in-refused',
      'The name and the code do not match, or the code was used or has expired. Ask for another.',
    );
  await setPassphrase(database, account, passphrase, { codeHash: account.codeHash });
  return account;
}

/** Changes one's own passphrase; every other session of theirs ends. */
export async function changePassphrase(
  database: Database,
  account: Account,
  { passphrase, next }: PassphraseChange,
  sessionId: string,
): Promise<void> {
  await confirm(account, passphrase);
  await setPassphrase(database, account, next, { passphraseHash: account.passphraseHash }, sessionId);
}

async function setPassphrase(
  database: Database,
  account: Account,
  passphrase: string,
  held: Partial<Account>,
  allBut: string | null = null,
): Promise<void> {
  refuseGuessable(passphrase, [account.name, account.signIn]);
  const change = { passphraseHash: await hashSecret(passphrase), codeHash: null, codeUntil: null };
  if (!(await changed(database, account.id, change, { by: account.id, kind: 'passphrase-set' }, held)))
    throw new ProblemError(
      'changed-meanwhile',
      'The passphrase was just changed on another device. Sign in with the new one.',
    );
  await endSessions(database, account.id, { allBut });
}

/** Sets the short code by which somebody takes a bench over, or takes it out. */
export async function setBenchCode(
  database: Database,
  account: Account,
  { passphrase, code }: BenchCodeSave,
): Promise<void> {
  await confirm(account, passphrase);
  const benchHash = code === null ? null : await hashSecret(code);
  await changed(database, account.id, { benchHash }, { by: account.id, kind: 'bench-code-set' });
}
