import { type ChartSheet } from '../chart/chart-shape';
import { chartSheetSchema } from '../chart/sheet-schema';

/** A sheet as a file writes it, everything left out that the form lets out; throws on one with faults, for specs only. */
export function wholeSheet(written: object): ChartSheet {
  return chartSheetSchema.parse({
    maker: 'Ostrel Workwear',
    garment: 'Test garment',
    unit: 'in',
    rule: 'widest-decides',
    ...written,
  });
}

/** A part with one column of nominal or written cells. */
export function scale(
  code: string,
  column: string,
  sizes: readonly string[],
  more: object = {},
  cells = sizes,
): object {
  return {
    code,
    name: code,
    sizes,
    columns: [{ code: column, unit: 'in', cells, ...columnOf(more) }],
    ...partOf(more),
  };
}

const OF_COLUMN = ['reach', 'unit', 'ease', 'standIns', 'role'];

function columnOf(more: object): object {
  return Object.fromEntries(Object.entries(more).filter(([name]) => OF_COLUMN.includes(name)));
}

function partOf(more: object): object {
  return Object.fromEntries(Object.entries(more).filter(([name]) => !OF_COLUMN.includes(name)));
}

/**
 * A front by the chest and a back by what it leaves of the waist, in inches: a part whose arithmetic
 * asks for the size of the one before.
 *
 * @param front sizes and what each measures
 */
export function frontAndBack(front: Readonly<Record<string, string>>, back: readonly string[]): ChartSheet {
  return wholeSheet({
    derivations: [
      {
        code: 'derived:left',
        name: 'Left',
        steps: [{ do: 'subtract', as: 'left', from: 'waist-girth', take: 'size-of:front' }],
      },
    ],
    parts: [
      scale('front', 'chest-girth', Object.keys(front), { values: Object.values(front) }),
      scale('back', 'derived:left', back),
    ],
    label: '{front}/{back}',
  });
}
