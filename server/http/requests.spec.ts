import { pathOf, ROUTES } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { chartSave, problem } from '../testing/records';

describe('requests', () => {
  let app: Harness;
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  beforeEach(async () => {
    if (app.cookie.endsWith('=')) await app.signIn();
  });

  describe('health', () => {
    it('answers without a session', async () =>
      expect((await app.send('GET', ROUTES.health)).body).toEqual({ status: 'ok' }));
  });

  describe('session', () => {
    it('opens with the right passphrase, says who, and ends', async () => {
      expect((await app.signIn()).body.who.name).toBe('Odalys Wren');
      expect((await app.get(ROUTES.session)).body.who.name).toBe('Odalys Wren');
      const token = app.cookie;
      expect((await app.send('DELETE', ROUTES.session)).status).toBe(204);
      expect((await app.send('GET', ROUTES.session, undefined, { cookie: token })).body).toEqual({
        who: null,
        firstRun: false,
        device: null,
      });
      expect(problem(await app.send('GET', ROUTES.wearers, undefined, { cookie: token }))).toEqual([
        401,
        'not-signed-in',
      ]);
      expect((await app.send('DELETE', ROUTES.session)).status)
        .withContext('signing out twice')
        .toBe(204);
    });

    it('refuses a wrong passphrase and an unknown name in the same words', async () => {
      const wrong = await app.signIn('spring-tide');
      expect(problem(wrong)).toEqual([401, 'sign-in-refused']);
      expect((await app.send('POST', ROUTES.session, { signIn: 'nobody', passphrase: 'x' })).body).toEqual(
        wrong.body,
      );
    });

    it('names what is missing', async () => {
      const answer = await app.send('POST', ROUTES.session, { signIn: ' ' });
      expect(problem(answer)).toEqual([400, 'invalid']);
      expect(answer.body.faults.map(({ path }: { path: string }) => path)).toEqual(['signIn', 'passphrase']);
    });

    it('keeps only a hash of token and passphrase', async () => {
      await app.signIn();
      const [fitter] = await app.database('fitters').select('passphrase_hash');
      expect(JSON.stringify(fitter)).not.toContain('low-tide-table');
      const tokens = await app.database('sessions').pluck('token_hash');
      expect(tokens).not.toContain(app.cookie.split('=')[1]);
    });
  });

  describe('any request', () => {
    it('is refused when it comes from another site', async () => {
      expect(
        problem(
          await app.send('PUT', pathOf(ROUTES.wearers, uuidv7()), {}, { origin: 'http://elsewhere.example' }),
        ),
      ).toEqual([403, 'foreign-origin']);
    });
    it('is refused when it is no JSON, too large, or to no route', async () => {
      expect(problem(await app.put(pathOf(ROUTES.wearers, uuidv7()), '{"name":'))).toEqual([
        400,
        'unreadable-request',
      ]);
      expect(
        problem(await app.put(pathOf(ROUTES.charts, uuidv7()), chartSave({ csv: 'x'.repeat(10_000_000) }))),
      ).toEqual([413, 'too-large']);
      expect(problem(await app.get('/api/nothing'))).toEqual([404, 'not-found']);
      expect(problem(await app.get(pathOf(ROUTES.charts, 'not-an-id')))).toEqual([404, 'not-found']);
    });
  });
});
