import { sayDay } from '../../../words/days';
import * as z from 'zod';
import { lastHanding } from '../../fitting/fitting';
import { ACT_BASE, idSchema, itsGarment, needsChart, type ActKind } from '../act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('hire-extended'),
  chartId: idSchema,
  /** The last day of the hire by now: later than was agreed, or sooner. */
  until: z.iso.date(),
});
/** What is hired out comes back on another day than was agreed. */
export type HireExtended = z.infer<typeof schema>;

const DAY_MS = 86_400_000;

export const hireExtended: ActKind<HireExtended> = {
  kind: 'hire-extended',
  schema,
  refuse: (docket, { chartId, until, at, undoes }, { charts }) => {
    const handing = lastHanding(docket, chartId);
    if (handing === null || handing.back !== null || handing.until === null)
      return { code: 'no-such-handing' };
    const garment = charts.find(({ id }) => id === chartId)?.sheet.garment ?? '';
    // Taken back, it stands again as it was agreed, however late that is.
    const past = Date.parse(until) < Date.parse(at) - 2 * DAY_MS;
    return past && undoes === undefined ? { code: 'until-past', garment, until } : null;
  },
  carryOut: (docket, { chartId, until }) => {
    const last = lastHanding(docket, chartId);
    return {
      ...docket,
      handings: docket.handings.map((one) => (one === last ? { ...one, until } : one)),
    };
  },
  undo: (before, { chartId }) => {
    const until = lastHanding(before, chartId)?.until ?? null;
    return until === null ? null : { kind: 'hire-extended', chartId, until };
  },
  say: ({ chartId, until }, { garment }) => `extended the hire of ${garment(chartId)} until ${sayDay(until)}`,
  takes: 'hand-over',
  about: itsGarment,
  stages: () => [],
  evidence: false,
  needs: needsChart,
  lookedUpBy: ({ chartId }) => chartId,
};
