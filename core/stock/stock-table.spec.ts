import {
  isDay,
  planStock,
  roleOfHeading,
  STOCK_TABLE_HEAD,
  type KnownGarment,
  type StockKnown,
  type StockRole,
} from './stock-table';

const KNOWN: readonly KnownGarment[] = [
  {
    seriesId: 's1',
    garment: 'Field jacket',
    maker: 'Ostrel',
    numbered: false,
    labelAs: (one) => (/^[SML]$/i.test(one) ? one.toUpperCase() : null),
  },
  { seriesId: 's2', garment: 'Cap', maker: 'Ostrel', numbered: false, labelAs: (one) => one },
  { seriesId: 's3', garment: 'Cap', maker: 'Kelp', numbered: false, labelAs: (one) => one },
  { seriesId: 's4', garment: 'Vest', maker: 'Kelp', numbered: true, labelAs: (one) => one },
];
const ROOMS = ['Loft', 'Boat shed', 'Bay 1', 'Bay-1'].map((name) => ({ id: `id of ${name}`, name }));
const plan = (rows: string[][], said: [number, StockRole][] = [], more: Partial<StockKnown> = {}) =>
  planStock({ rows: rows.map((cells, at) => ({ line: at + 1, cells })) }, new Map(said), {
    garments: KNOWN,
    rooms: ROOMS,
    remembered: new Map(),
    ...more,
  });
const faults = (rows: string[][]) => plan(rows).faults.map(({ line, says }) => `${line}: ${says}`);

