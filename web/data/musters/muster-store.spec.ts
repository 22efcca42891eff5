import { DestroyRef } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { musterWearersPath, pathOf, ROUTES, type KeptMusterAct } from '@neat-measure/contract';
import { type MusterView } from '@neat-measure/contract/musters';
import { MUSTER_ACTS, type MusterAct, type MusterDoing } from '@neat-measure/core';
import { PARTS } from '@neat-measure/core/muster';
import { Subject } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { ODALYS } from '../../testing/watch-coat';
import { forgetDevice, until, Wire } from '../../testing/wire';
import type { Told } from '../hear-stream';
import { MusterService } from './muster-service';
import { MusterStore } from './muster-store';

const TIERNAN = { id: uuidv7(), name: 'Tiernan Oake' };

describe('the muster that is open', () => {
  let wire: Wire;
  let store: MusterStore;
  let heard: Subject<Told<KeptMusterAct>>;
  let after: number[];
  let place = 10;
  /** Another for each: what one spec leaves on its way is waited for under its muster. */
  let musterId: string;
  const [ilse, jonas] = [uuidv7(), uuidv7()];
  const bench = uuidv7();

  const act = (doing: MusterDoing, by: { id: string; name: string } = TIERNAN): MusterAct => ({
    id: uuidv7(),
    musterId,
    at: new Date().toISOString(),
    by,
    ...doing,
  });
  const kept = (one: MusterAct): KeptMusterAct => ({ place: ++place, receivedAt: one.at, act: one });
  const person = (wearerId: string) => ({ wearerId, docketId: uuidv7(), groupId: null, kitId: null });

  /** The muster as the server sends it: two people, one bench. */
  const view = (): MusterView => {
    const muster = MUSTER_ACTS.replay([
      act({
        kind: 'muster-opened',
        name: 'Intake',
        place: '',
        day: '2026-12-01',
        lastDay: '2026-12-01',
        unit: 'cm',
      }),
      act({ kind: 'station-opened', stationId: bench, name: 'Bench', parts: [...PARTS] }),
      act({ kind: 'people-added', people: [person(ilse), person(jonas)] }),
    ])!;
    const names = [
      { id: ilse, name: 'Ilse Marrow', role: 'Ranger', number: null },
      { id: jonas, name: 'Jonas Petek', role: 'Ranger', number: null },
    ];
    return {
      muster: JSON.parse(JSON.stringify(muster)) as MusterView['muster'],
      place,
      wearers: names,
      groups: [],
      alsoOn: [],
    };
  };

  beforeEach(async () => {
    await forgetDevice();
    wire = new Wire();
    heard = new Subject();
    after = [];
    place = 10;
    musterId = uuidv7();
    spyOn(TestBed.inject(MusterService), 'hear').and.callFake((_id, from) => {
      after.push(from());
      return heard;
    });
    store = TestBed.inject(MusterStore);
    store.open(musterId, TestBed.inject(DestroyRef));
    wire.http.expectOne(pathOf(ROUTES.musters, musterId)).flush(view());
  });
  afterEach(forgetDevice);

  const standing = (wearerId: string) =>
    store.muster()!.people.find((one) => one.wearerId === wearerId)!.day.standing.is;

  it('stands as it was fetched and hears everything behind that', () => {
    expect([store.muster()!.name, store.name(ilse), after]).toEqual(['Intake', 'Ilse Marrow', [10]]);
    const checked = kept(act({ kind: 'checked-in', wearerId: ilse, missing: ['girths'] }));
    heard.next({ kept: checked });
    heard.next({ kept: checked });
    expect([standing(ilse), standing(jonas)]).toEqual(['waiting', 'expected']);
    expect(store.queues().stations[0]!.waiting.length).toBe(1);
    heard.next('lost');
    expect(store.lost()).toBeTrue();
    heard.next('listening');
    expect(store.lost()).toBeFalse();
  });

  it('goes by the order of the server, whatever comes first', () => {
    const checked = kept(act({ kind: 'checked-in', wearerId: ilse, missing: null }));
    const called = kept(act({ kind: 'called', wearerId: ilse, stationId: bench }));
    heard.next({ kept: called });
    heard.next({ kept: checked });
    expect(standing(ilse)).toBe('at');
  });

  it('shows at once what is done here, sends it, and takes it back', async () => {
    expect(store.does({ kind: 'checked-in', wearerId: ilse, missing: null })).toBeTrue();
    expect([standing(ilse), store.last()!.words]).toEqual(['waiting', 'checked Ilse Marrow in.']);
    const { request, acts } = await wire.sent();
    const sent = acts[0] as unknown as MusterAct;
    request.flush([{ outcome: 'kept', id: sent.id, kept: kept(sent) }]);
    await until(() => standing(ilse) === 'waiting' && store.last() !== null);
    expect(store.undo()).toBeTrue();
    expect(standing(ilse)).toBe('expected');
    expect(store.undo()).toBeFalse();
  });

  it('does not take back what somebody else has gone on from', () => {
    store.does({ kind: 'checked-in', wearerId: ilse, missing: null });
    const mine = store.last()!.act;
    heard.next({ kept: kept(mine) });
    heard.next({ kept: kept(act({ kind: 'called', wearerId: ilse, stationId: bench })) });
    expect([store.last()!.undoing, store.undo()]).toEqual([null, false]);
  });

  it('says why something is not done, with the wearer’s name', async () => {
    store.does({ kind: 'checked-in', wearerId: ilse, missing: null });
    expect(store.does({ kind: 'checked-in', wearerId: ilse, missing: null })).toBeFalse();
    expect(store.trouble()).toBe('Ilse Marrow is checked in already.');
    const { request, acts } = await wire.sent();
    const sent = acts[0] as unknown as MusterAct;
    const detail = 'This muster is closed. A lead fitter can reopen it.';
    request.flush([{ outcome: 'refused', id: sent.id, code: 'muster-closed', detail }]);
    await until(() => standing(ilse) === 'expected');
    expect(store.trouble()).toBe(`Not saved: Odalys Wren checked Ilse Marrow in. ${detail}`);
  });

  it('asks who somebody is whom another has put on the list, and fetches a whole list anew', () => {
    const newcomer = uuidv7();
    heard.next({ kept: kept(act({ kind: 'people-added', people: [person(newcomer)] })) });
    expect(store.name(newcomer)).toBe('A wearer');
    wire.http
      .expectOne(`${musterWearersPath(musterId)}?ids=${newcomer}`)
      .flush([{ id: newcomer, name: 'Piet Lundgren', role: '' }]);
    expect(store.name(newcomer)).toBe('Piet Lundgren');
    const many = Array.from({ length: 60 }, () => person(uuidv7()));
    heard.next({ kept: kept(act({ kind: 'people-added', people: many })) });
    wire.http.expectOne(pathOf(ROUTES.musters, musterId)).flush(view());
    expect(store.muster()!.people.length).toBe(2);
  });

  it('knows the station whoever is signed in works at', () => {
    expect(store.own()).toBeNull();
    heard.next({ kept: kept(act({ kind: 'station-taken', stationId: bench, works: true }, ODALYS)) });
    expect(store.own()?.name).toBe('Bench');
  });
});
