import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { putBackPath, reservedCalledPath, STORES, type Reservation } from '@neat-measure/contract/stores';
import { v7 as uuidv7 } from 'uuid';
import { Wire } from '../../../testing/wire';
import { StoresAccount } from '../stores-account';
import { ReservedDesk } from './reserved-desk';

describe('ReservedDesk', () => {
  const docketId = uuidv7();
  const kept = (changes: Partial<Reservation> = {}): Reservation => ({
    id: uuidv7(),
    docketId,
    docketNumber: 34,
    wearer: 'Runa Castellanos',
    articleId: uuidv7(),
    garment: 'Marsh hat',
    label: 'M',
    code: 'NM000024',
    serial: null,
    roomId: uuidv7(),
    room: 'Loft',
    since: '2026-11-28T08:00:00.000Z',
    called: null,
    astray: null,
    toCome: 1,
    ...changes,
  });

  function open(all: readonly Reservation[]) {
    const wire = new Wire([StoresAccount, provideRouter([])]);
    TestBed.inject(StoresAccount);
    wire.http.expectOne(STORES.rooms).flush([]);
    wire.http.expectOne(STORES.warnings).flush([]);
    const fixture = TestBed.createComponent(ReservedDesk);
    fixture.detectChanges();
    wire.http.expectOne(STORES.reserved).flush(all);
    fixture.detectChanges();
    const host = fixture.nativeElement as HTMLElement;
    const press = (name: string, at = 0) => {
      [...host.querySelectorAll('button')].filter((one) => one.textContent.includes(name))[at]!.click();
      fixture.detectChanges();
    };
    const text = () => host.textContent.replace(/\s+/g, ' ');
    return { wire, host, press, text };
  }

  it('names whose goods have come, whoever is to be told first, and keeps that they were', () => {
    const told = { at: '2026-11-29T09:00:00.000Z', by: 'Tiernan Oakes' };
    const other = kept({
      docketId: uuidv7(),
      docketNumber: 12,
      wearer: 'Anton Mbali',
      called: told,
      toCome: 0,
    });
    const [one, two] = [kept(), kept({ garment: 'Jetty shirt', label: '15' })];
    const { wire, host, press, text } = open([other, one, two]);
    expect([...host.querySelectorAll('section h3')].map((heading) => heading.textContent.trim())).toEqual([
      jasmine.stringMatching(/^Runa Castellanos/),
      jasmine.stringMatching(/^Anton Mbali/),
    ]);
    expect(text()).toContain('2 garments have arrived, 1 still on order. Notify the wearer.');
    expect(text()).toContain('1 garment has arrived, nothing more is on order. Wearer notified.');
    expect(text()).toContain('notified by Tiernan Oakes on 29 Nov');
    press('Mark as notified');
    const sent = [one, two].map(({ id }) => wire.http.expectOne(reservedCalledPath(id)));
    expect(sent.map(({ request }) => request.body as unknown)).toEqual([{ called: true }, { called: true }]);
    sent.forEach((request) => request.flush(null));
    wire.http.expectOne(STORES.reserved).flush([]);
  });

  it('says why something is put back, and puts it back', () => {
    const { wire, press, text, host } = open([kept({ astray: 'other-size' })]);
    expect(text()).toContain('The wearer has another size now. Return the garment to the shelf.');
    expect(text()).toContain('None of these garments is needed any more.');
    expect(text()).not.toContain('Mark as notified');
    press('Return to shelf');
    wire.http
      .expectOne(({ url }) => url.startsWith(putBackPath('').slice(0, 12)) && url.endsWith('/back'))
      .flush(
        { type: '/problems/stock-refused', title: 'x', status: 409, detail: 'Handed over already.' },
        {
          status: 409,
          statusText: 'Conflict',
        },
      );
    wire.http.expectOne(STORES.reserved).flush([]);
    TestBed.tick();
    expect(host.querySelector('[role=alert]')!.textContent).toContain('Handed over already.');
  });
});
