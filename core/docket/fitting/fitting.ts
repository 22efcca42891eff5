import type { ChartSheet } from '../../chart/chart-shape';
import { adviseFit, type Fault, type Trial } from '../../fit/advice';
import type { FitAnswer } from '../../garment/fit-check';
import {
  isClosing,
  standingDecision,
  type Docket,
  type Fitting,
  type GarmentAlteration,
  type GarmentTrial,
  type Handing,
} from '../docket';

/**
 * The sizes of a garment that were put on, in their order; the last is on now.
 *
 * @example trialsOf(worn, jacket.id).map(({ size }) => size) // ['M']
 */
export function trialsOf({ trials }: Pick<Docket, 'trials'>, chartId: string): readonly GarmentTrial[] {
  return trials.filter((one) => one.chartId === chartId);
}

/**
 * What is altered on a garment.
 *
 * @example alterationsOf(worn, jacket.id) // []
 */
export function alterationsOf(
  { alterations }: Pick<Docket, 'alterations'>,
  chartId: string,
): readonly GarmentAlteration[] {
  return alterations.filter((one) => one.chartId === chartId);
}

/**
 * Whether a garment is to be altered and is not ready yet.
 *
 * @example isAtTailor(worn, jacket.id) // false
 */
export function isAtTailor(
  { alterations, altered }: Pick<Docket, 'alterations' | 'altered'>,
  chartId: string,
): boolean {
  return (
    alterationsOf({ alterations }, chartId).length > 0 && altered.every((one) => one.chartId !== chartId)
  );
}

/**
 * What trying a garment on came to; `null` while it is open, or where another size was put on or decided since.
 *
 * @example standingFitting(worn, jacket.id).outcome // 'kept'
 */
export function standingFitting(docket: Docket, chartId: string): Fitting | null {
  const last = docket.fittings.filter((one) => one.chartId === chartId).at(-1);
  if (last === undefined || last.outcome === 'open') return null;
  if (trialsOf(docket, chartId).at(-1)?.id !== last.trialId) return null;
  return last.after === (standingDecision(docket, chartId)?.id ?? null) ? last : null;
}

/** The size that a wearer goes with. */
export interface FinalSize {
  readonly size: string;
  readonly sizes: Readonly<Record<string, string>>;
  /** Whether it was proved on the wearer, or is as it was decided. */
  readonly tried: boolean;
}

/**
 * The size of a garment after everything that was decided and tried; `null` where it has none, or is open.
 *
 * @example finalSize(docket, jacket.id) // { size: 'M', sizes: { size: 'M' }, tried: false }
 */
export function finalSize(docket: Docket, chartId: string): FinalSize | null {
  const fitting = standingFitting(docket, chartId);
  if (fitting !== null)
    return fitting.size === null ? null : { size: fitting.size, sizes: fitting.sizes, tried: true };
  const decision = standingDecision(docket, chartId);
  if (decision === null || !isClosing(decision) || decision.size === null) return null;
  return { size: decision.size, sizes: decision.sizes, tried: false };
}

/**
 * What was handed over last of a garment, whether or not it came back; `null` where nothing was.
 *
 * @example lastHanding(worn, jacket.id).way // 'issued'
 */
export function lastHanding({ handings }: Pick<Docket, 'handings'>, chartId: string): Handing | null {
  return handings.filter((one) => one.chartId === chartId).at(-1) ?? null;
}

/** Whether nothing was tried or decided of a garment since it came back. */
function isAsItCameBack(docket: Docket, { chartId, back }: Handing): boolean {
  return (
    back !== null &&
    back.trialId === (trialsOf(docket, chartId).at(-1)?.id ?? null) &&
    back.decisionId === (standingDecision(docket, chartId)?.id ?? null)
  );
}

/** How far a garment of a docket can have come. */
export const STAGES = [
  'not-decided',
  'made-to-measure',
  'to-try',
  'on',
  'kept',
  'handed-over',
  'came-back',
] as const;
export type Stage = (typeof STAGES)[number];

/**
 * How far a garment of a docket has come.
 *
 * @example [stageOf(docket, jacket.id), stageOf(worn, jacket.id)] // ['to-try', 'handed-over']
 */
export function stageOf(docket: Docket, chartId: string): Stage {
  const handing = lastHanding(docket, chartId);
  if (handing !== null && handing.back === null) return 'handed-over';
  if (handing !== null && isAsItCameBack(docket, handing)) return 'came-back';
  const fitting = standingFitting(docket, chartId);
  if (fitting !== null) return fitting.outcome === 'kept' ? 'kept' : 'made-to-measure';
  if (trialsOf(docket, chartId).length > 0) return 'on';
  const decision = standingDecision(docket, chartId);
  if (!isClosing(decision)) return 'not-decided';
  return decision!.outcome === 'made-to-measure' ? 'made-to-measure' : 'to-try';
}

/**
 * The trials as the advice on them wants them.
 *
 * @example asTrials(worn.trials) // [{ sizes: { size: 'M' }, carrier: null, seen: [{ check: 'button', answer: 'right' }] }]
 */
export function asTrials(trials: readonly GarmentTrial[]): Trial[] {
  return trials.map(({ sizes, seen, carrier }) => ({
    sizes,
    carrier,
    seen: seen.map(({ check, answer }) => ({ check, answer })),
  }));
}

/**
 * What follows from what was seen of a garment.
 *
 * @example adviceOn(worn, jacket.id, jacket.sheet).faults // []
 */
export function adviceOn(docket: Docket, chartId: string, sheet: ChartSheet) {
  return adviseFit(sheet, asTrials(trialsOf(docket, chartId)));
}

/**
 * What is not right of the size that is on and no alteration mends; `null` where nothing is. What must be
 * right cannot be altered so.
 *
 * @example unmendedOn(worn, jacket.id, jacket.sheet) // null
 */
export function unmendedOn(docket: Docket, chartId: string, sheet: ChartSheet): Fault | null {
  const altered = alterationsOf(docket, chartId).map(({ area }) => area as string);
  const { faults } = adviceOn(docket, chartId, sheet);
  return (
    faults.find(
      ({ check, answer }) => check.must || !mendedBy(answer).some((area) => altered.includes(area)),
    ) ?? null
  );
}

/** What is altered about what was seen: the place it tells of, and wherever a tailor mends that. */
function mendedBy({ tells, moves }: FitAnswer): string[] {
  return [
    ...(tells === null ? [] : [tells.place]),
    ...moves.flatMap((move) => (move.does === 'alter' ? [move.area] : [])),
  ];
}
