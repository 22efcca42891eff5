import { measurement } from '../body/catalogue';
import { CLOTHING_WORDS, TENSION_WORDS } from '../body/plan';
import { formatLength } from '../quantity/format-length';
import type { WorkingUnit } from '../quantity/length';
import { parseLength } from '../quantity/parse-length';
import { sayRounding } from '../match/say-derived';
import { isDerivedCode } from './column-code';
import { parseOperand, type DerivationStep } from './derivation';
import { columnName, type ChartSheet } from './size-chart';

/** A line about a chart: what it is about, and what is said of it. */
export interface ChartLine {
  readonly about: string;
  readonly words: string;
}

/**
 * What a chart says beyond its tables, as readable lines: its arithmetic, how measurements are
 * to be taken, what is offered and made together, options, cautions and notes.
 */
export function sayRequirement(sheet: ChartSheet, unit: WorkingUnit): ChartLine[] {
  const named = (code: Parameters<typeof columnName>[1]) =>
    columnName(sheet, code, (one) => measurement(one).name).toLowerCase();
  return [
    ...sheet.derivations.map(({ name, steps }) => ({
      about: `${name}:`,
      words: `${steps
        .map((step) =>
          sayStep(
            sheet,
            step,
            steps.map((one) => one.as),
            unit,
          ),
        )
        .join('; ')}.`,
    })),
    ...sheet.expects.map(({ code, tension, clothing, rounding, remeasureAfter }) => ({
      about: `${measurement(code).name}:`,
      words: `${[
        tension === null ? '' : TENSION_WORDS[tension],
        clothing === null ? '' : CLOTHING_WORDS[clothing],
        rounding === null ? '' : sayRounding(rounding, unit),
        remeasureAfter === null ? '' : `to be measured again after ${remeasureAfter} days`,
      ]
        .filter(Boolean)
        .join(', ')}.`,
    })),
    ...sheet.parts.flatMap((part) =>
      part.columns
        .filter(({ instead }) => instead.length > 0)
        .map(({ code, instead }) => ({
          about: `Without ${named(code)}:`,
          words: `estimated as ${instead.map(named).join(', or ')}, and marked so.`,
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
        .map(({ of, is, length }) => `${named(of)} is ${is.replace('-', ' ')} ${formatLength(length, unit)}`)
        .join(' or ')}; ${adds}.`,
    })),
    ...(sheet.notes === '' ? [] : [{ about: 'Note:', words: sheet.notes }]),
    ...sheet.cautions.map((words) => ({ about: 'Caution:', words })),
  ];
}

function sayStep(
  sheet: ChartSheet,
  step: DerivationStep,
  earlier: readonly string[],
  unit: WorkingUnit,
): string {
  const say = (text: string): string => {
    const operand = parseOperand(text, earlier);
    if (operand?.kind === 'reading') return measurement(operand.code).name.toLowerCase();
    if (operand?.kind === 'size-of')
      return `the size of the ${sheet.parts.find(({ code }) => code === operand.part)?.name.toLowerCase() ?? operand.part}`;
    if (isDerivedCode(text)) return columnName(sheet, text, () => text).toLowerCase();
    const length = parseLength(text, 'mm');
    return operand?.kind === 'length' && length.ok
      ? formatLength(length.value.length, unit)
      : text.replace(/-/g, ' ');
  };
  const all = (texts: readonly string[]) => texts.map(say);
  switch (step.do) {
    case 'reading':
      return say(step.of);
    case 'add':
      return all(step.of).join(' + ');
    case 'subtract':
      return `${say(step.from)} − ${say(step.take)}`;
    case 'multiply':
      return `${say(step.of)} × ${step.by}`;
    case 'average':
      return `the mean of ${all(step.of).join(' and ')}`;
    case 'difference':
      return `how far ${all(step.of).join(' and ')} are apart`;
    case 'max':
      return `the largest of ${all(step.of).join(', ')}`;
    case 'lookup':
      return `${say(step.of)}, looked up in ${step.rows.length} rows`;
    case 'round':
      return sayRounding(step.to, unit);
    case 'clamp':
      return `${say(step.of)}, kept within limits`;
    case 'require':
      return step.because;
  }
}
