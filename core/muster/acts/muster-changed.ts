import * as z from 'zod';
import { wordsSchema } from '../../acts/act';
import { MUSTER_BASE, daySchema, refuseClosed, type MusterActKind } from './act';

const schema = z.object({
  ...MUSTER_BASE,
  kind: z.literal('muster-changed'),
  name: wordsSchema(80),
  place: z.string().trim().max(80),
  day: daySchema,
  lastDay: daySchema,
});
/** A muster has another name, place or days. */
export type MusterChanged = z.infer<typeof schema>;

export const musterChanged: MusterActKind<MusterChanged> = {
  kind: 'muster-changed',
  schema,
  refuse: (muster, { day, lastDay }) =>
    refuseClosed(muster) ?? (day > lastDay ? { code: 'days-backward' } : null),
  carryOut: (muster, { name, place, day, lastDay }) => ({ ...muster, name, place, day, lastDay }),
  undo: ({ name, place, day, lastDay }) => ({ kind: 'muster-changed', name, place, day, lastDay }),
  say: ({ name }) => `changed the muster ${name}`,
  takes: 'lead-muster',
  about: () => [],
};
