import { LIMITS, type ImportProblem } from './imported';

/**
 * A problem as a sentence: what it is, where, and what to do.
 *
 * @example sayImportProblem({ code: 'no-table' }) // 'There is no table in this page. Copy the table itself.'
 */
export function sayImportProblem(problem: ImportProblem): string {
  const where = 'where' in problem && problem.where !== '' ? ` of “${problem.where}”` : '';
  switch (problem.code) {
    case 'empty':
      return 'The file is empty. A size table needs a heading line and one line per size.';
    case 'too-many-bytes':
      return `The file has ${megabytes(problem.bytes)} MB; a size table may hold ${megabytes(problem.most)} MB. Check that it is the right file, or copy only the table.`;
    case 'unpacks-too-large':
      return `What is packed in the file is larger than ${megabytes(problem.most)} MB. Copy the table into its own workbook and import that.`;
    case 'too-far-out':
      return `The table${where} reaches ${problem.rows} rows down and ${problem.columns} columns across; at most ${LIMITS.rows} and ${LIMITS.columns} are read. Copy only the table.`;
    case 'too-many-cells':
      return `The table${where} fills more than ${LIMITS.cells} cells, or merges too many. Copy only the table.`;
    case 'cell-too-long':
      return `Line ${problem.line}, column ${problem.column}${where} holds more than ${LIMITS.cell} letters. Remove what is not a size, and import again.`;
    case 'nested-too-deep':
      return `The page nests more than ${LIMITS.depth} elements into each other. Copy only the table, or save the page as text.`;
    case 'no-text':
      return 'The file is neither text nor a workbook: it may be a picture or a PDF. Copy the table out of it, or save it as CSV or XLSX.';
    case 'no-workbook':
      return 'The file is not a workbook that can be read. Save it as XLSX, ODS or CSV and import that.';
    case 'no-table':
      return 'There is no table in this page. Copy the table itself.';
    case 'open-quotes':
      return `A quotation mark opened near line ${problem.line} is never closed. Close it or remove it.`;
  }
}

function megabytes(bytes: number): string {
  return (bytes / 1_000_000).toFixed(1);
}
