import type { Bodies } from '@neat-measure/contract';
import { latestOfBody, type Length, type MeasurementCode } from '@neat-measure/core';
import type { Database } from '../database/database';
import { actsOfWearers, readingsByWearer } from '../dockets/act-store';
import { findSettings } from '../settings/store';
import { bodiesWithoutNames, idsInGroup } from './store';

/** So many wearers' readings are read at once. */
const AT_ONCE = 500;

/** What a wearer's readings came to when so much had been done on their dockets. */
interface Known {
  readonly acts: number;
  readonly values: ReadonlyMap<MeasurementCode, Length>;
}

/**
 * The latest settled values of everybody on the roll. What a wearer's came to is remembered for as long as nothing is done
 * on their dockets and the house settles readings alike: of a house of thousands a few are measured at a time.
 */
export class BodiesKept {
  private known = new Map<string, Known>();
  private habits = -1;

  constructor(private readonly database: Database) {}

  /** For some measurements, of a group or of everybody; whoever has none is left out. */
  async list(codes: readonly MeasurementCode[], groupId: string | null = null): Promise<Bodies> {
    await this.catchUp();
    const wanted = new Set<string>(codes);
    const pick = (values: Iterable<readonly [string, number]>) =>
      Object.fromEntries([...values].filter(([code]) => wanted.has(code)));
    const members = groupId === null ? null : new Set(await idsInGroup(this.database, groupId));
    // Whose name was taken out belongs to no group any more.
    const unnamed =
      members === null
        ? (await bodiesWithoutNames(this.database)).map((body) => pick(Object.entries(body)))
        : [];
    return (
      [...this.known]
        .filter(([id]) => members?.has(id) ?? true)
        .map(([, { values }]) => pick(values))
        .concat(unnamed)
        .filter((body) => Object.keys(body).length > 0)
        // By their values, so that the order they were measured in says nothing of who they are.
        .map((body) => [JSON.stringify(body), body] as const)
        .sort(([one], [other]) => (one < other ? -1 : 1))
        .map(([, body]) => body)
    );
  }

  /** Settles anew whoever something was done for, and forgets whoever was erased. */
  private async catchUp(): Promise<void> {
    const { habits } = await findSettings(this.database);
    if (habits.version !== this.habits) this.known = new Map();
    this.habits = habits.version;
    const now = await actsOfWearers(this.database);
    for (const id of this.known.keys()) if (!now.has(id)) this.known.delete(id);
    const changed = [...now].filter(([id, acts]) => this.known.get(id)?.acts !== acts);
    for (let from = 0; from < changed.length; from += AT_ONCE) {
      const some = changed.slice(from, from + AT_ONCE);
      const taken = await readingsByWearer(
        this.database,
        some.map(([id]) => id),
      );
      for (const [id, acts] of some)
        this.known.set(id, { acts, values: latestOfBody(taken.get(id) ?? [], habits) });
    }
  }
}
