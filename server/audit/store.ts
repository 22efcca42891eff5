import { type AuditKind, type AuditEntry, type AuditQuery, type Page, PAGE } from '@neat-measure/contract';
import { createCipheriv, createDecipheriv, randomBytes } from 'node:crypto';
import type { Database } from '../database/database';
import { allOrNothing } from '../database/all-or-nothing';

/** Something that happened, to be noted. */
export interface Noted {
  /** Who did it; `null` where nobody had shown who they were. */
  readonly by: string | null;
  readonly kind: AuditKind;
  readonly about?: { readonly kind: NonNullable<AuditEntry['aboutKind']>; readonly id: string };
  /** Whose record it concerns: what is told of them is readable until they are erased. */
  readonly wearerId?: string;
  /** What else there is to tell: what stood there before, and after. */
  readonly detail?: object;
}

interface AuditRow {
  readonly place: number;
  readonly at: Date;
  readonly by_id: string | null;
  readonly name: string | null;
  readonly kind: AuditKind;
  readonly about_kind: AuditEntry['aboutKind'];
  readonly about: string | null;
  readonly wearer_id: string | null;
  readonly detail: string | null;
  readonly secret: string | null;
}

/** Notes something for good. In the transaction of what it tells of, so that neither is there without the other. */
export async function note(database: Database, { by, kind, about, wearerId, detail }: Noted): Promise<void> {
  const told =
    detail === undefined
      ? null
      : wearerId === undefined
        ? JSON.stringify(detail)
        : await sealed(database, wearerId, detail);
  await database('audit').insert({
    by_id: by,
    kind,
    about_kind: about?.kind ?? null,
    about: about?.id ?? null,
    wearer_id: wearerId ?? null,
    detail: told,
  });
}

/** Does something and notes it: both, or neither. What comes to nothing worth noting is `null`. */
export function noted<Value>(
  database: Database,
  work: (transaction: Database) => Promise<Value>,
  what: (value: Value) => Noted | null,
): Promise<Value> {
  return allOrNothing(database, async (transaction) => {
    const value = await work(transaction);
    const one = what(value);
    if (one !== null) await note(transaction, one);
    return value;
  });
}

const CIPHER = 'aes-256-gcm';
const SEALED = 'sealed:';

/** Writes what is told of a wearer in their own key (AES-256-GCM): with the key gone, so is what it says. */
async function sealed(database: Database, wearerId: string, detail: object): Promise<string> {
  await database('wearer_keys')
    .insert({ wearer_id: wearerId, secret: randomBytes(32).toString('base64') })
    .onConflict('wearer_id')
    .ignore();
  const row = await database('wearer_keys')
    .where({ wearer_id: wearerId })
    .first<{ secret: string } | undefined>('secret');
  const nonce = randomBytes(12);
  const cipher = createCipheriv(CIPHER, Buffer.from(row!.secret, 'base64'), nonce);
  const text = Buffer.concat([cipher.update(JSON.stringify(detail), 'utf8'), cipher.final()]);
  return `${SEALED}${Buffer.concat([nonce, cipher.getAuthTag(), text]).toString('base64')}`;
}

/** What a row tells; `undefined` where its key is gone. */
function unsealed(detail: string, secret: string | null): unknown {
  if (!detail.startsWith(SEALED)) return JSON.parse(detail) as unknown;
  if (secret === null) return undefined;
  const bytes = Buffer.from(detail.slice(SEALED.length), 'base64');
  const decipher = createDecipheriv(CIPHER, Buffer.from(secret, 'base64'), bytes.subarray(0, 12));
  decipher.setAuthTag(bytes.subarray(12, 28));
  return JSON.parse(
    `${decipher.update(bytes.subarray(28), undefined, 'utf8')}${decipher.final('utf8')}`,
  ) as unknown;
}

/** A part of what happened, the latest first. */
export async function listAudit(database: Database, query: AuditQuery): Promise<Page<AuditEntry>> {
  const matching = () => {
    const rows = database('audit').leftJoin('fitters', 'fitters.id', 'audit.by_id');
    if (query.kind !== undefined) void rows.where('audit.kind', query.kind);

    if (query.by !== undefined) void rows.where('by_id', query.by);
    if (query.wearer !== undefined) void rows.where('audit.wearer_id', query.wearer);
    if (query.about !== undefined) void rows.where('about', query.about);
    if (query.since !== undefined) void rows.where('at', '>=', new Date(query.since));
    if (query.until !== undefined) void rows.where('at', '<', new Date(query.until));
    return rows;
  };
  const counted = await matching().count<{ n: number }[]>({ n: '*' });
  const rows = await matching()
    .leftJoin('wearer_keys', 'wearer_keys.wearer_id', 'audit.wearer_id')
    .orderBy('place', 'desc')
    .offset(query.from)
    .limit(PAGE)
    .select<AuditRow[]>('audit.*', 'fitters.name', 'wearer_keys.secret');
  return { items: rows.map(toEntry), total: Number(counted[0]!.n) };
}

function toEntry(row: AuditRow): AuditEntry {
  const detail = row.detail === null ? null : unsealed(row.detail, row.secret);
  return {
    place: row.place,
    at: row.at.toISOString(),
    by: row.by_id === null ? null : { id: row.by_id, name: row.name ?? '' },
    kind: row.kind,
    aboutKind: row.about_kind,
    about: row.about,
    wearerId: row.wearer_id,
    detail: detail ?? null,
    erased: detail === undefined,
  };
}

/** Takes a wearer's key away: what was told of them can be read no more. */
export async function forgetKey(database: Database, wearerId: string): Promise<void> {
  await database('wearer_keys').where({ wearer_id: wearerId }).delete();
}
