import type { Erasing } from '@neat-measure/contract';
import { readdir } from 'node:fs/promises';
import { listAudit } from '../audit/store';
import type { Database } from '../database/database';
import { notFound } from '../http/problem-error';
import { hiresNamed } from '../stores/hire/forget';
import { findWearer } from './store';

/**
 * What erasing a wearer does not reach by itself: hires without a docket under their name, which may be somebody else's of
 * the same name, and what was posted about them and still lies in the outbox.
 *
 * @param outbox the folder of what was posted
 * @throws ProblemError `not-found`
 */
export async function beforeErasing(database: Database, outbox: string, id: string): Promise<Erasing> {
  const wearer = await findWearer(database, id);
  if (wearer === undefined) throw notFound('person');
  const posted = new Set<unknown>();
  for (let at = 0; ; ) {
    const { items, total } = await listAudit(database, { wearer: id, kind: 'letter-posted', from: at });
    for (const { detail } of items) posted.add((detail as { file?: unknown } | null)?.file);
    at += items.length;
    if (items.length === 0 || at >= total) break;
  }
  const lying = await readdir(outbox).catch(() => []);
  return {
    hires: (await hiresNamed(database, wearer.name)).map(({ id: booking, garment, from, until }) => ({
      id: booking,
      garment,
      from,
      until,
    })),
    outbox: lying.filter((file) => posted.has(file) || file.startsWith(`slip-${id}-`)).sort(),
  };
}
