import { packSchema, type Pack } from '@neat-measure/contract/musters';
import { UNSETTLED } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { SpecMuster } from '../../core/testing/muster';
import { benchFor, onShelf, readingOf, watchCoat } from './watch-coat';

export const HALL_AT = '2026-12-01T08:00:00.000Z';
export const HALL_COAT = onShelf(watchCoat());
export const HALL_ROOM = uuidv7();
const coat = HALL_COAT;
const kit = {
  ...{ id: uuidv7(), name: 'Coats', series: [coat.seriesId], protocols: [], roles: ['Ranger'], version: 1 },
  garments: [{ seriesId: coat.seriesId, chartId: coat.id, garment: 'Watch coat', maker: 'Ostrel Workwear' }],
  gone: [],
};

/** A muster that was taken along, with one docket that is open and one that nobody has opened yet. */
export function hallPack() {
  const bench = benchFor(coat, [readingOf('chest-girth', '90'), readingOf('chest-girth', '90')]);
  const expected = { ...bench.wearer, id: uuidv7(), name: 'Zoé Ängström' };
  const unopened = uuidv7();
  const spec = new SpecMuster({ Tape: ['girths', 'deciding'] });
  const person = (wearerId: string, docketId: string) => ({
    wearerId,
    docketId,
    groupId: null,
    kitId: null,
  });
  spec.does('people-added', {
    people: [person(bench.wearer.id, bench.id), person(expected.id, unopened)],
  } as never);
  const pack: Pack = packSchema.parse({
    ...{ house: 'h', madeAt: HALL_AT, place: 5_000_000, charts: [coat], inUse: [coat.id], kits: [kit] },
    ...{ protocols: [], habits: UNSETTLED },
    view: {
      ...{ muster: spec.muster, place: 5_000_000, groups: [], alsoOn: [] },
      wearers: [bench.wearer, expected].map(({ id, name, role, number }) => ({ id, name, role, number })),
    },
    people: [
      {
        wearer: bench.wearer,
        docketId: bench.id,
        number: 12,
        told: [],
        record: [],
        wished: [],
        acts: bench.acts,
      },
      { wearer: expected, docketId: unopened, number: null, told: [], record: [], wished: [], acts: [] },
    ],
    stock: {
      rooms: [{ id: HALL_ROOM, name: 'Loft' }],
      renames: [],
      articles: [
        {
          ...{ seriesId: coat.seriesId, label: 'S', numbered: false, coming: 0, pieces: [] },
          there: [{ roomId: HALL_ROOM, count: 2 }],
        },
      ],
      kept: [],
    },
  });
  return { pack, bench, unopened, expected, spec };
}
