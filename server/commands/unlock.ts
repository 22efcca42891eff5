import { readConfig } from '../config';
import { findAccount } from '../accounts/store';
import { openDatabase } from '../database/database';
import { alone, migrateAlone } from '../database/prepare';
import { refuseUnfinished } from '../database/whole';
import { clearFactor } from '../people/second-factor';
import { giveCode } from '../people/service';

/**
 * `unlock SIGN-IN`: lets somebody in again who can sign in no more and whom no administrator can help: it takes their second
 * factor out and prints a one-time code for a passphrase.
 */
async function main(): Promise<number> {
  const [signIn] = process.argv.slice(2);
  if (signIn === undefined) return giveUp('Give a sign-in name: npm run unlock -- odalys.');
  const { DATABASE_URL } = readConfig(process.env);
  await alone(DATABASE_URL, async (owner) => {
    await refuseUnfinished(owner);
    await migrateAlone(owner);
  });
  const database = openDatabase(DATABASE_URL);
  try {
    const account = await findAccount(database, signIn);
    if (account === undefined) return giveUp(`Nobody signs in as ${signIn}. Check the name.`);
    if (!account.active)
      return giveUp(`${account.name} is deactivated. An administrator can reactivate them.`);
    const { code } = await giveCode(database, account.id, null);
    await clearFactor(database, account.id, null);
    process.stdout.write(
      `${account.name} sets a passphrase with this one-time code within 48 hours, and has no second factor: ${code}\n`,
    );
    return 0;
  } finally {
    await database.destroy();
  }
}

function giveUp(says: string): number {
  process.stderr.write(`${says} Nothing was changed.\n`);
  return 1;
}

main().then(
  (code) => process.exit(code),
  (error: Error) => {
    process.stderr.write(`${error.message}\n`);
    process.exit(1);
  },
);
