import * as z from 'zod';
import { chartShapeSchema } from './chart-shape';

/** Names that earlier files of the same form wrote; they are still read. */
const EARLIER_NAMES: Readonly<Record<string, string>> = { instead: 'standIns', also: 'otherNames' };

/**
 * A sheet that was let in before. What holds its parts together is not asked again: a rule that came
 * later does not make a chart that people were sized by unreadable.
 */
export const keptSheetSchema = z.preprocess(withNamesOfToday, chartShapeSchema);

/**
 * A sheet as it was written, in the names of today.
 *
 * @example withNamesOfToday({ maker: 'Ostrel Workwear' }) // { maker: 'Ostrel Workwear' }
 */
export function withNamesOfToday(json: unknown): unknown {
  const renamed = (one: unknown, inside: string): unknown => {
    if (typeof one !== 'object' || one === null || Array.isArray(one)) return one;
    return Object.fromEntries(
      Object.entries(one).map(([name, value]: [string, unknown]) => [
        EARLIER_NAMES[name] ?? name,
        name === inside && Array.isArray(value) ? value.map((each) => renamed(each, 'columns')) : value,
      ]),
    );
  };
  return renamed(json, 'parts');
}
