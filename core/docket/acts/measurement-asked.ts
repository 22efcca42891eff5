import * as z from 'zod';
import { measurement } from '../../body/catalogue';
import { MEASUREMENT_CODES } from '../../body/catalogue/codes';
import { ACT_BASE, needsNothing, noGarments, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('measurement-asked'),
  code: z.enum(MEASUREMENT_CODES),
  /** Whether it is asked for, or no longer; what has been read stays read. */
  asked: z.boolean(),
});
/** Asks for a single measurement besides, or no longer. */
export type MeasurementAsked = z.infer<typeof schema>;

export const measurementAsked: ActKind<MeasurementAsked> = {
  kind: 'measurement-asked',
  schema,
  refuse: () => null,
  carryOut: (docket, { code, asked }) => {
    const others = docket.extraCodes.filter((one) => one !== code);
    return { ...docket, extraCodes: asked ? [...others, code] : others };
  },
  undo: ({ extraCodes }, { code, asked }) =>
    extraCodes.includes(code) === asked ? null : { kind: 'measurement-asked', code, asked: !asked },
  say: ({ code, asked }) =>
    `${asked ? 'asked for' : 'no longer asked for'} ${measurement(code).name.toLowerCase()}`,
  takes: 'measure',
  about: noGarments,
  stages: noGarments,
  evidence: false,
  needs: needsNothing,
  lookedUpBy: ({ code }) => code,
};
