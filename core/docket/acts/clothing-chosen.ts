import * as z from 'zod';
import { measurement } from '../../body/catalogue';
import { MEASUREMENT_CODES } from '../../body/catalogue/codes';
import { CLOTHINGS } from '../../body/measurement';
import { CLOTHING_WORDS } from '../../body/say-plan';
import { ACT_BASE, needsNothing, noGarments, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('clothing-chosen'),
  code: z.enum(MEASUREMENT_CODES),
  clothing: z.enum(CLOTHINGS),
});
/** Says over what a measurement is taken, where those who ask for it want it differently. */
export type ClothingChosen = z.infer<typeof schema>;

export const clothingChosen: ActKind<ClothingChosen> = {
  kind: 'clothing-chosen',
  schema,
  refuse: () => null,
  carryOut: (docket, { code, clothing }) => ({
    ...docket,
    clothing: { ...docket.clothing, [code]: clothing },
  }),
  undo: ({ clothing: before }, { code, clothing }) =>
    before[code] === undefined || before[code] === clothing
      ? null
      : { kind: 'clothing-chosen', code, clothing: before[code] },
  say: ({ code, clothing }) =>
    `chose to take ${measurement(code).name.toLowerCase()} ${CLOTHING_WORDS[clothing]}`,
  takes: 'measure',
  about: noGarments,
  stages: noGarments,
  evidence: false,
  needs: needsNothing,
  lookedUpBy: ({ code }) => code,
};
