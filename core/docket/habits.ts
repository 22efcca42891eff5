import * as z from 'zod';
import { measurement } from '../body/catalogue';
import { MEASUREMENT_CODES, type MeasurementCode } from '../body/catalogue/codes';
import { allowedDifference } from '../capture/agreement';
import { HOUSE_RULES, type ChartSheet, type HouseRule } from '../chart/chart-shape';
import { garmentKind, GARMENT_KINDS, type GarmentKind } from '../garment/kinds';
import { named } from '../chart/named';
import { HANDING_WAYS, type HandingWay } from './docket';
import { INCH_PARTS } from '../quantity/format-length';
import { micrometres, type Length } from '../quantity/length';

/** How far apart two readings may be where a house has settled it: from a millimetre to ten centimetres. */
const apartSchema = z.int().min(1_000).max(100_000).transform(micrometres);
const daysSchema = z.int().min(1).max(3_650);
const kindSchema = z.enum(GARMENT_KINDS);
const codeSchema = z.enum(MEASUREMENT_CODES);

/**
 * What a house has settled of how it sizes. Each begins as it comes without anybody having settled
 * anything. Server and screen size by the same habits: they travel with the docket.
 */
export const habitsSchema = z.object({
  /** Counts up with every change, so that nothing is decided by habits that nobody saw. */
  version: z.int().min(0).default(0),
  /** The unit of whoever has not chosen their own. */
  unit: z.enum(['cm', 'in']).default('cm'),
  /** Into how many parts an inch is written. */
  inchParts: z.literal(INCH_PARTS).default(8),
  /** The rule for a kind of garment, in the place of its charts' own. */
  rules: z.partialRecord(kindSchema, z.enum(HOUSE_RULES)).default({}),
  /** How likely another size must be, in hundredths, to make a size an `edge` case. */
  edgePercent: z.int().min(1).max(45).default(10),
  /** How far apart two readings may be, in the place of what the tape's own error allows. */
  allowedApart: z.partialRecord(codeSchema, apartSchema).default({}),
  /**
   * After how many days somebody is measured again, unless a chart says otherwise: half a year; sooner
   * who is younger than so many years, as they still grow.
   */
  remeasure: z
    .object({
      days: daysSchema.default(183),
      of: z.partialRecord(codeSchema, daysSchema).default({}),
      growing: z.object({ under: z.int().min(1).max(30), days: daysSchema }).default({ under: 18, days: 91 }),
    })
    .default({ days: 183, of: {}, growing: { under: 18, days: 91 } }),
  /** How a garment of a kind is handed over where nobody says otherwise; issued where nothing is said. */
  handing: z.partialRecord(kindSchema, z.enum(HANDING_WAYS)).default({}),
  /** What is said besides wherever a garment of a kind, or any (`null`), is sized. */
  cautions: z
    .array(z.object({ kind: kindSchema.nullable(), words: z.string().trim().min(1).max(500) }))
    .max(40)
    .default([]),
  /** Kinds whose measurements a fitter takes, besides those that protect: what wearers send of themselves is accepted for none. */
  fitterMeasures: z.array(kindSchema).max(GARMENT_KINDS.length).default([]),
});
export type Habits = z.infer<typeof habitsSchema>;

/**
 * How this house hands a garment over where nobody says otherwise.
 *
 * @example handingIn(house, 'jacket') // 'issued'
 */
export function handingIn({ handing }: Pick<Habits, 'handing'>, kind: GarmentKind): HandingWay {
  return named(handing, kind) ?? (garmentKind(kind).hired ? 'hired' : 'issued');
}

/**
 * Whether only a fitter measures for a garment in this house: always where it protects, else where the house says so.
 *
 * @example fitterMeasures({ fitterMeasures: ['jacket'] }, jacket.sheet) // true
 */
export function fitterMeasures(
  habits: Pick<Habits, 'fitterMeasures'>,
  { kind }: Pick<ChartSheet, 'kind'>,
): boolean {
  return garmentKind(kind).protects || habits.fitterMeasures.includes(kind);
}

/** The habits of a house that has settled nothing. */
export const UNSETTLED: Habits = habitsSchema.parse({});

/**
 * How far apart two readings of a measurement may be in this house.
 *
 * @example allowedIn({ ...house, allowedApart: { 'chest-girth': cm(2) } }, 'chest-girth') // cm(2)
 */
export function allowedIn({ allowedApart }: Pick<Habits, 'allowedApart'>, code: MeasurementCode): Length {
  // A mass has an error of its own and no length that it may be apart by.
  const settled = measurement(code).kind === 'mass' ? undefined : named(allowedApart, code);
  return settled ?? allowedDifference(code);
}

/**
 * The rule that this house has a chart go by; `undefined` for the chart's own.
 *
 * @example houseRuleFor({ ...house, rules: { jacket: 'closest' } }, jacket.sheet) // 'closest'
 */
export function houseRuleFor({ rules }: Pick<Habits, 'rules'>, sheet: ChartSheet): HouseRule | undefined {
  const rule = named(rules, sheet.kind);
  // A maker who names no key has not said what would win.
  return rule === 'key-decides' && sheet.key === null ? undefined : rule;
}

/**
 * What this house says besides of a garment.
 *
 * @example houseCautions({ cautions: [{ kind: 'vest', words: 'Seated, too.' }] }, jacket.sheet) // []
 */
export function houseCautions({ cautions }: Pick<Habits, 'cautions'>, { kind }: ChartSheet): string[] {
  return cautions.filter((one) => one.kind === null || one.kind === kind).map(({ words }) => words);
}

/**
 * After how many days a measurement is taken again in this house, where no chart says otherwise.
 *
 * @param age in whole years; `null` where it is not known
 * @example remeasureIn(house, 'chest-girth', 15) // 91
 */
export function remeasureIn(
  { remeasure }: Pick<Habits, 'remeasure'>,
  code: MeasurementCode,
  age: number | null,
): number {
  const usual = named(remeasure.of, code) ?? remeasure.days;
  return stillGrows({ remeasure }, age) ? Math.min(usual, remeasure.growing.days) : usual;
}

/**
 * Whether somebody is so young that the house measures them again sooner.
 *
 * @example stillGrows(house, 15) // true
 */
export function stillGrows({ remeasure }: Pick<Habits, 'remeasure'>, age: number | null): boolean {
  return age !== null && age < remeasure.growing.under;
}
