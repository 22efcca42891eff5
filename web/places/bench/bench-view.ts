import {
  agreementOf,
  judgingBasisOf,
  judgeGarment,
  standingReadings,
  type Bench,
  type Chart,
  type Decision,
  type Planned,
  type Reading,
  type ReadingSave,
} from '@neat-measure/contract';
import {
  readReading,
  type Agreement,
  type GarmentVerdict,
  type MeasurementCode,
  type Plan,
  type Tension,
} from '@neat-measure/core';

/** One step of the work: a measurement, what has been read, and what it comes to. */
export interface Step {
  readonly code: MeasurementCode;
  readonly tension: Tension;
  /** The garments and protocols that ask for it. */
  readonly wantedBy: readonly string[];
  readonly readings: readonly Reading[];
  readonly agreement: Agreement;
  /** Why it was passed over, unless it was taken after all. */
  readonly skipped: string | null;
}

/** A garment of the docket with its verdict now and what was decided last. */
export interface Garment {
  readonly chart: Chart;
  readonly verdict: GarmentVerdict;
  readonly decision: Decision | null;
}

/** Whether two states of a docket ask for the same steps: most of what comes in is readings, and plans nothing anew. */
export function asksTheSame(one: Planned, other: Planned): boolean {
  return (
    one.charts === other.charts &&
    one.protocols === other.protocols &&
    one.docket.extraCodes === other.docket.extraCodes
  );
}

/** The steps of a plan with what has been read for each. */
export function stepsOf(plan: Plan, bench: Bench): Step[] {
  return plan.steps.map(({ code, tension, wantedBy }) => {
    const readings = standingReadings(bench.readings, [code]);
    const skip = bench.skips.filter((one) => one.code === code).at(-1)?.reason ?? null;
    return {
      code,
      tension,
      wantedBy,
      readings,
      agreement: agreementOf(code, readings),
      skipped: readings.length === 0 ? skip : null,
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

/** The garments of a docket with their verdicts now. */
export function garmentsOf(bench: Bench): Garment[] {
  const basis = judgingBasisOf(bench);
  return bench.charts.map((chart) => ({
    chart,
    verdict: judgeGarment(chart, basis),
    decision: bench.decisions.filter(({ chartId }) => chartId === chart.id).at(-1) ?? null,
  }));
}

/** A docket with the readings and withdrawals that still wait on this device standing in it. */
export function withWaiting(
  bench: Bench,
  waiting: readonly { readonly readingId: string; readonly reading: ReadingSave | null }[],
): Bench {
  let readings = [...bench.readings];
  for (const { readingId, reading } of waiting) {
    if (reading === null)
      readings = readings.map((one) =>
        one.id === readingId ? { ...one, withdrawnAt: new Date().toISOString() } : one,
      );
    else if (readings.every(({ id }) => id !== readingId)) readings.push(...asTaken(readingId, reading));
  }
  return { ...bench, readings };
}

/** A reading as it will come back from the server, to be shown before it does. */
export function asTaken(id: string, reading: ReadingSave): Reading[] {
  const read = readReading(reading.typed, reading.code, reading.unit);
  return read.ok ? [{ ...reading, id, length: read.value.length, fitterId: '', withdrawnAt: null }] : [];
}
