import * as z from 'zod';
import { micrometres, MICROMETRES_PER, WORKING_UNITS, type Length } from '../quantity/length';
import { parseLength } from '../quantity/parse-length';
import type { RoundingPolicy } from '../quantity/rounding';

/**
 * A length as a chart file writes it: with its unit (`"1 in"`, `"97.5 cm"`), or as whole
 * micrometres. Both are exact; people write the first.
 */
export const writtenLengthSchema = z
  .union([z.int().min(-100_000_000).max(100_000_000), z.string().min(1).max(24)])
  .transform((written, context): Length => {
    if (typeof written === 'number') return micrometres(written);
    const negative = /^[-−]/.test(written.trim());
    const read = parseLength(written.trim().replace(/^[-−]/, ''), 'mm');
    if (read.ok && !read.value.bare) return micrometres(negative ? -read.value.length : read.value.length);
    context.addIssue(`“${written}” is not a length with a unit. Write, for example, "1 in" or "97.5 cm".`);
    return z.NEVER;
  });

/** A rounding policy as a chart file writes it. */
export const writtenRoundingSchema = z.union([
  z.object({
    mode: z.enum(['up', 'down', 'nearest']),
    step: writtenLengthSchema.refine((step) => step > 0, { error: 'A rounding step must be above zero.' }),
  }),
  z.object({ mode: z.literal('down-to-offered'), offered: z.array(writtenLengthSchema).min(1).max(60) }),
]);

/**
 * A length with a unit, as a chart file writes it; exact.
 *
 * @example writtenLength(micrometres(25_400)) // '1 in'
 * @example writtenLength(micrometres(12_345)) // '1.2345 cm'
 */
export function writtenLength(length: Length): string {
  const sign = length < 0 ? '-' : '';
  const far = Math.abs(length);
  for (const unit of WORKING_UNITS) {
    const text = `${far / MICROMETRES_PER[unit]} ${unit}`;
    const read = parseLength(text, unit);
    if (text.length < 14 && read.ok && read.value.length === far) return sign + text;
  }
  return `${sign}${far / MICROMETRES_PER.mm} mm`;
}

/**
 * A rounding policy with its lengths as a chart file writes them.
 *
 * @example writtenRounding({ mode: 'down', step: inches(1) }) // { mode: 'down', step: '1 in' }
 */
export function writtenRounding(to: RoundingPolicy): object {
  if (to.mode === 'down-to-offered') return { ...to, offered: to.offered.map(writtenLength) };
  return { ...to, step: writtenLength(to.step) };
}
