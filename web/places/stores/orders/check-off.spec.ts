import { TestBed } from '@angular/core/testing';
import { deliveryPath, STORES, type Delivery, type Order } from '@neat-measure/contract/stores';
import { articleOf, orderOf, pieceOf, scannedOf } from '../../../testing/stores';
import { Wire } from '../../../testing/wire';
import { StoresAccount } from '../stores-account';
import { CheckOff } from './check-off';

describe('CheckOff', () => {
  function open(order: Order) {
    const wire = new Wire([StoresAccount]);
    const account = TestBed.inject(StoresAccount);
    wire.http.expectOne(STORES.rooms).flush([]);
    wire.http.expectOne(STORES.warnings).flush([]);
    const fixture = TestBed.createComponent(CheckOff);
    fixture.componentRef.setInput('order', order);
    fixture.detectChanges();
    const host = fixture.nativeElement as HTMLElement;
    const press = (name: string) => {
      [...host.querySelectorAll('button')].find((one) => one.textContent.includes(name))!.click();
      fixture.detectChanges();
    };
    const write = (label: string, text: string) => {
      const field = [...host.querySelectorAll('input')].find((one) => one.ariaLabel?.includes(label))!;
      field.value = text;
      field.dispatchEvent(new Event('input'));
      field.dispatchEvent(new Event('change'));
      fixture.detectChanges();
    };
    const scan = (...args: Parameters<typeof scannedOf>) => {
      account.taker()!(scannedOf(...args));
      fixture.detectChanges();
    };
    const says = (role: string) => host.querySelector(`[role=${role}]`)?.textContent.trim() ?? '';
    const sent = () => {
      const match = wire.http.match((request) => request.url.startsWith(deliveryPath(order.id, '')));
      return match.length === 0
        ? null
        : { holds: (match[0]!.request.body as Delivery).holds, request: match[0]! };
    };
    press('Check delivery');
    return { host, press, write, scan, says, sent, account };
  }

  it('counts what is scanned, up to what was ordered; the rest was not', () => {
    const [cap, hat] = [articleOf(), articleOf({ label: 'L' })];
    const { scan, says, press, sent, account } = open(orderOf([cap, hat]));
    for (let scans = 0; scans < 6; scans++) scan(cap);
    expect(says('status')).toContain('was not ordered, or more came than ordered');
    press('Add to stock');
    const { holds, request } = sent()!;
    expect(holds.map(({ line, label, count, does }) => [line, label, count, does])).toEqual([
      [1, 'M', 5, 'take-in'],
      [null, 'M', 1, 'take-in'],
    ]);
    request.flush(orderOf([cap, hat]));
    expect(account.taker()).withContext('what is scanned next is no parcel’s').toBeNull();
  });

  it('takes another size for what it is, or in the place of one where its maker says so', () => {
    const cap = articleOf();
    const order = orderOf([cap]);
    const { scan, says, press, sent } = open({
      ...order,
      lines: [{ ...order.lines[0]!, substitute: { count: 5, label: 'L' } }],
    });
    scan(articleOf({ seriesId: cap.seriesId, label: 'L' }));
    expect(says('status')).toContain('replaces M');
    scan(articleOf({ label: 'S' }));
    press('Add to stock');
    expect(sent()!.holds.map(({ line, label }) => [line, label])).toEqual([
      [1, 'L'],
      [null, 'S'],
    ]);
  });

  it('fills in what its maker says is under way, and nothing that comes later', () => {
    const [cap, hat] = [articleOf(), articleOf({ label: 'L' })];
    const order = orderOf([cap, hat]);
    const later = { ...order.lines[1]!, underWay: 0, backOrdered: { count: 5, until: '2026-12-07' } };
    const { press, sent } = open({ ...order, lines: [{ ...order.lines[0]!, underWay: 3 }, later] });
    press('Everything on the delivery note');
    press('Add to stock');
    expect(sent()!.holds.map(({ line, count }) => [line, count])).toEqual([[1, 3]]);
    const silent = open({ ...order, lines: [order.lines[0]!, later] });
    silent.press('Everything on the delivery note');
    silent.press('Add to stock');
    expect(silent.sent()!.holds.map(({ line, count }) => [line, count])).toEqual([[1, 5]]);
  });

  it('takes how many came of another size at once', () => {
    const cap = articleOf();
    const { scan, write, press, sent } = open(orderOf([cap]));
    scan(articleOf({ label: 'S' }));
    write('How many came of', '6');
    press('Add to stock');
    expect(sent()!.holds.map(({ label, count }) => [label, count])).toEqual([['S', 6]]);
  });

  it('wants the number of each piece, and takes its day from what the maker wrote', () => {
    const suit = articleOf({ garment: 'Grebe dry suit', numbered: true });
    const order = orderOf([suit]);
    const pieces = [{ serial: 'A1', made: '2026-01-01' }];
    const { write, says, press, sent, scan } = open({
      ...order,
      lines: [{ ...order.lines[0]!, pieces, underWay: 1 }],
    });
    write('How many of Grebe', '2');
    press('Add to stock');
    expect(says('alert')).toContain('2 came, and 1 number is entered');
    write('Piece numbers', 'A1, B2 C3');
    press('Add to stock');
    expect(says('alert')).withContext('which two of three nobody guesses').toContain('3 numbers');
    write('Piece numbers', 'A1, B2');
    press('Add to stock');
    expect(sent()!.holds[0]!.pieces).toEqual([
      { serial: 'A1', made: '2026-01-01', goodUntil: null },
      { serial: 'B2', made: null, goodUntil: null },
    ]);
    scan(suit, pieceOf(suit.id, 'A1'));
    expect(says('status')).toContain('A1 is already in stock');
  });

  it('takes a numbered piece of another size by its number, or sends it back without', () => {
    const suit = articleOf({ garment: 'Grebe dry suit', numbered: true });
    const { scan, write, says, press, sent } = open(orderOf([suit]));
    scan(articleOf({ ...suit, id: suit.chartId, label: 'L' }));
    press('Add to stock');
    expect([says('alert').includes('Grebe dry suit L is numbered: 1 came'), sent()]).toEqual([true, null]);
    write('Piece numbers of Grebe dry suit L', 'B7');
    press('Add to stock');
    const [{ line, label, pieces, does }] = sent()!.holds as [Delivery['holds'][number]];
    expect([line, label, pieces.map(({ serial }) => serial), does]).toEqual([null, 'L', ['B7'], 'take-in']);
  });

  it('sends a parcel again under the same id where nobody knows whether it arrived', () => {
    const { write, press, sent } = open(orderOf([articleOf()]));
    write('How many of Marsh', '2');
    press('Add to stock');
    const lost = sent()!.request;
    lost.error(new ProgressEvent('error'));
    write('How many of Marsh', '2');
    press('Add to stock');
    const again = sent()!.request;
    expect(again.request.url).toBe(lost.request.url);
    again.flush(
      { type: '/problems/stock-refused', title: 'x', status: 409, detail: 'No.' },
      { status: 409, statusText: 'Conflict' },
    );
    write('How many of Marsh', '2');
    press('Add to stock');
    expect(sent()!.request.request.url).withContext('refused, it is another').not.toBe(lost.request.url);
  });

  it('sends nothing where nothing is checked off, or what is typed is no number', () => {
    const { press, write, says, sent } = open(orderOf([articleOf()]));
    press('Add to stock');
    expect(says('alert')).toBe('Nothing is checked yet.');
    write('How many of Marsh', '2,5');
    press('Add to stock');
    expect([says('alert'), sent()]).toEqual(['“2,5” is not a number.', null]);
  });

  it('takes all that its maker says is there', () => {
    const order = orderOf([articleOf(), articleOf({ label: 'L' })]);
    const { press, sent } = open({ ...order, lines: [{ ...order.lines[0]!, underWay: 2 }, order.lines[1]!] });
    press('Everything on the delivery note');
    press('Add to stock');
    // Of the other line its maker says nothing.
    expect(sent()!.holds.map(({ line, count }) => [line, count])).toEqual([[1, 2]]);
  });
});
