import * as z from 'zod';
import { wordsSchema } from '../../acts/act';
import { WORKING_UNITS } from '../../quantity/length';
import { MUSTER_BASE, daySchema, type MusterActKind } from './act';

const schema = z
  .object({
    ...MUSTER_BASE,
    kind: z.literal('muster-opened'),
    name: wordsSchema(80),
    place: z.string().trim().max(80),
    day: daySchema,
    lastDay: daySchema,
    /** In which its dockets are kept. */
    unit: z.enum(WORKING_UNITS),
  })
  .refine(({ day, lastDay }) => day <= lastDay, {
    path: ['lastDay'],
    error: 'The last day is before the first. Choose a later one.',
  });
/** The first act of every muster: what it is called, where, and on which days. */
export type MusterOpened = z.infer<typeof schema>;

export const musterOpened: MusterActKind<MusterOpened> = {
  kind: 'muster-opened',
  schema,
  refuse: () => ({ code: 'muster-opened-already' }),
  opens: ({ musterId, name, place, day, lastDay, unit, at }) => ({
    id: musterId,
    name,
    place,
    day,
    lastDay,
    unit,
    openedAt: at,
    closedAt: null,
    stations: [],
    people: [],
  }),
  carryOut: (muster) => muster,
  undo: 'opening',
  say: ({ name }) => `opened the muster ${name}`,
  takes: 'lead-muster',
  about: () => [],
};
