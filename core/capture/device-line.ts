import * as z from 'zod';
import { failure, success, type Outcome } from '../outcome';
import { LENGTH_UNITS, MICROMETRES_PER, micrometres, type Length } from '../quantity/length';

/**
 * What a tape that sends its readings says, one JSON object a line. The form is open and
 * described in docs/device-format.md.
 */
export const deviceLineSchema = z.object({
  /** The version of the form. */
  v: z.literal(1),
  /** The tape's own name: letters, digits, dashes. */
  device: z.string().regex(/^[A-Za-z0-9-]{1,40}$/),
  /** Counts the tape's readings; the same number with the same value is the same reading sent twice. */
  seq: z.int().min(0).max(4_294_967_295),
  value: z.number().min(0).max(100_000),
  unit: z.enum(LENGTH_UNITS),
  /** When it was pulled, UTC. */
  at: z.iso.datetime(),
  /** The docket it is meant for, where the tape knows; a reading for another is refused. */
  docket: z.uuidv7().optional(),
});
export type DeviceLine = z.infer<typeof deviceLineSchema>;

/** Why a line is not taken. */
export type DeviceLineProblem =
  | { readonly code: 'not-json' }
  | { readonly code: 'too-long'; readonly most: number }
  | { readonly code: 'wrong-fields'; readonly fields: readonly string[] };

/** A line is some 120 letters; anything much longer is not one. */
const LONGEST_LINE = 1_000;

/**
 * Reads one line of a device. Fields it does not know are left out, so that the form can grow.
 *
 * @example parseDeviceLine('{"v":1,"device":"tape-7","seq":42,"value":982.5,"unit":"mm","at":"2026-05-04T08:00:00.000Z"}').value.seq // 42
 */
export function parseDeviceLine(text: string): Outcome<DeviceLine, DeviceLineProblem> {
  if (text.length > LONGEST_LINE) return failure({ code: 'too-long', most: LONGEST_LINE });
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return failure({ code: 'not-json' });
  }
  const read = deviceLineSchema.safeParse(json);
  if (read.success) return success(read.data);
  const fields = read.error.issues.map((issue) =>
    issue.path.length === 0 ? 'the line' : issue.path.join('.'),
  );
  return failure({ code: 'wrong-fields', fields: [...new Set(fields)] });
}

/**
 * The length a line tells, to the nearest micrometre.
 *
 * @example deviceLength({ value: 982.5, unit: 'mm' }) // 982500
 */
export function deviceLength({ value, unit }: Pick<DeviceLine, 'value' | 'unit'>): Length {
  return micrometres(Math.round(value * MICROMETRES_PER[unit]));
}

/**
 * A line's reading as it would be typed: exact, in millimetres.
 *
 * @example asTyped({ value: 982.5, unit: 'mm' }) // '982.5 mm'
 */
export function asTyped(line: Pick<DeviceLine, 'value' | 'unit'>): string {
  return `${deviceLength(line) / MICROMETRES_PER.mm} mm`;
}
