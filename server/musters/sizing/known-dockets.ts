import type { Chart } from '@neat-measure/contract';
import {
  apply,
  recordOf,
  replay,
  standingTaken,
  type Act,
  type Docket,
  type Doing,
  type Library,
  type WorkingUnit,
} from '@neat-measure/core';
import { asKnown, type KnownDocket } from '@neat-measure/core/group';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../../database/database';
import { actsByDocket } from '../../dockets/act-store';
import { shelfFor } from '../../dockets/find-library';
import { selfRecordedOn } from '../../links/store';
import { toldRecordedOf } from '../../links/told';

/** Somebody to be sized: their docket where they have one, and what they get where none is open yet. */
export interface ToSize {
  readonly wearerId: string;
  readonly docketId: string | null;
  readonly garments: readonly string[];
  readonly protocols: readonly string[];
  readonly unit: WorkingUnit;
}

/** Somebody with all that is known of them. */
export interface ToJudge extends KnownDocket {
  /** How much has been done on their docket. */
  readonly acts: number;
}

const NOBODY = { id: '', name: '' };

/**
 * The dockets of some wearers as they would be with everything on record; whoever has none open has one that asks for what
 * they get. Nothing is kept of it.
 */
export async function knownDockets(
  database: Database,
  people: readonly ToSize[],
): Promise<{ readonly judged: readonly ToJudge[]; readonly charts: readonly Chart[] }> {
  const ids = people.map(({ wearerId }) => wearerId);
  const [born, dockets, told] = await Promise.all([
    database('wearers').whereIn('id', ids).select<{ id: string; born: string | null }[]>('id', 'born'),
    database('dockets')
      .whereIn('wearer_id', ids)
      .orderBy('number')
      .select<{ id: string; wearer_id: string }[]>('id', 'wearer_id'),
    toldRecordedOf(database, ids),
  ]);
  const docketIds = dockets.map(({ id }) => id);
  const [acts, sent] = await Promise.all([
    actsByDocket(database, docketIds),
    selfRecordedOn(database, docketIds),
  ]);
  const openings = new Map(people.map((one) => [one.wearerId, openingOf(one)]));
  const library = await shelfFor(database, [...acts.values(), ...openings.values()].flat());
  const at = new Date().toISOString();
  const judged = people.map((one): ToJudge => {
    const { wearerId, docketId } = one;
    const own = docketId === null ? [] : (acts.get(docketId) ?? []);
    const docket = replay(own) ?? opened(openings.get(wearerId)!, library);
    const others = dockets.filter(({ id, wearer_id }) => wearer_id === wearerId && id !== docketId);
    const record = recordOf(
      others.flatMap(({ id }) => standingTaken(acts.get(id) ?? [])),
      // What somebody measured of themselves counts before what a list says of them.
      [...(told.get(wearerId) ?? []), ...(docketId === null ? [] : (sent.get(docketId) ?? []))],
      library,
      Date.parse(at),
      born.find(({ id }) => id === wearerId)?.born ?? null,
    );
    return { ...asKnown(docket, library, record, at), acts: own.length };
  });
  return { judged, charts: library.charts };
}

/** What opens a docket of what somebody gets. */
function openingOf({ wearerId, garments, protocols, unit }: ToSize): Act[] {
  const docketId = uuidv7();
  const doings: Doing[] = [
    { kind: 'docket-opened', wearerId, occasion: 'Sizing', unit, preference: 'regular' },
    ...garments.map((chartId): Doing => ({ kind: 'garment-asked', chartId })),
    ...protocols.map((protocolId): Doing => ({ kind: 'protocol-asked', protocolId })),
  ];
  const at = new Date().toISOString();
  return doings.map((doing) => ({ id: uuidv7(), docketId, at, by: NOBODY, ...doing }));
}

/** The docket that some acts make; what cannot be asked for is left out, as when one is opened. */
function opened(acts: readonly Act[], library: Library): Docket {
  let docket: Docket | null = null;
  for (const act of acts) {
    const applied = apply(docket, act, library);
    if (applied.ok) docket = applied.value.docket;
  }
  return docket!;
}
