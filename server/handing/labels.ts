import type { Bench } from '@neat-measure/contract';
import { finalSize, replay } from '@neat-measure/core';
import { printLabelGrid } from '../print/label-grid';

/** What is printed of each garment, to be cut out and tied to it. */
export interface LabelsToPrint {
  readonly sheet: 'labels';
  readonly bench: Bench;
}

/** The code of one garment of a docket, as a label has it and a scanner reads it: `D57-2`. */
export function labelCode(number: number, place: number): string {
  return `D${number}-${place + 1}`;
}

/** Labels for parcels and hangers: the size at its largest, what it is, whose, and a code to be scanned. */
export function printLabels({ bench }: LabelsToPrint): Promise<Buffer> {
  const docket = replay(bench.acts.map(({ act }) => act))!;
  const labels = docket.garments.map(({ chartId }, place) => {
    const sheet = bench.charts.find(({ id }) => id === chartId)!.sheet;
    return {
      large: finalSize(docket, chartId)?.size ?? 'made to measure',
      bold: sheet.garment,
      lines: [bench.wearer.name],
      fine: `${sheet.maker} · docket ${bench.number}`,
      code: { as: 'bars', text: labelCode(bench.number, place) },
    } as const;
  });
  return printLabelGrid(labels, `Labels · docket ${bench.number}`, 'There is no garment on this docket.');
}
