import * as z from 'zod';
import { measurement } from './catalogue';
import { MEASUREMENT_CODES, type MeasurementCode } from './catalogue/codes';
import { TENSIONS, type Instrument, type Tension } from './measurement';
import { WAIST_PLACES } from './waist';
import { WISH_CODES } from './wishes';

/** One step of a protocol; the tension is the catalogue's unless its school says otherwise. */
const protocolStepSchema = z.object({
  code: z.enum(MEASUREMENT_CODES),
  tension: z.enum(TENSIONS).optional(),
  /** Taken on demand only: a skirt's extras, say. */
  onDemand: z.boolean().optional(),
});

/** A way to measure for one purpose, as data: what to prepare, what to take, what to be careful of. */
export const protocolBodySchema = z.object({
  name: z.string().trim().min(1).max(80),
  /** Which of the trade's differing ways it follows, in one line. */
  school: z.string().trim().max(300),
  prepare: z.array(z.string().trim().min(1).max(200)).max(12),
  cautions: z.array(z.string().trim().min(1).max(300)).max(6),
  /** Where its school has the waist. */
  waist: z.enum(WAIST_PLACES).optional(),
  /** How the tape lies at every girth of the body, where its school has a custom for all of them. */
  girths: z.enum(TENSIONS).optional(),
  /** Lengths of the garment that are asked for besides. */
  wishes: z
    .array(z.enum(WISH_CODES))
    .max(WISH_CODES.length)
    .refine((wishes) => new Set(wishes).size === wishes.length, {
      error: 'A wish can stand in a protocol only once.',
    })
    .optional(),
  steps: z
    .array(protocolStepSchema)
    .min(1)
    .max(MEASUREMENT_CODES.length)
    .refine((steps) => new Set(steps.map(({ code }) => code)).size === steps.length, {
      error: 'A measurement can stand in a protocol only once.',
    }),
});
export type ProtocolBody = z.infer<typeof protocolBodySchema>;

/**
 * What a protocol itself says of how the tape lies at a step: its step, else its school's custom for girths;
 * `undefined` where it says nothing.
 *
 * @example saidTension({ girths: 'snug' }, { code: 'height' }) // undefined
 */
export function saidTension(
  { girths }: Pick<ProtocolBody, 'girths'>,
  { code, tension }: ProtocolBody['steps'][number],
): Tension | undefined {
  return tension ?? (measurement(code).kind === 'girth' ? girths : undefined);
}

/**
 * How the tape lies at a step of a protocol: as the step says, else as its school has it for girths, else as usual.
 *
 * @example tensionIn({ girths: 'snug' }, { code: 'chest-girth' }) // 'snug'
 */
export function tensionIn(
  protocol: Pick<ProtocolBody, 'girths'>,
  step: ProtocolBody['steps'][number],
): Tension {
  return saidTension(protocol, step) ?? measurement(step.code).tension;
}

/**
 * The instruments that measurements are taken with, each once.
 *
 * @example instrumentsOf(['height', 'chest-girth']) // ['wall-and-square', 'tape']
 */
export function instrumentsOf(codes: readonly MeasurementCode[]): Instrument[] {
  return [...new Set(codes.map((code) => measurement(code).instruments[0]!))];
}

/** Each instrument in words. */
export const INSTRUMENT_WORDS: Readonly<Record<Instrument, string>> = {
  tape: 'a soft tape, never a builder’s',
  string: 'a string that does not stretch, and a ruler',
  'wall-and-square': 'a wall, and a flat object square to it',
  'paper-and-ruler': 'paper larger than both feet, a pencil held upright, a ruler',
  ruler: 'a ruler',
  scale: 'a scale',
};
