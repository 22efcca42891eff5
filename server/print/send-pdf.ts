import type { Response } from 'express';

/** Sends a PDF to be shown in the browser, from where it is printed. */
export function sendPdf(response: Response, pdf: Uint8Array, name: string): void {
  response.type('application/pdf').setHeader('Content-Disposition', `inline; filename="${name}"`);
  response.send(Buffer.from(pdf));
}
