import type { HouseSettings as Settings } from '@neat-measure/contract';
import { forgetOldHires } from '../stores/hire/forget';
import { eraseWearer } from '../wearers/erase';
import type { Database } from '../database/database';
import { lapsedWearers, removeEndedLinks, removeOldLines, removeOldPens, removeOldTrials } from './store';

const DAY_MS = 86_400_000;
/** Acts this old are taken from nobody (`take-acts.ts`), and whoever signed them need not be known any more. */
const PENS_DAYS = 200;

/** What a night took out. */
export interface Retained {
  readonly wearers: number;
  readonly links: number;
  readonly lines: number;
}

/**
 * Takes out what has been kept as long as the house keeps it, kind by kind: people nothing was done for
 * since, names on hires that ended, links that have ended, lines of tapes. What the house keeps without end stays.
 *
 * @param now in milliseconds since 1970
 */
export async function keepRetention(
  database: Database,
  { retention, keepErasedBodies }: Pick<Settings, 'retention' | 'keepErasedBodies'>,
  now = Date.now(),
): Promise<Retained> {
  const before = (days: number) => new Date(now - days * DAY_MS);
  let wearers = 0;
  if (retention.peopleDays !== null)
    for (const id of await lapsedWearers(database, before(retention.peopleDays))) {
      await eraseWearer(database, id, null, { keepBody: keepErasedBodies });
      wearers += 1;
    }
  if (retention.peopleDays !== null) await forgetOldHires(database, before(retention.peopleDays));
  const links =
    retention.linksDays === null ? 0 : await removeEndedLinks(database, before(retention.linksDays));
  const lines =
    retention.tapesDays === null ? 0 : await removeOldLines(database, before(retention.tapesDays));
  await removeOldTrials(database, before(1));
  await removeOldPens(database, before(PENS_DAYS));
  return { wearers, links, lines };
}
