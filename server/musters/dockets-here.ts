import { replay, type Act } from '@neat-measure/core';
import {
  kitFor,
  missingParts,
  openingDoings,
  type Muster,
  type MusterPerson,
  type Part,
} from '@neat-measure/core/muster';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../database/database';
import { listActs } from '../dockets/act-store';
import { shelfFor } from '../dockets/find-library';
import { carryOn, openWith } from '../dockets/open-with';
import { lockDocket } from '../dockets/store';
import { findKit, listKits } from '../kits/store';
import { sizesTold } from '../links/told';
import { findWearer } from '../wearers/store';

/** Who does something, and when. */
interface Hand {
  readonly by: { readonly id: string; readonly name: string };
  readonly at: string;
}

/**
 * What is still to be done on the docket that a wearer has at a muster; `null` where it asks for nothing. One that nobody has opened yet is opened, with
 * the kit they were added with or that of their role.
 */
export async function missingHere(
  transaction: Database,
  muster: Muster,
  person: MusterPerson,
  hand: Hand,
): Promise<readonly Part[] | null> {
  const { docketId } = person;
  await openedHere(transaction, muster, person, hand);
  const acts = (await listActs(transaction, docketId)).map(({ act }) => act);
  const docket = replay(acts)!;
  // On a docket that asks for nothing nobody can say what is missing: the first station finds that out.
  if (docket.garments.length + docket.protocolIds.length + docket.extraCodes.length === 0) return null;
  return missingParts(docket, await shelfFor(transaction, acts));
}

/** Holds the docket that a wearer has at a muster; one that nobody has opened yet is opened. */
export async function openedHere(
  transaction: Database,
  muster: Muster,
  person: MusterPerson,
  hand: Hand,
): Promise<void> {
  const { docketId, wearerId } = person;
  if (await lockDocket(transaction, docketId)) return;
  const { docket, library } = await openWith(transaction, await opening(transaction, muster, person, hand));
  const told = await sizesTold(transaction, muster.id, wearerId);
  const acts = told.map(
    (one): Act => ({ id: uuidv7(), docketId, at: hand.at, by: hand.by, kind: 'size-told', ...one }),
  );
  if (acts.length > 0) await carryOn(transaction, docket, library, acts);
}

async function opening(
  transaction: Database,
  muster: Muster,
  { docketId, wearerId, kitId }: MusterPerson,
  { by, at }: Hand,
): Promise<Act[]> {
  const kit = kitId === null ? await kitOfRole(transaction, wearerId) : await findKit(transaction, kitId);
  return openingDoings(muster, wearerId, kit).map((doing) => ({ id: uuidv7(), docketId, at, by, ...doing }));
}

/** The kit that is proposed to a wearer by what they are; nothing where there is none. */
async function kitOfRole(transaction: Database, wearerId: string) {
  const { role } = (await findWearer(transaction, wearerId)) ?? { role: '' };
  return kitFor(await listKits(transaction), null, role);
}
