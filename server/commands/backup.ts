import { backUp } from '../backup/backup';
import { readConfig } from '../config';
import { passphraseFor, sayTables } from './command';

/** `backup FILE`: backs the database up into a file, encrypted with the passphrase of `BACKUP_PASSPHRASE`, and proves it. */
async function main(): Promise<void> {
  const [file] = process.argv.slice(2);
  if (file === undefined) throw new Error('Name the file: npm run backup -- FILE');
  const { DATABASE_OWNER_URL, DATABASE_URL } = readConfig(process.env);
  const kept = await backUp(DATABASE_OWNER_URL ?? DATABASE_URL, file, passphraseFor('backup'));
  process.stdout.write(`${file}: ${sayTables(kept)}, read back and compared.\n`);
}

main().then(
  () => process.exit(0),
  (error: Error) => {
    process.stderr.write(`${error.message}\n`);
    process.exit(1);
  },
);
