import { TestBed } from '@angular/core/testing';
import { STORES, type CountSave } from '@neat-measure/contract/stores';
import { v7 as uuidv7 } from 'uuid';
import { articleOf, pieceOf, scannedOf } from '../../../testing/stores';
import { Wire } from '../../../testing/wire';
import { StoresAccount } from '../stores-account';
import { CountDesk } from './count-desk';

describe('CountDesk', () => {
  beforeEach(() => localStorage.clear());
  afterEach(() => localStorage.clear());

  function open() {
    const wire = new Wire([StoresAccount]);
    const account = TestBed.inject(StoresAccount);
    const roomId = uuidv7();
    wire.http.expectOne(STORES.rooms).flush([{ id: roomId, name: 'Loft', version: 1 }]);
    wire.http.expectOne(STORES.warnings).flush([]);
    const fixture = TestBed.createComponent(CountDesk);
    fixture.detectChanges();
    wire.http.match((request) => request.url.startsWith(STORES.stock));
    const host = fixture.nativeElement as HTMLElement;
    const scan = (...args: Parameters<typeof scannedOf>) => {
      account.taker()!(scannedOf(...args));
      fixture.detectChanges();
    };
    const press = (name: string) => {
      [...host.querySelectorAll('button')].find((one) => one.textContent.includes(name))!.click();
      fixture.detectChanges();
    };
    const text = () => host.textContent.replace(/\s+/g, ' ');
    const sent = () => wire.http.match((request) => request.url.startsWith(STORES.counts)).at(-1)!;
    return { fixture, roomId, scan, press, text, sent, wire, host };
  }
  const cap = articleOf({
    there: [{ roomId: uuidv7(), shelf: 31, drying: 0, quarantine: 0, reserved: 0, blocked: 0 }],
  });

  it('counts what is scanned, and tells nobody what should be there', () => {
    const { scan, text, press, sent, roomId } = open();
    scan(cap);
    scan(cap);
    expect(text()).toContain('Marsh cap M: 2');
    expect(text()).not.toContain('31');
    press('Finish count');
    const { lines, pieceIds, roomId: where } = sent().request.body as CountSave;
    expect([lines, pieceIds, where]).toEqual([[{ articleId: cap.id, counted: 2 }], [], roomId]);
  });

  it('counts a numbered piece once, however often it is scanned, and none without its number', () => {
    const suit = articleOf({ garment: 'Grebe dry suit', numbered: true });
    const piece = pieceOf(suit.id, 'GS-01');
    const { scan, text, press, sent } = open();
    scan(suit, piece);
    scan(suit, piece);
    expect(text()).toContain('GS-01 is counted already.');
    scan(suit);
    expect(text()).toContain('Scan or enter the number of each piece');
    press('Finish count: 1 counted');
    const { lines, pieceIds } = sent().request.body as CountSave;
    expect([lines, pieceIds]).toEqual([[], [piece.id]]);
  });

  it('is there again after the page was lost, and gone once the stock is corrected', () => {
    open().scan(cap);
    const again = open();
    expect(again.text()).toContain('Finish count: 1 counted');
    again.press('Finish count');
    const request = again.sent();
    const difference = {
      articleId: cap.id,
      garment: 'Marsh cap',
      label: 'M',
      counted: 1,
      listed: 3,
      pieces: [],
    };
    request.flush({
      id: request.request.url.split('/').at(-1)!,
      differences: [difference],
      moved: [{ garment: 'Marsh cap', label: 'M', change: -1, at: new Date().toISOString() }],
      explained: false,
    });
    again.fixture.detectChanges();
    expect(again.text()).toContain('counted 1, in stock 3');
    expect(again.text()).toContain('1 of Marsh cap M removed');
    const why = again.host.querySelector<HTMLInputElement>('input[placeholder=why]')!;
    why.value = 'Lent';
    why.dispatchEvent(new Event('input'));
    again.fixture.detectChanges();
    again.press('Correct the stock');
    const explained = again.sent();
    expect((explained.request.body as { reasons: unknown }).reasons).toEqual([
      { articleId: cap.id, reason: 'Lent' },
    ]);
    explained.flush({ id: uuidv7(), differences: [], moved: [], explained: true });
    again.fixture.detectChanges();
    expect(again.text()).toContain('The stock is corrected.');
    expect(open().text()).toContain('Counted garments appear here.');
  });

  it('is there again for the room it was counted in, whichever is offered first', () => {
    const first = open();
    first.scan(cap);
    const again = open();
    again.press('Finish count');
    const { roomId, seconds, only } = again.sent().request.body as CountSave;
    expect([roomId, again.roomId === roomId, only]).toEqual([first.roomId, false, 'room']);
    expect(seconds).toBeLessThan(60);
  });

  it('begins empty where what was kept cannot be read', () => {
    for (const kept of ['{"a":', '[{"count":3}]', '{"roomId":"x","counted":[{}]}']) {
      localStorage.setItem('neat-measure:count', kept);
      expect(open().text()).toContain('Counted garments appear here.');
    }
  });
});
