import { TestBed } from '@angular/core/testing';
import { PATHS, ROUTES, type DeviceContact as Said } from '@neat-measure/contract';
import type { Act } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { actOn, readingOf } from '../../testing/watch-coat';
import { forgetDevice, until, Wire } from '../../testing/wire';
import { Contact } from '../contact';
import { Journal } from '../journal/journal';
import { JournalDb } from '../journal/journal-db';
import { SealedDb } from '../sealed/sealed-db';
import { Vault } from '../sealed/vault';
import { SessionService } from '../session-service';
import { DeviceContact } from './device-contact';
import { sayOff } from './say-off';

describe('a device that says that it is there', () => {
  let wire: Wire;
  let act: Act;
  beforeEach(async () => {
    await forgetDevice();
    wire = new Wire();
    act = actOn(uuidv7(), readingOf('chest-girth', '97'));
  });
  afterEach(forgetDevice);

  const said = async () => {
    let found = wire.http.match(PATHS.deviceContact);
    await until(() => (found = [...found, ...wire.http.match(PATHS.deviceContact)]).length > 0);
    return found[0]!;
  };

  it('tells what waits on it by docket, and hears how far its clock is off', async () => {
    TestBed.inject(Journal).write('pen', act);
    TestBed.inject(DeviceContact);
    const request = await said();
    expect((request.request.body as Said).waits).toEqual([
      { subject: (act as { docketId: string }).docketId, acts: 1, readings: 1 },
    ]);
    request.flush({ now: new Date(Date.now() - 3 * 3_600_000).toISOString(), ended: false });
    const { clockOff } = TestBed.inject(Contact);
    await until(() => clockOff() !== 0);
    expect(sayOff(clockOff())).toBe('The clock of this device is 3 hours ahead.');
    expect([sayOff(-300), sayOff(-400_000)]).toEqual([
      'The clock of this device is 5 minutes behind.',
      'The clock of this device is 5 days behind.',
    ]);
  });

  it('that is ended sends what waits, erases all it has, and says so', async () => {
    const journal = TestBed.inject(Journal);
    journal.write('pen', act);
    TestBed.inject(DeviceContact);
    (await said()).flush({ now: new Date().toISOString(), ended: true });
    const { request } = await wire.sent();
    request.flush([{ outcome: 'late', id: act.id, detail: 'It waits.' }]);
    let erased = wire.http.match(PATHS.deviceErased);
    await until(() => (erased = [...erased, ...wire.http.match(PATHS.deviceErased)]).length > 0);
    erased[0]!.flush(null);
    const session = TestBed.inject(SessionService);
    await until(() => session.ended());
    expect([session.fitter(), TestBed.inject(Vault).isOpen(), journal.unsent()]).toEqual([null, false, 0]);
    const [rows, sealed] = [new JournalDb(), new SealedDb()];
    expect([
      await rows.acts.count(),
      await rows.aside.count(),
      await sealed.keys.count(),
      await sealed.records.count(),
    ]).toEqual([0, 0, 0, 0]);
    rows.close();
    sealed.close();
  });

  it('that was ended while nobody was signed in erases itself before anybody can be', async () => {
    const session = TestBed.inject(SessionService);
    let who: unknown = 'nobody yet';
    session.ask().subscribe((one) => (who = one));
    wire.http
      .expectOne(ROUTES.session)
      .flush({ who: null, firstRun: false, device: null, deviceEnded: true });
    let erased = wire.http.match(PATHS.deviceErased);
    // The page still had its session: what it could read it tries to send first.
    await until(() => (erased = [...erased, ...wire.http.match(PATHS.deviceErased)]).length > 0);
    expect(who).toBe('nobody yet');
    erased[0]!.flush(null);
    let asked = wire.http.match(ROUTES.session);
    await until(() => (asked = [...asked, ...wire.http.match(ROUTES.session)]).length > 0);
    asked[0]!.flush({ who: null, firstRun: false, device: null });
    await until(() => who === null);
    expect(session.ended()).toBeTrue();
  });
});
