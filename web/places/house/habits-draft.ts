import {
  allowedDifference,
  formatLength,
  habitsSchema,
  measurement,
  parseLength,
  sayMeasureProblem,
  type GarmentKind,
  type Habits,
  type HandingWay,
  type HouseRule,
  type Length,
  type MeasurementCode,
  failure,
  success,
  type Outcome,
  plainUnit,
  shownIn,
  type ShownLength,
} from '@neat-measure/core';

/** One measurement that the house has settled something of, as it is typed. */
export interface MeasuredRow {
  readonly code: MeasurementCode;
  /** How far apart two readings may be; empty for what the tape's error allows. */
  readonly apart: string;
  readonly days: number | null;
}
export interface RuleRow {
  readonly kind: GarmentKind;
  readonly rule: HouseRule;
}
export interface HandingRow {
  readonly kind: GarmentKind;
  readonly way: HandingWay;
}
export interface CautionRow {
  readonly kind: GarmentKind | null;
  readonly words: string;
}

/** The habits of a house as they are typed, row by row. */
export interface HabitsDraft {
  readonly unit: Habits['unit'];
  readonly inchParts: Habits['inchParts'];
  readonly edgePercent: number;
  readonly days: number;
  /** Younger than so many years they are measured again after so many days. */
  readonly growingUnder: number;
  readonly growingDays: number;
  readonly measured: readonly MeasuredRow[];
  readonly rules: readonly RuleRow[];
  readonly handing: readonly HandingRow[];
  readonly cautions: readonly CautionRow[];
  readonly fitterMeasures: readonly GarmentKind[];
}

/** Habits as rows to be typed in, lengths in the house's unit. */
export function draftOf(habits: Habits): HabitsDraft {
  const { unit, inchParts, edgePercent, remeasure, allowedApart, rules, handing } = habits;
  const { cautions, fitterMeasures } = habits;
  const codes = [
    ...new Set([...Object.keys(allowedApart), ...Object.keys(remeasure.of)]),
  ] as MeasurementCode[];
  return {
    unit,
    inchParts,
    edgePercent,
    days: remeasure.days,
    growingUnder: remeasure.growing.under,
    growingDays: remeasure.growing.days,
    measured: codes.map((code) => ({
      code,
      apart: written(allowedApart[code], shownIn(unit, inchParts)),
      days: remeasure.of[code] ?? null,
    })),
    rules: Object.entries(rules).map(([kind, rule]) => ({ kind: kind as GarmentKind, rule })),
    handing: Object.entries(handing).map(([kind, way]) => ({ kind: kind as GarmentKind, way })),
    cautions,
    fitterMeasures,
  };
}

/**
 * What a draft comes to.
 *
 * @returns the habits, or in a sentence what has to be changed first
 */
export function habitsOf(draft: HabitsDraft): Outcome<Habits, string> {
  const { unit, inchParts, edgePercent, days, growingUnder, growingDays, measured, rules } = draft;
  const { handing, cautions, fitterMeasures } = draft;
  const twice = repeated(measured.map(({ code }) => code));
  if (twice !== null) return failure(`${measurement(twice).name} is listed twice. Remove one.`);
  const twiceRuled = repeated(rules.map(({ kind }) => kind));
  if (twiceRuled !== null) return failure('One kind has two rules. Remove one.');
  const twiceHanded = repeated(handing.map(({ kind }) => kind));
  if (twiceHanded !== null) return failure('One kind is handed over in two ways. Remove one.');
  const fault = measured.map((row) => rowFault(row, unit)).find((one) => one !== '');
  if (fault !== undefined) return failure(fault);
  const read = habitsSchema.safeParse({
    unit,
    inchParts,
    edgePercent,
    remeasure: {
      days,
      growing: { under: growingUnder, days: growingDays },
      of: Object.fromEntries(measured.flatMap((row) => (row.days === null ? [] : [[row.code, row.days]]))),
    },
    allowedApart: Object.fromEntries(
      measured.flatMap((row) => {
        const apart = apartOf(row, unit);
        return apart === null ? [] : [[row.code, apart]];
      }),
    ),
    rules: Object.fromEntries(rules.map(({ kind, rule }) => [kind, rule])),
    handing: Object.fromEntries(handing.map(({ kind, way }) => [kind, way])),
    cautions,
    fitterMeasures,
  });
  return read.success ? success(read.data) : failure('Fill in every number and caution within its limits.');
}

/** A draft in another unit: what was typed without one keeps the unit it was typed in. */
export function inUnit(draft: HabitsDraft, unit: Habits['unit']): HabitsDraft {
  const measured = draft.measured.map((row) => {
    const read = parseLength(row.apart, draft.unit);
    return read.ok && read.value.bare ? { ...row, apart: `${row.apart.trim()} ${draft.unit}` } : row;
  });
  return { ...draft, unit, measured };
}

/** What is wrong with a row of a measurement, in a sentence; empty where nothing is. */
export function rowFault(row: MeasuredRow, unit: Habits['unit']): string {
  const name = measurement(row.code).name;
  if (row.apart.trim() === '') return '';
  if (measurement(row.code).kind === 'mass') return `${name} is a weight: leave the difference empty.`;
  const read = parseLength(row.apart, unit);
  if (!read.ok) return `${name}: ${sayMeasureProblem(read.problem)}`;
  const apart = read.value.length;
  if (apart >= 1_000 && apart <= 100_000) return '';
  return `${name}: the difference between two readings must be 1 mm to 10 cm.`;
}

/** What the tape's own error allows, where the house has settled nothing. */
export function ownApart(code: MeasurementCode, unit: ShownLength): string {
  return measurement(code).kind === 'mass' ? '' : formatLength(allowedDifference(code), unit);
}

function apartOf({ apart }: MeasuredRow, unit: Habits['unit']): Length | null {
  const read = parseLength(apart, unit);
  return read.ok ? read.value.length : null;
}

function written(apart: Length | undefined, unit: ShownLength): string {
  if (apart === undefined) return '';
  const shown = formatLength(apart, unit);
  // What the unit cannot show to its last step is written in millimetres, so that keeping it again changes nothing.
  const again = parseLength(shown, plainUnit(unit));
  return again.ok && again.value.length === apart ? shown : `${apart / 1_000} mm`;
}

function repeated<One>(all: readonly One[]): One | null {
  return all.find((one, at) => all.indexOf(one) < at) ?? null;
}
