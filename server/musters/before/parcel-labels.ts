import type { Reservation } from '@neat-measure/contract/stores';
import { counted } from '@neat-measure/core';
import { parcelAddress } from '@neat-measure/core/muster';
import { printLabelGrid, type Label } from '../../print/label-grid';

/** What is printed for parcels that are ready: a label a wearer. */
export interface ParcelsToPrint {
  readonly sheet: 'parcels';
  readonly muster: string;
  /** The address of the house, for the code that opens the docket where it is handed over. */
  readonly house: string;
  /** What lies reserved, in the order of the labels. */
  readonly kept: readonly Reservation[];
}

/** So many garments are named on a label, besides how many there are. */
const MOST_NAMED = 8;

/** Labels for parcels: whose it is, what is in it, and a code that opens the docket where it is handed over. */
export function printParcels(parcels: ParcelsToPrint): Promise<Buffer> {
  const title = `Parcels · ${parcels.muster}`;
  return printLabelGrid(parcelLabels(parcels), title, 'Nothing is reserved for this muster.');
}

/** What stands on each of them. */
export function parcelLabels({ muster, house, kept }: ParcelsToPrint): Label[] {
  const dockets = new Map<string, Reservation[]>();
  for (const one of kept) dockets.set(one.docketId, [...(dockets.get(one.docketId) ?? []), one]);
  return [...dockets].map(([docketId, all]) => {
    const [{ wearer, docketNumber }] = all as [Reservation];
    const named = all.map(
      ({ garment, label, serial }) => `${garment} ${label}${serial === null ? '' : `, no. ${serial}`}`,
    );
    const unnamed = named.length - MOST_NAMED;
    return {
      large: wearer ?? 'erased wearer',
      bold: counted(all.length, 'garment'),
      lines: [...named.slice(0, MOST_NAMED), ...(unnamed > 0 ? [`and ${unnamed} more`] : [])],
      fine: [
        docketNumber === null ? '' : `Docket ${docketNumber}`,
        muster,
        [...new Set(all.map(({ room }) => room))].join(', '),
      ]
        .filter((one) => one !== '')
        .join(' · '),
      code: { as: 'square' as const, text: parcelAddress(house, docketId), unread: true },
    };
  });
}
