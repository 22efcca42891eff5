import { printChart, type ChartToPrint } from './charts/chart-sheet';
import { measuringSheet, type StepsToPrint } from './dockets/measuring-sheet';
import { printLabels, type LabelsToPrint } from './handing/labels';
import { orderForm, type OrderToPrint } from './handing/order-form';
import { sizeSheet, type SizesToPrint } from './handing/size-sheet';
import { printStockLabels, type StockLabelsToPrint } from './stores/shelves/stock-labels';
import { printReservedLabels, type ReservedLabelsToPrint } from './stores/reserved/reserved-labels';
import { printParcels, type ParcelsToPrint } from './musters/before/parcel-labels';
import { groupSizesSheet, type GroupSizesToPrint } from './musters/sizing/sizes-sheet';
import { printSlips, type SlipsToPrint } from './musters/before/slip-sheet';
import { printPdf, type Printed } from './print/print-pdf';
import { printRecord, type RecordToPrint } from './wearers/record-sheet';
import { personSheet, type PersonToPrint } from './wearers/person-sheet';

/** A sheet of paper to be made, with everything that stands on it. */
export type Sheet =
  | StepsToPrint
  | ChartToPrint
  | PersonToPrint
  | RecordToPrint
  | SizesToPrint
  | LabelsToPrint
  | StockLabelsToPrint
  | ReservedLabelsToPrint
  | OrderToPrint
  | SlipsToPrint
  | GroupSizesToPrint
  | ParcelsToPrint;

/** Makes the PDF of a sheet. It takes seconds of work, so the server has it done in a thread of its own. */
export function printSheet(sheet: Sheet): Promise<Buffer> {
  switch (sheet.sheet) {
    case 'steps':
      return printed(measuringSheet(sheet.bench));
    case 'chart':
      return printChart(sheet.chart, sheet.inchParts);
    case 'person':
      return printed(personSheet(sheet.person));
    case 'record':
      return printRecord(sheet.record);
    case 'sizes':
      return printed(sizeSheet(sheet));
    case 'labels':
      return printLabels(sheet);
    case 'stock-labels':
      return printStockLabels(sheet);
    case 'reserved':
      return printReservedLabels(sheet);
    case 'group-sizes':
      return printed(groupSizesSheet(sheet));
    case 'slips':
      return printSlips(sheet);
    case 'parcels':
      return printParcels(sheet);
    case 'order':
      return printed(orderForm(sheet));
  }
}

function printed({ content, title }: Printed): Promise<Buffer> {
  return printPdf(content, title);
}
