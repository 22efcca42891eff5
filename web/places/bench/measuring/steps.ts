import { byPlacing, isOpen, type Length, type MeasurementCode, type Step } from '@neat-measure/core';

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
  return steps.find(isOpen)?.code;
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
  const open = placing.filter(isOpen);
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
