import {
  labelsPath,
  letterPath,
  letterSchema,
  orderFormPath,
  sizesSheetPath,
  type Bench,
  type Letter,
} from '@neat-measure/contract';
import { Router, type Request } from 'express';
import { noted } from '../audit/store';
import type { Database } from '../database/database';
import { openBench } from '../dockets/service';
import { notFound } from '../http/problem-error';
import { fitterOf, readBody, readId, readParam } from '../http/request';
import { sendPdf } from '../print/send-pdf';
import type { Print } from '../print/print';
import type { LabelsToPrint } from './labels';
import type { OrderToPrint } from './order-form';
import type { SizesToPrint } from './size-sheet';
import { post } from './post';

const SUBJECTS: Readonly<Record<Letter['sheet'], string>> = {
  sizes: 'Sizes',
  labels: 'Labels',
  order: 'Order',
};

/** What is printed where garments go. */
type HandingSheet = LabelsToPrint | OrderToPrint | SizesToPrint;

/** What is printed and posted when garments are handed over. All need a session. */
export function handingRoutes(database: Database, print: Print<HandingSheet>, outbox: string): Router {
  const sizes = async (request: Request, bench: Bench): Promise<HandingSheet> => ({
    sheet: 'sizes',
    bench,
    address: `${request.protocol}://${request.get('host') ?? 'localhost'}/bench/${bench.id}`,
  });
  const order = (bench: Bench, chartId: string): HandingSheet => {
    if (bench.charts.every(({ id }) => id !== chartId)) throw notFound('garment of this docket');
    return { sheet: 'order', bench, chartId };
  };
  return Router()
    .get(sizesSheetPath(':id'), async (request, response) => {
      const bench = await openBench(database, readId(request));
      sendPdf(response, await print(await sizes(request, bench)), 'sizes.pdf');
    })
    .get(labelsPath(':id'), async (request, response) => {
      const bench = await openBench(database, readId(request));
      sendPdf(response, await print({ sheet: 'labels', bench }), 'labels.pdf');
    })
    .get(orderFormPath(':id', ':chartId'), async (request, response) => {
      const bench = await openBench(database, readId(request));
      sendPdf(response, await print(order(bench, readParam(request, 'chartId'))), 'order.pdf');
    })
    .put(letterPath(':id', ':letterId'), async (request, response) => {
      const letter = readBody(letterSchema, request);
      const letterId = readParam(request, 'letterId');
      const bench = await openBench(database, readId(request));
      const sheet =
        letter.sheet === 'sizes'
          ? await sizes(request, bench)
          : letter.sheet === 'labels'
            ? ({ sheet: 'labels', bench } as const)
            : order(bench, letter.chartId!);
      const pdf = await print(sheet);
      const subject = `${SUBJECTS[letter.sheet]}, docket ${bench.number}`;
      const file = await post(outbox, letterId, {
        to: letter.to,
        subject,
        text: `${subject}. The sheet is attached.`,
        name: `${letter.sheet}-${bench.number}.pdf`,
        pdf,
      });
      // A body left the house, or would have: that is noted, with the address but not what stood in it.
      if (file.written)
        await noted(
          database,
          () => Promise.resolve(true),
          () => ({
            by: fitterOf(response).id,
            kind: 'letter-posted',
            about: { kind: 'docket', id: bench.id },
            wearerId: bench.wearer.id,
            detail: { sheet: letter.sheet, to: letter.to, file: file.name },
          }),
        );
      response.json({ file: file.name });
    });
}
