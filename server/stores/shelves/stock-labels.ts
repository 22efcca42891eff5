import type { ArticleAccount } from '@neat-measure/contract/stores';
import { printLabelGrid } from '../../print/label-grid';

/** What lies in the stores and is to be labelled. */
export interface StockLabelsToPrint {
  readonly sheet: 'stock-labels';
  readonly account: Pick<ArticleAccount, 'article' | 'pieces'>;
}

/** Labels for one size of a garment: of what is numbered one a piece, with its number as a square code. */
export function printStockLabels({ account: { article, pieces } }: StockLabelsToPrint): Promise<Buffer> {
  const base = { large: article.label, bold: article.garment, fine: `${article.maker} · ${article.code}` };
  const here = pieces.filter(({ place }) => place !== 'waste' && place !== 'difference');
  const labels = article.numbered
    ? here.map(({ serial, made, lastDay }) => ({
        ...base,
        lines: [
          ...(made === null ? [] : [`Made ${made}`]),
          ...(lastDay === null ? [] : [`May be used until ${lastDay}`]),
        ],
        code: { as: 'square', text: serial } as const,
      }))
    : Array.from({ length: 8 }, () => ({
        ...base,
        lines: [],
        code: { as: 'bars', text: article.code } as const,
      }));
  return printLabelGrid(
    labels,
    `Labels · ${article.garment} ${article.label}`,
    'There is no piece in stock.',
  );
}
