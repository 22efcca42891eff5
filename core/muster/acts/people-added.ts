import * as z from 'zod';
import { idSchema } from '../../acts/act';
import { counted } from '../../words/counted';
import { DAY_AHEAD, personOn } from '../muster';
import { MUSTER_BASE, refuseClosed, type MusterActKind } from './act';

/** The most people of one act, and of one muster. */
export const MOST_ADDED = 5_000;
const MOST_PEOPLE = 10_000;

const schema = z.object({
  ...MUSTER_BASE,
  kind: z.literal('people-added'),
  people: z
    .array(
      z.object({
        wearerId: idSchema,
        /** Under which their docket is opened when they come: made here, so that two stations never open two. */
        docketId: idSchema,
        groupId: idSchema.nullable().default(null),
        kitId: idSchema.nullable().default(null),
      }),
    )
    .min(1)
    .max(MOST_ADDED),
});
/** Wearers are put on the list of a muster. */
export type PeopleAdded = z.infer<typeof schema>;

export const peopleAdded: MusterActKind<PeopleAdded> = {
  kind: 'people-added',
  schema,
  refuse: (muster, { people }) => {
    const closed = refuseClosed(muster);
    if (closed !== null) return closed;
    if (muster.people.length + people.length > MOST_PEOPLE) return { code: 'muster-full', most: MOST_PEOPLE };
    const there = new Set(muster.people.map(({ wearerId }) => wearerId));
    for (const { wearerId } of people) {
      if (there.has(wearerId)) return { code: 'on-muster-already', wearerId };
      there.add(wearerId);
    }
    return null;
  },
  carryOut: (muster, { people }) => ({
    ...muster,
    people: [...muster.people, ...people.map((one) => ({ ...one, ownAcceptedAt: null, day: DAY_AHEAD }))],
  }),
  undo: (_before, { people }, now) => {
    const still = people.filter(({ wearerId }) => personOn(now, wearerId) !== undefined);
    return still.length === 0
      ? null
      : { kind: 'people-removed', wearerIds: still.map(({ wearerId }) => wearerId) };
  },
  say: ({ people }, { wearer }) =>
    people.length === 1
      ? `added ${wearer(people[0]!.wearerId)} to the muster`
      : `added ${counted(people.length, 'wearer')} to the muster`,
  takes: 'work-muster',
  about: ({ people }) => people.map(({ wearerId }) => wearerId),
};
