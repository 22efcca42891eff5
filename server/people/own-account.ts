import { isSecret } from '../accounts/passphrases';
import { changeAccount, type Account, type AccountChange } from '../accounts/store';
import { noted, type Noted } from '../audit/store';
import type { Database } from '../database/database';
import { ProblemError } from '../http/problem-error';

/** Changes an account and notes that it was, and never what proves who somebody is. */
export function changed(
  database: Database,
  id: string,
  change: AccountChange,
  what: Pick<Noted, 'by' | 'kind'>,
  held: AccountChange = {},
): Promise<boolean> {
  return noted(
    database,
    (transaction) => changeAccount(transaction, id, change, held),
    (done) => (done ? { ...what, about: { kind: 'person', id } } : null),
  );
}

/** @throws ProblemError `sign-in-refused` for another passphrase than the account's */
export async function confirm(account: Account, passphrase: string): Promise<void> {
  if (!(await isSecret(passphrase, account.passphraseHash)))
    throw new ProblemError('sign-in-refused', 'This is not your passphrase.');
}
