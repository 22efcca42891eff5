import * as z from 'zod';
import { WISH_CODES, wishOf } from '../../body/wishes';
import { ACT_BASE, needsNothing, noGarments, type ActKind } from './act';

const schema = z.object({ ...ACT_BASE, kind: z.literal('wish-dropped'), wish: z.enum(WISH_CODES) });
/** A length is no longer wanted. */
export type WishDropped = z.infer<typeof schema>;

export const wishDropped: ActKind<WishDropped> = {
  kind: 'wish-dropped',
  schema,
  refuse: () => null,
  carryOut: (docket, { wish }) => ({
    ...docket,
    wishes: docket.wishes.filter((one) => one.wish !== wish),
  }),
  undo: ({ wishes }, { wish }) => {
    const last = wishes.find((one) => one.wish === wish);
    if (last === undefined) return null;
    const { typed, unit, length, pointed, estimatedFor } = last;
    return { kind: 'wish-noted', wish, typed, unit, length, pointed, estimatedFor };
  },
  say: ({ wish }) => `removed the wish ${wishOf(wish).name.toLowerCase()}`,
  takes: 'measure',
  about: noGarments,
  stages: noGarments,
  evidence: false,
  needs: needsNothing,
  lookedUpBy: () => null,
};
