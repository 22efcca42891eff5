import { createHash } from 'node:crypto';
import type { Database } from '../database/database';

/** A row this old has been committed or never will be: no statement may take nearly so long. In seconds. */
const SETTLED_AFTER_S = 60;
/** So many rows are sealed, or checked, at once. */
const AT_ONCE = 5_000;

interface SealedRow {
  readonly place: number;
  readonly at: Date;
  readonly by_id: string | null;
  readonly kind: string;
  readonly about_kind: string | null;
  readonly about: string | null;
  readonly wearer_id: string | null;
  readonly detail: string | null;
}
interface Seal {
  readonly place: number;
  readonly hash: string;
}

/** The hash of a run of rows after the one before it: SHA-256 over every field, in order. */
function hashOf(before: string, rows: readonly SealedRow[]): string {
  const hash = createHash('sha256').update(before);
  for (const row of rows)
    hash.update(
      JSON.stringify([
        row.place,
        row.at.toISOString(),
        row.by_id,
        row.kind,
        row.about_kind,
        row.about,
        row.wearer_id,
        row.detail,
      ]),
    );
  return hash.digest('hex');
}

/**
 * Seals what has settled since the last seal, chained to it: a row that is changed, taken out or put
 * between afterwards does not fit any more. One instance does it at a time; the others leave it to it.
 *
 * @param settledAfter how old a row must be, in seconds
 * @returns how many rows were sealed
 */
export async function sealAudit(database: Database, settledAfter = SETTLED_AFTER_S): Promise<number> {
  return database.transaction(async (transaction) => {
    const last = await transaction('audit_seals')
      .orderBy('place', 'desc')
      .forUpdate()
      .first<Seal | undefined>();
    const rows = await transaction('audit')
      .where('place', '>', last?.place ?? 0)
      .whereRaw('at < date_sub(current_timestamp(3), interval ? second)', [settledAfter])
      .orderBy('place')
      .limit(AT_ONCE)
      .select<SealedRow[]>();
    if (rows.length === 0) return 0;
    await transaction('audit_seals')
      .insert({ place: rows.at(-1)!.place, hash: hashOf(last?.hash ?? '', rows) })
      .onConflict('place')
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
  const broken: string[] = [];
  let [before, from, rows, seals] = ['', 0, 0, 0];
  for (;;) {
    const next = await database('audit_seals')
      .where('place', '>', from)
      .orderBy('place')
      .first<Seal | undefined>();
    if (next === undefined) break;
    const run = await database('audit')
      .whereBetween('place', [from + 1, next.place])
      .orderBy('place')
      .select<SealedRow[]>();
    if (hashOf(before, run) !== next.hash)
      broken.push(`Between place ${from + 1} and ${next.place} something was changed, taken out or put in.`);
    [before, from] = [next.hash, next.place];
    rows += run.length;
    seals += 1;
  }
  const count = async (query: ReturnType<Database['queryBuilder']>) =>
    Number((await query.count<{ n: number }[]>({ n: '*' }))[0]!.n);
  rows += await count(database('audit').where('place', '>', from));
  const acts = () => database('audit').where('audit.kind', 'act').leftJoin('acts', 'acts.id', 'audit.about');
  const changed = await count(acts().whereRaw("sha2(acts.body, 256) <> json_value(detail, '$.sha256')"));
  if (changed > 0) broken.push(`${changed} acts say something else than when they were kept.`);
  const gone = await count(
    acts()
      .whereNull('acts.id')
      .whereNotExists(
        database('audit as erasure')
          .where('erasure.kind', 'wearer-erased')
          .whereRaw('erasure.about = audit.wearer_id')
          .select(database.raw('1')),
      ),
  );
  if (gone > 0) broken.push(`${gone} acts are gone, and nobody was erased whose they were.`);
  const first = await database('audit')
    .where({ kind: 'act' })
    .min<{ place: number | null }[]>({ place: 'place' });
  if (first[0]?.place) {
    const unnoted = await count(
      database('acts')
        .where(
          'place',
          '>=',
          database('audit').join('acts as noted', 'noted.id', 'audit.about').min('noted.place'),
        )
        .whereNotExists(
          database('audit').where('kind', 'act').whereRaw('about = acts.id').select(database.raw('1')),
        ),
    );
    if (unnoted > 0) broken.push(`${unnoted} acts were put in past the list of what happened.`);
  }
  return { rows, seals, broken };
}
