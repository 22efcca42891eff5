import { TestBed } from '@angular/core/testing';
import { ROUTES, type Wearer } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { forgetDevice, until, Wire } from '../../testing/wire';
import { Vault } from '../sealed/vault';
import { WearerService } from '../wearer-service';
import { Newcomers } from './newcomers';
import { PackDoor } from './pack-door';

describe('wearers who are met where the server is not', () => {
  let wire: Wire;
  let newcomers: Newcomers;
  const start = async () => {
    wire = new Wire();
    await TestBed.inject(Vault).whenOpen();
    newcomers = TestBed.inject(Newcomers);
    await newcomers.known;
  };
  beforeEach(async () => {
    await forgetDevice();
    await start();
  });
  afterEach(forgetDevice);

  const somebody = (name = 'Oona Pelt'): Wearer => ({
    ...{ id: uuidv7(), name, role: 'Ranger', born: null, number: null },
    ...{ version: 3, updatedAt: new Date().toISOString() },
  });

  it('go by the id they were sent under: the server may have them, where only its answer was lost', async () => {
    spyOn(TestBed.inject(PackDoor), 'open').and.resolveTo({ ready: () => true } as never);
    const added: Wearer[] = [];
    TestBed.inject(WearerService)
      .add('Oona Pelt', '')
      .subscribe((wearer) => added.push(wearer));
    const sent = wire.http.expectOne(({ method }) => method === 'PUT');
    sent.error(new ProgressEvent('error'));
    await until(() => added.length > 0);
    expect(sent.request.url).toBe(`${ROUTES.wearers}/${added[0]!.id}`);
    expect(newcomers.all().map(({ id, name }) => [id, name])).toEqual([[added[0]!.id, 'Oona Pelt']]);
  });

  it('are known after the server has gone, and on a page loaded anew, though they are not on the muster', async () => {
    const one = somebody();
    newcomers.meets(one);
    newcomers.meets(one);
    const known = () => newcomers.arrivedSince().map(({ id, name }) => [id, name]);
    expect(known()).toEqual([[one.id, 'Oona Pelt']]);
    const vault = TestBed.inject(Vault);
    await until(() => newcomers.arrivedSince().length === 1);
    while ((await vault.keptUnder('arrived ')).size === 0)
      await new Promise((resolve) => setTimeout(resolve, 5));
    await start();
    expect(known()).toEqual([[one.id, 'Oona Pelt']]);
    // They are the server's: nothing of them is sent to it.
    expect(newcomers.namedIn(one.id)).toEqual([]);
  });

  it('are kept as many as a day has, the last of them', () => {
    const many = Array.from({ length: 210 }, (_, nth) => somebody(`Wearer ${nth}`));
    for (const one of many) newcomers.meets(one);
    expect(newcomers.arrivedSince().map(({ id }) => id)).toEqual(many.slice(-200).map(({ id }) => id));
  });
});
