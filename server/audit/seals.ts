import { createHash } from 'node:crypto';
import type { Database } from '../database/database';
import { keyedHash } from '../database/triggers';

/** A row this old has been committed or never will be: no statement may take nearly so long. In seconds. */
const SETTLED_AFTER_S = 60;
/** So many rows are sealed, or checked, at once. */
const AT_ONCE = 5_000;

/** The lists that are only ever added to, each with what is sealed of a row. */
const LISTS = {
  audit: ['place', 'at', 'by_id', 'kind', 'about_kind', 'about', 'wearer_id', 'detail'],
  acts_noted: ['place', 'at', 'act_id', 'docket_id', 'by_id', 'sha256'],
} as const;
type List = keyof typeof LISTS;

/** Fields that came later: sealed where they say anything, so that what was sealed before they came still fits. */
const SINCE: Readonly<Partial<Record<List, readonly string[]>>> = { acts_noted: ['muster_id'] };

type SealedRow = Readonly<Record<string, unknown>> & { readonly place: number };
interface Seal {
  readonly place: number;
  readonly hash: string;
}

/** The hash of a run of rows after the one before it: SHA-256 over every field, in order. */
function hashOf(list: List, before: string, rows: readonly SealedRow[]): string {
  const hash = createHash('sha256').update(before);
  for (const row of rows)
    hash.update(
      JSON.stringify(
        [...LISTS[list], ...(SINCE[list] ?? []).filter((field) => row[field] !== null)].map((field) => {
          const value = row[field];
          return value instanceof Date ? value.toISOString() : value;
        }),
      ),
    );
  return hash.digest('hex');
}

/**
 * Seals what has settled since the last seals, chained to them: a row that is changed, taken out or put
 * between afterwards does not fit any more. One instance does it at a time; the others wait for it.
 *
 * @param settledAfter how old a row must be, in seconds
 * @returns how many rows were sealed
 */
export async function sealAudit(database: Database, settledAfter = SETTLED_AFTER_S): Promise<number> {
  let sealed = 0;
  for (const list of Object.keys(LISTS) as List[]) sealed += await sealList(database, list, settledAfter);
  return sealed;
}

function sealList(database: Database, list: List, settledAfter: number): Promise<number> {
  return database.transaction(async (transaction) => {
    const last = await transaction('audit_seals')
      .where({ list })
      .orderBy('place', 'desc')
      .forUpdate()
      .first<Seal | undefined>();
    const from = last?.place ?? 0;
    const settled = await transaction(list)
      .where('place', '>', from)
      .whereRaw('at < date_sub(current_timestamp(3), interval ? second)', [settledAfter])
      .max<{ place: number | null }>({ place: 'place' })
      .first();
    // By the order in which places were given, and not by time: a clock that was wrong for a while would leave rows out
    // between others. Reading so waits for whoever is still at a row among them.
    const rows = await transaction(list)
      .where('place', '>', from)
      .where('place', '<=', settled?.place ?? 0)
      .orderBy('place')
      .limit(AT_ONCE)
      .forShare()
      .select<SealedRow[]>();
    if (rows.length === 0) return 0;
    await transaction('audit_seals')
      .insert({ list, place: rows.at(-1)!.place, hash: hashOf(list, last?.hash ?? '', rows) })
      .onConflict(['list', 'place'])
      .ignore();
    return rows.length;
  });
}

/** What a check of everything that was noted has found. */
export interface AuditCheck {
  readonly rows: number;
  readonly seals: number;
  /** What does not fit, in sentences; none where all is as it was noted. */
  readonly broken: readonly string[];
}

/** Holds everything that was noted against its seals, and what was done on dockets against what was noted of it. */
export async function checkAudit(database: Database): Promise<AuditCheck> {
  const found = { rows: 0, seals: 0, broken: [] as string[] };
  for (const list of Object.keys(LISTS) as List[]) await checkList(database, list, found);
  const count = async (query: ReturnType<Database['queryBuilder']>) =>
    Number((await query.count<{ n: number }[]>({ n: '*' }))[0]!.n);
  const noted = () => database('acts_noted').leftJoin('acts', 'acts.id', 'acts_noted.act_id');
  // What is done on a docket is hashed by the key of whoever it is about; without the key it cannot be held against it.
  const changed = await count(
    noted()
      .leftJoin('dockets', 'dockets.id', 'acts_noted.docket_id')
      .leftJoin('wearer_keys', 'wearer_keys.wearer_id', 'dockets.wearer_id')
      .whereNotNull('acts.id')
      .whereRaw(
        `binary if(acts_noted.docket_id is null, sha2(acts.body, 256),
           ifnull(${keyedHash('wearer_keys.secret', 'acts.body')}, '')) <> binary acts_noted.sha256`,
      ),
  );
  if (changed > 0) found.broken.push(`Acts that differ from what was saved: ${changed}.`);
  const gone = await count(
    noted()
      .whereNull('acts.id')
      .whereNotExists(
        database('audit')
          .where('kind', 'wearer-erased')
          .whereRaw("json_contains(detail, json_quote(acts_noted.docket_id), '$.docketIds')")
          .select(database.raw('1')),
      ),
  );
  if (gone > 0) found.broken.push(`Acts that are missing without an erasing that explains it: ${gone}.`);
  // Acts of before they were noted have none; from the first that was on, each has its note.
  const first = database('acts_noted').join('acts', 'acts.id', 'acts_noted.act_id').min('acts.place');
  const unnoted = await count(
    database('acts')
      .where('acts.place', '>=', first)
      .whereNotExists(
        database('acts_noted').whereRaw('acts_noted.act_id = acts.id').select(database.raw('1')),
      ),
  );
  // A change of how hashes are made seals anew what was sealed; what did not fit until then is not whole since.
  const unsealed = await count(
    database('audit')
      .where({ kind: 'log-resealed' })
      .whereRaw("json_value(detail, '$.whole') in ('false', '0')"),
  );
  if (unsealed > 0)
    found.broken.push(
      'Before entries were sealed anew by an update, some had been changed, removed or added.',
    );
  if (unnoted > 0) found.broken.push(`Acts added outside the audit log: ${unnoted}.`);
  return found;
}

async function checkList(
  database: Database,
  list: List,
  found: { rows: number; seals: number; broken: string[] },
): Promise<void> {
  let [before, from] = ['', 0];
  for (;;) {
    const next = await database('audit_seals')
      .where({ list })
      .where('place', '>', from)
      .orderBy('place')
      .first<Seal | undefined>();
    if (next === undefined) break;
    const run = await database(list)
      .whereBetween('place', [from + 1, next.place])
      .orderBy('place')
      .select<SealedRow[]>();
    if (hashOf(list, before, run) !== next.hash)
      found.broken.push(
        `Of ${list}, between place ${from + 1} and ${next.place} entries were changed, removed or added.`,
      );
    [before, from] = [next.hash, next.place];
    found.rows += run.length;
    found.seals += 1;
  }
  const rest = await database(list).where('place', '>', from).count<{ n: number }[]>({ n: '*' });
  found.rows += Number(rest[0]!.n);
}
