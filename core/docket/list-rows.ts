import type { FitPreference, HouseRule } from '../chart/chart-shape';
import { kindOf, type Act } from './acts';
import { garmentOn, standingDecision, type DecisionOutcome, type Docket } from './docket';
import { finalSize, stageOf, type Stage } from './fitting/fitting';

/** What lists and searches know of a garment of a docket, beside its acts. */
export interface GarmentRow {
  readonly rule: HouseRule | null;
  readonly preference: FitPreference | null;
  /** What was decided last, and for which label. */
  readonly outcome: DecisionOutcome | null;
  readonly size: string | null;
  readonly stage: Stage;
  /** The label to go with after everything that was decided and tried. */
  readonly finalSize: string | null;
}

/**
 * The row of a garment as a docket stands; `null` where it is not on it.
 *
 * @example garmentRow(docket, jacket.id) // { rule: null, preference: null, outcome: 'accepted', size: 'M', stage: 'to-try', finalSize: 'M' }
 */
export function garmentRow(docket: Docket, chartId: string): GarmentRow | null {
  const garment = garmentOn(docket, chartId);
  if (garment === undefined) return null;
  const decision = standingDecision(docket, chartId);
  return {
    rule: garment.rule,
    preference: garment.preference,
    outcome: decision?.outcome ?? null,
    size: decision?.size ?? null,
    stage: stageOf(docket, chartId),
    finalSize: finalSize(docket, chartId)?.size ?? null,
  };
}

/** What an act changes in the rows of its docket: each garment it concerns, with its row before and after. */
export interface RowChange {
  readonly chartId: string;
  readonly before: GarmentRow | null;
  readonly after: GarmentRow | null;
}

/**
 * The rows that an act changes, by what its kind says it is about and may move.
 *
 * @param before the docket it was done on
 * @param after the docket with it
 * @example changedRows(replay(acts.slice(0, -1)), acts.at(-1), docket).map(({ before, after }) => [before.stage, after.stage]) // [['not-decided', 'to-try']]
 */
export function changedRows(before: Docket, act: Act, after: Docket): RowChange[] {
  const { about, stages } = kindOf(act);
  return [...new Set([...about(act), ...stages(before, act)])]
    .map((chartId) => ({
      chartId,
      before: garmentRow(before, chartId),
      after: garmentRow(after, chartId),
    }))
    .filter((one) => JSON.stringify(one.before) !== JSON.stringify(one.after));
}
