import * as z from 'zod';
import { idSchema } from '../../acts/act';
import { MEASUREMENT_CODES } from '../../body/catalogue/codes';
import { counted } from '../../words/counted';
import { personOn } from '../muster';
import { MUSTER_BASE, refuseClosed, type MusterActKind } from './act';

/** The most people whose numbers are accepted at once: each of their dockets is held while it is done. */
export const MOST_ACCEPTED = 500;

const schema = z.object({
  ...MUSTER_BASE,
  kind: z.literal('values-accepted'),
  wearerIds: z.array(idSchema).min(1).max(MOST_ACCEPTED),
  /** What was accepted of each: found on their dockets, and never taken from who sends it. */
  accepted: z
    .array(z.object({ wearerId: idSchema, codes: z.array(z.enum(MEASUREMENT_CODES)).min(1) }))
    .max(MOST_ACCEPTED)
    .default([]),
});
/** What wearers measured of themselves is accepted for a group: of each that passes the checks. Their dockets say so. */
export type ValuesAccepted = z.infer<typeof schema>;

export const valuesAccepted: MusterActKind<ValuesAccepted> = {
  kind: 'values-accepted',
  schema,
  refuse: (muster, { wearerIds }) => {
    const closed = refuseClosed(muster);
    if (closed !== null) return closed;
    return wearerIds.every((id) => personOn(muster, id) !== undefined) ? null : { code: 'not-on-muster' };
  },
  finds: {
    complete: (muster, act, { acceptedOn }) => ({
      ...act,
      accepted: act.wearerIds.flatMap((wearerId) => {
        const codes = acceptedOn?.(personOn(muster, wearerId)!.docketId) ?? [];
        return codes.length === 0 ? [] : [{ wearerId, codes: [...codes] }];
      }),
    }),
    without: (act) => ({ ...act, accepted: [] }),
  },
  carryOut: (muster, { accepted, at }) => {
    const those = new Set(accepted.map(({ wearerId }) => wearerId));
    return {
      ...muster,
      people: muster.people.map((one) => (those.has(one.wearerId) ? { ...one, ownAcceptedAt: at } : one)),
    };
  },
  // Each reading that was accepted is withdrawn on its own docket, where it is seen what rests on it.
  undo: 'never',
  say: ({ accepted }, { wearer }) =>
    accepted.length === 1
      ? `accepted what ${wearer(accepted[0]!.wearerId)} measured at home`
      : `accepted what ${counted(accepted.length, 'wearer')} measured at home`,
  takes: 'lead-muster',
  about: ({ wearerIds }) => wearerIds,
};
