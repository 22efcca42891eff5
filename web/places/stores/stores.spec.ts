import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { scanPath, STORES } from '@neat-measure/contract/stores';
import { ShortcutService } from '../../parts/shortcuts/shortcut-service';
import { Wire } from '../../testing/wire';
import { Stores } from './stores';
import { StoresAccount } from './stores-account';

describe('Stores', () => {
  const WARNING = { articleId: null, orderId: null, bookingId: null, docketId: null, kind: 'low' } as const;

  function open(says: readonly string[] = []) {
    const wire = new Wire([provideRouter([])]);
    const fixture = TestBed.createComponent(Stores);
    document.body.append(fixture.nativeElement as HTMLElement);
    fixture.detectChanges();
    wire.http.expectOne(STORES.rooms).flush([]);
    wire.http.expectOne(STORES.warnings).flush(says.map((one) => ({ ...WARNING, says: one })));
    fixture.detectChanges();
    const gone = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    const host = fixture.nativeElement as HTMLElement;
    const press = (key: string) =>
      (document.activeElement ?? document.body).dispatchEvent(
        new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }),
      );
    const passed = () => new Promise((done) => setTimeout(done, 120));
    const account = fixture.debugElement.injector.get(StoresAccount);
    return { wire, fixture, gone, host, press, passed, account };
  }

  it('goes from desk to desk by key, and lists the keys', async () => {
    const { gone, press, passed } = open();
    press('h');
    await passed();
    expect(gone).toHaveBeenCalledOnceWith(['/stores', 'hire']);
    const listed = TestBed.inject(ShortcutService).shortcuts();
    expect(listed.map(({ does }) => does)).toContain('go to Stock count');
  });

  it('takes no key of a scanner for a command', async () => {
    const { wire, gone, press, passed } = open();
    for (const key of 'SHORE42') press(key);
    press('Enter');
    await passed();
    expect(gone).not.toHaveBeenCalled();
    wire.http.expectOne(scanPath('SHORE42'));
  });

  it('lets the desk that is open have its keys first', async () => {
    const { press, passed, account, gone } = open();
    const run = jasmine.createSpy('run');
    account.keys.set([{ keys: ['h'], does: 'halve it', run }]);
    press('h');
    await passed();
    expect(run).toHaveBeenCalledTimes(1);
    expect(gone).not.toHaveBeenCalled();
  });

  it('goes through what is to be done with the arrows', async () => {
    const { press, passed } = open(['One is late.', 'One is due.']);
    const at = () => document.activeElement?.textContent.trim();
    press('t');
    await passed();
    expect(at()).toBe('One is late.');
    press('ArrowDown');
    expect(at()).toBe('One is due.');
    press('ArrowDown');
    expect(at()).withContext('the last').toBe('One is due.');
    press('ArrowUp');
    expect(at()).toBe('One is late.');
  });
});