describe('a table of stock', () => {
  it('is read by its headings', () => {
    const { rows, asks } = plan([
      ['Item', 'Size', 'Qty', 'Min', 'Shelf no. of the old system'],
      ['Field jacket', 'm', '4', '2', 'B7'],
    ]);
    expect(rows).withContext('something is still to be said').toEqual([]);
    expect(asks).toEqual(['What is “Shelf no. of the old system”?']);
    const said = plan(
      [
        ['Item', 'Size', 'Qty', 'Min', 'Shelf no. of the old system'],
        ['Field jacket', 'm', '4', '2', 'B7'],
      ],
      [[4, 'left-out']],
    );
    expect(said.rows.map(({ seriesId, label, count, minimum }) => [seriesId, label, count, minimum])).toEqual(
      [['s1', 'M', 4, 2]],
    );
    expect(said.faults).toEqual([]);
  });

  it('takes cells without the blanks around them, a code where one stands, and leaves out as many columns as are said', () => {
    const { rows, asks } = plan(
      [
        ['Item', 'Size', 'Qty', 'EAN', 'Hook', 'Row'],
        [' Field jacket ', ' M', ' 4 ', ' 400123 ', '1', '2'],
        ['Field jacket', 'L', '1', '', '', ''],
      ],
      [
        [4, 'left-out'],
        [5, 'left-out'],
      ],
    );
    expect(asks).toEqual([]);
    expect(rows.map(({ label, count, code }) => [label, count, code])).toEqual([
      ['M', 4, '400123'],
      ['L', 1, null],
    ]);
  });

  it('asks which column is what, and takes no two for one', () => {
    expect(plan([]).asks.length).withContext('nothing at all').toBeGreaterThan(0);
    expect(plan([['Item', 'Qty']]).asks).toEqual(['Which column is the size?']);
    expect(plan([['Item', 'Size']]).asks).toEqual(['Which column has the count, or the piece number?']);
    expect(plan([['Item', 'Size', 'Qty', 'Stock']]).asks).toEqual([
      'Two columns are how many. Leave one of them out.',
    ]);
    expect([
      roleOfHeading('QTY'),
      roleOfHeading('Serial No.'),
      roleOfHeading('Weight'),
      roleOfHeading(''),
    ]).toEqual(['count', 'serial', null, 'left-out']);
  });

  it('tells what it cannot take, line by line, and takes nothing like it instead', () => {
    const table = (...rows: string[][]) => [
      ['Item', 'Maker', 'Size', 'Qty', 'Serial number', 'Made'],
      ...rows,
    ];
    expect(
      faults(
        table(
          ['Raincoat', '', 'M', '1', '', ''],
          ['Cap', '', 'M', '1', '', ''],
          ['Field jacket', '', '46', '1', '', ''],
          ['Field jacket', '', 'M', '1,5', '', ''],
          ['Field jacket', '', 'M', '-2', '', ''],
          ['Field jacket', '', 'M', '1', 'X1', ''],
          ['Vest', '', '13', '1', '', ''],
          ['Vest', '', '13', '2', 'V1', ''],
          ['Vest', '', '13', '', 'V2', '31.03.2026'],
          ['Vest', '', '13', '', 'V3', '2026-02-30'],
        ),
      ),
    ).toEqual([
      '2: There is no chart called “Raincoat”.',
      '3: “Cap” is made by Ostrel and Kelp. Add the maker.',
      '4: “46” is not a size of Field jacket.',
      '5: “1,5” is not a count. Enter a whole number.',
      '6: “-2” is not a count. Enter a whole number.',
      '7: Field jacket is not numbered here. Leave the number out, or set it to numbered under Storage rules.',
      '8: Vest is numbered. Enter one row per piece, with its number.',
      '9: Piece V1 has a count of 2; a numbered piece counts as 1.',
      '10: “31.03.2026” is not a date. Write it as 2026-03-31.',
      '11: “2026-02-30” is not a date. Write it as 2026-03-31.',
    ]);
    const twice = plan(table(['Vest', '', '13', '', 'V1', ''], ['Vest', '', '14', '1', 'V1', '2026-03-31']));
    expect(twice.rows.length).toBe(1);
    expect(twice.faults[0]!.says).toBe('Piece V1 is listed twice.');
    expect(plan(table(['Cap', 'kelp', '7', '0', '', ''])).rows[0]!.seriesId).toBe('s3');
  });

  it('gives an article one shelf, and cuts no name of one', () => {
    const head = ['garment', 'maker', 'size', 'count', 'shelf'];
    const { rows, faults } = plan([
      head,
      ['Field jacket', '', 'M', '1', 'A 12'],
      ['Field jacket', '', 'M', '2', ''],
      ['Field jacket', '', 'M', '1', 'A 12'],
      ['Field jacket', '', 'M', '1', 'B 3'],
      ['Field jacket', '', 'L', '1', 'x'.repeat(41)],
    ]);
    expect(rows.map(({ bin }) => bin)).toEqual(['A 12', null, 'A 12']);
    expect(faults.map(({ says }) => says)).toEqual([
      'Field jacket M is on shelf A 12 in an earlier line. Enter the same shelf, or leave it empty.',
      `The shelf “${'x'.repeat(20)}…” is longer than 40 letters. Shorten it.`,
    ]);
  });

  it('reads back what it writes, into the rooms it names', () => {
    expect(STOCK_TABLE_HEAD.map(roleOfHeading)).toEqual([
      'garment',
      'maker',
      'size',
      'code',
      'room',
      'place',
      'bin',
      'count',
      'minimum',
      'serial',
      'made',
    ]);
    const { rows, faults: wrong } = plan([
      ['garment', 'size', 'count', 'room', 'lies'],
      ['Field jacket', 'M', '4', 'Loft', 'shelf'],
      ['Field jacket', 'M', '1', 'boat shed', 'set aside'],
      ['Field jacket', 'M', '2', '', ''],
      ['Field jacket', 'M', '3', 'Bay-1', 'Drying'],
      ['Field jacket', 'M', '1', 'Cellar', ''],
      ['Field jacket', 'M', '1', 'bay 1', ''],
      ['Field jacket', 'M', '1', 'Loft', 'lent'],
    ]);
    expect(rows.map(({ count, roomId, compartment }) => [count, roomId, compartment])).toEqual([
      [4, 'id of Loft', 'shelf'],
      [1, 'id of Boat shed', 'quarantine'],
      [2, null, 'shelf'],
      [3, 'id of Bay-1', 'drying'],
    ]);
    expect(wrong.map(({ line, says }) => [line, says.split(':')[0]!.slice(0, 30)])).toEqual([
      [6, 'There is no room called “Cella'],
      [7, 'There is no room called “bay 1'],
      [8, '“lent” is not a place in a roo'],
    ]);
  });

  it('takes a heading for what it was said to be the last time, and says so', () => {
    const table = [
      ['Item', 'Size', 'Qty', 'Hook'],
      ['Field jacket', 'M', '4', '12'],
    ];
    const remembered = new Map<string, StockRole>([
      ['hook', 'left-out'],
      ['qty', 'minimum'],
    ]);
    const { columns, rows } = plan(table, [], { remembered });
    expect(columns.map(({ role, remembered: was }) => [role, was])).toEqual([
      ['garment', false],
      ['size', false],
      ['count', false],
      ['left-out', true],
    ]);
    expect(rows.length).toBe(1);
    expect(plan(table, [[3, 'minimum']], { remembered }).rows[0]!.minimum).toBe(12);
  });

  it('knows the days of the calendar', () => {
    expect(['2024-02-29', '2026-02-29', '2026-13-01', '20260101', ''].map(isDay)).toEqual([
      true,
      false,
      false,
      false,
      false,
    ]);
  });
});
