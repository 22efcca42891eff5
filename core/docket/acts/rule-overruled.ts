import * as z from 'zod';
import { FIT_PREFERENCES, HOUSE_RULES } from '../../chart/chart-shape';
import { PREFERENCE_WORDS, RULE_WORDS } from '../../match/say-verdict';
import { garmentOn } from '../docket';
import { ACT_BASE, idSchema, itsGarment, needsChart, noGarments, type ActKind } from './act';
import { list } from '../../words/list';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('rule-overruled'),
  chartId: idSchema,
  /** In the place of the chart's; `null` for the chart's own. */
  rule: z.enum(HOUSE_RULES).nullable(),
  /** In the place of the docket's; `null` for the docket's own. */
  preference: z.enum(FIT_PREFERENCES).nullable(),
});
/** Puts a rule or a preference in the place of the chart's and the docket's, for one garment. */
export type RuleOverruled = z.infer<typeof schema>;

export const ruleOverruled: ActKind<RuleOverruled> = {
  kind: 'rule-overruled',
  schema,
  refuse: (docket, { chartId }) =>
    garmentOn(docket, chartId) === undefined ? { code: 'not-on-docket' } : null,
  carryOut: (docket, { chartId, rule, preference }) => ({
    ...docket,
    garments: docket.garments.map((one) => (one.chartId === chartId ? { ...one, rule, preference } : one)),
  }),
  undo: (before, { chartId, rule, preference }) => {
    const was = garmentOn(before, chartId);
    const same = was === undefined || (was.rule === rule && was.preference === preference);
    return same ? null : { kind: 'rule-overruled', chartId, rule: was.rule, preference: was.preference };
  },
  say: ({ chartId, rule, preference }, { garment }) => {
    const said = [
      rule === null ? 'the chart’s rule' : `the rule “${RULE_WORDS[rule]}”`,
      preference === null ? 'the docket’s fit' : PREFERENCE_WORDS[preference],
    ];
    return `set ${garment(chartId)} to use ${list(said)}`;
  },
  takes: 'decide',
  about: itsGarment,
  stages: noGarments,
  evidence: false,
  needs: needsChart,
  lookedUpBy: ({ chartId }) => chartId,
};
