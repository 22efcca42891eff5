import * as z from 'zod';
import { measurement } from '../../body/catalogue';
import { MEASUREMENT_CODES } from '../../body/catalogue/codes';
import { TENSIONS } from '../../body/measurement';
import { TENSION_WORDS } from '../../body/say-plan';
import { ACT_BASE, needsNothing, noGarments, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('tension-chosen'),
  code: z.enum(MEASUREMENT_CODES),
  tension: z.enum(TENSIONS),
});
/** Says how the tape lies at a measurement, where those who ask for it want it differently. */
export type TensionChosen = z.infer<typeof schema>;

export const tensionChosen: ActKind<TensionChosen> = {
  kind: 'tension-chosen',
  schema,
  refuse: () => null,
  carryOut: (docket, { code, tension }) => ({
    ...docket,
    tension: { ...docket.tension, [code]: tension },
  }),
  undo: ({ tension: before }, { code, tension }) =>
    before[code] === undefined || before[code] === tension
      ? null
      : { kind: 'tension-chosen', code, tension: before[code] },
  say: ({ code, tension }) =>
    `chose to take ${measurement(code).name.toLowerCase()} with the tape ${TENSION_WORDS[tension]}`,
  takes: 'measure',
  about: noGarments,
  stages: noGarments,
  evidence: false,
  needs: needsNothing,
  lookedUpBy: ({ code }) => code,
};
