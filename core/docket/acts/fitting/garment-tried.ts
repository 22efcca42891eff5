import * as z from 'zod';
import { labelOf } from '../../../chart/label';
import { garmentOn } from '../../docket';
import { trialsOf } from '../../fitting/fitting';
import { ACT_BASE, idSchema, itsGarment, needsChart, wordsSchema, type ActKind } from '../act';
import { refuseLabels, sizesSchema } from '../sizes';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('garment-tried'),
  chartId: idSchema,
  sizes: sizesSchema,
  /** In which outer carrier a panel is worn, where it is. */
  carrier: wordsSchema(80).nullable(),
  /** The label: found when it is let in, and kept. */
  found: z.object({ size: z.string().max(200) }).nullable(),
});
/** A size of a garment is put on. What is seen of it is answered check by check; another size is another trial. */
export type GarmentTried = z.infer<typeof schema>;

export const garmentTried: ActKind<GarmentTried> = {
  kind: 'garment-tried',
  schema,
  refuse: (docket, { chartId, sizes }, library) => {
    const chart = library.charts.find(({ id }) => id === chartId);
    if (chart === undefined || garmentOn(docket, chartId) === undefined) return { code: 'not-on-docket' };
    if (trialsOf(docket, chartId).length >= MOST_TRIALS) return { code: 'docket-full', most: MOST_TRIALS };
    return refuseLabels(sizes, chart.sheet);
  },
  finds: {
    complete: (_docket, act, { charts }) => {
      const { sheet } = charts.find(({ id }) => id === act.chartId)!;
      return { ...act, found: { size: labelOf(sheet, act.sizes)! } };
    },
    without: (act) => ({ ...act, found: null }),
  },
  carryOut: (docket, { id, chartId, sizes, carrier, found, by, at }) => {
    const size = found?.size ?? Object.values(sizes).join(' ');
    const trial = { id, chartId, sizes, size, carrier, seen: [], by, triedAt: at };
    return { ...docket, trials: [...docket.trials, trial] };
  },
  undo: (_before, { id, chartId }) => ({ kind: 'trial-withdrawn', chartId, trialId: id }),
  say: ({ chartId, found, sizes, carrier }, { garment }) => {
    const size = found?.size ?? Object.values(sizes).join(' ');
    return `had ${garment(chartId)} tried on in ${size}${carrier === null ? '' : `, in ${carrier}`}`;
  },
  takes: 'decide',
  about: itsGarment,
  stages: (_before, { chartId }) => [chartId],
  evidence: true,
  needs: needsChart,
  lookedUpBy: ({ chartId }) => chartId,
};

/** More sizes of one garment nobody tries. */
const MOST_TRIALS = 60;
