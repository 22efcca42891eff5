import type { ChartChange, Said } from './compare-charts';

const WORDS: Readonly<Record<Said, string>> = {
  format: 'form',
  maker: 'maker',
  garment: 'garment',
  kind: 'kind',
  unit: 'unit',
  rule: 'house rule',
  key: 'measurement that decides',
  expects: 'how to measure',
  derivations: 'arithmetic',
  choices: 'what is chosen on a docket',
  label: 'label',
  combinations: 'combinations made',
  options: 'options',
  cautions: 'cautions',
  fitChecks: 'fit checks',
  notes: 'notes',
  headings: 'headings of the maker’s own table',
  name: 'name',
  sizes: 'order of sizes',
  values: 'what each size measures',
  otherNames: 'names in other systems',
  lean: 'lean',
  offered: 'what is offered',
  role: 'role',
  reach: 'reach of single values',
  ease: 'ease',
  standIns: 'stand-ins',
  'order-of-parts': 'order of parts',
  'order-of-columns': 'order of columns',
};

/** Longer than this a change is only named; the versions themselves show it. */
const LONGEST = 160;

/**
 * A change in one line.
 *
 * @example compareCharts(jacket.sheet, { ...jacket.sheet, rule: 'closest' }).map(sayChartChange) // ['house rule: widest-decides is now closest']
 */
export function sayChartChange(change: ChartChange): string {
  switch (change.kind) {
    case 'size-added':
      return `${change.part}: size ${change.size} added`;
    case 'size-gone':
      return `${change.part}: size ${change.size} removed`;
    case 'column-added':
      return `${change.part}: ${change.column} added`;
    case 'column-gone':
      return `${change.part}: ${change.column} removed`;
    case 'part-added':
      return `${change.part} added`;
    case 'part-gone':
      return `${change.part} removed`;
    case 'cell':
      return `${change.part} ${change.size}, ${change.column}: ${change.before} is now ${change.after}`;
    case 'said': {
      const where = [change.part, change.column].filter((one) => one !== null).join(', ');
      const what = where === '' ? WORDS[change.what] : `${where}, ${WORDS[change.what]}`;
      return change.before.length + change.after.length > LONGEST
        ? `${what} changed`
        : `${what}: ${change.before === '' ? 'none' : change.before} is now ${change.after === '' ? 'none' : change.after}`;
    }
  }
}
