import { measurement } from '../../body/catalogue';
import { formatLength, formatNumber, shownIn, type InchParts } from '../../quantity/format-length';
import { type ChartSheet } from '../chart-shape';
import { columnName } from '../size-chart';
import type { ChartFinding } from './rule';

/**
 * A finding as a sentence: where, what, and what to do.
 *
 * @param parts into how many parts the house writes an inch
 * @example sayChartFinding(jacket.sheet, examineChart(jacket.sheet)[1], 8) // 'Natural waist, size XL: between L and XL no wearer fits from 98 to 100 cm. Wearers in the gap are flagged.'
 */
export function sayChartFinding(sheet: ChartSheet, finding: ChartFinding, parts: InchParts): string {
  if (finding.severity === 'fault') return sayFault(finding);
  const where = sayChartPlace(sheet, finding);
  return `${where === '' ? '' : `${where}: `}${sayWhat(finding, parts)}`;
}

/**
 * Where a finding is, by the names a person knows.
 *
 * @example sayChartPlace(jacket.sheet, examineChart(jacket.sheet)[1]) // 'Natural waist, size XL'
 */
export function sayChartPlace(sheet: ChartSheet, { place }: Pick<ChartFinding, 'place'>): string {
  const part = sheet.parts.find(({ code }) => code === place.part);
  const words = [
    part !== undefined && sheet.parts.length > 1 ? part.name : '',
    place.column === null ? '' : columnName(sheet, place.column, (code) => measurement(code).name),
    place.size === null || part === undefined ? '' : `size ${part.sizes[place.size]!}`,
  ];
  return words.filter(Boolean).join(', ');
}

function sayWhat({ code, facts: { lengths, labels, unit: own } }: ChartFinding, parts: InchParts): string {
  const unit = shownIn(own, parts);
  const [first, second] = lengths;
  const at = first === undefined ? '' : formatLength(first, unit);
  const range =
    first === undefined || second === undefined
      ? ''
      : `${formatNumber(first, unit)} to ${formatLength(second, unit)}`;
  const [one, other, third] = labels;
  switch (code) {
    case 'upside-down':
      return `the interval ends before it begins (${range}). Swap its ends, or check the maker’s sheet.`;
    case 'not-growing':
      return `it is smaller than ${one}. One of the two is mistyped, or the sizes are not in order.`;
    case 'same-as-before':
      return `${other} has the same values as ${one}. One of the two was typed twice.`;
    case 'moved-by-one':
      return `its end (${at} on) is also the end of the next size. It may have been typed into the wrong cell.`;
    case 'other-unit-cell':
      return `${at} is far from its neighbours; in another unit it would fit between them.`;
    case 'other-unit-column':
      return `no body has these measurements in ${own}; in another unit all of them would be plausible.`;
    case 'outside-any-body':
      return `${at} is outside any human body. Check the maker’s sheet.`;
    case 'step-jump':
      return `the step from ${one} to ${other} is ${at}, where ${formatLength(second!, unit)} is usual in this column.`;
    case 'gap':
    case 'bare-gap':
      return `between ${one} and ${other} no wearer fits from ${range}. Wearers in the gap are flagged.`;
    case 'whole-number-gap':
      return `${one} ends at ${at} and ${other} begins at ${formatLength(second!, unit)}. If these are whole numbers, wearers in between fall into a gap.`;
    case 'overlap':
      return `${one} and ${other} both hold ${range}. There ${third === undefined ? 'the preference decides' : `the ${third} is proposed`}.`;
    case 'unreachable-size':
      return `no possible ${other!.toLowerCase()} leads to ${one}.`;
    case 'letters-out-of-order':
      return `${other} comes after ${one}. List the smallest size first.`;
    case 'letters-alike':
      return `${other} and ${one} are two names of one size.`;
    case 'says-nothing':
      return 'it holds every length, so the measurement decides nothing. Write what the size holds.';
    case 'stand-in-too-late':
      return `${one} is known only after this part has a size, so it cannot stand in. Remove it.`;
    case 'ankle-not-heel':
      return 'a trouser that is narrow there must pass the heel. Ask for the heel where it is cut narrow.';
    case 'never-combined':
      return `${one} is made with no size of ${other}.`;
    case 'size-missing-in-run':
      return `${one} is missing between ${other} and ${third}. Add it, or mark it as intended.`;
    case 'never-offered':
      return `${one} is offered for no size of ${other}.`;
    case 'off-the-scale':
      return `${one} comes to ${range} over all bodies, but the scale begins or ends elsewhere. No wearer would get a size.`;
    case 'lookup-not-growing':
      return `the table of ${one}, step ${other}, falls back at ${at}; the rows after it are never reached.`;
    case 'negative-ease':
      return `the ease begins below zero (${at}): the garment would be smaller than the body.`;
    default:
      return '';
  }
}

