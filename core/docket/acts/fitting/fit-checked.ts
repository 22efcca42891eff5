import * as z from 'zod';
import { RIGHT } from '../../../garment/fit-check';
import { fitChecksOf } from '../../../fit/fit-checks';
import type { SeenAtTrial } from '../../docket';
import { standingFitting } from '../../fitting/fitting';
import { ACT_BASE, idSchema, itsGarment, needsChart, noGarments, wordsSchema, type ActKind } from '../act';

/** What a check is answered by that counts as not looked at again. */
export const NOT_SEEN = 'not-seen';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('fit-checked'),
  chartId: idSchema,
  trialId: idSchema,
  check: z.string().min(1).max(60),
  /** `right`, one of the check's answers, `not-seen` to take it back, or `null` where it is left out. */
  answer: z.string().min(1).max(60).nullable(),
  /** Why it is left out; wanted of what must be looked at. */
  reason: wordsSchema(200).nullable(),
});
/** What was seen at one check of a size that is on, and by whom. The latest of a check stands. */
export type FitChecked = z.infer<typeof schema>;

export const fitChecked: ActKind<FitChecked> = {
  kind: 'fit-checked',
  schema,
  refuse: (docket, { chartId, trialId, check: code, answer, reason }, { charts }) => {
    const { trials } = docket;
    const chart = charts.find(({ id }) => id === chartId);
    if (chart === undefined || !trials.some((one) => one.id === trialId && one.chartId === chartId))
      return { code: 'no-such-trial' };
    if (standingFitting(docket, chartId) !== null) return { code: 'fitted-already' };
    const check = fitChecksOf(chart.sheet).find((one) => one.code === code);
    if (check === undefined) return { code: 'no-such-check' };
    if (answer === null)
      return check.must && reason === null ? { code: 'must-be-seen', look: check.look } : null;
    const known = [RIGHT, NOT_SEEN, ...check.answers.map((one) => one.code)];
    return known.includes(answer) ? null : { code: 'no-such-check' };
  },
  carryOut: (docket, { trialId, check, answer, reason, by, at }) => ({
    ...docket,
    trials: docket.trials.map((trial) => {
      if (trial.id !== trialId) return trial;
      const others = trial.seen.filter((one) => one.check !== check);
      if (answer === NOT_SEEN) return { ...trial, seen: others };
      const seen: SeenAtTrial = { check, answer, reason, by, at };
      return { ...trial, seen: [...others, seen] };
    }),
  }),
  undo: ({ trials }, { chartId, trialId, check }) => {
    const trial = trials.find(({ id }) => id === trialId);
    if (trial === undefined) return null;
    const before = trial.seen.find((one) => one.check === check);
    const { answer, reason } = before ?? { answer: NOT_SEEN, reason: null };
    return { kind: 'fit-checked', chartId, trialId, check, answer, reason };
  },
  say: ({ chartId, check, answer, reason }, { garment }) => {
    const what = check.replaceAll('-', ' ');
    if (answer === null) return `skipped “${what}” of ${garment(chartId)}: ${reason ?? 'no reason given'}`;
    if (answer === NOT_SEEN) return `undid a check of ${garment(chartId)}, ${what}`;
    return `checked ${garment(chartId)}, ${what}: ${answer === RIGHT ? 'right' : answer.replaceAll('-', ' ')}`;
  },
  takes: 'decide',
  about: itsGarment,
  stages: noGarments,
  evidence: true,
  needs: needsChart,
  lookedUpBy: ({ chartId }) => chartId,
};
