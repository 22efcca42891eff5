import fc from 'fast-check';
import { correctionOf, differencesOf, withUncounted } from './count';
import { needOf, totalOf } from './needs';
import { standingOfOrder, type OrderEvent } from './order';
import { sayMessage } from './say-message';
import {
  makerAnswerSchema,
  orderAsCsv,
  orderSheetSchema,
  type MakerMessage,
  type OrderSheet,
} from './order-sheet';

const NO_SPARES = { sparePercent: 0, spareLeast: 0 };

describe('what is to be ordered', () => {
  const need = (wanted: number, there: number, coming: number, minimum = 0, spares = NO_SPARES) =>
    needOf({ wanted, there, coming, minimum }, spares);

  it('is what wearers lack, less what lies there and what is on its way', () => {
    expect(need(5, 2, 1)).toEqual({ forWearers: 2, forShelf: 0, spares: 0 });
    expect(need(2, 5, 0).forWearers).toBe(0);
    expect(need(0, 0, 0)).toEqual({ forWearers: 0, forShelf: 0, spares: 0 });
  });

  it('fills the shelf up to its least, by what the wearers leave of it', () => {
    expect(need(3, 4, 0, 3)).toEqual({ forWearers: 0, forShelf: 2, spares: 0 });
    expect(need(6, 4, 0, 3)).toEqual({ forWearers: 2, forShelf: 3, spares: 0 });
    expect(need(0, 1, 2, 3).forShelf).toBe(0);
  });

  it('adds spares by the rule, rounded up, and none where nothing is ordered for wearers', () => {
    const rule = { sparePercent: 10, spareLeast: 0 };
    expect(need(21, 0, 0, 0, rule).spares).toBe(3);
    expect(need(1, 0, 0, 0, { sparePercent: 10, spareLeast: 2 }).spares).toBe(2);
    expect(need(1, 1, 0, 0, { sparePercent: 10, spareLeast: 2 }).spares).toBe(0);
  });

  it('counts what fills the shelf as spares, and not twice', () => {
    expect(totalOf({ forWearers: 4, forShelf: 3, spares: 2 })).toBe(7);
    expect(totalOf({ forWearers: 4, forShelf: 0, spares: 2 })).toBe(6);
  });

  it('leaves nobody without, and never orders again what was ordered', () => {
    const few = fc.nat(20);
    fc.assert(
      fc.property(few, few, few, few, (wanted, there, coming, minimum) => {
        const total = totalOf(needOf({ wanted, there, coming, minimum }, NO_SPARES));
        const after = needOf({ wanted, there, coming: coming + total, minimum }, NO_SPARES);
        return there + coming + total >= wanted && totalOf(after) === 0;
      }),
    );
  });
});

describe('how an order stands', () => {
  const lines = [
    { line: 1, articleId: 'a', count: 5 },
    { line: 2, articleId: 'b', count: 2 },
  ];
  const sent: OrderEvent = { kind: 'sent', at: '2026-06-01T08:00:00.000Z' };
  const hears = (message: Partial<MakerMessage> & Pick<MakerMessage, 'says'>): OrderEvent => ({
    kind: 'heard',
    message: { place: 1, on: '2026-06-02', ...message } as MakerMessage,
  });
  const acknowledged = hears({ says: 'acknowledged', promised: '2026-06-10' });
  const received = (line: number, count: number): OrderEvent => ({ kind: 'received', line, count });
  const on = (events: OrderEvent[], today = '2026-06-05') => standingOfOrder(lines, events, today);

  it('goes from a draft to done', () => {
    expect(on([]).stage).toBe('draft');
    expect(on([sent]).stage).toBe('sent');
    expect(on([sent, acknowledged]).stage).toBe('acknowledged');
    expect(on([sent, acknowledged, received(1, 2)]).stage).toBe('part-received');
    expect(on([sent, received(1, 5), received(2, 2)]).stage).toBe('done');
    expect(on([sent, received(1, 5), received(2, 1), { kind: 'closed', line: 2, count: 1 }]).stage).toBe(
      'ended',
    );
  });

  it('is ended, and not all here, where somebody waits no more for the rest', () => {
    const line = { line: 1, articleId: 'a', count: 15 };
    const events = [
      { kind: 'sent', at: '2026-05-04T08:00:00.000Z' },
      { kind: 'received', line: 1, count: 3 },
      { kind: 'closed', line: 1, count: 12 },
    ] as const;
    expect(standingOfOrder([line], events, '2026-05-10').stage).toBe('ended');
    expect(standingOfOrder([{ ...line, count: 3 }], events.slice(0, 2), '2026-05-10').stage).toBe('done');
  });

  it('is silent where its maker has named no day for too long, and something is still to come', () => {
    const line = { line: 1, articleId: 'a', count: 2 };
    const sent = { kind: 'sent', at: '2026-05-04T08:00:00.000Z' } as const;
    const since = (events: Parameters<typeof standingOfOrder>[1], day: string) =>
      standingOfOrder([line], events, day).silentSince;
    expect(since([sent], '2026-05-09')).toBeNull();
    expect(since([sent], '2026-05-10')).toBe('2026-05-04');
    expect(since([], '2026-05-10')).withContext('a draft').toBeNull();
    const says = { says: 'acknowledged', promised: '2026-06-01', place: 1, on: '2026-05-20' } as const;
    expect(since([sent, { kind: 'heard', message: says }], '2026-05-30')).toBeNull();
    expect(since([sent, { kind: 'received', line: 1, count: 2 }], '2026-05-30')).toBeNull();
  });

  it('is late once the day that was named last is past, and something is still to come', () => {
    expect(on([sent, acknowledged], '2026-06-10').late).toBeFalse();
    expect(on([sent, acknowledged], '2026-06-11').late).toBeTrue();
    const again = hears({ says: 'late', promised: '2026-06-20' });
    expect(on([sent, acknowledged, again], '2026-06-11').late).toBeFalse();
    expect(on([sent, acknowledged, received(1, 5), received(2, 2)], '2026-07-01').late).toBeFalse();
  });

  it('tells of each line what came, what is under way and what is still to come', () => {
    const despatched = hears({
      says: 'despatched',
      parcel: 'P1',
      holds: [
        { line: 1, count: 3, pieces: [] },
        { line: 2, count: 9, pieces: [] },
      ],
    });
    const standing = on([sent, despatched, received(1, 2)]);
    expect(standing.lines.map(({ received, open, underWay }) => [received, open, underWay])).toEqual([
      [2, 3, 1],
      [0, 2, 2],
    ]);
    const waits = on([
      hears({ says: 'back-ordered', line: 1, count: 4, until: '2026-08-01' }),
      received(1, 3),
    ]);
    expect(waits.lines[0]!.backOrdered).toEqual({ count: 2, until: '2026-08-01' });
  });

  it('says what a maker says, with the size and not the number of its line', () => {
    const said = (message: OrderEvent) =>
      message.kind === 'heard' ? sayMessage(message.message, (line) => `“line ${line}”`) : '';
    expect(said(acknowledged)).toContain('10 Jun 2026');
    expect(said(hears({ says: 'substituted', line: 2, count: 1, label: 'L' }))).toBe(
      'Sends L instead of 1 of “line 2”.',
    );
    expect(said(hears({ says: 'late', promised: '2026-06-20' }))).toContain('Delayed');
    expect(said(hears({ says: 'back-ordered', line: 1, count: 4, until: '2026-08-01' }))).toContain(
      '“line 1”',
    );
    expect(
      said(hears({ says: 'despatched', parcel: 'P1', holds: [{ line: 1, count: 3, pieces: [] }] })),
    ).toContain('3 for “line 1”');
  });
});

