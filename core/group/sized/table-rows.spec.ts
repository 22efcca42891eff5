import { besideSize, EVERYBODY, groupTable, sayStands, type SizedOne, type SizedPeople } from '.';

const NAMES = ['Cy Oake', 'Ada Tern', 'bo çelik', 'Gone'];
const people: SizedPeople = {
  sizing: {
    ...{ habits: 1, wearerIds: ['0', '1', '2', ''], docketIds: ['', '', '', ''], rests: [0, 0, 0, 0] },
    acts: [0, 0, 0, 0],
    garments: [
      {
        ...{ chartId: 'c', seriesId: 's', version: 1, garment: 'Jacket', maker: 'Ostrel', protects: false },
        ...{ labels: ['M', 'L'], verdicts: [0, 0, 0, -1], sizes: [1, -1, 0, -1], stands: [0, 0, 0, 0] },
        ...{ odds: {}, others: {} },
      },
    ],
  },
  wearers: [0, 1, 2].map((at) => ({
    ...{ id: `${at}`, name: NAMES[at]!, role: at === 0 ? 'Warden' : null, number: `H-${at}` },
  })),
  groups: [{ name: 'Squad 1', wearerIds: ['0', '2', 'whoever'] }],
};
const table = groupTable(people);
const rows = (change: object) => table.rows({ ...EVERYBODY, ...change });

describe('the table of a group', () => {
  it('is everybody by name, whatever the case and the accents, without whoever was erased', () => {
    expect(rows({})).toEqual([1, 2, 0]);
    expect(table.wearerAt(2)!.name).toBe('bo çelik');
    expect(table.wearerAt(3)).toBeUndefined();
  });

  it('is some by a group, or by words of name, role and number in any order', () => {
    expect(rows({ group: 'Squad 1' })).toEqual([2, 0]);
    expect(rows({ group: 'Squad 9' })).toEqual([]);
    expect(rows({ search: ' h-2  ÇEL ' })).toEqual([2]);
    expect(rows({ search: 'warden oake' })).toEqual([0]);
    expect(rows({ search: 'warden', group: 'Squad 1' })).toEqual([0]);
  });

  it('is by size, whoever has none last, and changes no list it was given', () => {
    expect(rows({ sortBy: 0 })).toEqual([2, 0, 1]);
    const matching = [0, 1, 2];
    table.rows(EVERYBODY, matching);
    expect(matching).toEqual([0, 1, 2]);
  });
});

describe('what is told of a size', () => {
  const one = (change: Partial<SizedOne>): SizedOne => ({
    ...{ verdict: 'edge', stands: 'open', size: 'M', odds: [{ label: 'M', chance: 0.7 }], others: [] },
    ...change,
  });
  it('is how likely it is where that is in doubt, and what became of it', () => {
    expect(besideSize(one({}))).toBe('70 %');
    expect(besideSize(one({ odds: [{ label: 'M', chance: 0.9 }] }))).toBe('');
    expect(besideSize(one({ size: null }))).toBe('');
    expect(besideSize(one({ size: 'L' })))
      .withContext('a proposal that is no likely size')
      .toBe('0 %');
    expect(
      ['decided', 'in-hand', 'made-to-measure'].map((stands) => besideSize(one({ stands } as SizedOne))),
    ).toEqual(['decided', 'in hand', 'made to measure']);
    expect([sayStands(one({})), sayStands(one({ stands: 'in-hand' }))]).toEqual(['at an edge', 'in hand']);
  });
});
