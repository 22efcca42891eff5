import * as z from 'zod';
import { WAIST_PLACES, WAIST_WORDS } from '../../body/waist';
import { ACT_BASE, needsNothing, noGarments, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('waist-chosen'),
  /** `null` leaves it to those who ask. */
  place: z.enum(WAIST_PLACES).nullable(),
});
/** Says where the cord is tied, where those who ask for lengths at the waist want it at different places. */
export type WaistChosen = z.infer<typeof schema>;

export const waistChosen: ActKind<WaistChosen> = {
  kind: 'waist-chosen',
  schema,
  refuse: () => null,
  carryOut: (docket, { place }) => ({ ...docket, waist: place }),
  undo: ({ waist: before }, { place }) => (before === place ? null : { kind: 'waist-chosen', place: before }),
  say: ({ place }) =>
    place === null
      ? 'left the place of the waist to charts and protocols'
      : `chose to take the waist ${WAIST_WORDS[place]}`,
  takes: 'measure',
  about: noGarments,
  stages: noGarments,
  evidence: false,
  needs: needsNothing,
  lookedUpBy: () => null,
};
