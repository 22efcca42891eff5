import { MUSTER_ACTS } from '@neat-measure/core';
import type { Muster } from '@neat-measure/core/muster';
import type { Database } from '../database/database';
import { musterActsBehind } from '../dockets/act-store';

/** A muster up to an act. */
export interface Standing {
  readonly muster: Muster;
  /** The place of the last act it stands by. */
  readonly place: number;
}

/** So many musters are remembered; on a day there are hardly more than two. */
const REMEMBERED = 12;

/**
 * Musters as they stand. What was read once is remembered and only what came behind is read: a day of six hundred people
 * is thousands of acts, and each next one would read them all again. Nothing rests on it but time: what is not
 * remembered, or was done by another instance, is read.
 */
export class Standings {
  private readonly known = new Map<string, Standing>();

  /**
   * A muster as it stands; nothing where there is none.
   *
   * @param database within a transaction that holds the muster where something is to be done on it
   */
  async read(database: Database, musterId: string): Promise<Standing | undefined> {
    const before = this.known.get(musterId);
    const behind = await musterActsBehind(database, musterId, before?.place ?? 0);
    const muster = MUSTER_ACTS.replay(
      behind.map(({ act }) => act),
      before?.muster ?? null,
    );
    return muster === null ? undefined : { muster, place: behind.at(-1)?.place ?? before!.place };
  }

  /** Remembers a muster as it was read, once that is known to be kept. */
  remember(musterId: string, standing: Standing): void {
    const before = this.known.get(musterId);
    if (before !== undefined && before.place >= standing.place) return;
    this.known.delete(musterId);
    this.known.set(musterId, standing);
    if (this.known.size > REMEMBERED) this.known.delete(this.known.keys().next().value!);
  }
}
