import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import pdfmake from 'pdfmake';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';

/** The fonts of print: files of the package, so that nothing is fetched and every machine prints alike. */
const FONT_FOLDER = join(
  dirname(createRequire(import.meta.url).resolve('@fontsource/atkinson-hyperlegible-next/package.json')),
  'files',
);
const font = (subset: string, weight: number) =>
  join(FONT_FOLDER, `atkinson-hyperlegible-next-${subset}-${weight}-normal.woff`);

pdfmake.addFonts({
  Atkinson: { normal: font('latin', 400), bold: font('latin', 700) },
  AtkinsonExtended: { normal: font('latin-ext', 400), bold: font('latin-ext', 700) },
});
pdfmake.setLocalAccessPolicy((path) => path.startsWith(FONT_FOLDER));
pdfmake.setUrlAccessPolicy(() => false);

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

/**
 * Text for print. The font's files are split by script, so letters beyond Latin-1 take theirs
 * from the extended file; without this a name would lose them.
 */
export function words(
  text: string,
  style: { readonly bold?: boolean; readonly fontSize?: number } = {},
): {
  text: Content[];
} {
  const runs = text.match(/[\u0100-\u02ff\u1e00-\u1eff]+|[^\u0100-\u02ff\u1e00-\u1eff]+/g) ?? [];
  return {
    text: runs.map((run) => ({
      text: run,
      font: /^[\u0100-\u02ff\u1e00-\u1eff]/.test(run) ? 'AtkinsonExtended' : 'Atkinson',
      ...style,
    })),
  };
}
