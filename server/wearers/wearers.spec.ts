import { listPath, PAGE, pathOf, ROUTES, wearersSchema } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { problem, Records } from '../testing/records';

describe('the routes of wearers', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  beforeEach(async () => {
    if (app.cookie.endsWith('=')) await app.signIn();
  });

  describe('wearers', () => {
    it('are added, edited and listed; the same save again changes nothing', async () => {
      const id = uuidv7();
      const save = { name: '  Maren Okonjo ', role: 'Ranger', version: 0 };
      const first = await app.put(pathOf(ROUTES.wearers, id), save);
      expect(first.body).toEqual(jasmine.objectContaining({ id, name: 'Maren Okonjo', version: 1 }));
      expect((await app.put(pathOf(ROUTES.wearers, id), save)).body).toEqual(first.body);
      const edit = { ...save, role: 'Guide', version: 1 };
      expect((await app.put(pathOf(ROUTES.wearers, id), edit)).body.version).toBe(2);
      expect((await app.put(pathOf(ROUTES.wearers, id), edit)).body.version)
        .withContext('the edit again')
        .toBe(2);
      expect(
        wearersSchema
          .parse((await app.get(listPath(ROUTES.wearers, { search: 'Maren Okonjo' }))).body)
          .items.filter((one) => one.id === id).length,
      ).toBe(1);
    });

    it('keep the first of two edits that started from the same version', async () => {
      const id = await records.save(ROUTES.wearers, { name: 'Wen', role: '', version: 0 });
      await app.put(pathOf(ROUTES.wearers, id), { name: 'Wen Castellanos', role: '', version: 1 });
      expect(
        problem(await app.put(pathOf(ROUTES.wearers, id), { name: 'Wen C.', role: '', version: 1 })),
      ).toEqual([409, 'changed-meanwhile']);
    });

    it('need a name, and an edit needs a record', async () => {
      expect(
        problem(await app.put(pathOf(ROUTES.wearers, uuidv7()), { name: ' ', role: '', version: 0 })),
      ).toEqual([400, 'invalid']);
      expect(
        problem(await app.put(pathOf(ROUTES.wearers, uuidv7()), { name: 'Wen', role: '', version: 3 })),
      ).toEqual([404, 'not-found']);
    });

    it('are listed a part at a time, and nobody is left out in silence', async () => {
      const names = Array.from({ length: PAGE + 2 }, (_, at) => `Crew ${String(at).padStart(3, '0')}`);
      for (const name of names) await records.save(ROUTES.wearers, { name, role: '', version: 0 });
      const part = async (from: number) =>
        wearersSchema.parse((await app.get(listPath(ROUTES.wearers, { search: 'crew', from }))).body);
      const [first, rest] = [await part(0), await part(PAGE)];
      expect([first.total, rest.total]).toEqual([PAGE + 2, PAGE + 2]);
      expect([...first.items, ...rest.items].map(({ name }) => name)).toEqual(names);
    });

    it('come with whoever was named first: what is taken unseen from the top is them', async () => {
      const save = (name: string, number: string | null) =>
        records.save(ROUTES.wearers, { name, role: '', number, version: 0 });
      await save('Abzed Leekin', '1077');
      await save('Amund Zed Leeward', null);
      await save('Zed Lee', null);
      await save('Yorick Plain', '77');
      const found = async (search: string) =>
        wearersSchema
          .parse((await app.get(listPath(ROUTES.wearers, { search }))).body)
          .items.map(({ name }) => name);
      expect(await found('zed lee')).toEqual(['Zed Lee', 'Amund Zed Leeward', 'Abzed Leekin']);
      expect(await found('77')).toEqual(['Yorick Plain', 'Abzed Leekin']);
      expect(await found('lee_')).toEqual([]);
    });

    it('keep any letter a name is written in', async () => {
      const id = await records.save(ROUTES.wearers, { name: 'Nguyễn Thị 明 🧵', role: 'Ranger', version: 0 });
      const wearers = wearersSchema.parse(
        (await app.get(listPath(ROUTES.wearers, { search: '明 ranger' }))).body,
      );
      expect(wearers.items.find((one) => one.id === id)?.name).toBe('Nguyễn Thị 明 🧵');
    });
  });
});
