import { firstRunSchema } from '@neat-measure/contract';
import { refuseGuessable } from '../accounts/passphrases';
import { readConfig } from '../config';
import { addPerson } from '../people/service';
import { openDatabase } from '../database/database';
import { alone, migrateAlone } from '../database/prepare';
import { refuseUnfinished } from '../database/whole';

/** `add-fitter NAME SIGN-IN` with the passphrase on standard input: adds somebody who may sign in. */
async function main(): Promise<void> {
  const [name, signIn] = process.argv.slice(2);
  if (name === undefined || signIn === undefined)
    return giveUp("Give a name and a sign-in name: npm run fitter -- 'Maelis Thorne' maelis.");
  let passphrase = '';
  for await (const chunk of process.stdin) passphrase += String(chunk);
  // As strict as the page on which somebody sets their own.
  const read = firstRunSchema.safeParse({ name, signIn, passphrase: passphrase.trim() });
  if (!read.success) return giveUp(read.error.issues[0]!.message);
  const fitter = read.data;
  try {
    refuseGuessable(fitter.passphrase, [fitter.name, fitter.signIn]);
  } catch (problem) {
    return giveUp((problem as Error).message);
  }
  const { DATABASE_URL } = readConfig(process.env);
  await alone(DATABASE_URL, async (owner) => {
    await refuseUnfinished(owner);
    await migrateAlone(owner);
  });
  const database = openDatabase(DATABASE_URL);
  const added = await addPerson(database, { ...fitter, role: 'fitter' });
  await database.destroy();
  if (!added) return giveUp(`${fitter.signIn} is taken. Choose another sign-in name.`);
  process.stdout.write(`${fitter.name} can sign in as ${fitter.signIn}.\n`);
  process.exit(0);
}

function giveUp(says: string): never {
  process.stderr.write(`${says} Nobody was added.\n`);
  process.exit(1);
}

void main();
