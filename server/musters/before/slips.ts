import type { SlipsMade, SlipsWanted } from '@neat-measure/contract/musters';
import {
  measurement,
  ownPreparation,
  planOf,
  preparationFor,
  replay,
  type Docket,
  type Library,
} from '@neat-measure/core';
import { personOn, type Muster, type MusterPerson } from '@neat-measure/core/muster';
import { v7 as uuidv7 } from 'uuid';
import { note } from '../../audit/store';
import type { Database } from '../../database/database';
import { AS_IT_STANDS } from '../../database/all-or-nothing';
import { tryAgain } from '../../database/trouble';
import { listActs } from '../../dockets/act-store';
import { shelfFor } from '../../dockets/find-library';
import { hashOf, makeCode } from '../../links/code';
import { addLink, endLinksOf } from '../../links/store';
import { openedHere } from '../dockets-here';
import { wearersOf } from '../store';

/** A slip for one wearer, with the code that opens their page. */
export interface Slip {
  readonly wearerId: string;
  readonly name: string;
  readonly number: string | null;
  readonly code: string;
  /** What to have at hand. */
  readonly prepare: readonly string[];
}

/** So many dockets are opened and asked for at once: nobody else waits for longer. */
const AT_ONCE = 20;

/**
 * Makes a code for each of some wearers, with which they measure themselves until the end of a day; their earlier ones
 * end. Dockets that are not open yet are opened. Some wearers at a time: what was done before a failure stands, and doing
 * it again makes new codes.
 */
export async function makeSlips(
  database: Database,
  muster: Muster,
  { lastDay, wearerIds }: SlipsWanted,
  by: { readonly id: string; readonly name: string },
): Promise<{ readonly slips: readonly Slip[]; readonly without: SlipsMade['without'] }> {
  const expiresAt = endOf(lastDay);
  const wearers = new Map((await wearersOf(database, wearerIds)).map((one) => [one.id, one]));
  const slips: Slip[] = [];
  const without: SlipsMade['without'] = [];
  const people: MusterPerson[] = [];
  for (const wearerId of new Set(wearerIds)) {
    const person = personOn(muster, wearerId);
    if (person === undefined || !wearers.has(wearerId)) without.push({ wearerId, why: 'erased' });
    else people.push(person);
  }
  for (let from = 0; from < people.length; from += AT_ONCE) {
    const some = people.slice(from, from + AT_ONCE);
    const made = await tryAgain(() =>
      database.transaction(async (transaction) => {
        const own: (Slip | null)[] = [];
        for (const person of some) {
          const asked = await askedOf(transaction, muster, person, by);
          if (asked === null) {
            own.push(null);
            continue;
          }
          const code = makeCode();
          await endLinksOf(transaction, person.docketId);
          await addLink(transaction, {
            ...{ id: uuidv7(), token_hash: hashOf(code), docket_id: person.docketId },
            ...{ fitter_id: by.id, expires_at: expiresAt },
          });
          const { name, number } = wearers.get(person.wearerId)!;
          own.push({ wearerId: person.wearerId, name, number, code, prepare: asked });
        }
        return own;
      }, AS_IT_STANDS),
    );
    made.forEach((slip, at) => {
      if (slip === null) without.push({ wearerId: some[at]!.wearerId, why: 'asks-nothing' });
      else slips.push(slip);
    });
  }
  if (slips.length > 0)
    await note(database, {
      by: by.id,
      kind: 'slips-made',
      about: { kind: 'muster', id: muster.id },
      // By their ids alone: whoever is erased later leaves no name here.
      detail: { wearerIds: slips.map(({ wearerId }) => wearerId), lastDay },
    });
  return { slips, without };
}

/** The end of a day where the server stands. */
function endOf(day: string): Date {
  return new Date(`${day}T23:59:59`);
}

/** What somebody is to have at hand who measures themselves for their docket; `null` where it asks for no measurement. */
async function askedOf(
  transaction: Database,
  muster: Muster,
  person: MusterPerson,
  by: { readonly id: string; readonly name: string },
): Promise<readonly string[] | null> {
  await openedHere(transaction, muster, person, { by, at: new Date().toISOString() });
  const acts = (await listActs(transaction, person.docketId)).map(({ act }) => act);
  return preparationOn(replay(acts)!, await shelfFor(transaction, acts));
}

function preparationOn(docket: Docket, library: Library): readonly string[] | null {
  const { steps } = planOf(docket, library);
  if (steps.length === 0) return null;
  return ownPreparation(
    preparationFor(docket, library),
    steps.some(({ code }) => measurement(code).stance === 'turned'),
  );
}
