import type { Bench, Chart, KeptAct } from '@neat-measure/contract';
import { UNSETTLED, type Act, type ChartSheet, type Doing } from '@neat-measure/core';
import { chartSheetSchema } from '@neat-measure/core/sheets';
import { v7 as uuidv7 } from 'uuid';

const AT = '2026-05-04T08:00:00.000Z';
/** Who is at the Bench in specs. */
export const ODALYS = { id: uuidv7(), name: 'Odalys Wren' };

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

/** An act of the fitter of specs. */
export function actOn(docketId: string, doing: Doing, by = ODALYS): Act {
  return { id: uuidv7(), docketId, at: AT, by, ...doing };
}

let place = 0;
/** An act as the server keeps it. */
export function keptAct(act: Act): KeptAct {
  place += 1;
  return { place, receivedAt: AT, act };
}

/** A docket for one chart, with nothing read yet, as the server sends it to the Bench. */
export function benchFor(chart: Chart, more: readonly Doing[] = [], changes: Partial<Bench> = {}): Bench {
  const [id, wearerId] = [uuidv7(), uuidv7()];
  const doings: Doing[] = [
    { kind: 'docket-opened', wearerId, occasion: '', unit: 'cm', preference: 'regular' },
    { kind: 'garment-asked', chartId: chart.id },
    ...more,
  ];
  return {
    id,
    number: 12,
    wearer: {
      id: wearerId,
      name: 'Maren Okonjo',
      role: 'Ranger',
      born: null,
      number: null,
      version: 1,
      updatedAt: AT,
    },
    charts: [chart],
    protocols: [],
    habits: UNSETTLED,
    record: [],
    wished: [],
    acts: doings.map((doing) => keptAct(actOn(id, doing))),
    ...changes,
  };
}

/** A reading in centimetres to be taken. */
export function readingOf(code: 'chest-girth' | 'waist-girth', typed: string): Doing {
  return {
    kind: 'reading-taken',
    code,
    typed,
    unit: 'cm',
    length: Math.round(Number(typed) * 10_000) as never,
    stance: 'standing',
    tension: 'skin',
    clothing: 'close-fitting',
    instrument: 'tape',
    origin: 'fitter',
    carriedFrom: null,
    device: null,
  };
}
