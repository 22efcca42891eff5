import { readdir, unlink } from 'node:fs/promises';
import { join } from 'node:path';
import { openDatabase, type Database } from '../database/database';
import { alone, migrate } from '../database/prepare';
import { dumpLines, type DumpTables } from './dump';
import { finishLoading, loadLines } from './load';
import { readSealed, writeSealed } from './sealed-file';

const PATIENCE_MS = 3_600_000;

/** One connection with much patience: what is set on it holds for all that is done. */
export function openPatiently(url: string): Database {
  return openDatabase(url, { connections: 1, patience: PATIENCE_MS });
}

/**
 * Backs a database up into a file, as it stands at one moment, and proves it: the file is read back
 * into a scratch database, and every table compared by count and hash.
 *
 * @param owner a user who may make a database beside
 * @param strength of the key; less than usual is for specs
 * @returns what is in it
 * @throws Error when the file cannot be read back as it was written; it is kept beside, as `.bad`
 */
export async function backUp(
  owner: string,
  path: string,
  passphrase: string,
  strength?: number,
): Promise<DumpTables> {
  const database = openPatiently(owner);
  try {
    await writeSealed(path, passphrase, dumpLines(database), strength);
    return await prove(database, owner, path, passphrase);
  } finally {
    await database.destroy();
  }
}

async function prove(
  database: Database,
  owner: string,
  path: string,
  passphrase: string,
): Promise<DumpTables> {
  const scratch = new URL(owner);
  await dropLeftProofs(database);
  const name = `${PROOFS}${process.pid}_${Date.now()}`;
  await holds(database, name);
  await database.raw(`create database ${name} character set utf8mb4`);
  scratch.pathname = `/${name}`;
  const proof = openPatiently(scratch.href);
  try {
    return await loadLines(
      proof,
      (until) => migrate(scratch.href, until),
      await readSealed(path, passphrase),
    );
  } finally {
    await proof.destroy();
    await database.raw(`drop database ${name}`);
  }
}

const PROOFS = 'neat_measure_proof_';

/** Takes the name of a scratch database for this connection; it is free again when that ends, however it ends. */
async function holds(database: Database, name: string): Promise<boolean> {
  const [[row]] = (await database.raw('select get_lock(?, 0) as got', [name])) as [[{ got: number | null }]];
  return row.got === 1;
}

/** Takes away what a proof that was killed left behind. */
async function dropLeftProofs(database: Database): Promise<void> {
  const [rows] = (await database.raw('show databases')) as [{ Database: string }[]];
  for (const { Database: name } of rows)
    if (name.startsWith(PROOFS) && (await holds(database, name)))
      await database.raw(`drop database if exists ??`, [name]);
}

/** Puts a backup back into an empty database, and brings it up to this version. */
export async function restore(owner: string, path: string, passphrase: string): Promise<DumpTables> {
  const database = openPatiently(owner);
  try {
    const lines = await readSealed(path, passphrase);
    const found = await loadLines(database, (until) => migrate(owner, until), lines);
    await alone(owner, finishLoading);
    return found;
  } finally {
    await database.destroy();
  }
}

const NAME = /^neat-measure-(\d{4})-(\d{2})-(\d{2})\.backup$/;
const DAY_MS = 86_400_000;

/** The name of the backup of a day. */
export function nameOfDay(at: Date): string {
  return `neat-measure-${at.toISOString().slice(0, 10)}.backup`;
}

/**
 * Which backups of a folder are thinned out: of the last week every one stays, of the last five weeks
 * one a week, of the last year one a month, and of before one a year; of each the oldest.
 *
 * @param names of the files there
 */
export function thinned(names: readonly string[], now: Date): string[] {
  const taken = new Set<string>();
  return names
    .filter((name) => NAME.test(name))
    .sort()
    .filter((name) => {
      const day = new Date(`${name.slice(13, 23)}T00:00:00Z`);
      const age = (now.getTime() - day.getTime()) / DAY_MS;
      const span =
        age < 7.5
          ? name
          : age < 35
            ? `week ${Math.floor(day.getTime() / (7 * DAY_MS))}`
            : age < 366
              ? `month ${name.slice(13, 20)}`
              : `year ${name.slice(13, 17)}`;
      if (taken.has(span)) return true;
      taken.add(span);
      return false;
    });
}

/** Backs up for the night, once a day, and thins what is old. */
export async function backUpNightly(
  owner: string,
  folder: string,
  passphrase: string,
  now = new Date(),
): Promise<void> {
  const names = await readdir(folder);
  const name = nameOfDay(now);
  if (!names.includes(name)) await backUp(owner, join(folder, name), passphrase);
  for (const old of thinned([...new Set([...names, name])], now))
    await unlink(join(folder, old)).catch(() => undefined);
}
