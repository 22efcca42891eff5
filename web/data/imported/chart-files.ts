import { inject, Injectable } from '@angular/core';
import { type ChartSheet } from '@neat-measure/core';
import { importChartJson, sayJsonFinding } from '@neat-measure/core/sheets';
import {
  exportWorkbook,
  writeWorkbook,
  LIMITS,
  sayImportProblem,
  type ImportedTable,
} from '@neat-measure/core/imported';
import { ImportReader, type ImportQuestion } from './import-reader';

/** What a person imported: tables still to be understood, a whole chart, or something that cannot be taken. */
export type ImportedFile =
  | {
      readonly kind: 'tables';
      readonly source: string;
      readonly tables: readonly ImportedTable[];
      readonly remarks: readonly string[];
    }
  | { readonly kind: 'sheet'; readonly source: string; readonly sheet: ChartSheet }
  | { readonly kind: 'refused'; readonly source: string; readonly sentences: readonly string[] };

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

/** Reads charts from files and pasted blocks, and writes them. Nothing is sent anywhere. */
@Injectable({ providedIn: 'root' })
export class ChartFiles {
  private readonly reader = inject(ImportReader);

  /**
   * Looks at a file. A file far too large is not even read.
   *
   * @returns what is in it; nothing where the reading was stopped
   */
  async read(file: File): Promise<ImportedFile | null> {
    const source = file.name;
    const most = Math.max(LIMITS.text, LIMITS.workbook);
    if (file.size > most)
      return refused(source, sayImportProblem({ code: 'too-many-bytes', bytes: file.size, most }));
    const bytes = new Uint8Array(await file.arrayBuffer());
    return startsLikeJson(bytes)
      ? readJson(new TextDecoder().decode(bytes), source)
      : this.readTables(bytes, source);
  }

  /** Looks at a block of text: a chart as JSON, a page, or rows of cells. */
  async readPasted(text: string, source = 'pasted'): Promise<ImportedFile | null> {
    return /^\s*\{/.test(text) ? readJson(text, source) : this.readTables(text, source);
  }

  /** A chart as a workbook, a worksheet a part. */
  async writeWorkbook(sheet: ChartSheet): Promise<Blob> {
    return new Blob([(await exportWorkbook(sheet)) as BlobPart], { type: XLSX });
  }

  /** Tables as a workbook, a worksheet each. */
  async writeTables(
    tables: readonly { readonly name: string; readonly rows: readonly (readonly string[])[] }[],
  ): Promise<Blob> {
    return new Blob([(await writeWorkbook(tables)) as BlobPart], { type: XLSX });
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

  private async readTables(question: ImportQuestion, source: string): Promise<ImportedFile | null> {
    const read = await this.reader.read(question);
    if (read === 'stopped') return null;
    if (read === 'lost')
      return refused(
        source,
        'The import stopped and nothing was saved. Check the network and import again, or copy only the table.',
      );
    return read.ok
      ? { kind: 'tables', source, ...read.value }
      : refused(source, sayImportProblem(read.problem));
  }
}

function readJson(text: string, source: string): ImportedFile {
  if (text.length > LIMITS.text)
    return refused(
      source,
      sayImportProblem({ code: 'too-many-bytes', bytes: text.length, most: LIMITS.text }),
    );
  const sheet = importChartJson(text);
  return sheet.ok
    ? { kind: 'sheet', source, sheet: sheet.value }
    : refused(source, ...sheet.problem.map(sayJsonFinding));
}

/** Whether a file is a chart as JSON: nothing but blanks before its first bracket. */
function startsLikeJson(bytes: Uint8Array): boolean {
  const first = bytes.findIndex((byte) => byte > 0x20 && byte !== 0xef && byte !== 0xbb && byte !== 0xbf);
  return bytes[first] === 0x7b;
}

function refused(source: string, ...sentences: string[]): ImportedFile {
  return { kind: 'refused', source, sentences };
}
