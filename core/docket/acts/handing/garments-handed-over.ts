import * as z from 'zod';
import { list } from '../../../words/list';
import {
  garmentOn,
  HANDING_WAYS,
  MOST_GARMENTS,
  type Docket,
  type Handing,
  type HandingWay,
} from '../../docket';
import { finalSize, stageOf } from '../../fitting/fitting';
import { mayGo, owedBeforeGoing } from '../../handing/hand-over-rules';
import type { Refusal } from '../../refusal';
import type { Library } from '../../library';
import { ACT_BASE, idSchema, needs, wordsSchema, type ActKind } from '../act';

/** The ground a signature is written on, and the most of it: a name of some dozen strokes. */
export const SIGNATURE_GROUND = { width: 600, height: 160 } as const;
const strokeSchema = z.array(z.int().min(-50).max(700)).min(2).max(800);

/** Numbers that a signature may take: what is kept of it must travel with the docket. */
export const LONGEST_SIGNATURE = 3_000;
function isShort(strokes: readonly (readonly number[])[]): boolean {
  return strokes.reduce((sum, { length }) => sum + length, 0) <= LONGEST_SIGNATURE;
}

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('garments-handed-over'),
  garments: z
    .array(
      z.object({
        chartId: idSchema,
        way: z.enum(HANDING_WAYS),
        /** The last day of a hire. */
        until: z.iso.date().nullable(),
        /** Why it is handed over without having been tried on, where that must be. */
        untried: wordsSchema(200).nullable(),
        /** Where in the stores it is taken from; nothing where it is not from there. */
        from: z.object({ roomId: idSchema, pieceId: idSchema.nullable() }).optional(),
        /** What is handed over: found when it is let in. */
        found: z
          .object({
            size: z.string().max(200).nullable(),
            sizes: z.record(z.string().max(40), z.string().max(24)),
          })
          .nullable(),
      }),
    )
    .min(1)
    .max(MOST_GARMENTS),
  signature: z.discriminatedUnion('by', [
    /** Strokes as x and y in turn, on a ground of `SIGNATURE_GROUND`. */
    z.object({ by: z.literal('hand'), strokes: z.array(strokeSchema).min(1).max(60).refine(isShort) }),
    z.object({ by: z.literal('name'), name: wordsSchema(120) }),
  ]),
});
/** Garments go to the wearer, several at once, who signs for them. */
export type GarmentsHandedOver = z.infer<typeof schema>;

export const garmentsHandedOver: ActKind<GarmentsHandedOver> = {
  kind: 'garments-handed-over',
  schema,
  refuse: (docket, { garments, at }, library) => {
    if (new Set(garments.map(({ chartId }) => chartId)).size < garments.length)
      return { code: 'handed-twice' };
    for (const one of garments) {
      const refusal = refuseOne(docket, one, at, library);
      if (refusal !== null) return refusal;
    }
    return null;
  },
  finds: {
    complete: (docket, act) => ({
      ...act,
      garments: act.garments.map((one) => {
        const { size, sizes } = finalSize(docket, one.chartId) ?? { size: null, sizes: {} };
        return { ...one, found: { size, sizes } };
      }),
    }),
    without: (act) => ({ ...act, garments: act.garments.map((one) => ({ ...one, found: null })) }),
  },
  carryOut: (docket, { id, garments, signature, by, at }) => {
    const handed = garments.map(({ found, ...one }): Handing => {
      const { size, sizes } = found ?? { size: null, sizes: {} };
      return { ...one, actId: id, size, sizes, signature, by, at, back: null };
    });
    return { ...docket, handings: [...docket.handings, ...handed] };
  },
  undo: (_before, { id }) => ({ kind: 'handing-withdrawn', actId: id }),
  say: ({ garments }, { garment }) => {
    const said = garments.map(({ chartId, way, found, untried }) => {
      const size = found?.size ?? null;
      const because = untried === null ? '' : ` (not tried on: ${untried})`;
      return `${HANDING_WORDS[way]} ${garment(chartId)}${size === null ? '' : ` in ${size}`}${because}`;
    });
    return list(said);
  },
  takes: 'hand-over',
  about: ({ garments }) => garments.map(({ chartId }) => chartId),
  stages: (_before, { garments }) => garments.map(({ chartId }) => chartId),
  evidence: false,
  needs: ({ garments }) => needs({ charts: garments.map(({ chartId }) => chartId) }),
  lookedUpBy: () => null,
};

/** How a garment is handed over, in words. */
export const HANDING_WORDS: Readonly<Record<HandingWay, string>> = {
  issued: 'issued',
  hired: 'hired out',
  sold: 'sold',
};

const DAY_MS = 86_400_000;

/** What must be looked at on a wearer is not handed over before it was kept after a trial, or a reason given. */
function refuseOne(
  docket: Docket,
  { chartId, way, until, untried }: GarmentsHandedOver['garments'][number],
  at: string,
  { charts }: Library,
): Refusal | null {
  const chart = charts.find(({ id }) => id === chartId);
  if (chart === undefined || garmentOn(docket, chartId) === undefined) return { code: 'not-on-docket' };
  const { garment } = chart.sheet;
  const stage = stageOf(docket, chartId);
  if (stage === 'handed-over') return { code: 'handed-already', garment };
  if (stage === 'on') return { code: 'still-on', garment };
  if (!mayGo(stage)) return { code: 'nothing-to-hand-over', garment };
  if (way === 'hired' && until === null) return { code: 'until-missing', garment };
  // A day of slack for wherever on earth it is still, or already, that day.
  if (until !== null && Date.parse(until) < Date.parse(at) - 2 * DAY_MS)
    return { code: 'until-past', garment, until };
  const owed = owedBeforeGoing(chart.sheet, stage);
  return owed !== null && untried === null ? { code: 'must-be-tried', garment, look: owed.look } : null;
}
