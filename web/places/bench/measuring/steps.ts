import {
  agreementOf,
  byPlacing,
  isSameWaist,
  waistOf,
  type ChainCode,
  type WaistPlace,
  passedStep,
  standingReadings,
  type Agreement,
  type Clothing,
  type Docket,
  type Habits,
  type Length,
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
  /** The chain it is read along; `null` where the tape is laid for it alone. */
  readonly chain: ChainCode | null;
  /** Where the waist is, of what is read at it. */
  readonly waist: WaistPlace | null;
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

/** The steps that are read in one placing of the tape with one of them, itself among them; in their order. */
export function placingWith(steps: readonly Step[], code: MeasurementCode): readonly Step[] {
  return byPlacing(steps).find((placing) => placing.some((step) => step.code === code)) ?? [];
}

/**
 * The mark that is read after one: all of a chain are read in a row, then all of them again, and those
 * that do not agree a third time.
 *
 * @returns `null` where every mark has its value, or was passed over
 */
export function nextAlong(placing: readonly Step[], code: MeasurementCode): MeasurementCode | null {
  const open = placing.filter(({ agreement, skipped }) => agreement.state !== 'agreed' && skipped === null);
  if (open.length === 0) return null;
  const at = placing.findIndex((step) => step.code === code);
  const rounds = placing[at]?.readings.length ?? 0;
  const further = open.find((step) => placing.indexOf(step) > at && step.readings.length < rounds);
  if (further !== undefined) return further.code;
  const fewest = Math.min(...open.map(({ readings }) => readings.length));
  return open.find(({ readings }) => readings.length === fewest)!.code;
}

/** What was read of the nearest mark before one: in this round where it has come so far, else its value. */
export function markBefore(
  placing: readonly Step[],
  code: MeasurementCode,
): { readonly code: MeasurementCode; readonly length: Length } | null {
  const at = placing.findIndex((step) => step.code === code);
  const round = placing[at]?.readings.length ?? 0;
  for (const step of placing.slice(0, Math.max(at, 0)).reverse()) {
    const length = step.readings[round]?.length ?? step.agreement.value;
    if (length !== null && length !== undefined) return { code: step.code, length };
  }
  return null;
}
