import type { Length } from '../quantity/length';
import type { ChartChoice, ChartSheet } from './chart-shape';

/** What is chosen on a docket: of each choice the label. */
export type Chosen = Readonly<Record<string, string>>;

/**
 * A chart as a docket has chosen it: what was chosen stands in the place of what is usual. The same sheet for the same
 * choices, so that what is remembered of a sheet holds.
 *
 * @param chosen a choice or a label that the chart does not have is left as usual
 * @example sheetAsChosen(jacket.sheet, { overlap: '2 in' }) === jacket.sheet // true
 */
export function sheetAsChosen(sheet: ChartSheet, chosen: Chosen): ChartSheet {
  const choices = sheet.choices.map((choice): ChartChoice => {
    const label = chosen[choice.code];
    return choice.ways.some((way) => way.label === label) ? { ...choice, usual: label! } : choice;
  });
  if (choices.every(({ usual }, at) => usual === sheet.choices[at]!.usual)) return sheet;
  const key = choices.map(({ usual }) => usual).join('\n');
  const known = CHOSEN.get(sheet) ?? new Map<string, ChartSheet>();
  CHOSEN.set(sheet, known);
  const made = known.get(key) ?? { ...sheet, choices };
  known.set(key, made);
  return made;
}

const CHOSEN = new WeakMap<ChartSheet, Map<string, ChartSheet>>();

/**
 * The length that a choice comes to, as it stands.
 *
 * @throws RangeError where the chart has no such choice: `faultsOfSheet` tells of it before
 * @example chosenLength({ choices: [{ code: 'overlap', name: 'Overlap', usual: '1 in', ways: [{ label: '1 in', length: inches(3) }] }] }, 'overlap') === inches(3) // true
 */
export function chosenLength({ choices }: Pick<ChartSheet, 'choices'>, code: string): Length {
  const choice = choices.find((one) => one.code === code);
  const way = choice?.ways.find(({ label }) => label === choice.usual);
  if (way === undefined) throw new RangeError(`the chart has no choice ${code}`);
  return way.length;
}
