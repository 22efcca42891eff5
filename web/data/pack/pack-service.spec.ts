import { TestBed } from '@angular/core/testing';
import {
  benchSchema,
  listPath,
  musterPackPath,
  pathOf,
  problemType,
  ROUTES,
  wearersSchema,
} from '@neat-measure/contract';
import type { Pack } from '@neat-measure/contract/musters';
import { firstValueFrom } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { hallPack } from '../../testing/hall-pack';
import { actOn, keptAct, readingOf } from '../../testing/watch-coat';
import { forgetDevice, until, Wire } from '../../testing/wire';
import { Api } from '../api';
import { Contact } from '../contact';
import { Journal } from '../journal/journal';
import { Vault } from '../sealed/vault';
import { Newcomers } from './newcomers';
import { PackService } from './pack-service';

describe('a muster that a device has taken along', () => {
  let wire: Wire;
  let service: PackService;
  let contact: Contact;
  const { pack, bench } = hallPack();
  const { id } = pack.view.muster;
  const start = async () => {
    wire = new Wire();
    await TestBed.inject(Vault).whenOpen();
    service = TestBed.inject(PackService);
    contact = TestBed.inject(Contact);
    await service.known;
  };
  const asked = async () => {
    let found = wire.http.match(musterPackPath(id));
    await until(() => (found = [...found, ...wire.http.match(musterPackPath(id))]).length > 0);
    return found[0]!;
  };
  const take = async (taken: Pack = pack) => {
    const done = service.take(id);
    (await asked()).flush(taken);
    await done;
  };
  /** The server is back, and what was taken along is brought up to date. */
  const back = async () => {
    contact.reached();
    return asked();
  };
  /** A docket, answered in the server's place. */
  const known = () =>
    firstValueFrom(TestBed.inject(Api).get(pathOf(ROUTES.dockets, bench.id), benchSchema)).then(
      ({ acts }) => acts.length,
      () => 'not known',
    );

  beforeEach(async () => {
    await forgetDevice();
    await start();
  });
  afterEach(forgetDevice);

  it('answers while the server is away, on a page loaded anew too', async () => {
    await take();
    expect(service.taken()).toEqual(jasmine.objectContaining({ musterId: id, wearers: 2, house: 'h' }));
    await start();
    expect(service.taken()!.musterId).toBe(id);
    contact.failed();
    expect(await known()).toBe(bench.acts.length);
    await service.drop();
    expect(service.ready()).toBeFalse();
  });

  it('has what the server kept a moment ago, before it is written down here', async () => {
    await take();
    const vault = TestBed.inject(Vault);
    spyOn(vault, 'keep').and.returnValue(new Promise(() => undefined));
    const act = actOn(bench.id, readingOf('waist-girth', '78'));
    const journal = TestBed.inject(Journal);
    journal.write('pen', act);
    const { request } = await wire.sent();
    request.flush([{ outcome: 'kept', id: act.id, kept: { ...keptAct(act), place: pack.place + 1 } }]);
    await until(() => journal.unsent() === 0);
    contact.failed();
    expect(await known()).toBe(bench.acts.length + 1);
  });

  it('has nothing any more of a wearer who was looked at here and has been erased in the house', async () => {
    await take();
    const passer = { ...bench, id: uuidv7(), wearer: { ...bench.wearer, id: uuidv7(), name: 'Ilse Passer' } };
    const acts = bench.acts.map((kept) => ({
      ...kept,
      act: { ...kept.act, id: uuidv7(), docketId: passer.id },
    }));
    await service.remember({ ...passer, acts });
    const newcomers = TestBed.inject(Newcomers);
    const met = { ...bench.wearer, id: uuidv7(), name: 'Oona Pelt' };
    newcomers.meets(met);
    expect(await service.knows()).toEqual([passer.wearer.id, met.id]);
    contact.failed();
    const named = (search: string) =>
      firstValueFrom(TestBed.inject(Api).get(listPath(ROUTES.wearers, { search }), wearersSchema)).then(
        ({ items }) => items.length,
      );
    expect([await named('Passer'), await named('Pelt')]).toEqual([1, 1]);
    await service.forgets([passer.wearer.id, met.id]);
    expect([await named('Passer'), await named('Pelt'), await service.knows()]).toEqual([0, 0, []]);
    const vault = TestBed.inject(Vault);
    const left = [
      ...(await vault.keptUnder('looked ')).keys(),
      ...(await vault.keptUnder('arrived ')).keys(),
    ];
    expect(left).toEqual([]);
  });

  it('goes where the house that is signed in to has no such muster, and says so', async () => {
    await take();
    contact.failed();
    const request = await back();
    const gone = {
      type: problemType('not-found'),
      title: '',
      status: 404,
      detail: '',
    };
    request.flush(gone, { status: 404, statusText: 'Not found' });
    await until(() => !service.ready());
    expect(service.trouble()).toContain('is not in this house. It was removed from this device.');
  });

  it('is another house’s from now on where that has the same muster, with nothing of the one before', async () => {
    await take();
    const act = actOn(bench.id, readingOf('waist-girth', '78'));
    const journal = TestBed.inject(Journal);
    journal.write('pen', act);
    const { request } = await wire.sent();
    request.flush([{ outcome: 'kept', id: act.id, kept: { ...keptAct(act), place: pack.place + 1 } }]);
    await until(() => journal.unsent() === 0);
    contact.failed();
    // A house that was restored counts its places anew.
    (await back()).flush({ ...pack, house: 'restored', place: 7 });
    await until(() => service.taken()?.house === 'restored');
    contact.failed();
    expect(await known()).toBe(bench.acts.length);
  });
});
