import * as z from 'zod';
import { nameAt } from '../../body/at-waist';
import { MEASUREMENT_CODES } from '../../body/catalogue/codes';
import { CLOTHINGS, INSTRUMENTS, STANCES, TENSIONS } from '../../body/measurement';
import { WAIST_PLACES, waistOf } from '../../body/waist';
import { readReading } from '../../capture/read-reading';
import { MEASURE_UNITS } from '../../quantity/mass';
import type { Length } from '../../quantity/length';
import { ORIGINS, type Docket, type Reading } from '../docket';
import { refuseConsent } from '../record/consent';
import type { Refusal } from '../refusal';
import { ACT_BASE, instantSchema, needs, noGarments, wordsSchema, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('reading-taken'),
  code: z.enum(MEASUREMENT_CODES),
  /** What was typed or sent, as it was. */
  typed: wordsSchema(40),
  /** The unit a bare number took; of a mass, kg or lb. */
  unit: z.enum(MEASURE_UNITS),
  /** What was typed comes to, in micrometres, or grams of a mass; refused where it does not. */
  length: z.int().transform((count) => count as Length),
  stance: z.enum(STANCES),
  tension: z.enum(TENSIONS),
  clothing: z.enum(CLOTHINGS),
  /** Where the waist was, of what is read at it; the natural one where nothing is said. */
  waist: z.enum(WAIST_PLACES).optional(),
  instrument: z.enum(INSTRUMENTS),
  origin: z.enum(ORIGINS),
  /** When it was first taken, where it was carried over from an earlier docket; such a value is settled. */
  carriedFrom: instantSchema.nullable(),
  /** How many readings it rests on, where it was carried over and that is known. */
  carriedReadings: z.int().min(1).max(20).optional(),
  /** The muster for which a wearer's own measurement was accepted with those of others, by its name. */
  acceptedFor: wordsSchema(80).optional(),
  /** The tape that sent it; `null` when it was typed. */
  device: z.string().max(40).nullable(),
});
/** A reading of one measurement, with everything that makes a number a measurement. */
export type ReadingTaken = z.infer<typeof schema>;

/**
 * Why a reading cannot be, whoever agreed to it: no docket is needed to ask.
 *
 * @example refuseReading({ ...acts.find(({ kind }) => kind === 'reading-taken'), length: cm(99) }).code // 'length-differs'
 */
export function refuseReading({ typed, code, unit, length }: ReadingTaken): Refusal | null {
  const read = readReading(typed, code, unit);
  if (!read.ok) return { code: 'unreadable-reading', problem: read.problem, unit };
  return read.value.length === length ? null : { code: 'length-differs', typed, length };
}

/**
 * The reading that an act takes, as it stands on its docket.
 *
 * @example asReading(acts.find(({ kind }) => kind === 'reading-taken')).withdrawnAt // null
 */
export function asReading({
  kind: _kind,
  docketId: _docketId,
  undoes: _undoes,
  at,
  ...rest
}: ReadingTaken): Reading {
  return { ...rest, takenAt: at, withdrawnAt: null };
}

export const readingTaken: ActKind<ReadingTaken> = {
  kind: 'reading-taken',
  schema,
  refuse: ({ consent }, act) => refuseConsent(consent, act.at) ?? refuseReading(act),
  refuseAlone: refuseReading,
  carryOut: (docket, act): Docket => ({ ...docket, readings: [...docket.readings, asReading(act)] }),
  undo: (_before, { id, code, length }, { readings }) => {
    // Taken back and brought back since, it stands under another id, with the same value.
    const standing = readings.filter(
      (one) => one.withdrawnAt === null && one.code === code && one.length === length,
    );
    const own = standing.find((one) => one.id === id) ?? standing.at(-1);
    return own === undefined ? null : { kind: 'reading-withdrawn', readingId: own.id, code };
  },
  say: ({ code, typed, unit, carriedFrom, waist, origin, acceptedFor }) => {
    const value = /\d$/.test(typed) ? `${typed} ${unit}` : typed;
    const name = nameAt(code, waistOf({ code, waist })).toLowerCase();
    if (acceptedFor !== undefined)
      return `accepted the wearer’s own ${name} for the muster ${acceptedFor}: ${value}`;
    if (carriedFrom !== null) return `used the recorded value of ${name}: ${value}`;
    return `${origin === 'reported' ? 'was told' : 'read'} ${name}: ${value}`;
  },
  takes: 'measure',
  about: noGarments,
  stages: noGarments,
  evidence: false,
  needs: ({ code, carriedFrom, waist, length, device }) =>
    needs({ recorded: carriedFrom === null ? null : { code, carriedFrom, waist, length }, tape: device }),
  lookedUpBy: ({ code }) => code,
};
