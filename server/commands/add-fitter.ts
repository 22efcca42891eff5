import { lineSchema, signInSchema } from '@neat-measure/contract';
import { readConfig } from '../config';
import { addPerson } from '../people/service';
import { openDatabase } from '../database/database';
import { migrate } from '../database/prepare';

/** `add-fitter NAME SIGN-IN` with the passphrase on standard input: adds somebody who may sign in. */
async function main(): Promise<void> {
  const [name, signIn] = process.argv.slice(2);
  let passphrase = '';
  for await (const chunk of process.stdin) passphrase += String(chunk);
  const fitter = signInSchema
    .extend({ name: lineSchema(120) })
    .parse({ name, signIn, passphrase: passphrase.trim() });
  const { DATABASE_URL } = readConfig(process.env);
  await migrate(DATABASE_URL);
  const database = openDatabase(DATABASE_URL);
  const added = await addPerson(database, { ...fitter, role: 'fitter' });
  await database.destroy();
  process.stdout.write(
    added
      ? `${fitter.name} can sign in as ${fitter.signIn}.\n`
      : `${fitter.signIn} is taken. Choose another sign-in name.\n`,
  );
  process.exit(added ? 0 : 1);
}

void main();
