import type { Database } from '../database/database';
import { migrateAlone } from '../database/prepare';
import { dropTriggers, makeTriggers } from '../database/triggers';
import { UNFINISHED } from '../database/whole';
import { AT_ONCE, countTables, DUMP_FORMAT, type DumpHead, type DumpTables, type TextRow } from './dump';

/** Why a backup is not put back, in words. */
export class RestoreProblem extends Error {}

/**
 * Puts a backup into an empty database, and looks whether all of it is there.
 *
 * @param database with one connection: what is set on it holds for all that is done
 * @param migrate brings the same database up to a migration
 * @param lines of a backup
 * @returns what stands in each table
 * @throws RestoreProblem for a database with anything in it, and for lines that are no whole backup; the database is
 * empty again then
 */
export async function loadLines(
  database: Database,
  migrate: (until: string) => Promise<void>,
  lines: AsyncIterable<string>,
): Promise<DumpTables> {
  const [rows] = (await database.raw('show tables')) as [object[]];
  if (rows.length > 0)
    throw new RestoreProblem(
      'The database is not empty. A backup can only be restored into an empty database.',
    );
  try {
    // Killed on the way, it says so to whoever starts on it.
    await database.raw(`create table ${UNFINISHED} (since datetime not null default current_timestamp)`);
    return await loadInto(database, migrate, lines);
  } catch (error) {
    // Half of a house is none. What went wrong first is what is told, also where the database is away by now.
    await emptyOut(database).catch(() => undefined);
    throw error;
  }
}

async function loadInto(
  database: Database,
  migrate: (until: string) => Promise<void>,
  lines: AsyncIterable<string>,
): Promise<DumpTables> {
  const reader = new LineReader(database, migrate);
  for await (const line of lines) await reader.take(line);
  const wanted = reader.end();
  const found = await countTables(database);
  const differing = Object.keys(wanted).filter(
    (name) => found[name]?.rows !== wanted[name]!.rows || found[name].sha256 !== wanted[name]!.sha256,
  );
  if (differing.length > 0)
    throw new RestoreProblem(
      `The restored data differs from the backup in ${differing.join(', ')}. Do not use it; try another backup.`,
    );
  return found;
}

/** Leaves a database as empty as it was. */
async function emptyOut(database: Database): Promise<void> {
  await database.raw('set session foreign_key_checks = 0');
  const [rows] = (await database.raw('show tables')) as [Record<string, string>[]];
  for (const name of rows.map((row) => Object.values(row)[0]!))
    await database.raw('drop table if exists ??', [name]);
}

/** Takes the lines of a backup one by one and writes them, some hundred rows at once. */
class LineReader {
  private head: DumpHead | null = null;
  private table: { readonly name: string; readonly columns: readonly string[] } | null = null;
  private waiting: TextRow[] = [];
  private told: DumpTables | null = null;

  constructor(
    private readonly database: Database,
    private readonly migrate: (until: string) => Promise<void>,
  ) {}

  async take(line: string): Promise<void> {
    const read = parse(line);
    if (Array.isArray(read)) {
      this.waiting.push(read as TextRow);
      if (this.waiting.length >= AT_ONCE) await this.write();
      return;
    }
    await this.write();
    if (this.head === null) return this.begin(read as Partial<DumpHead>);
    if ('table' in read) this.table = { name: String(read['table']), columns: read['columns'] as string[] };
    else if ('end' in read) this.told = read['end'] as DumpTables;
  }

  /** What the backup says there is. */
  end(): DumpTables {
    if (this.told === null) throw new RestoreProblem('This backup is incomplete. Use another one.');
    return this.told;
  }

  private async begin(head: Partial<DumpHead>): Promise<void> {
    if (head.format !== DUMP_FORMAT || head.schema === undefined)
      throw new RestoreProblem('This file is not a backup of Neat Measure, or is in an unknown format.');
    await this.migrate(head.schema).catch(() => {
      throw new RestoreProblem(
        `This backup was made by a later version (${head.schema}). Restore it with that version.`,
      );
    });
    // Rows come in the order of the tables' names, not of what they rest on; what was noted comes with them.
    await this.database.raw('set session foreign_key_checks = 0');
    await dropTriggers(this.database);
    await this.database('settings')
      .delete()
      .catch(() => undefined);
    this.head = head as DumpHead;
  }

  private async write(): Promise<void> {
    if (this.waiting.length === 0) return;
    const { name, columns } = this.table!;
    const place = `(${columns.map(() => '?').join(', ')})`;
    await this.database.raw(
      `insert into \`${name}\` (${columns.map((column) => `\`${column}\``).join(', ')}) values ${this.waiting.map(() => place).join(', ')}`,
      this.waiting.flat() as string[],
    );
    this.waiting = [];
  }
}

function parse(line: string): Record<string, unknown> | unknown[] {
  try {
    return JSON.parse(line) as Record<string, unknown> | unknown[];
  } catch {
    throw new RestoreProblem('A line of this backup cannot be read: it is damaged. Use another one.');
  }
}

/** Brings what was put back up to this version, and lets the database note again what is done. */
export async function finishLoading(database: Database): Promise<void> {
  await migrateAlone(database);
  await makeTriggers(database);
  await database.raw(`drop table if exists ${UNFINISHED}`);
}