/**
 * What mending a finding does, on its button; `null` where there is no safe mend.
 *
 * @example sayMend({ code: 'upside-down', mend: {} }) // 'Swap the ends'
 */
export function sayMend({ code, mend }: Pick<ChartFinding, 'code' | 'mend'>): string | null {
  if (mend === null) return null;
  switch (code) {
    case 'upside-down':
      return 'Swap the ends';
    case 'other-unit-column':
      return `Read the column in ${mend.reads!}`;
    case 'other-unit-cell':
      return `Read it in ${mend.reads!}`;
    default:
      return 'Let it reach to the next size';
  }
}

/**
 * What keeps a sheet from being a chart, as a sentence; whom it is about stands first where that is a part.
 *
 * @example sayFault({ code: 'derived-twice', facts: { labels: ['Girth'] } }) // 'Girth is derived twice. Rename one.'
 */
export function sayFault({ code, facts: { labels } }: ChartFinding): string {
  const [first = '', second = '', third = ''] = labels;
  switch (code) {
    case 'too-many-cells':
      return `The chart has ${first} cells over everything it offers; at most ${second} can be used. Split it into two charts.`;
    case 'derived-twice':
      return `${first} is derived twice. Rename one.`;
    case 'step-named-as-measurement':
      return `“${first}” is the name of a measurement. Rename the step.`;
    case 'step-twice':
      return `Two steps are named “${first}”. Rename one.`;
    case 'operand-unknown':
      return `Step “${first}”: “${second}” is neither a measurement, nor an earlier step, nor a length with a unit.`;
    case 'derived-later':
      return `Step “${first}”: ${second} is not derived before it.`;
    case 'step-part-unknown':
      return `Step “${first}”: there is no part “${second}”.`;
    case 'step-part-without-values':
      return `Step “${first}”: the sizes of ${second} have no values to calculate with.`;
    case 'step-choice-unknown':
      return `Step “${first}”: there is no choice “${second}”.`;
    case 'choice-twice':
      return `${first}: a name or label is used twice. Rename one.`;
    case 'choice-usual-unknown':
      return `${first}: “${second}” is not among its ways. Choose the usual one of them.`;
    case 'part-twice':
      return `${first}: two parts are named “${second}”. Rename one.`;
    case 'size-twice':
      return `${first}: a size is listed twice. Rename one.`;
    case 'values-count':
      return `${first}: it needs one value per size.`;
    case 'names-count':
      return `${first}: ${second} needs one label per size.`;
    case 'nothing-decides':
      return `${first}: no measurement decides it.`;
    case 'cells-count':
      return `${first}: ${second} needs one cell per size.`;
    case 'cells-mixed':
      return `${first}: ${second} mixes single values and intervals. Write both ends of each.`;
    case 'nominal-alone':
      return `${first}: how far the only value of ${second} reaches is unknown. Write both its ends.`;
    case 'ease-upside-down':
      return `${first}: the ease of ${second} is reversed.`;
    case 'column-twice':
      return `${first}: ${second} is listed twice.`;
    case 'not-derived':
      return `${first}: ${second} is not derived in this chart.`;
    case 'part-needed-before':
      return `${first}: ${second} needs the part “${third}”, which must stand before it.`;
    case 'offered-by-unknown':
      return `${first}: what it offers depends on “${second}”, which must be a part before it.`;
    case 'offered-for-unknown':
      return `${first}: “${second}” is not a size of ${third}.`;
    case 'nothing-offered':
      return `${first}: no size is offered for “${second}”. Name a size, or remove the line to offer all.`;
    case 'offered-unknown':
      return `${first}: “${second}” is offered but is not one of its sizes.`;
    case 'key-missing':
      return 'Choose the measurement that decides.';
    case 'key-unknown':
      return 'The measurement that decides is not a deciding column of this chart. Choose one of its columns.';
    case 'label-unknown':
      return `The label names “${first}”, which is not a part.`;
    case 'label-reads-twice':
      return `The label “${first}” means both ${second} and ${third}. Put a character between the sizes.`;
    case 'label-leaves-out':
      return `The label leaves out ${first}; two sizes would look alike.`;
    case 'combination-parts':
      return `“${first}” and “${second}” are not two parts of this chart.`;
    case 'combination-unknown':
      return `“${first}” is not a size of ${second}.`;
    case 'option-unknown':
      return `${first} is not derived in this chart.`;
    case 'check-part-unknown':
      return `A fit check leads to “${first}”, which is not a part of this chart. Name one of its parts.`;
    default:
      return '';
  }
}
