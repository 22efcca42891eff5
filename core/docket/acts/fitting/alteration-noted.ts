import { shownIn } from '../../../quantity/format-length';
import * as z from 'zod';
import { ALTERED_HOW, readAlteration } from '../../../fit/alterations';
import { sayAltered } from '../../../fit/say-alterations';
import { areaFacts, FIT_AREAS, type FitArea } from '../../../garment/areas';
import { WORKING_UNITS, type Length } from '../../../quantity/length';
import { garmentOn } from '../../docket';
import { standingFitting } from '../../fitting/fitting';
import { ACT_BASE, idSchema, itsGarment, needsChart, noGarments, wordsSchema, type ActKind } from '../act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('alteration-noted'),
  chartId: idSchema,
  area: z.enum(FIT_AREAS as [FitArea, ...FitArea[]]),
  how: z.enum(ALTERED_HOW),
  /** By how much, or at what finished length, as it was typed; `null` where it is not altered after all. */
  typed: wordsSchema(40).nullable(),
  unit: z.enum(WORKING_UNITS),
  /** What was typed comes to, in micrometres. */
  length: z
    .int()
    .transform((count) => count as Length)
    .nullable(),
});
/** Notes what is altered on a garment. The latest of an area and a way stands. */
export type AlterationNoted = z.infer<typeof schema>;

export const alterationNoted: ActKind<AlterationNoted> = {
  kind: 'alteration-noted',
  schema,
  refuse: (docket, { chartId, how, typed, unit, length }) => {
    if (garmentOn(docket, chartId) === undefined) return { code: 'not-on-docket' };
    // It may be what mends a garment that is kept.
    if (typed === null) return standingFitting(docket, chartId) === null ? null : { code: 'fitted-already' };
    const read = readAlteration(typed, how, unit);
    if (!read.ok) return { code: 'unreadable-alteration', problem: read.problem, unit };
    return read.value === length ? null : { code: 'length-differs', typed, length: length ?? (0 as Length) };
  },
  carryOut: (docket, { chartId, area, how, typed, unit, length, by, at }) => {
    const others = docket.alterations.filter(
      (one) => !(one.chartId === chartId && one.area === area && one.how === how),
    );
    // Whatever was done on it, this was not.
    const altered = docket.altered.filter((one) => one.chartId !== chartId);
    if (typed === null || length === null) return { ...docket, alterations: others, altered };
    const noted = { chartId, area, how, typed, unit, length, by, notedAt: at };
    return { ...docket, alterations: [...others, noted], altered };
  },
  undo: ({ alterations }, { chartId, area, how, typed, unit }) => {
    const before = alterations.find((one) => one.chartId === chartId && one.area === area && one.how === how);
    if (before === undefined && typed === null) return null;
    const was = before ?? { typed: null, unit, length: null };
    return {
      kind: 'alteration-noted',
      chartId,
      area,
      how,
      typed: was.typed,
      unit: was.unit,
      length: was.length,
    };
  },
  say: ({ chartId, area, how, length, unit }, { garment, inchParts }) =>
    length === null
      ? `no longer alters the ${areaFacts(area).name} of ${garment(chartId)}`
      : `noted for ${garment(chartId)}: ${sayAltered({ area, how, length }, shownIn(unit, inchParts))}`,
  takes: 'decide',
  about: itsGarment,
  stages: noGarments,
  evidence: false,
  needs: needsChart,
  lookedUpBy: ({ chartId }) => chartId,
};
