import { counted } from '../words/counted';
import { measurement } from '../body/catalogue';
import { CLOTHING_WORDS, TENSION_WORDS } from '../body/say-plan';
import { formatLength, type ShownLength, shownIn, type InchParts } from '../quantity/format-length';
import type { WorkingUnit } from '../quantity/length';
import { list } from '../words/list';
import { sayRounding } from '../quantity/say-rounding';
import { isDerivedCode } from './column-code';
import { parsedSteps, type ParsedStep } from './arithmetic/derivation';
import { type ChartSheet } from './chart-shape';
import { columnName } from './size-chart';
import { kindOfStep } from './arithmetic/steps';

/** A line about a chart: what it is about, and what is said of it. */
export interface ChartLine {
  readonly about: string;
  readonly words: string;
}

/**
 * What a chart says beyond its tables, as readable lines: its arithmetic, how measurements are
 * to be taken, what is offered and made together, options, cautions and notes.
 *
 * @param unit the reader's; the arithmetic itself is told in the maker's
 * @param parts into how many parts the house writes an inch
 * @example sayRequirement(jacket.sheet, 'cm', 8) // []
 */
export function sayRequirement(sheet: ChartSheet, unit: WorkingUnit, parts: InchParts): ChartLine[] {
  const [reader, maker] = [shownIn(unit, parts), shownIn(sheet.unit, parts)];
  const named = (code: Parameters<typeof columnName>[1]) =>
    columnName(sheet, code, (one) => measurement(one).name).toLowerCase();
  return [
    ...sheet.derivations.map((derivation) => ({
      about: `${derivation.name}:`,
      words: `${parsedSteps(derivation)
        .map((step) => sayStep(sheet, step, maker))
        .join('; ')}.`,
    })),
    ...sheet.choices.map(({ name, ways, usual }) => ({
      about: `${name}:`,
      words: `chosen on the docket: ${list(
        ways.map(
          ({ label, length }) =>
            `${label}${label === usual ? ' (usual)' : ''} counts as ${formatLength(length, maker)}`,
        ),
        'or',
      )}.`,
    })),
    ...sheet.expects.map(({ code, tension, clothing, rounding, recorded, remeasureAfter }) => ({
      about: `${measurement(code).name}:`,
      words: `${[
        tension === null ? '' : TENSION_WORDS[tension],
        clothing === null ? '' : CLOTHING_WORDS[clothing],
        rounding === null ? '' : `${recorded ? 'recorded ' : ''}${sayRounding(rounding, maker)}`,
        remeasureAfter === null ? '' : `to be measured again after ${counted(remeasureAfter, 'day')}`,
      ]
        .filter(Boolean)
        .join(', ')}.`,
    })),
    ...sheet.parts.flatMap((part) =>
      part.columns
        .filter(({ standIns }) => standIns.length > 0)
        .map(({ code, standIns }) => ({
          about: `Without ${named(code)}:`,
          words: `estimated as ${standIns.map(named).join(', or ')}, and marked so.`,
        })),
    ),
    ...sheet.parts
      .filter(({ offered }) => offered !== null)
      .map((part) => ({
        about: `${part.name}:`,
        words: `what is offered goes by the ${sheet.parts.find(({ code }) => code === part.offered!.by)!.name.toLowerCase()}.`,
      })),
    ...sheet.combinations.map(({ parts: [first, second] }) => ({
      about: 'Made:',
      words: `only some combinations of ${[first, second]
        .map((code) => sheet.parts.find((part) => part.code === code)!.name.toLowerCase())
        .join(' and ')}.`,
    })),
    ...sheet.options.map(({ name, when, adds }) => ({
      about: `${name}:`,
      words: `offered when ${when
        .map(
          ({ of, is, length }) => `${named(of)} is ${is.replace('-', ' ')} ${formatLength(length, reader)}`,
        )
        .join(' or ')}; ${adds}.`,
    })),
    ...(sheet.notes === '' ? [] : [{ about: 'Note:', words: sheet.notes }]),
    ...sheet.cautions.map((words) => ({ about: 'Caution:', words })),
  ];
}

function sayStep(sheet: ChartSheet, { step, operands }: ParsedStep, maker: ShownLength): string {
  const words = operands.map(({ text, operand }) => {
    if (operand?.kind === 'reading') return measurement(operand.code).name.toLowerCase();
    if (operand?.kind === 'size-of')
      return `the size of the ${sheet.parts.find(({ code }) => code === operand.part)?.name.toLowerCase() ?? operand.part}`;
    if (operand?.kind === 'choice')
      return `the ${sheet.choices.find(({ code }) => code === operand.choice)?.name.toLowerCase() ?? operand.choice} chosen`;
    if (isDerivedCode(text)) return columnName(sheet, text, () => text).toLowerCase();
    return operand?.kind === 'length' ? formatLength(operand.length, maker) : text.replace(/-/g, ' ');
  });
  return kindOfStep(step).describe(step, words, {
    unit: sheet.unit,
    rounding: (to) => sayRounding(to, maker),
  });
}
