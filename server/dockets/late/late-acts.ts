import {
  LATE_PART,
  type ActAnswer,
  type KeptAnyAct,
  type LateAct as LateEntry,
  type Role,
} from '@neat-measure/contract';
import {
  isMusterAct,
  readAnyAct,
  sayAnyAct,
  sayRefusal,
  sayUnreadableAct,
  subjectOf,
  type AnyAct,
} from '@neat-measure/core';
import { note } from '../../audit/store';
import { findCharts } from '../../charts/store';
import type { Database } from '../../database/database';
import type { Lookout } from '../../http/lookout';
import type { FoundPen } from '../../session/pens';
import type { Signing } from '../../session/service';
import { findSettings } from '../../settings/store';
import { findAct } from '../act-store';
import { findDocket } from '../store';
import { idOf, refuseSigned, takeRead, type TakeOther } from '../take-acts';
import { addLate, countLate, lateAbout, listLate, removeLate, type LateAct } from './store';

/** So many of one fitter wait at the most: a pen in wrong hands fills nothing up. */
const MOST_WAITING = 1_000;
/** So long an act may be that waits, in letters. */
const LONGEST = 64_000;

const WAITS =
  'Your sign-in on this device has ended. The change is kept on the server, and a lead fitter decides whether it is added.';

/**
 * Keeps what comes under a pen that has ended: none of it is done, and none of it is lost. What was kept before it
 * ended is answered as kept.
 */
export async function keepLate(
  database: Database,
  { id, name, clockOff }: FoundPen & Pick<Signing, 'clockOff'>,
  sent: readonly unknown[],
): Promise<ActAnswer[]> {
  const answers: ActAnswer[] = [];
  let waiting = await countLate(database, id);
  const { habits } = await findSettings(database);
  for (const one of sent) {
    const read = readAnyAct(one);
    if (!read.ok) {
      const { code } = read.problem;
      answers.push({ outcome: 'refused', id: idOf(one), code, detail: sayUnreadableAct(read.problem) });
      continue;
    }
    const act = read.value;
    const refusal = refuseSigned(
      { fitter: { id, name }, ...(clockOff === undefined ? {} : { clockOff }) },
      act,
    );
    if (refusal !== null) {
      const detail = sayRefusal(refusal, habits.inchParts);
      answers.push({ outcome: 'refused', id: act.id, code: refusal.code, detail });
      continue;
    }
    const kept = await findAct(database, act.id);
    if (kept !== undefined && kept.act.by.id === id) {
      answers.push({ outcome: 'kept', id: act.id, kept });
      continue;
    }
    if (waiting >= MOST_WAITING || JSON.stringify(act).length > LONGEST) {
      const detail =
        'Too many changes wait for a lead fitter. Ask one to decide them, then enter this again.';
      answers.push({ outcome: 'refused', id: act.id, code: 'too-many-wait', detail });
      continue;
    }
    await addLate(database, act);
    waiting += 1;
    answers.push({ outcome: 'late', id: act.id, detail: WAITS });
  }
  return answers;
}

/** What waits, in the order it came, in words: as much as is decided at once. */
export async function lateActs(database: Database): Promise<LateEntry[]> {
  return inWords(database, await listLate(database, { most: LATE_PART }));
}

/** What waits about a wearer, in words. */
export async function lateActsAbout(
  database: Database,
  wearerId: string,
  docketIds: readonly string[],
): Promise<LateEntry[]> {
  const ids = await lateAbout(database, wearerId, docketIds);
  return inWords(database, await listLate(database, { ids, most: MOST_WAITING }));
}

async function inWords(database: Database, late: readonly LateAct[]): Promise<LateEntry[]> {
  const { habits } = await findSettings(database);
  const chartIds = late.flatMap(({ act }) => ('chartId' in act && act.chartId !== null ? [act.chartId] : []));
  const charts = await findCharts(database, [...new Set(chartIds)]);
  const dockets = new Map<string, string | null>();
  for (const { act } of late) {
    if (isMusterAct(act) || dockets.has(act.docketId)) continue;
    dockets.set(act.docketId, (await findDocket(database, act.docketId))?.wearer.name ?? null);
  }
  const names = {
    garment: (id: string) => charts.find((chart) => chart.id === id)?.sheet.garment ?? 'a garment',
    protocol: () => 'a protocol',
    inchParts: habits.inchParts,
    wearer: () => 'a wearer',
    station: () => 'a station',
  };
  return late.map(({ id, fitter, cameAt, act, why }) => ({
    id,
    fitter,
    cameAt: cameAt.toISOString(),
    doneAt: act.at,
    words: sayAnyAct(act, names),
    why,
    docketId: isMusterAct(act) ? null : act.docketId,
    wearer: isMusterAct(act) ? null : (dockets.get(act.docketId) ?? null),
  }));
}

/** Who decides about what waits. */
interface Deciding {
  readonly by: { readonly id: string };
  /** What they are trusted with: the acts are added by it, in the name of whoever did them. */
  readonly role: Role;
}

/** Adds what waited to its docket or muster, in the order it came; what is refused there goes on waiting. */
export async function acceptLate(
  database: Database,
  lookout: Lookout<KeptAnyAct>,
  takeOther: TakeOther,
  { by, role }: Deciding,
  ids: readonly string[],
): Promise<ActAnswer[]> {
  const answers: ActAnswer[] = [];
  for (const late of await listLate(database, { ids, most: ids.length })) {
    const taken = await takeRead(database, { fitter: late.fitter, role, pen: null }, late.act, takeOther);
    if ('refused' in taken) {
      answers.push({ outcome: 'refused', id: late.id, ...taken.refused });
      continue;
    }
    if (!taken.repeated) lookout.tell(subjectOf(late.act), taken.kept);
    await decided(database, 'late-accepted', by.id, late);
    answers.push({ outcome: 'kept', id: late.id, kept: taken.kept });
  }
  return answers;
}

/** Takes out what waited and is not wanted. */
export async function discardLate(
  database: Database,
  { by }: Pick<Deciding, 'by'>,
  ids: readonly string[],
): Promise<void> {
  for (const late of await listLate(database, { ids, most: ids.length }))
    await decided(database, 'late-discarded', by.id, late);
}

async function decided(
  database: Database,
  kind: 'late-accepted' | 'late-discarded',
  by: string,
  { id, fitter, act }: LateAct,
): Promise<void> {
  await database.transaction(async (transaction) => {
    // Of two who decide at once, one is noted.
    if (!(await removeLate(transaction, id))) return;
    await transaction('met').where({ act_id: act.id }).delete();
    await note(transaction, {
      by,
      kind,
      about: { kind: isMusterAct(act) ? 'muster' : 'docket', id: subjectOf(act) },
      detail: { of: fitter.name, act: act.id, kind: (act satisfies AnyAct).kind },
    });
  });
}
