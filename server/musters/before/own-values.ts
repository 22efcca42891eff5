import type { Asked } from '@neat-measure/contract/musters';
import {
  apply,
  bareUnit,
  carriedOver,
  codesBehind,
  fitterMeasures,
  judgeDocket,
  measurement,
  planOf,
  replay,
  saySuspicion,
  shownIn,
  stepsOf,
  suspectCodes,
  usableRecord,
  type Act,
  type Docket,
  type MeasurementCode,
} from '@neat-measure/core';
import { personOn, type Muster, type MusterPerson } from '@neat-measure/core/muster';
import type { Bench } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../../database/database';
import { carryOn } from '../../dockets/open-with';
import { openBench } from '../../dockets/service';
import { lockDocket } from '../../dockets/store';
import { linksOf, type LinkStanding } from '../../links/store';

/** What of a wearer's own measurements can be accepted for a group, and why the rest cannot. */
export interface OwnValues {
  readonly acts: readonly Act[];
  readonly concerns: readonly string[];
}

/** Who accepts, when, and for which muster. */
interface Accepting {
  readonly by: { readonly id: string; readonly name: string };
  readonly at: string;
  readonly muster: string;
}

/**
 * The acts that carry over to a docket what its wearer measured of themselves, as far as it passes the checks: of
 * measurements that nobody has read yet, that still stand, and on which no garment's size rests for which only a fitter
 * measures.
 */
export function ownValuesOn(bench: Bench, { by, at, muster }: Accepting): OwnValues {
  const library = { charts: bench.charts, protocols: bench.protocols, habits: bench.habits };
  const docket = replay(bench.acts.map(({ act }) => act))!;
  const { openAgain } = judgeDocket(docket, library);
  const steps = stepsOf(planOf(docket, library), docket, openAgain, library.habits);
  const usable = usableRecord(
    steps,
    bench.record.filter(({ origin }) => origin === 'self'),
  );
  const guarded = guardedOn(docket, bench);
  const open = usable.filter(({ step: { code } }) => !guarded.has(code));
  const acts = open.map((one): Act => {
    const unit = bareUnit(one.step.code, docket.unit);
    return {
      ...{ id: uuidv7(), docketId: docket.id, at, by },
      ...carriedOver(one, unit),
      acceptedFor: muster,
    };
  });
  const concerns = usable.flatMap(({ step: { code } }) => {
    const garment = guarded.get(code);
    return garment === undefined ? [] : [`${measurement(code).name}: a fitter measures it for ${garment}.`];
  });
  // Where anything does not go together nothing is accepted: which of the numbers is wrong only a tape tells.
  const after = acts.reduce<Docket>((now, act) => {
    const applied = apply(now, act, library);
    return applied.ok ? applied.value.docket : now;
  }, docket);
  const { suspicions } = judgeDocket(after, library);
  const own = new Set(open.map(({ step }) => step.code));
  const told = suspicions
    .filter(({ measurements }) => measurements.some((code) => own.has(code)))
    .map((one) => saySuspicion(one, shownIn(docket.unit, library.habits.inchParts)));
  return {
    acts: [...suspectCodes(suspicions)].some((code) => own.has(code)) ? [] : acts,
    concerns: [...concerns, ...told],
  };
}

/** On which measurements the size of something rests that a fitter measures for, with its name. */
function guardedOn({ garments }: Docket, { charts, habits }: Bench): ReadonlyMap<MeasurementCode, string> {
  const asked = charts.filter(({ id }) => garments.some(({ chartId }) => chartId === id));
  return new Map(
    asked
      .filter(({ sheet }) => fitterMeasures(habits, sheet))
      .flatMap(({ sheet }) => codesBehind(sheet).map((code) => [code, sheet.garment] as const)),
  );
}

/** Carries over what passes, in the transaction of the act that accepts it; which measurements those are. */
export async function acceptOwn(
  transaction: Database,
  muster: Muster,
  person: MusterPerson,
  { by, at }: Omit<Accepting, 'muster'>,
): Promise<readonly MeasurementCode[]> {
  const { docketId } = person;
  // Nobody has come with numbers of their own for a docket that is not open.
  if (!(await lockDocket(transaction, docketId))) return [];
  const bench = await openBench(transaction, docketId);
  const { acts } = ownValuesOn(bench, { by, at, muster: muster.name });
  const library = { charts: bench.charts, protocols: bench.protocols, habits: bench.habits };
  const docket = replay(bench.acts.map(({ act }) => act))!;
  const { kept } = await carryOn(transaction, docket, library, acts);
  return kept.flatMap((act) => (act.kind === 'reading-taken' ? [act.code] : []));
}

/** How far everybody on a muster has come who was asked to measure themselves. */
export async function listAsked(database: Database, muster: Muster): Promise<Asked[]> {
  const links = await linksOf(
    database,
    muster.people.map(({ docketId }) => docketId),
  );
  const byDocket = new Map<string, LinkStanding[]>();
  for (const link of links) byDocket.set(link.docketId, [...(byDocket.get(link.docketId) ?? []), link]);
  const asked: Asked[] = [];
  for (const person of muster.people)
    asked.push(await askedOf(database, muster, person, byDocket.get(person.docketId) ?? []));
  return asked;
}

async function askedOf(
  database: Database,
  muster: Muster,
  { wearerId, docketId }: MusterPerson,
  links: readonly LinkStanding[],
): Promise<Asked> {
  const answered = links.filter(({ submittedAt }) => submittedAt !== null).at(-1);
  const last = links.at(-1);
  if (last === undefined)
    return {
      ...{ wearerId, state: 'not-asked', at: null, until: null },
      ...{ values: [], acceptable: [], concerns: [] },
    };
  if (answered === undefined) {
    const state = ended(last) ? 'ended' : last.openedAt === null ? 'sent' : 'opened';
    return {
      ...{ wearerId, state, at: last.openedAt ?? last.madeAt, until: last.expiresAt },
      ...{ values: [], acceptable: [], concerns: [] },
    };
  }
  const by = { id: muster.id, name: '' };
  const own = ownValuesOn(await openBench(database, docketId), {
    ...{ by, at: new Date().toISOString(), muster: muster.name },
  });
  return {
    ...{ wearerId, state: 'answered', at: answered.submittedAt, until: null },
    values: answered.measured.map(({ code, value }) => ({ code, value })),
    acceptable: own.acts.flatMap((act) => (act.kind === 'reading-taken' ? [act.code] : [])),
    concerns: [...own.concerns],
  };
}

function ended({ expiresAt }: LinkStanding): boolean {
  return expiresAt < new Date().toISOString();
}

/** Whose slip a code is: the wearer of a muster, or why it is nobody's there. */
export async function ownerOf(
  database: Database,
  muster: Muster,
  tokenHash: string,
): Promise<{ readonly wearerId: string } | { readonly muster: string | null } | null> {
  const link = await database('self_links')
    .join('dockets', 'dockets.id', 'self_links.docket_id')
    .where({ token_hash: tokenHash })
    .first<
      { docket_id: string; wearer_id: string; occasion: string } | undefined
    >('docket_id', 'wearer_id', 'dockets.occasion');
  if (link === undefined) return null;
  // A slip of an earlier muster names the same wearer: whoever holds it is still who they are.
  return personOn(muster, link.wearer_id) === undefined
    ? { muster: link.occasion }
    : { wearerId: link.wearer_id };
}
