import * as z from 'zod';
import { MUSTER_BASE, refuseClosed, type MusterActKind } from './act';

const schema = z.object({ ...MUSTER_BASE, kind: z.literal('muster-closed') });
/** A muster is over: nothing is done on it any more. Who waited is not told to have gone. */
export type MusterClosed = z.infer<typeof schema>;

export const musterClosed: MusterActKind<MusterClosed> = {
  kind: 'muster-closed',
  schema,
  refuse: refuseClosed,
  carryOut: (muster, { at }) => ({ ...muster, closedAt: at }),
  undo: () => ({ kind: 'muster-reopened' }),
  say: () => 'closed the muster',
  takes: 'lead-muster',
  about: () => [],
};
