import type { Fitter } from '@neat-measure/contract';
import { readAnyAct, subjectOf, type AnyAct } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../../database/database';

/** An act that came under a pen that had ended, and waits for somebody to accept it. */
export interface LateAct {
  readonly id: string;
  readonly fitter: Fitter;
  readonly cameAt: Date;
  readonly act: AnyAct;
  /** Why it could not stand when it came; empty where its sign-in had ended. */
  readonly why: string;
}

interface LateRow {
  readonly place: number;
  readonly id: string;
  readonly fitter_id: string;
  readonly fitter: string;
  readonly body: string;
  readonly came_at: Date;
  readonly why: string;
}

/**
 * Keeps an act aside; one that waits already stays as it came.
 *
 * @param why why it cannot stand, where its sign-in has not ended
 */
export async function addLate(database: Database, act: AnyAct, why = ''): Promise<void> {
  await database('late_acts')
    .insert({
      id: uuidv7(),
      act_id: act.id,
      subject_id: subjectOf(act),
      fitter_id: act.by.id,
      body: JSON.stringify(act),
      came_at: new Date(),
      why: why.slice(0, 500),
    })
    .onConflict(['act_id', 'fitter_id'])
    .ignore();
}

/** How many acts of somebody wait. */
export async function countLate(database: Database, fitterId: string): Promise<number> {
  const rows = await database('late_acts').where({ fitter_id: fitterId }).count<{ n: number }[]>({ n: '*' });
  return Number(rows[0]!.n);
}

/**
 * Those that wait, in the order they came.
 *
 * @param ids some of them; without it as many of the first as `most`
 */
export async function listLate(
  database: Database,
  { ids, most }: { readonly ids?: readonly string[]; readonly most: number },
): Promise<LateAct[]> {
  const rows = database('late_acts')
    .join('fitters', 'fitters.id', 'late_acts.fitter_id')
    .orderBy('place')
    .limit(most)
    .select<LateRow[]>('late_acts.*', { fitter: 'fitters.name' });
  if (ids !== undefined) void rows.whereIn('late_acts.id', [...ids]);
  return (await rows).flatMap(({ id, fitter_id, fitter, came_at, body, why }) => {
    const read = readAnyAct(JSON.parse(body));
    if (!read.ok) return [];
    return [{ id, fitter: { id: fitter_id, name: fitter }, cameAt: came_at, act: read.value, why }];
  });
}

/** Takes one out: it is on its docket now, or nobody wants it. */
export async function removeLate(database: Database, id: string): Promise<boolean> {
  return (await database('late_acts').where({ id }).delete()) > 0;
}

/** The ids of all that waits about a wearer: on their dockets, on dockets it would open for them, and by name. */
export async function lateAbout(
  database: Database,
  wearerId: string,
  docketIds: readonly string[],
): Promise<string[]> {
  const about = await database('late_acts')
    .where('body', 'like', `%${wearerId}%`)
    .select<{ id: string; subject_id: string; body: string }[]>('id', 'subject_id', 'body');
  // A list of people of a muster is about many, and is not a docket of this one.
  const opened = about.filter(({ body }) => !body.includes('"musterId"')).map((one) => one.subject_id);
  const onDockets = await database('late_acts')
    .whereIn('subject_id', [...docketIds, ...opened])
    .pluck<string[]>('id');
  return [...new Set([...about.map(({ id }) => id), ...onDockets])];
}

/** Takes out all that waits about a wearer. */
export async function forgetLate(
  database: Database,
  wearerId: string,
  docketIds: readonly string[],
): Promise<void> {
  await database('late_acts')
    .whereIn('id', await lateAbout(database, wearerId, docketIds))
    .delete();
}
