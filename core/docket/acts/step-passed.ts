import * as z from 'zod';
import { measurement } from '../../body/catalogue';
import { MEASUREMENT_CODES } from '../../body/catalogue/codes';
import { ACT_BASE, needsNothing, noGarments, wordsSchema, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('step-passed'),
  code: z.enum(MEASUREMENT_CODES),
  reason: wordsSchema(120),
  /** Because no plausible value could change a size; it holds only as long as that is so. */
  idle: z.boolean(),
});
/** Passes a step over, and says why. It can be taken all the same later. */
export type StepPassed = z.infer<typeof schema>;

/** Why a step is passed over that no plausible value of can change any size. */
export const IDLE_REASON = 'No value could change a size';

/** Why a step is passed over that will be taken another time: until then nothing stands for it. */
export const LATER_REASONS: readonly string[] = ['Cannot be taken today', 'Wearer returns later'];

export const stepPassed: ActKind<StepPassed> = {
  kind: 'step-passed',
  schema,
  refuse: () => null,
  carryOut: (docket, { code, reason, idle }) => ({
    ...docket,
    passed: [...docket.passed, { code, reason, idle }],
  }),
  say: ({ code, reason }) => `skipped ${measurement(code).name.toLowerCase()}: ${reason}`,
  undo: 'never',
  takes: 'measure',
  about: noGarments,
  stages: noGarments,
  evidence: false,
  needs: needsNothing,
  lookedUpBy: ({ code }) => code,
};
