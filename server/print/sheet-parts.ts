import type { Content } from 'pdfmake/interfaces';
import { words } from './print-pdf';

/** What is told beside the matter, and the lines that part it. */
export const SOFT = '#5C6765';
export const LINE = '#B9B3A2';

/** One line of text, or the heading of what follows. */
export function line(text: string, heading = false): Content {
  return { ...words(text, heading ? { bold: true, fontSize: 13 } : {}), margin: [0, heading ? 14 : 5, 0, 0] };
}
