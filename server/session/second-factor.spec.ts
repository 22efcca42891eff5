import { codeOfPersonPath, PATHS, ROUTES } from '@neat-measure/contract';
import { generate } from 'otplib';
import { Factors } from '../accounts/factors';
import { HouseKey } from '../accounts/house-key';
import { Harness, KEY_OF_SPECS, PASSPHRASE } from '../testing/harness';
import { problem } from '../testing/records';
import { stepOfCode } from './second-factor';

describe('a second factor', () => {
  let app: Harness;
  beforeEach(async () => (app = await Harness.start()));
  afterEach(() => app.stop());
  const signInAs = (signIn: string, more: object = {}) =>
    app.send('POST', ROUTES.session, { signIn, passphrase: PASSPHRASE, ...more }, { cookie: '' });
  let codes: string[];
  const begin = async () => {
    const { body } = await app.send('POST', PATHS.factor, { passphrase: PASSPHRASE });
    const now = Math.floor(Date.now() / 1_000);
    const code = await generate({ secret: body.secret, epoch: now - 30 });
    ({ codes } = (await app.send('PUT', PATHS.factor, { code })).body);
    return body.secret as string;
  };

  // RFC 6238, appendix B: SHA-1, the last six of its eight digits.
  it('agrees with the RFC', async () => {
    const secret = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ';
    const vectors: [number, string][] = [
      [59, '287082'],
      [1_111_111_109, '081804'],
      [1_111_111_111, '050471'],
      [1_234_567_890, '005924'],
      [2_000_000_000, '279037'],
      [20_000_000_000, '353130'],
    ];
    for (const [at, code] of vectors) {
      expect(await generate({ secret, epoch: at })).toBe(code);
      expect(await stepOfCode(secret, code, at)).toBe(Math.floor(at / 30));
      expect(await stepOfCode(secret, code, at + 90)).toBeNull();
    }
  });

  it('wants a code with the passphrase, and each code once', async () => {
    const secret = await begin();
    expect(problem(await signInAs('odalys'))).toEqual([401, 'second-factor-wanted']);
    // Who had the passphrase and was asked for the code was not refused.
    const refused = () => app.database('audit').where({ kind: 'sign-in-refused' }).pluck('about');
    expect(await refused()).toEqual([]);
    expect(await app.database('sign_in_trials').where('failures', '>', 0)).toEqual([]);
    expect(problem(await signInAs('odalys', { passphrase: 'wrong' }))).toEqual([401, 'sign-in-refused']);
    expect(await refused()).toEqual([app.fitter.id]);
    expect(problem(await signInAs('odalys', { code: '12345' }))[1]).toBe('invalid');
    const code = await generate({ secret });
    expect((await signInAs('odalys', { code })).status).toBe(200);
    expect(problem(await signInAs('odalys', { code }))).toEqual([401, 'sign-in-refused']);
    const both = await generate({ secret, epoch: Math.floor(Date.now() / 1_000) + 30 });
    const twice = await Promise.all([signInAs('odalys', { code: both }), signInAs('odalys', { code: both })]);
    expect(twice.map(({ status }) => status).sort()).toEqual([200, 401]);
  });

  it('counts from its first code on, and is taken out with the passphrase', async () => {
    const { body } = await app.send('POST', PATHS.factor, { passphrase: PASSPHRASE });
    expect(body.picture).toMatch(/^data:image\/svg\+xml;base64,/);
    expect((await signInAs('odalys')).status)
      .withContext('not yet')
      .toBe(200);
    expect(problem(await app.send('PUT', PATHS.factor, { code: '000000' }))[1]).toBe('invalid');
    await begin();
    expect(problem(await app.send('POST', PATHS.factor, { passphrase: PASSPHRASE }))[1]).toBe('invalid');
    expect(problem(await app.send('DELETE', PATHS.factor, { passphrase: 'wrong' }))[1]).toBe(
      'sign-in-refused',
    );
    expect((await app.send('DELETE', PATHS.factor, { passphrase: PASSPHRASE })).status).toBe(204);
    expect((await signInAs('odalys')).status).toBe(200);
  });

  it('is owed by roles of which the house wants it', async () => {
    const { body } = await app.get(PATHS.settings);
    await app.put(PATHS.settings, { ...body, secondFactorFor: ['administrator'] });
    expect(problem(await app.get(ROUTES.wearers))).toEqual([403, 'not-allowed']);
    expect((await app.get(ROUTES.session)).body.who.owes).toEqual(['second-factor']);
    await begin();
    expect((await app.get(ROUTES.wearers)).status).toBe(200);
  });

  it('is begun by whoever knows the passphrase alone', async () => {
    expect(problem(await app.send('POST', PATHS.factor, {}))[1]).toBe('invalid');
    expect(problem(await app.send('POST', PATHS.factor, { passphrase: 'wrong' }))[1]).toBe('sign-in-refused');
    const [{ factor_secret }] = await app.database('fitters').select('factor_secret');
    expect(factor_secret).toBeNull();
  });

  it('begun after a code was given stays: the code sets a passphrase, and opens nothing by itself', async () => {
    await app.person('administrator', 'tiernan');
    const cookie = await app.cookieOf('tiernan');
    const { code } = (await app.send('POST', codeOfPersonPath(app.fitter.id), undefined, { cookie })).body;
    const secret = await begin();
    const passphrase = 'another-tide-table';
    const taken = await app.send(
      'POST',
      PATHS.takeCode,
      { signIn: 'odalys', code, passphrase },
      { cookie: '' },
    );
    expect(problem(taken)).toEqual([401, 'second-factor-wanted']);
    expect(problem(await signInAs('odalys', { passphrase }))).toEqual([401, 'second-factor-wanted']);
    const now = await generate({ secret });
    expect((await signInAs('odalys', { passphrase, code: now })).status).toBe(200);
  });

  it('lost, is stood in for by each recovery code once', async () => {
    await begin();
    expect([codes.length, new Set(codes).size]).toEqual([10, 10]);
    const left = async () => (await app.get(ROUTES.session)).body.who.recoveryCodes as number;
    expect(await left()).toBe(10);
    expect((await signInAs('odalys', { code: ` ${codes[0]!.toUpperCase()} ` })).status).toBe(200);
    expect(problem(await signInAs('odalys', { code: codes[0] }))).toEqual([401, 'sign-in-refused']);
    expect(problem(await signInAs('odalys', { code: codes[1], passphrase: 'wrong' }))[1]).toBe(
      'sign-in-refused',
    );
    const twice = [signInAs('odalys', { code: codes[2] }), signInAs('odalys', { code: codes[2] })];
    expect((await Promise.all(twice)).map(({ status }) => status).sort()).toEqual([200, 401]);
    expect(await left()).toBe(8);
    expect((await app.database('audit').where({ kind: 'recovery-code-used' })).length).toBe(2);
    const again = await app.send('POST', PATHS.recoveryCodes, { passphrase: PASSPHRASE });
    expect(again.body.codes.length).toBe(10);
    expect(problem(await signInAs('odalys', { code: codes[3] }))[1])
      .withContext('those of before')
      .toBe('sign-in-refused');
    expect((await signInAs('odalys', { code: again.body.codes[3] })).status).toBe(200);
    await app.send('DELETE', PATHS.factor, { passphrase: PASSPHRASE });
    expect(await app.database('recovery_codes')).toEqual([]);
    expect(problem(await app.send('POST', PATHS.recoveryCodes, { passphrase: PASSPHRASE }))[1]).toBe(
      'invalid',
    );
  });

  it('stands in the database so that it says nothing without the key of the house', async () => {
    const secret = await begin();
    const told = JSON.stringify([await app.database('fitters'), await app.database('recovery_codes')]);
    for (const one of [secret, ...codes]) expect(told).not.toContain(one);
    const [{ factor_secret: kept }] = (await app.database('fitters').select('factor_secret')) as [
      { factor_secret: string },
    ];
    const factors = new Factors(KEY_OF_SPECS);
    expect(factors.open(app.fitter.id, kept)).toBe(secret);
    expect(() => factors.open('another account', kept)).toThrowError(/key has changed/);
    expect(() => new Factors(new HouseKey(Buffer.alloc(32, 8))).open(app.fitter.id, kept)).toThrowError(
      /ask an administrator for a one-time code/,
    );
    // One of before is sealed as the application starts, and counts as it did.
    await app.database('fitters').update({ factor_secret: secret });
    await factors.sealAll(app.database);
    await factors.sealAll(app.database);
    const [{ factor_secret: sealed }] = (await app.database('fitters').select('factor_secret')) as [
      { factor_secret: string },
    ];
    expect(sealed).toMatch(/^sealed:/);
    expect((await signInAs('odalys', { code: await generate({ secret }) })).status).toBe(200);
  });

  it('is owed by whoever takes a bench over, too', async () => {
    await app.person('fitter', 'maelis');
    const cookie = await app.cookieOf('maelis');
    await app.send('PUT', PATHS.benchCode, { passphrase: PASSPHRASE, code: '4711' }, { cookie });
    const { body } = await app.get(PATHS.settings);
    await app.put(PATHS.settings, { ...body, secondFactorFor: ['fitter'] });
    const { id } = (await app.get(PATHS.hands)).body.find(
      (one: { name: string }) => one.name === 'The fitter',
    );
    const { who } = (await app.send('POST', PATHS.hand, { id, code: '4711' })).body;
    expect([who.owes, who.pen]).toEqual([['second-factor'], '']);
    expect(problem(await app.get(ROUTES.wearers))).toEqual([403, 'not-allowed']);
    await app.send('DELETE', PATHS.hand);
    expect((await app.get(ROUTES.wearers)).status).toBe(200);
  });
});
