import { failure, success, type Outcome } from '../../outcome';
import type { FileFinding } from '../finding';
import { type ChartSheet } from '../chart-shape';
import { chartSheetSchema } from '../sheet-schema';
import { kindOfStep } from '../arithmetic/steps';
import { writtenLength, writtenRounding } from '../written-length';
import { MOST_CHART_BYTES, readText } from './read-text';
import { writeCell } from './write-cell';

/** What is wrong with a chart file in JSON: no JSON at all, or a sheet that does not hold together. */
export type JsonFinding =
  | FileFinding
  | { readonly code: 'not-json'; readonly line: number | null }
  | { readonly code: 'sheet-fault'; readonly path: string; readonly message: string };

/** How deep a file may nest; a chart needs eight. */
const DEEPEST = 20;

/**
 * Reads a chart file in JSON. Every fault is told at once, each with its path.
 *
 * @example importChartJson(exportChartJson(jacket.sheet)).value.garment // 'Field jacket'
 */
export function importChartJson(file: Uint8Array | string): Outcome<ChartSheet, readonly JsonFinding[]> {
  const text = typeof file === 'string' ? success(file) : readText(file);
  if (!text.ok) return failure([text.problem]);
  if (text.value.trim() === '') return failure([{ code: 'file-empty' }]);
  if (text.value.length > MOST_CHART_BYTES)
    return failure([{ code: 'file-too-large', bytes: text.value.length, most: MOST_CHART_BYTES }]);
  let json: unknown;
  try {
    json = JSON.parse(text.value);
  } catch (error) {
    const at = /position (\d+)/.exec((error as Error).message)?.[1];
    const line = at === undefined ? null : text.value.slice(0, Number(at)).split('\n').length;
    return failure([{ code: 'not-json', line }]);
  }
  if (depth(json) > DEEPEST)
    return failure([{ code: 'sheet-fault', path: '', message: 'It is nested deeper than a chart can be.' }]);
  return readChartSheet(json);
}

/**
 * Reads what was JSON as a chart.
 *
 * @example readChartSheet({ maker: 'Ostrel Workwear' }).ok // false
 */
export function readChartSheet(json: unknown): Outcome<ChartSheet, readonly JsonFinding[]> {
  const sheet = chartSheetSchema.safeParse(json);
  if (sheet.success) return success(sheet.data);
  return failure(
    sheet.error.issues.map((issue) => ({
      code: 'sheet-fault' as const,
      path: issue.path.map(String).join('.'),
      message: /[.?]$/.test(issue.message) ? issue.message : `${issue.message}.`,
    })),
  );
}

function depth(value: unknown, level = 1): number {
  if (level > DEEPEST || value === null || typeof value !== 'object') return level;
  return Object.values(value).reduce<number>((most, one) => Math.max(most, depth(one, level + 1)), level);
}

/**
 * A chart as its file writes it, lossless: cells and lengths as people write them wherever the
 * text reads back to the same micrometre.
 *
 * @example JSON.parse(exportChartJson(jacket.sheet)).maker // 'Ostrel Workwear'
 */
export function exportChartJson(sheet: ChartSheet): string {
  return `${JSON.stringify(writtenSheet(sheet), null, 2)}\n`;
}

/**
 * The same as plain values, before they become text.
 *
 * @example writtenSheet(jacket.sheet).parts[0].columns[0].cells[0] // '94-102'
 */
export function writtenSheet(sheet: ChartSheet): object {
  return {
    ...sheet,
    expects: sheet.expects.map((one) => ({
      ...one,
      rounding: one.rounding && writtenRounding(one.rounding),
    })),
    derivations: sheet.derivations.map((derivation) => ({
      ...derivation,
      steps: derivation.steps.map((step) => kindOfStep(step).written?.(step) ?? step),
    })),
    parts: sheet.parts.map((part) => ({
      ...part,
      values: part.values?.map(writtenLength) ?? null,
      columns: part.columns.map((column) => ({
        ...column,
        ease: column.ease && {
          least: writtenLength(column.ease.least),
          most: writtenLength(column.ease.most),
        },
        cells: column.cells.map((cell) => writeCell(cell, column.unit)),
      })),
    })),
    options: sheet.options.map((option) => ({
      ...option,
      when: option.when.map((one) => ({ ...one, length: writtenLength(one.length) })),
    })),
  };
}
