import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { STORES } from '@neat-measure/contract/stores';
import { NEVER, Subject } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { Journal } from '../../data/journal/journal';
import { until, Wire } from '../../testing/wire';
import { bySize, sayDay, StoresAccount, today } from './stores-account';

describe('StoresAccount', () => {
  it('lays sizes out as people do', () => {
    const sorted = (...labels: string[]) => [...labels].sort(bySize);
    expect(sorted('L', 'XS', 'XXL', 'M', 'S')).toEqual(['XS', 'S', 'M', 'L', 'XXL']);
    expect(sorted('14 1/2/32', '14/31', '16/32', '15/33', '15/32')).toEqual([
      '14/31',
      '14 1/2/32',
      '15/32',
      '15/33',
      '16/32',
    ]);
    expect(sorted('7 3/8', '7', '6 7/8', '7 1/8')).toEqual(['6 7/8', '7', '7 1/8', '7 3/8']);
    expect(sorted('34x32', '34x28', '100x30')).toEqual(['34x28', '34x32', '100x30']);
  });

  it('asks anew once what was done on the Bench has been kept', () => {
    const unsent = signal(1);
    const wire = new Wire([StoresAccount, { provide: Journal, useValue: { unsent, kept: NEVER } }]);
    const account = TestBed.inject(StoresAccount);
    TestBed.tick();
    wire.http.expectOne(STORES.rooms).flush([]);
    wire.http.expectOne(STORES.warnings).flush([]);
    expect(account.turned()).toBe(0);
    unsent.set(0);
    TestBed.tick();
    wire.http.expectOne(STORES.warnings).flush([]);
    expect(account.turned()).toBe(1);
    unsent.set(2);
    TestBed.tick();
    wire.http.expectNone(STORES.warnings);
  });

  it('asks anew for what was kept between two looks at what waits', async () => {
    const kept = new Subject<void>();
    const wire = new Wire([StoresAccount, { provide: Journal, useValue: { unsent: signal(0), kept } }]);
    const account = TestBed.inject(StoresAccount);
    TestBed.tick();
    wire.http.expectOne(STORES.warnings).flush([]);
    kept.next();
    kept.next();
    await until(() => account.turned() > 0);
    expect(account.turned()).withContext('once for both').toBe(1);
    wire.http.expectOne(STORES.warnings).flush([]);
  });

  it('says where something is, and which day', () => {
    const wire = new Wire([StoresAccount]);
    const account = TestBed.inject(StoresAccount);
    const id = uuidv7();
    wire.http.expectOne(STORES.rooms).flush([{ id, name: 'Boathouse', version: 1 }]);
    wire.http.expectOne(STORES.warnings).flush([]);
    expect(['shelf', 'drying', 'quarantine'].map((one) => account.nameOf(`${id}/${one}`))).toEqual([
      'Boathouse',
      'Boathouse, drying',
      'Boathouse, set aside',
    ]);
    expect(['maker', 'wearer', 'waste', 'difference'].map((one) => account.nameOf(one))).toEqual([
      'the maker',
      'a wearer',
      'waste',
      'a count',
    ]);
    expect(today()).toMatch(/^\d{4}-\d\d-\d\d$/);
    expect(sayDay('2019-03-05')).toBe('5 Mar 2019');
    expect(sayDay(`${new Date().getFullYear()}-03-05`)).toBe('5 Mar');
  });
});
