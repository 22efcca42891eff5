import * as z from 'zod';
import { MUSTER_BASE, type MusterActKind } from './act';

const schema = z.object({ ...MUSTER_BASE, kind: z.literal('muster-reopened') });
/** A muster that was closed goes on. */
export type MusterReopened = z.infer<typeof schema>;

export const musterReopened: MusterActKind<MusterReopened> = {
  kind: 'muster-reopened',
  schema,
  refuse: ({ closedAt }) => (closedAt === null ? { code: 'muster-open' } : null),
  carryOut: (muster) => ({ ...muster, closedAt: null }),
  undo: () => ({ kind: 'muster-closed' }),
  say: () => 'reopened the muster',
  takes: 'lead-muster',
  about: () => [],
};
