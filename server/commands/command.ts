import type { DumpTables } from '../backup/dump';

/**
 * The passphrase of backups; it stands in the environment, where no list of processes shows it.
 *
 * @throws Error saying how to give it
 */
export function passphraseFor(command: string): string {
  const passphrase = process.env['BACKUP_PASSPHRASE'];
  if (passphrase === undefined || passphrase.length < 12)
    throw new Error(
      `Give the passphrase of the backup, of at least 12 letters: BACKUP_PASSPHRASE='…' npm run ${command} -- FILE`,
    );
  return passphrase;
}

/** How much stands in some tables, in words. */
export function sayTables(tables: DumpTables): string {
  const count = (name: string) => tables[name]?.rows ?? 0;
  return `${count('wearers')} wearers, ${count('dockets')} dockets, ${count('acts')} acts, ${count('charts')} charts`;
}