describe('the open form of an order', () => {
  const sheet: OrderSheet = {
    form: 'neat-measure-order',
    version: 1,
    order: '0198a4c0-0000-7000-8000-000000000001',
    number: 4,
    house: 'Brackwater Reserve',
    maker: 'Ostrel Workwear',
    sent: '2026-06-01T08:00:00.000Z',
    lines: [{ line: 1, garment: '=Field jacket', label: 'M', code: 'A7', count: 3, numbered: false }],
  };

  it('is read as it was written, and a table of it starts no formula', () => {
    expect(orderSheetSchema.parse(JSON.parse(JSON.stringify(sheet)))).toEqual(sheet);
    const csv = orderAsCsv(sheet);
    expect(csv.split('\n')[0]).toBe('order,maker,line,garment,size,code,count,numbered');
    expect(csv).toContain("'=Field jacket");
  });

  it('takes no count of nothing, no empty order, and no answer it does not know', () => {
    const refused = [
      { ...sheet, lines: [] },
      { ...sheet, lines: [{ ...sheet.lines[0]!, count: 0 }] },
      { ...sheet, version: 2 },
    ];
    for (const one of refused) expect(orderSheetSchema.safeParse(one).success).toBeFalse();
    const answer = { order: sheet.order, messages: [{ place: 1, on: '2026-06-01', says: 'shrugs' }] };
    expect(makerAnswerSchema.safeParse(answer).success).toBeFalse();
  });
});

describe('standingOfOrder', () => {
  it('knows what comes in the place of a line, by what its maker said last of that line', () => {
    const heard = (message: object): OrderEvent => ({
      kind: 'heard',
      message: { place: 1, on: '2026-06-01', ...message } as MakerMessage,
    });
    const lines = [1, 2].map((line) => ({ line, articleId: `${line}`, count: 3 }));
    const events = [
      heard({ says: 'substituted', line: 1, count: 2, label: 'L' }),
      heard({ says: 'substituted', line: 1, count: 1, label: 'XL' }),
      // Of another thing, and so nothing in its place.
      heard({ says: 'back-ordered', line: 1, count: 1, until: '2026-08-01' }),
    ];
    const waits = heard({ says: 'back-ordered', line: 2, count: 2, until: '2026-07-01' });
    const inPlace = heard({ says: 'substituted', line: 2, count: 1, label: 'L' });
    const came: OrderEvent = { kind: 'received', line: 2, count: 3 };
    const backOrdered = (...more: OrderEvent[]) =>
      standingOfOrder(lines, [waits, ...more], '2026-06-02').lines[1]!.backOrdered;
    const until = { count: 2, until: '2026-07-01' };
    expect([backOrdered(), backOrdered(inPlace), backOrdered(came)]).toEqual([until, until, null]);
    const { lines: standing } = standingOfOrder(lines, events, '2026-06-02');
    expect(standing.map(({ substitute }) => substitute)).toEqual([{ count: 1, label: 'XL' }, null]);
  });
});

describe('a count', () => {
  it('finds what is otherwise, and what nobody counted as missing', () => {
    const lines = withUncounted(
      new Map([
        ['a', 3],
        ['b', 1],
      ]),
      new Map([
        ['a', 3],
        ['c', 2],
      ]),
    );
    expect(differencesOf(lines)).toEqual([
      { articleId: 'b', counted: 1, listed: 0 },
      { articleId: 'c', counted: 0, listed: 2 },
    ]);
    expect(differencesOf(lines).map(correctionOf)).toEqual([1, -2]);
  });
});
