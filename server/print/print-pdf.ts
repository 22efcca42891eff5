import pdfmake from 'pdfmake';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { FONT_FOLDERS, FONTS, runsOf } from './fonts';

pdfmake.addFonts(FONTS);
pdfmake.setLocalAccessPolicy((path) => FONT_FOLDERS.some((folder) => path.startsWith(folder)));
pdfmake.setUrlAccessPolicy(() => false);

/** What stands on a sheet of paper, and what it is called. */
export interface Printed {
  readonly title: string;
  readonly content: Content[];
}

/** Prints a document on A4 in the application's own font. */
export async function printPdf(content: Content, title: string): Promise<Buffer> {
  const document: TDocumentDefinitions = {
    pageSize: 'A4',
    pageMargins: [42, 42, 42, 48],
    info: { title },
    defaultStyle: { font: 'Atkinson', fontSize: 10.5, color: '#1E2A2B' },
    footer: (page, pages) => ({
      columns: [words(title), { text: `${page} of ${pages}`, alignment: 'right' }],
      margin: [42, 12, 42, 0],
      fontSize: 8.5,
      color: '#5C6765',
    }),
    content,
  };
  return pdfmake.createPdf(document).getBuffer();
}

/** Text for print: each letter in a font that has it. */
export function words(
  text: string,
  style: { readonly bold?: boolean; readonly fontSize?: number } = {},
): { text: Content[] } {
  return { text: runsOf(text).map((run) => ({ ...run, ...style })) };
}
