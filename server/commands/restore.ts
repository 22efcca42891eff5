import { restore } from '../backup/backup';
import { readConfig } from '../config';
import { passphraseFor, sayTables } from './command';

/** `restore FILE`: puts a backup back into an empty database. */
async function main(): Promise<void> {
  const [file] = process.argv.slice(2);
  if (file === undefined) throw new Error('Name the file: npm run restore -- FILE');
  const { DATABASE_OWNER_URL, DATABASE_URL } = readConfig(process.env);
  const found = await restore(DATABASE_OWNER_URL ?? DATABASE_URL, file, passphraseFor('restore'));
  process.stdout.write(`${file} is restored: ${sayTables(found)}. Start the application with npm start.\n`);
}

main().then(
  () => process.exit(0),
  (error: Error) => {
    process.stderr.write(`${error.message}\n`);
    process.exit(1);
  },
);
