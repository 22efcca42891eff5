import { printSheet, type Sheet } from './sheets';

/** Makes a PDF in a thread of its own: no request waits for it but the one that asked. */
export default function work(sheet: Sheet): Promise<Uint8Array> {
  return printSheet(sheet);
}
