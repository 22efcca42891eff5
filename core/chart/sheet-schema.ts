import * as z from 'zod';
import { chartShapeSchema } from './chart-shape';
import { faultsOfSheet } from './rules';
import { sayFault } from './rules/say-rule';

/** Names that earlier files of the same form wrote; they are still read. */
const EARLIER_NAMES: Readonly<Record<string, string>> = { instead: 'standIns', also: 'otherNames' };

/** Everything that a maker's sheet says of one garment. */
export const chartSheetSchema = z.preprocess(
  withNamesOfToday,
  chartShapeSchema.superRefine((sheet, context) => {
    for (const fault of faultsOfSheet(sheet))
      context.addIssue({ code: 'custom', path: [...fault.path], message: sayFault(fault) });
  }),
);

/**
 * A sheet that was let in before. What holds its parts together is not asked again: a rule that came
 * later does not make a chart that people were sized by unreadable.
 */
export const keptSheetSchema = z.preprocess(withNamesOfToday, chartShapeSchema);

function withNamesOfToday(json: unknown): unknown {
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
