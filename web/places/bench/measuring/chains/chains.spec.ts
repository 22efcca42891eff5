import { TestBed } from '@angular/core/testing';
import { pathOf, ROUTES, SHIPPED_PROTOCOLS, type Bench } from '@neat-measure/contract';
import { NEVER } from 'rxjs';
import { benchFor, onShelf, watchCoat } from '../../../../testing/watch-coat';
import { forgetDevice, Wire } from '../../../../testing/wire';
import { DocketStore } from '../../docket-store';
import { CursorStore } from '../cursor-store';
import { EntryStore } from '../reading/entry-store';
import { stopsOf } from '../stops';

/** Reading along a chain, on the state of the Bench. */
describe('a chain on the Bench', () => {
  let store: DocketStore;
  let cursor: CursorStore;
  let entry: EntryStore;

  beforeEach(forgetDevice);
  afterEach(forgetDevice);

  const open = (protocolId: string, changes: Partial<Bench> = {}) => {
    const bench = benchFor(onShelf(watchCoat()), [{ kind: 'protocol-asked', protocolId }], {
      protocols: [...SHIPPED_PROTOCOLS],
      ...changes,
    });
    const wire = new Wire([DocketStore, CursorStore, EntryStore], NEVER);
    [store, cursor, entry] = [
      TestBed.inject(DocketStore),
      TestBed.inject(CursorStore),
      TestBed.inject(EntryStore),
    ];
    store.open(bench.id, () => cursor.begin());
    wire.http.expectOne(pathOf(ROUTES.dockets, bench.id)).flush(bench);
  };
  const type = (...texts: readonly string[]) => {
    for (const text of texts) {
      entry.write(text);
      entry.take();
    }
  };
  const at = () => cursor.current()?.code ?? cursor.stop().kind;

  it('reads all marks in a row, then all of them again, then goes on', () => {
    open('one-piece-suit');
    cursor.goTo('back-waist-length');
    expect(cursor.placing().map(({ code }) => code)).toEqual([
      'back-waist-length',
      'nape-to-hip',
      'nape-to-crotch',
    ]);
    type('42', '62', '70');
    expect(at()).toBe('back-waist-length');
    type('42', '62.5');
    expect(at()).toBe('nape-to-crotch');
    type('70');
    expect(['back-waist-length', 'nape-to-hip', 'nape-to-crotch']).not.toContain(at());
    expect(
      store.docket()!.readings.every(({ waist }) => waist === undefined || waist === 'natural'),
    ).toBeTrue();
  });

  it('asks at once where a mark does not lie beyond the one before, and takes it when it is so', () => {
    open('one-piece-suit');
    cursor.goTo('back-waist-length');
    type('42', '41');
    expect([at(), entry.off()?.before, store.docket()!.readings.length]).toEqual([
      'nape-to-hip',
      'back-waist-length',
      1,
    ]);
    entry.write('62');
    expect(entry.off()).withContext('typing on takes the question away').toBeNull();
    entry.write('41');
    entry.take();
    entry.takeOff();
    expect([at(), store.docket()!.readings.length]).toEqual(['nape-to-crotch', 2]);
  });

  it('reads a third time only the mark that does not agree', () => {
    open('one-piece-suit');
    cursor.goTo('back-waist-length');
    type('42', '62', '70', '42', '66', '70');
    expect(at()).toBe('nape-to-hip');
    type('62');
    expect(['back-waist-length', 'nape-to-hip', 'nape-to-crotch']).not.toContain(at());
  });

  it('takes back the mark that was read last, wherever the eye has gone', () => {
    open('one-piece-suit');
    cursor.goTo('back-waist-length');
    type('42', '62', '70', '42');
    expect(at()).toBe('nape-to-hip');
    entry.takeBack();
    expect(at()).toBe('back-waist-length');
    const standing = store.docket()!.readings.filter(({ withdrawnAt }) => withdrawnAt === null);
    expect(standing.map(({ typed }) => typed)).toEqual(['42', '62', '70']);
  });

  it('goes on with the other marks where one is skipped, in either round', () => {
    open('one-piece-suit');
    cursor.goTo('back-waist-length');
    type('42', '62');
    entry.pass('nape-to-crotch', 'The wearer declines');
    expect(at()).toBe('back-waist-length');
    type('42');
    expect(at()).toBe('nape-to-hip');
    type('62');
    expect(['back-waist-length', 'nape-to-hip', 'nape-to-crotch']).not.toContain(at());
  });

  it('changes to tiptoe with the tape in place, and announces it as no stop of its own', () => {
    open('designers-record');
    const keys = stopsOf(store.plan()).map(({ key }) => key);
    const flat = keys.indexOf('outside-leg-length');
    expect(keys[flat + 1]).toBe('waist-to-floor-tiptoe');
    expect(keys).not.toContain('stance:tiptoe');
  });

  it('offers no value that was read with the waist at another place', () => {
    const recorded = {
      value: 420_000 as never,
      takenAt: '2026-05-01T00:00:00.000Z',
      origin: 'fitter',
      due: false,
    } as const;
    open('one-piece-suit', {
      record: [
        { ...recorded, code: 'back-waist-length', waist: 'navel' },
        { ...recorded, code: 'nape-to-hip', value: 620_000 as never, waist: null, instrument: 'string' },
      ],
    });
    cursor.goTo('back-waist-length');
    expect(cursor.recorded()?.elsewhere).toBeTrue();
    entry.takeRecorded();
    expect(store.docket()!.readings).toEqual([]);
    cursor.goTo('nape-to-hip');
    expect(cursor.recorded()?.elsewhere).toBeFalse();
    entry.takeRecorded();
    expect(store.docket()!.readings.map(({ instrument }) => instrument)).toEqual(['string']);
  });

  it('asks for wishes only where a protocol does, or somebody wants them', () => {
    open('one-piece-suit');
    const kinds = () => cursor.stops().map(({ kind }) => kind);
    expect(kinds()).not.toContain('wishes');
    cursor.toWishes();
    expect([kinds().at(-4), at()]).toEqual(['wishes', 'wishes']);
    open('designers-record');
    expect(kinds().at(-4)).toBe('wishes');
  });
});
