import { measurement } from '../../body/catalogue';
import { formatLength, formatNumber } from '../../quantity/format-length';
import { type ChartSheet } from '../chart-shape';
import { columnName } from '../size-chart';
import type { Diagnosis } from './diagnosis';

/** A finding of the doctor as a sentence: where, what, and what to do. */
export function sayDiagnosis(sheet: ChartSheet, finding: Diagnosis): string {
  const where = sayChartPlace(sheet, finding);
  return `${where === '' ? '' : `${where}: `}${sayWhat(finding)}`;
}

/** Where a finding is, by the names a person knows. */
export function sayChartPlace(sheet: ChartSheet, { place }: Pick<Diagnosis, 'place'>): string {
  const part = sheet.parts.find(({ code }) => code === place.part);
  const words = [
    part !== undefined && sheet.parts.length > 1 ? part.name : '',
    place.column === null ? '' : columnName(sheet, place.column, (code) => measurement(code).name),
    place.size === null || part === undefined ? '' : `size ${part.sizes[place.size]!}`,
  ];
  return words.filter(Boolean).join(', ');
}

function sayWhat({ code, facts: { lengths, labels, unit } }: Diagnosis): string {
  const [first, second] = lengths;
  const at = first === undefined ? '' : formatLength(first, unit);
  const range =
    first === undefined || second === undefined
      ? ''
      : `${formatNumber(first, unit)} to ${formatLength(second, unit)}`;
  const [one, other] = labels;
  switch (code) {
    case 'upside-down':
      return `the interval ends before it begins (${range}). Turn it round, or look at the sheet again.`;
    case 'not-growing':
      return `it falls behind ${one}. One of the two is mistyped, or the sizes are not in order.`;
    case 'same-as-before':
      return `${other} has the same cell as ${one}. One of the two was typed twice.`;
    case 'moved-by-one':
      return `its end (${at} on) is also the end of the next size. It may have been typed into its neighbour’s cell.`;
    case 'other-unit-cell':
      return `${at} is far from its neighbours; in another unit it would fit between them.`;
    case 'other-unit-column':
      return `no body has these measures in ${unit}; in another unit all of them would be a body’s.`;
    case 'outside-any-body':
      return `${at} is outside any body. Look at the sheet again.`;
    case 'step-jump':
      return `the step from ${one} to ${other} is ${at}, where ${formatLength(second!, unit)} is usual in this column.`;
    case 'gap':
      return `between ${one} and ${other} nobody is held from ${range}. Whoever falls there is flagged.`;
    case 'whole-number-gap':
      return `${one} ends at ${at} and ${other} begins at ${formatLength(second!, unit)}. If these are whole numbers, whoever lies between falls into a gap.`;
    case 'overlap':
      return `${one} and ${other} both hold ${range}. There the preference decides.`;
    case 'unreachable-size':
      return `no ${other!.toLowerCase()} a body can have comes to ${one}.`;
    case 'letters-out-of-order':
      return `${other} stands behind ${one}. Sizes are listed smallest first.`;
    case 'never-combined':
      return `${one} is made with no size of ${other}.`;
    case 'never-offered':
      return `${one} is offered for no size of ${other}.`;
    case 'off-the-scale':
      return `${one} comes to ${range} over all bodies, and the scale begins or ends elsewhere. Nobody would be sized.`;
    case 'lookup-not-growing':
      return `the table of ${one}, step ${other}, falls back at ${at}; the rows after it are never reached.`;
    case 'negative-ease':
      return `the ease begins below nothing (${at}): the garment would be smaller than the body.`;
  }
}
