import type { Bench, Chart } from '@neat-measure/contract';
import { chartSheetSchema, type ChartSheet } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';

const AT = '2026-05-04T08:00:00.000Z';

/** A coat of three sizes by chest and waist, for specs; neighbours share their ends unless the chest is given otherwise. */
export function watchCoat(chest: readonly string[] = ['86-94', '94-102', '102-110']): ChartSheet {
  return chartSheetSchema.parse({
    maker: 'Ostrel Workwear',
    garment: 'Watch coat',
    unit: 'cm',
    rule: 'widest-decides',
    parts: [
      {
        code: 'size',
        name: 'Size',
        sizes: ['S', 'M', 'L'],
        columns: [
          { code: 'chest-girth', unit: 'cm', cells: chest },
          { code: 'waist-girth', unit: 'cm', cells: ['74-82', '82-90', '90-98'] },
        ],
      },
    ],
  });
}

/** A sheet as a version on the shelf. */
export function onShelf(sheet: ChartSheet, id = uuidv7()): Chart {
  return { id, seriesId: id, version: 1, source: 'coat.csv', importedAt: AT, sheet };
}

/** A docket for one chart, with nothing read yet, as the server sends it to the Bench. */
export function benchFor(chart: Chart, changes: Partial<Bench> = {}): Bench {
  const [docketId, wearerId] = [uuidv7(), uuidv7()];
  return {
    docket: {
      id: docketId,
      number: 12,
      wearerId,
      occasion: '',
      unit: 'cm',
      preference: 'regular',
      chartIds: [chart.id],
      protocolIds: [],
      overrides: {},
      extraCodes: [],
      version: 1,
      openedAt: AT,
    },
    wearer: { id: wearerId, name: 'Maren Okonjo', role: 'Ranger', version: 1, updatedAt: AT },
    charts: [chart],
    protocols: [],
    readings: [],
    record: [],
    skips: [],
    confirmations: [],
    decisions: [],
    ...changes,
  };
}
