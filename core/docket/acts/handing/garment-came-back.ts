import * as z from 'zod';
import { areaFacts, FIT_AREAS, type FitArea } from '../../../garment/areas';
import { RETURN_REASONS, RETURN_WAYS, standingDecision, type ReturnReason } from '../../docket';
import { alterationsOf, lastHanding, trialsOf } from '../../fitting/fitting';
import { ACT_BASE, idSchema, itsGarment, needsChart, wordsSchema, type ActKind } from '../act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('garment-came-back'),
  chartId: idSchema,
  why: z.enum(RETURN_REASONS),
  /** Where it was tight, loose, short or long. */
  area: z.enum(FIT_AREAS as [FitArea, ...FitArea[]]).nullable(),
  note: wordsSchema(300).nullable(),
  goes: z.enum(RETURN_WAYS),
  /** The store room it is taken back into; nothing where the stores have nothing to do with it. */
  to: idSchema.optional(),
});
/** A garment came back: exchanged, returned, or its hire is over. */
export type GarmentCameBack = z.infer<typeof schema>;

/** Why a garment came back, in words. */
export const RETURN_WORDS: Readonly<Record<ReturnReason, string>> = {
  tight: 'tight',
  loose: 'loose',
  short: 'short',
  long: 'long',
  'changed-mind': 'the wearer changed their mind',
  faulty: 'faulty',
  damaged: 'damaged',
  lost: 'lost',
  'hire-over': 'the hire is over',
};

/**
 * What a reason tells of the size, where it tells of one.
 *
 * @example toldBy('tight') // 'small'
 */
export function toldBy(why: ReturnReason): 'small' | 'large' | null {
  if (why === 'tight' || why === 'short') return 'small';
  return why === 'loose' || why === 'long' ? 'large' : null;
}

export const garmentCameBack: ActKind<GarmentCameBack> = {
  kind: 'garment-came-back',
  schema,
  refuse: (docket, { chartId, why, area, note, goes, to }) => {
    const handing = lastHanding(docket, chartId);
    if (handing === null || handing.back !== null) return { code: 'no-such-handing' };
    if (to !== undefined && handing.from === undefined) return { code: 'not-from-stores' };
    if (why === 'lost' && goes !== 'waste') return { code: 'lost-goes-nowhere' };
    if (toldBy(why) !== null && area === null) return { code: 'area-missing' };
    // From the shelf the next wearer gets it for what its label says.
    const altered = alterationsOf(docket, chartId).length > 0;
    const unsound = altered || why === 'faulty' || why === 'damaged';
    return goes === 'stock' && note === null && unsound ? { code: 'not-as-labelled', altered } : null;
  },
  carryOut: (docket, { chartId, why, area, note, goes, to, by, at }) => {
    const last = lastHanding(docket, chartId);
    const back = {
      why,
      area,
      note,
      goes,
      ...(to === undefined ? {} : { to }),
      by,
      at,
      trialId: trialsOf(docket, chartId).at(-1)?.id ?? null,
      decisionId: standingDecision(docket, chartId)?.id ?? null,
    };
    return { ...docket, handings: docket.handings.map((one) => (one === last ? { ...one, back } : one)) };
  },
  undo: (_before, { chartId }) => ({ kind: 'return-withdrawn', chartId }),
  say: ({ chartId, why, area, note }, { garment }) => {
    const where = area === null ? '' : ` in the ${areaFacts(area).name}`;
    return `took ${garment(chartId)} back: ${RETURN_WORDS[why]}${where}${note === null ? '' : `, ${note}`}`;
  },
  takes: 'hand-over',
  about: itsGarment,
  stages: (_before, { chartId }) => [chartId],
  evidence: true,
  needs: needsChart,
  lookedUpBy: ({ chartId }) => chartId,
};
