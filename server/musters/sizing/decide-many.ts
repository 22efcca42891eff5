import type { KeptAnyAct } from '@neat-measure/contract';
import type { DecidedMany, DecideMany } from '@neat-measure/contract/musters';
import {
  acceptable,
  asChosenOn,
  garmentOn,
  isClosing,
  judgeOne,
  kindOf,
  readingIdsBehind,
  replay,
  standingDecision,
  type Act,
  type Doing,
  type GarmentVerdict,
} from '@neat-measure/core';
import { sizesOfLabel } from '@neat-measure/core/stock';
import { inGroup, sizedOne, type Sizing } from '@neat-measure/core/group';
import { createHash } from 'node:crypto';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../../database/database';
import { findAct, listActs } from '../../dockets/act-store';
import { shelfFor } from '../../dockets/find-library';
import { takeRead, type TakeOther } from '../../dockets/take-acts';
import { notFound } from '../../http/problem-error';
import type { Lookout } from '../../http/lookout';
import type { Signing } from '../../session/service';
import { readSizing } from '../../sizings/store';

/** What deciding for many works with. */
export interface DecidingMany {
  readonly database: Database;
  readonly lookout: Lookout<KeptAnyAct>;
  readonly takeOther: TakeOther;
}

const CHANGED = 'Sized otherwise by now. Open the docket, or size the list again.';

/**
 * Decides one garment alike on many dockets: an act on each, under the name of whoever decides. A docket that is sized
 * otherwise than in the sizing that was looked at is left as it is, and so is one that something else stands in the way of.
 *
 * @throws ProblemError `not-found`
 */
export async function decideMany(
  { database, lookout, takeOther }: DecidingMany,
  signing: Signing,
  sizingId: string,
  { id, chartId, label, reason, docketIds }: DecideMany,
): Promise<DecidedMany> {
  const sizing = await readSizing(database, sizingId);
  const garment = sizing?.garments.find((one) => one.chartId === chartId);
  if (sizing === undefined || garment === undefined) throw notFound('sizing');
  const left: DecidedMany['left'] = [];
  let done = 0;
  for (const docketId of new Set(docketIds)) {
    const seen = sizedOne(garment, sizing.docketIds.indexOf(docketId));
    const actId = idBehind(id, docketId);
    // Sent again: only the answer was lost.
    const kept = await findAct(database, actId);
    const doing =
      kept !== undefined
        ? null
        : seen === null
          ? CHANGED
          : await decisionOn(database, docketId, { chartId, label, reason, seen });
    if (doing === null) {
      done += 1;
      continue;
    }
    if (typeof doing === 'string') {
      left.push({ docketId, why: doing });
      continue;
    }
    const act = actOf(signing, actId, docketId, { ...doing, together: id });
    const taken = await takeRead(database, signing, act, takeOther);
    if ('refused' in taken) {
      left.push({ docketId, why: taken.refused.detail });
      continue;
    }
    if (!taken.repeated) lookout.tell(docketId, taken.kept);
    done += 1;
  }
  return { done, left };
}

/** What decides it on a docket, or why nothing does. */
async function decisionOn(
  database: Database,
  docketId: string,
  {
    chartId,
    label,
    reason,
    seen,
  }: Pick<DecideMany, 'chartId' | 'label' | 'reason'> & {
    readonly seen: NonNullable<ReturnType<typeof sizedOne>>;
  },
): Promise<(Doing & { kind: 'garment-decided' }) | string> {
  const acts = (await listActs(database, docketId)).map(({ act }) => act);
  const docket = replay(acts);
  if (docket === null || garmentOn(docket, chartId) === undefined)
    return 'No docket is open. Open one first.';
  const library = await shelfFor(database, acts);
  const chart = library.charts.find((one) => one.id === chartId)!;
  const before = standingDecision(docket, chartId);
  if (isClosing(before)) return 'Decided already.';
  const verdict = judgeOne(docket, chart, library.habits);
  if (!isAsSeen(verdict, seen)) return CHANGED;
  const proposed = acceptable(verdict);
  const wanted = label ?? proposed;
  if (wanted === null) return 'No size is proposed. Choose one.';
  const isProposal = wanted === proposed;
  const sizes = isProposal ? verdict.sizes : sizesOfLabel(asChosenOn(docket, chart).sheet, wanted);
  if (sizes === null) return `${wanted} is not a size of this chart.`;
  return {
    kind: 'garment-decided',
    chartId,
    outcome: isProposal ? 'accepted' : 'overridden',
    sizes: { ...sizes },
    reason,
    readingIds: readingIdsBehind(docket, chart.sheet),
    after: before?.id ?? null,
    habits: library.habits.version,
    found: null,
  };
}

/** Whether somebody is sized as it was seen. */
function isAsSeen(verdict: GarmentVerdict, seen: NonNullable<ReturnType<typeof sizedOne>>): boolean {
  const now = inGroup(verdict);
  return (
    now.verdict === seen.verdict &&
    now.proposed === seen.size &&
    now.alternates.join('\n') === seen.others.join('\n')
  );
}

/** An id that is the same whenever the same is done for the same reason: sent again it is the same act. */
function idBehind(id: string, what: string): string {
  const random = createHash('sha256').update(`${id} ${what}`).digest();
  const msecs = Number.parseInt(id.replaceAll('-', '').slice(0, 12), 16);
  return uuidv7({ msecs, random: random.subarray(0, 16), seq: random.readUInt32BE(16) });
}

function actOf({ fitter }: Signing, id: string, docketId: string, doing: Doing): Act {
  return {
    ...{ id, docketId, at: new Date().toISOString() },
    by: { id: fitter.id, name: fitter.name },
    ...doing,
  };
}

/**
 * Takes back what was decided at once, on every docket where it still stands.
 *
 * @param decisionId what the decisions have in common
 */
export async function undoMany(
  { database, lookout, takeOther }: DecidingMany,
  signing: Signing,
  sizing: Sizing,
  decisionId: string,
): Promise<DecidedMany> {
  const left: DecidedMany['left'] = [];
  let done = 0;
  const docketIds: string[] = await database('acts')
    .where({ kind: 'garment-decided' })
    .whereIn(
      'docket_id',
      sizing.docketIds.filter((one) => one !== ''),
    )
    .whereRaw("json_value(body, '$.together') = ?", [decisionId])
    .distinct()
    .pluck('docket_id');
  for (const docketId of docketIds) {
    const acts = (await listActs(database, docketId)).map(({ act }) => act);
    const own = acts.find((act) => act.kind === 'garment-decided' && act.together === decisionId)!;
    const library = await shelfFor(database, acts);
    const docket = replay(acts)!;
    const { undo } = kindOf(own);
    const undoing = typeof undo === 'function' ? undo(docket, own, docket, library) : null;
    if (undoing === null) continue;
    const act: Act = {
      ...actOf(signing, idBehind(own.id, 'taken back'), docketId, undoing as Doing),
      undoes: own.id,
    };
    const taken = await takeRead(database, signing, act, takeOther);
    if ('refused' in taken) {
      left.push({ docketId, why: taken.refused.detail });
      continue;
    }
    if (!taken.repeated) lookout.tell(docketId, taken.kept);
    done += 1;
  }
  return { done, left };
}
