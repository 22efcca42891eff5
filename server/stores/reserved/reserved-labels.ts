import type { Reservation } from '@neat-measure/contract/stores';
import { printLabelGrid } from '../../print/label-grid';

/** What is kept for a docket and is to be labelled. */
export interface ReservedLabelsToPrint {
  readonly sheet: 'reserved';
  readonly kept: readonly Reservation[];
}

/** Labels for what is kept for a docket: whose it is, then what it is. */
export function printReservedLabels({ kept }: ReservedLabelsToPrint): Promise<Buffer> {
  const labels = kept.map(({ wearer, docketNumber, garment, label, serial, room, since, code }) => ({
    large: wearer ?? 'erased wearer',
    bold: `${garment} ${label}`,
    lines: [
      docketNumber === null ? '' : `Docket ${docketNumber}`,
      serial === null ? '' : `No. ${serial}`,
    ].filter((line) => line !== ''),
    fine: `Reserved in ${room} on ${since.slice(0, 10)}`,
    code: serial === null ? ({ as: 'bars', text: code } as const) : ({ as: 'square', text: serial } as const),
  }));
  return printLabelGrid(labels, 'Reserved', 'Nothing is reserved for this docket.');
}
