import * as z from 'zod';
import type { ChartSheet } from '../../chart/chart-shape';
import { named } from '../../chart/named';
import type { Refusal } from '../refusal';

/** The size of each part, by its code; none where no size is handed over. */
export const sizesSchema = z.record(z.string().max(40), z.string().trim().min(1).max(24));

/** Why sizes are not those of a chart: every part has one, and it is one of the part's. */
export function refuseLabels(
  sizes: Readonly<Record<string, string>>,
  { parts }: Pick<ChartSheet, 'parts'>,
): Refusal | null {
  for (const { code, name, sizes: own } of parts) {
    const size = named(sizes, code);
    if (size === undefined || !own.includes(size))
      return { code: 'no-such-size', size: size ?? null, part: parts.length === 1 ? null : name, sizes: own };
  }
  return null;
}
