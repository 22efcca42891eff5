import { pathOf, protocolSchema, protocolsSchema, ROUTES, SHIPPED_PROTOCOLS } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { problem } from '../testing/records';

describe('the routes of protocols', () => {
  let app: Harness;
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  beforeEach(async () => {
    if (app.cookie.endsWith('=')) await app.signIn();
  });

  describe('protocols', () => {
    const own = {
      name: 'Boat crew',
      school: '',
      prepare: ['Shoes off'],
      cautions: [],
      steps: [{ code: 'height' }, { code: 'chest-girth', tension: 'snug' }],
      version: 0,
    };

    it('list the shipped ones and one’s own; the same save again changes nothing', async () => {
      const id = uuidv7();
      const first = protocolSchema.parse((await app.put(pathOf(ROUTES.protocols, id), own)).body);
      expect([first.name, first.shipped, first.version]).toEqual(['Boat crew', false, 1]);
      expect((await app.put(pathOf(ROUTES.protocols, id), own)).body.version).toBe(1);
      expect(
        (await app.put(pathOf(ROUTES.protocols, id), { ...own, name: 'Crew', version: 1 })).body.name,
      ).toBe('Crew');
      expect(
        problem(await app.put(pathOf(ROUTES.protocols, id), { ...own, name: 'Boats', version: 1 })),
      ).toEqual([409, 'changed-meanwhile']);
      const all = protocolsSchema.parse((await app.get(ROUTES.protocols)).body);
      expect(all.filter(({ shipped }) => shipped).length).toBe(SHIPPED_PROTOCOLS.length);
      expect(all.at(-1)?.id).toBe(id);
    });

    it('need a name and each measurement once; a shipped one cannot be overwritten', async () => {
      expect(problem(await app.put(pathOf(ROUTES.protocols, uuidv7()), { ...own, name: '' }))).toEqual([
        400,
        'invalid',
      ]);
      expect(
        problem(
          await app.put(pathOf(ROUTES.protocols, uuidv7()), {
            ...own,
            steps: [{ code: 'height' }, { code: 'height' }],
          }),
        ),
      ).toEqual([400, 'invalid']);
      expect(problem(await app.put(pathOf(ROUTES.protocols, 'vest-c'), own))).toEqual([404, 'not-found']);
    });
  });
});
