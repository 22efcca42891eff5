import type { Reservation } from '@neat-measure/contract/stores';
import { parcelIn } from '@neat-measure/core/muster';
import { parcelLabels } from './parcel-labels';

const ADA = '019ca6b3-b0c0-7636-be8f-29a20a3fa7b8';
const BO = '019ca6b4-9b20-7e76-a9a3-212f49348b2e';

function kept(
  docketId: string,
  wearer: string | null,
  garment: string,
  serial: string | null = null,
): Reservation {
  return {
    ...{
      id: ADA,
      docketId,
      docketNumber: wearer === null ? null : 57,
      wearer,
      articleId: ADA,
      garment,
      label: 'M',
    },
    ...{ code: 'NM000024', serial, roomId: ADA, room: 'Main store', since: '2026-12-01T08:00:00.000Z' },
    ...{ called: null, astray: null, toCome: 0 },
  };
}

describe('labels of parcels', () => {
  const labels = (all: readonly Reservation[]) =>
    parcelLabels({ sheet: 'parcels', muster: 'Winter issue', house: 'https://hall.example', kept: all });

  it('are one a wearer, with all that is in it and a code that leads to where it is handed over', () => {
    const [ada, bo] = labels([
      kept(ADA, 'Ada Tern', 'Field jacket'),
      kept(ADA, 'Ada Tern', 'Dry suit', 'T1'),
      kept(BO, null, 'Field jacket'),
    ]);
    expect([ada!.large, ada!.bold, ada!.lines, ada!.fine]).toEqual([
      'Ada Tern',
      '2 garments',
      ['Field jacket M', 'Dry suit M, no. T1'],
      'Docket 57 · Winter issue · Main store',
    ]);
    expect([ada!, bo!].map(({ code }) => parcelIn(code.text))).toEqual([ADA, BO]);
    expect([bo!.large, bo!.fine]).toEqual(['erased wearer', 'Winter issue · Main store']);
  });

  it('name so many garments as there is room for, and say how many more there are', () => {
    const [one] = labels(Array.from({ length: 11 }, (_, at) => kept(ADA, 'Ada Tern', `Garment ${at}`)));
    expect([one!.lines.length, one!.lines.at(-1)]).toEqual([9, 'and 3 more']);
  });
});
