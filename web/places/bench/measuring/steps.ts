import {
  agreementOf,
  passedStep,
  standingReadings,
  type Agreement,
  type Clothing,
  type Docket,
  type Habits,
  type MeasurementCode,
  type Plan,
  type Reading,
  type Tension,
} from '@neat-measure/core';

/** One step of the work: a measurement, what has been read, and what it comes to. */
export interface Step {
  readonly code: MeasurementCode;
  readonly tension: Tension;
  readonly clothing: Clothing;
  /** The garments and protocols that ask for it. */
  readonly wantedBy: readonly string[];
  readonly readings: readonly Reading[];
  readonly agreement: Agreement;
  /** Why it was passed over, unless it was taken after all or is open again. */
  readonly skipped: string | null;
}

/** The steps of a plan with what has been read for each. */
export function stepsOf(
  plan: Plan,
  docket: Docket,
  openAgain: readonly MeasurementCode[],
  habits: Habits,
): Step[] {
  return plan.steps.map((step) => {
    const readings = standingReadings(docket.readings, [step.code]);
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

/** How many readings the steps still want, two each. */
export function readingsToGo(steps: readonly Step[]): number {
  return steps.reduce(
    (sum, { agreement, readings, skipped }) =>
      sum + (agreement.state === 'agreed' || skipped !== null ? 0 : Math.max(1, 2 - readings.length)),
    0,
  );
}

/** The first measurement that is neither settled nor passed over. */
export function firstOpen(steps: readonly Step[]): MeasurementCode | undefined {
  return steps.find(({ agreement, skipped }) => agreement.state !== 'agreed' && skipped === null)?.code;
}
