import { counted } from '../../../words/counted';

/** What was noticed about a file while it was read. */
export type ImportRemark =
  | { readonly code: 'hidden-lines-read' }
  | { readonly code: 'worksheet-hidden'; readonly name: string }
  | {
      readonly code: 'lines-hidden';
      readonly count: number;
      readonly what: 'row' | 'column';
      readonly of: string;
    }
  | { readonly code: 'hidden-by-page'; readonly count: number };

/**
 * A remark as a sentence.
 *
 * @example sayImportRemark({ code: 'lines-hidden', count: 2, what: 'row', of: 'Men' }) // 'Left out: 2 hidden rows of “Men”.'
 */
export function sayImportRemark(remark: ImportRemark): string {
  switch (remark.code) {
    case 'hidden-lines-read':
      return 'Hidden rows and columns of the file are read too. Leave out what is not part of the table.';
    case 'worksheet-hidden':
      return `Left out: the hidden worksheet “${remark.name}”.`;
    case 'lines-hidden':
      return `Left out: ${counted(remark.count, `hidden ${remark.what}`)} of “${remark.of}”.`;
    case 'hidden-by-page':
      return `Left out: ${remark.count} ${remark.count === 1 ? 'row or cell' : 'rows or cells'} that the page hides.`;
  }
}
