import * as z from 'zod';
import { idSchema } from '../../acts/act';
import { counted } from '../../words/counted';
import { personOn } from '../muster';
import { MUSTER_BASE, refuseClosed, standingOf, type MusterActKind } from './act';
import { MOST_ADDED } from './people-added';

const schema = z.object({
  ...MUSTER_BASE,
  kind: z.literal('people-removed'),
  wearerIds: z.array(idSchema).min(1).max(MOST_ADDED),
});
/** Wearers are taken off the list of a muster before they came. */
export type PeopleRemoved = z.infer<typeof schema>;

export const peopleRemoved: MusterActKind<PeopleRemoved> = {
  kind: 'people-removed',
  schema,
  refuse: (muster, { wearerIds }) => {
    const closed = refuseClosed(muster);
    if (closed !== null) return closed;
    for (const wearerId of wearerIds) {
      const standing = standingOf(muster, wearerId);
      if (standing === null) return { code: 'not-on-muster' };
      if (standing.is !== 'expected') return { code: 'come-already', wearerId };
    }
    return null;
  },
  carryOut: (muster, { wearerIds }) => {
    const gone = new Set(wearerIds);
    return { ...muster, people: muster.people.filter(({ wearerId }) => !gone.has(wearerId)) };
  },
  undo: (before, { wearerIds }) => {
    const people = wearerIds.flatMap((id) => personOn(before, id) ?? []);
    return people.length === 0
      ? null
      : {
          kind: 'people-added',
          people: people.map(({ wearerId, docketId, groupId, kitId }) => ({
            wearerId,
            docketId,
            groupId,
            kitId,
          })),
        };
  },
  say: ({ wearerIds }, { wearer }) =>
    wearerIds.length === 1
      ? `removed ${wearer(wearerIds[0]!)} from the muster`
      : `removed ${counted(wearerIds.length, 'wearer')} from the muster`,
  takes: 'work-muster',
  about: ({ wearerIds }) => wearerIds,
};
