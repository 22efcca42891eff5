import type { MeasurementCode } from '../../body/catalogue/codes';
import type { ChainCode } from '../../body/chains';
import type { Clothing, Tension } from '../../body/measurement';
import type { Plan } from '../../body/plan';
import { isSameWaist, waistOf, type WaistPlace } from '../../body/waist';
import type { Agreement } from '../../capture/agreement';
import { passedStep, standingReadings, type Docket, type Reading } from '../docket';
import type { Habits } from '../habits';
import { agreementOf } from './settle';

/** One step of the work: a measurement, what has been read, and what it comes to. */
export interface Step {
  readonly code: MeasurementCode;
  readonly tension: Tension;
  readonly clothing: Clothing;
  /** The garments and protocols that ask for it. */
  readonly wantedBy: readonly string[];
  /** The chain it is read along; `null` where the tape is laid for it alone. */
  readonly chain: ChainCode | null;
  /** Where the waist is, of what is read at it. */
  readonly waist: WaistPlace | null;
  readonly readings: readonly Reading[];
  readonly agreement: Agreement;
  /** Why it was passed over, unless it was taken after all or is open again. */
  readonly skipped: string | null;
}

/**
 * The steps of a plan with what has been read for each.
 *
 * @param openAgain those passed over of which it is no longer so that they could change nothing
 * @example stepsOf(planOf(docket, library), docket, [], house).map(({ agreement }) => agreement.state) // ['agreed', 'agreed']
 */
export function stepsOf(
  plan: Plan,
  docket: Docket,
  openAgain: readonly MeasurementCode[],
  habits: Habits,
): Step[] {
  return plan.steps.map((step) => {
    // What was read with the waist elsewhere is another measurement.
    const readings = standingReadings(docket.readings, [step.code]).filter((one) =>
      isSameWaist(waistOf(one), step.waist),
    );
    const passed = passedStep(docket, step.code);
    const again = passed?.idle === true && openAgain.includes(step.code);
    return {
      ...step,
      readings,
      agreement: agreementOf(step.code, readings, habits),
      skipped: again ? null : (passed?.reason ?? null),
    };
  });
}

/**
 * Whether a step still wants the tape: neither settled nor passed over.
 *
 * @example stepsOf(planOf(docket, library), docket, [], house).filter(isOpen) // []
 */
export function isOpen({ agreement, skipped }: Pick<Step, 'agreement' | 'skipped'>): boolean {
  return agreement.state !== 'agreed' && skipped === null;
}
