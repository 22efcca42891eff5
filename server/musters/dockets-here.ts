import { replay, type Act, type Doing } from '@neat-measure/core';
import { missingParts, type Muster, type MusterPerson, type Part } from '@neat-measure/core/muster';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../database/database';
import { listActs } from '../dockets/act-store';
import { shelfFor } from '../dockets/find-library';
import { openWith } from '../dockets/open-with';
import { lockDocket } from '../dockets/store';
import { findKit, listKits } from '../kits/store';
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
  if (!(await lockDocket(transaction, docketId)))
    await openWith(transaction, await opening(transaction, muster, person, hand));
  const acts = (await listActs(transaction, docketId)).map(({ act }) => act);
  const docket = replay(acts)!;
  // On a docket that asks for nothing nobody can say what is missing: the first station finds that out.
  if (docket.garments.length + docket.protocolIds.length + docket.extraCodes.length === 0) return null;
  return missingParts(docket, await shelfFor(transaction, acts));
}

async function opening(
  transaction: Database,
  muster: Muster,
  { docketId, wearerId, kitId }: MusterPerson,
  { by, at }: Hand,
): Promise<Act[]> {
  const kit = kitId === null ? await kitOfRole(transaction, wearerId) : await findKit(transaction, kitId);
  const doings: Doing[] = [
    { kind: 'docket-opened', wearerId, occasion: muster.name, unit: muster.unit, preference: 'regular' },
    ...(kit?.garments ?? []).map(({ chartId }): Doing => ({ kind: 'garment-asked', chartId })),
    ...(kit?.protocols ?? []).map((protocolId): Doing => ({ kind: 'protocol-asked', protocolId })),
  ];
  return doings.map((doing) => ({ id: uuidv7(), docketId, at, by, ...doing }));
}

/** The kit that is proposed to a wearer by what they are; nothing where there is none. */
async function kitOfRole(transaction: Database, wearerId: string) {
  const role = plain((await findWearer(transaction, wearerId))?.role ?? '');
  if (role === '') return null;
  return (await listKits(transaction)).find(({ roles }) => roles.some((one) => plain(one) === role)) ?? null;
}

function plain(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().trim();
}
