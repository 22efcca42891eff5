import * as z from 'zod';
import type { ChartSheet } from '../../chart/chart-shape';
import { labelOf } from '../../chart/label';
import { named } from '../../chart/named';
import { codesBehind } from '../judge/customs';
import type { GarmentVerdict } from '../../match/verdict';
import { DECISION_OUTCOMES, garmentOn, standingDecision, standingReadings, type Docket } from '../docket';
import { judgeOne } from '../judge/judge';
import { keptVerdictSchema } from '../judge/kept-verdict';
import type { Refusal } from '../refusal';
import { ACT_BASE, idSchema, itsGarment, needsChart, wordsSchema, type ActKind } from './act';
import { refuseLabels, sizesSchema } from './sizes';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('garment-decided'),
  chartId: idSchema,
  outcome: z.enum(DECISION_OUTCOMES),
  sizes: sizesSchema,
  /** Wanted where another size than the proposal is handed over. */
  reason: wordsSchema(300).nullable(),
  /** The readings the fitter saw; if others stand by then, nothing is decided. */
  readingIds: z.array(idSchema).max(2_000),
  /** The decision that stood when they looked; if another stands by then, nothing is decided. */
  after: idSchema.nullable(),
  /** The version of the house's habits it was judged by; if others hold by then, nothing is decided. */
  habits: z.int().min(0).default(0),
  /** What those have in common that were decided at once, for many dockets alike: they are taken back together. */
  together: idSchema.optional(),
  /** The label, and the verdict it is decided on: found when it is let in, and kept. */
  found: z.object({ size: z.string().max(200).nullable(), verdict: keptVerdictSchema }).nullable(),
});
/** Decides a garment: the proposal taken, other sizes with a reason, made to measure, or put off. */
export type GarmentDecided = z.infer<typeof schema>;

/** The reason of a garment that is open again because its decision was taken back. */
export const TAKEN_BACK = 'Taken back';

/**
 * The readings that a decision on a garment rests on: everything its chart reads, stand-ins and all.
 *
 * @example readingIdsBehind(docket, jacket.sheet).length // 4
 */
export function readingIdsBehind({ readings }: Docket, sheet: ChartSheet): string[] {
  return standingReadings(readings, codesBehind(sheet)).map(({ id }) => id);
}

export const garmentDecided: ActKind<GarmentDecided> = {
  kind: 'garment-decided',
  schema,
  refuse: (docket, act, library) => {
    const { chartId, readingIds, after } = act;
    const chart = library.charts.find(({ id }) => id === chartId);
    if (chart === undefined || garmentOn(docket, chartId) === undefined) return { code: 'not-on-docket' };
    const standing = readingIdsBehind(docket, chart.sheet);
    if ([...standing].sort().join() !== [...readingIds].sort().join()) return { code: 'readings-changed' };
    if ((standingDecision(docket, chartId)?.id ?? null) !== after) return { code: 'decided-meanwhile' };
    if (act.habits !== library.habits.version) return { code: 'habits-changed' };
    return refuseSizes(act, chart.sheet, judgeOne(docket, chart, library.habits));
  },
  finds: {
    complete: (docket, act, library) => {
      const chart = library.charts.find(({ id }) => id === act.chartId)!;
      const size = handsOver(act) ? labelOf(chart.sheet, act.sizes) : null;
      return { ...act, found: { size, verdict: judgeOne(docket, chart, library.habits) } };
    },
    without: (act) => ({ ...act, found: null }),
  },
  carryOut: (docket, { id, chartId, outcome, sizes, reason, readingIds, found, by, at }) => {
    if (found === null) throw new Error(`decision ${id} was never accepted`);
    const decision = { id, chartId, outcome, sizes, reason, readingIds, ...found, by, decidedAt: at };
    return { ...docket, decisions: [...docket.decisions, decision] };
  },
  undo: (_before, { id, chartId, outcome }, now, library) => {
    const chart = library.charts.find((one) => one.id === chartId);
    if (outcome === 'later' || chart === undefined) return null;
    return {
      kind: 'garment-decided',
      chartId,
      outcome: 'later',
      sizes: {},
      reason: TAKEN_BACK,
      readingIds: readingIdsBehind(now, chart.sheet),
      after: id,
      habits: library.habits.version,
      found: null,
    };
  },
  say: ({ chartId, outcome, reason, found, sizes, together }, { garment }) => {
    const size = found?.size ?? Object.values(sizes).join(' ');
    const because = `${together === undefined ? '' : ', with others'}${reason === null ? '' : `: ${reason}`}`;
    switch (outcome) {
      case 'accepted':
        return `accepted ${size} for ${garment(chartId)}${together === undefined ? '' : because}`;
      case 'overridden':
        return `chose ${size} for ${garment(chartId)}${because}`;
      case 'made-to-measure':
        return `chose made to measure for ${garment(chartId)}${because}`;
      case 'later':
        return `postponed ${garment(chartId)}${because}`;
    }
  },
  takes: 'decide',
  about: itsGarment,
  stages: (_before, { chartId }) => [chartId],
  evidence: false,
  needs: needsChart,
  lookedUpBy: ({ chartId }) => chartId,
};

/**
 * The label that may be accepted as it is proposed; `null` for none. Beyond the range the nearest size
 * is only a fallback: it is taken knowingly, as another size with a reason.
 *
 * @example acceptable({ verdict: 'beyond', proposed: 'XL' }) // null
 */
export function acceptable({
  verdict,
  proposed,
}: Pick<GarmentVerdict, 'verdict' | 'proposed'>): string | null {
  return verdict === 'beyond' ? null : proposed;
}

/** Whether a decision hands a size over. */
function handsOver({ outcome }: Pick<GarmentDecided, 'outcome'>): boolean {
  return outcome === 'accepted' || outcome === 'overridden';
}

function refuseSizes(act: GarmentDecided, sheet: ChartSheet, verdict: GarmentVerdict): Refusal | null {
  if (!handsOver(act)) return null;
  const strange = refuseLabels(act.sizes, sheet);
  if (strange !== null) return strange;
  if (act.outcome === 'overridden') return act.reason === null ? { code: 'reason-missing' } : null;
  const proposed = acceptable(verdict);
  const same = sheet.parts.every(({ code }) => named(act.sizes, code) === named(verdict.sizes, code));
  if (proposed === null) return { code: 'nothing-proposed' };
  return same ? null : { code: 'not-the-proposal', proposed };
}
