import { Injectable } from '@angular/core';
import {
  gridOf,
  gridOfText,
  importChartJson,
  MOST_CHART_BYTES,
  readText,
  sayFinding,
  sayJsonFinding,
  tableRows,
  type ChartSheet,
  type Grid,
} from '@neat-measure/core';
import type { CellValue, Workbook } from 'exceljs';

/** What a person brought: a table still to be understood, a whole chart, or something that cannot be taken. */
export type BroughtFile =
  | { readonly kind: 'table'; readonly source: string; readonly grid: Grid }
  | { readonly kind: 'sheet'; readonly source: string; readonly sheet: ChartSheet }
  | { readonly kind: 'refused'; readonly source: string; readonly sentences: readonly string[] };

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

/** Reads charts from files and pasted blocks, and writes them. Nothing is sent anywhere. */
@Injectable({ providedIn: 'root' })
export class ChartFiles {
  /** Looks at a file. A file far too large is not even read. */
  async read(file: File): Promise<BroughtFile> {
    const source = file.name;
    if (file.size > MOST_CHART_BYTES)
      return refused(
        source,
        sayFinding({ code: 'file-too-large', bytes: file.size, most: MOST_CHART_BYTES }),
      );
    const bytes = new Uint8Array(await file.arrayBuffer());
    if (isZip(bytes)) return this.readWorkbook(source, bytes);
    const text = readText(bytes);
    return text.ok ? this.readPasted(text.value, source) : refused(source, sayFinding(text.problem));
  }

  /** Looks at a block of text: JSON, an HTML table, or rows parted by tabs, commas or semicolons. */
  readPasted(text: string, source = 'pasted'): BroughtFile {
    if (/^\s*\{/.test(text)) {
      const sheet = importChartJson(text);
      return sheet.ok
        ? { kind: 'sheet', source, sheet: sheet.value }
        : refused(source, ...sheet.problem.map(sayJsonFinding));
    }
    if (/^\s*<|<table[\s>]/i.test(text)) return readHtml(text, source);
    const grid = gridOfText(text);
    return grid.ok
      ? { kind: 'table', source, grid: grid.value }
      : refused(source, ...grid.problem.map(sayFinding));
  }

  /** A chart as a workbook, a sheet a part. Every cell is text, so none can be a formula. */
  async writeWorkbook(sheet: ChartSheet): Promise<Blob> {
    const workbook = await newWorkbook();
    for (const part of sheet.parts) {
      const page = workbook.addWorksheet(part.name.replace(/[[\]*?/\\:]/g, ' ').slice(0, 31));
      for (const row of tableRows(sheet, part)) page.addRow(row);
      page.getColumn(1).width = 12;
      page.getRow(1).font = { bold: true };
    }
    return new Blob([await workbook.xlsx.writeBuffer()], { type: XLSX });
  }

  /** Hands a file to the person. */
  save(content: Blob | string, name: string, type = 'text/plain'): void {
    const blob = typeof content === 'string' ? new Blob([content], { type }) : content;
    const link = document.createElement('a');
    link.href = URL.createObjectURL(blob);
    link.download = name;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
  }

  private async readWorkbook(source: string, bytes: Uint8Array): Promise<BroughtFile> {
    const workbook = await newWorkbook();
    try {
      await workbook.xlsx.load(bytes.buffer as ArrayBuffer);
    } catch {
      return refused(
        source,
        'The file is no workbook that can be read. Save it as XLSX or CSV and bring that.',
      );
    }
    const page =
      workbook.worksheets.find(({ actualRowCount }) => actualRowCount > 1) ?? workbook.worksheets[0];
    const rows: { line: number; cells: string[] }[] = [];
    page?.eachRow((row, line) => {
      const cells: string[] = [];
      // A merged cell stands in each place it covers.
      row.eachCell({ includeEmpty: true }, (cell, column) => (cells[column - 1] = textOf(cell.master.value)));
      rows.push({ line, cells: Array.from(cells, (cell) => cell ?? '') });
    });
    const grid = gridOf(rows);
    return grid.rows.length === 0
      ? refused(source, sayFinding({ code: 'file-empty' }))
      : { kind: 'table', source, grid };
  }
}

/** The library for workbooks is large; it comes only when one is read or written. */
async function newWorkbook(): Promise<Workbook> {
  const library = await import('exceljs');
  // As a module of the browser it comes as its default.
  const { Workbook } = 'Workbook' in library ? library : (library as { default: typeof library }).default;
  return new Workbook();
}

/** What a cell shows. Of a formula its last result is shown; it is never carried out. */
function textOf(value: CellValue): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) return value.toISOString().slice(0, 10);
  if (typeof value !== 'object') return String(value);
  if ('richText' in value) return value.richText.map(({ text }) => text).join('');
  if ('result' in value) return textOf(value.result as CellValue);
  if ('text' in value) return String(value.text);
  return '';
}

function readHtml(text: string, source: string): BroughtFile {
  // Parsed apart from the page: nothing of it is fetched, run or shown.
  const table = new DOMParser().parseFromString(text, 'text/html').querySelector('table');
  if (table === null) return refused(source, 'There is no table in this page. Copy the table itself.');
  const rows: string[][] = [];
  [...table.rows].forEach((row, at) => {
    rows[at] ??= [];
    let column = 0;
    for (const cell of row.cells) {
      while (rows[at][column] !== undefined) column += 1;
      for (let down = 0; down < Math.min(cell.rowSpan || 1, 200); down++)
        for (let along = 0; along < Math.min(cell.colSpan, 200); along++)
          (rows[at + down] ??= [])[column + along] = cell.textContent ?? '';
      column += cell.colSpan;
    }
  });
  const grid = gridOf(
    rows.map((cells, at) => ({ line: at + 1, cells: Array.from(cells, (cell) => cell ?? '') })),
  );
  return grid.rows.length === 0
    ? refused(source, sayFinding({ code: 'file-empty' }))
    : { kind: 'table', source, grid };
}

function isZip(bytes: Uint8Array): boolean {
  return bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3;
}

function refused(source: string, ...sentences: string[]): BroughtFile {
  return { kind: 'refused', source, sentences };
}
