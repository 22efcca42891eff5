import type { MeasurementCode } from '../../body/catalogue/codes';
import type { ChartSheet } from '../../chart/chart-shape';
import { chartSheetSchema } from '../../chart/sheet-schema';
import { writeNumber } from '../../chart/formats/write-cell';
import type { Length, WorkingUnit } from '../../quantity/length';
import type { DraftedPairs, PairsRule } from './draft-pairs';
import type { DraftedSizes } from './draft-sizes';

/** What a drafted chart is called, and where it is from. */
export interface DraftHead {
  readonly maker: string;
  readonly garment: string;
  readonly kind: ChartSheet['kind'];
  readonly unit: WorkingUnit;
  /** In a sentence, kept with the chart. */
  readonly from: string;
}

/** One size of a chart by one or two measurements: from where until before where. */
type Ends = readonly (readonly [from: Length, until: Length])[];

/**
 * Sizes by one measurement as a chart, to be gone over in the editor.
 *
 * @example sheetOfSizes('chest-girth', draftSizes([cm(98)], { count: 1, span: cm(8), grid: cm(2), widths: 'any' }), { maker: 'Own', garment: 'Smock', kind: 'other', unit: 'cm', from: 'From 1 wearer.' }).parts[0].sizes // ['1']
 */
export function sheetOfSizes(code: MeasurementCode, { sizes }: DraftedSizes, head: DraftHead): ChartSheet {
  return sheetOf(
    [code],
    sizes.map(({ from, until }) => [[from, until]]),
    head,
  );
}

/**
 * Sizes by two measurements as a chart, to be gone over in the editor.
 *
 * @example sheetOfPairs(['chest-girth', 'waist-girth'], draftPairs([[cm(98), cm(84)]], { count: 1, spans: [cm(8), cm(8)], grids: [cm(2), cm(2)] }), [cm(8), cm(8)], { maker: 'Own', garment: 'Smock', kind: 'other', unit: 'cm', from: 'From 1 wearer.' }).parts[0].columns.length // 2
 */
export function sheetOfPairs(
  codes: readonly [MeasurementCode, MeasurementCode],
  { sizes }: DraftedPairs,
  spans: PairsRule['spans'],
  head: DraftHead,
): ChartSheet {
  return sheetOf(
    codes,
    sizes.map(({ middles }) =>
      middles.map((middle, at): [Length, Length] => [
        (middle - Math.floor(spans[at]! / 2)) as Length,
        (middle + Math.ceil(spans[at]! / 2)) as Length,
      ]),
    ),
    head,
  );
}

function sheetOf(codes: readonly MeasurementCode[], ends: readonly Ends[], head: DraftHead): ChartSheet {
  const { maker, garment, kind, unit, from } = head;
  const write = (length: Length) => writeNumber(length, unit);
  return chartSheetSchema.parse({
    ...{ maker, garment, kind, unit, rule: 'closest', notes: from },
    parts: [
      {
        ...{ code: 'size', name: 'Size', sizes: ends.map((_, at) => String(at + 1)) },
        columns: codes.map((code, column) => ({
          code,
          unit,
          cells: ends.map((own) => `>=${write(own[column]![0])} <${write(own[column]![1])}`),
        })),
      },
    ],
  });
}
