import type { Doing } from '../docket/acts';
import { plainName } from '../words/plain-name';
import type { Muster } from './muster';

/** What is opened together, as far as opening a docket goes by it. */
export interface OpenedKit {
  readonly id: string;
  readonly roles: readonly string[];
  readonly garments: readonly { readonly chartId: string }[];
  readonly protocols: readonly string[];
}

/**
 * What opens the docket of somebody at a muster, in its order: the docket itself, then the garments and protocols of
 * their kit. The server does it when they come; a device that cannot reach it goes by the same until it can.
 *
 * @param kit `null` for nobody's kit: the docket then asks for nothing
 * @example openingDoings({ name: 'Winter intake', unit: 'cm' }, 'w', null).map(({ kind }) => kind) // ['docket-opened']
 */
export function openingDoings(
  { name, unit }: Pick<Muster, 'name' | 'unit'>,
  wearerId: string,
  kit: Pick<OpenedKit, 'garments' | 'protocols'> | null,
): Doing[] {
  return [
    { kind: 'docket-opened', wearerId, occasion: name, unit, preference: 'regular' },
    ...(kit?.garments ?? []).map(({ chartId }): Doing => ({ kind: 'garment-asked', chartId })),
    ...(kit?.protocols ?? []).map((protocolId): Doing => ({ kind: 'protocol-asked', protocolId })),
  ];
}

/**
 * The kit that somebody at a muster gets: the one they were added with, or that of their role; `null` for none.
 *
 * @param kitId the one they were added with; `null` for none
 * @example kitFor([{ id: 'k', roles: ['Patrol Warden'] }], null, 'patrol warden')?.id // 'k'
 */
export function kitFor<Kit extends Pick<OpenedKit, 'id' | 'roles'>>(
  kits: readonly Kit[],
  kitId: string | null,
  role: string,
): Kit | null {
  if (kitId !== null) return kits.find(({ id }) => id === kitId) ?? null;
  const wanted = plainName(role);
  if (wanted === '') return null;
  return kits.find(({ roles }) => roles.some((one) => plainName(one) === wanted)) ?? null;
}
