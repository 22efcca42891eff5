import {
  codesRead,
  compileChart,
  openSuspicions,
  suspectCodes,
  type Length,
  judge,
  measurement,
  type ChartSheet,
  type Clothing,
  type CompiledChart,
  expectedValue,
  type GarmentVerdict,
  type MeasuredValue,
  type Tension,
  type MeasurementCode,
} from '@neat-measure/core';
import type { Chart } from './chart';
import { agreementOf, standingReadings, type Bench, type Docket, type Reading, type Skip } from './docket';

/** A value with the standard error that its origin and its repeats give it, in micrometres, and how it was taken. */
interface SettledValue {
  readonly value: Length;
  readonly standardError: number;
  readonly tension: Tension;
  readonly clothing: Clothing;
}

/** What the wearer read, or only reports, is worth less: working factors of ours until the log has data. */
const ERROR_FACTOR: Readonly<Record<Reading['origin'], number>> = {
  fitter: 1,
  helper: 1,
  self: 2,
  reported: 3,
};

/** The values that the standing readings of a docket settle to, by measurement. */
export function settledBody(readings: readonly Reading[]): Map<MeasurementCode, SettledValue> {
  const settled = new Map<MeasurementCode, SettledValue>();
  for (const code of new Set(readings.map((reading) => reading.code))) {
    const standing = standingReadings(readings, [code]);
    const { value } = agreementOf(code, standing);
    const factor = Math.max(1, ...standing.map(({ origin }) => ERROR_FACTOR[origin]));
    const last = standing.at(-1);
    if (value === null || last === undefined) continue;
    settled.set(code, {
      value,
      standardError:
        factor *
        repeatedError(
          code,
          standing.map(({ length }) => length),
        ),
      tension: last.tension,
      clothing: last.clothing,
    });
  }
  return settled;
}

/**
 * The error of one reading: the catalogue's, or what this wearer's own repeats show where that
 * is more. Of two readings the difference over root two estimates it.
 */
function repeatedError(code: MeasurementCode, lengths: readonly Length[]): number {
  const usual = measurement(code).standardError;
  if (lengths.length < 2) return usual;
  const mean = lengths.reduce<number>((sum, one) => sum + one, 0) / lengths.length;
  const spread = Math.sqrt(lengths.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (lengths.length - 1));
  return Math.max(usual, spread);
}

/** The values alone, for the checks. */
export function settledValues(readings: readonly Reading[]): Map<MeasurementCode, Length> {
  return new Map([...settledBody(readings)].map(([code, { value }]) => [code, value]));
}

/** What the verdicts of a docket rest on, settled once for all its garments. */
export interface JudgingBasis {
  readonly docket: Docket;
  readonly body: ReadonlyMap<MeasurementCode, MeasuredValue>;
  /** Measurements that failed a check and were not confirmed. */
  readonly suspects: ReadonlySet<MeasurementCode>;
}

/** Settles the readings of a docket and checks them. */
export function judgingBasisOf({
  docket,
  readings,
  confirmations,
  skips,
}: Pick<Bench, 'docket' | 'readings' | 'confirmations' | 'skips'>): JudgingBasis {
  const body = settledBody(readings);
  const values = new Map([...body].map(([code, { value }]) => [code, value]));
  return {
    docket,
    body: withIdle(body, skips),
    suspects: suspectCodes(openSuspicions(values, confirmations)),
  };
}

/**
 * The verdict on one garment of a docket. Server and screen both call this, so that what
 * the fitter saw and what is kept are the same computation.
 */
export function judgeGarment(chart: Chart, { docket, body, suspects }: JudgingBasis): GarmentVerdict {
  const override = docket.overrides[chart.id];
  const preference = override?.preference ?? docket.preference;
  const rule = override?.rule ?? undefined;
  const last = LAST.get(chart.sheet) ?? { codes: codesRead(chart.sheet), on: '', verdict: null };
  const on = JSON.stringify([
    preference,
    rule,
    last.codes.map((code) => [body.get(code), suspects.has(code)]),
  ]);
  if (last.verdict !== null && last.on === on) return last.verdict;
  const verdict = judge(compiled(chart.sheet), body, { preference, rule, suspects });
  LAST.set(chart.sheet, { ...last, on, verdict });
  return verdict;
}

/**
 * The last verdict of each chart and what it rested on: a reading changes only those garments
 * that go by it, so the others of a docket are not judged, or drawn, again.
 */
const LAST = new WeakMap<
  ChartSheet,
  { readonly codes: readonly MeasurementCode[]; readonly on: string; readonly verdict: GarmentVerdict | null }
>();

/** Why a step is passed over that no plausible value of can change any verdict. */
export const IDLE_REASON = 'No value could change a size';

/**
 * A step passed over because nothing could come of it is judged at what the rest leads one to
 * expect, and marked so; any other value would have given the same size.
 */
function withIdle(
  body: ReadonlyMap<MeasurementCode, SettledValue>,
  skips: readonly Skip[],
): ReadonlyMap<MeasurementCode, MeasuredValue> {
  const idle = skips.filter(({ code, reason }) => reason === IDLE_REASON && !body.has(code));
  if (idle.length === 0) return body;
  const known = new Map([...body].map(([code, { value }]) => [code, value]));
  return new Map<MeasurementCode, MeasuredValue>([
    ...body,
    ...idle.map(({ code }) => [code, { value: expectedValue(known, code), assumed: true }] as const),
  ]);
}

const COMPILED = new WeakMap<ChartSheet, CompiledChart>();

/** A chart compiled, once for as long as its sheet lives: it is judged by at every key. */
export function compiled(sheet: ChartSheet): CompiledChart {
  const known = COMPILED.get(sheet) ?? compileChart(sheet);
  COMPILED.set(sheet, known);
  return known;
}
