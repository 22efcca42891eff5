import { deviceAnswerSchema, deviceStreamPath, ROUTES, streamedLineSchema } from '@neat-measure/contract';
import { latestLine } from './store';
import { Harness } from '../testing/harness';
import { heardFrom } from '../testing/listen';

describe('devices', () => {
  let app: Harness;
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  const line = (seq: number, changes: object = {}) =>
    JSON.stringify({
      v: 1,
      device: 'tape-7',
      seq,
      value: 982.5,
      unit: 'mm',
      at: '2026-05-04T08:00:00.000Z',
      ...changes,
    });
  const send = (text: string) => app.send('POST', ROUTES.deviceLines, text, { 'content-type': 'text/plain' });

  const listen = async (
    device: string,
    count: number,
    headers: Record<string, string>,
    ready: () => Promise<unknown>,
  ) =>
    (await heardFrom(app, deviceStreamPath(device), count, ready, headers)).map((one) =>
      streamedLineSchema.parse(one),
    );

  it('keep each line once, and say what is wrong with the others by their number', async () => {
    const first = deviceAnswerSchema.parse(
      (await send(`${line(1)}\n${line(1)}\nnonsense\n${line(2, { unit: 'ell' })}\r\n\n${line(3)}`)).body,
    );
    expect([first.taken, first.repeated]).toEqual([2, 1]);
    expect(first.faults).toEqual([
      { line: 3, message: jasmine.stringContaining('not JSON') as never },
      { line: 4, message: jasmine.stringContaining('unit') as never },
    ]);
    expect(deviceAnswerSchema.parse((await send(line(3))).body)).toEqual({
      taken: 0,
      repeated: 1,
      faults: [],
    });
  });

  it('are heard when they count anew: the same number with another value is another reading', async () => {
    const answer = await send(
      `${line(1, { device: 'tape-6' })}\n${line(1, { device: 'tape-6', value: 700 })}`,
    );
    expect(deviceAnswerSchema.parse(answer.body)).toEqual({ taken: 2, repeated: 0, faults: [] });
    const again = await send(line(1, { device: 'tape-6', value: 700 }));
    expect(deviceAnswerSchema.parse(again.body).repeated).toBe(1);
  });

  it('refuse nothing, too much, and whoever is not signed in', async () => {
    expect((await send('\n')).status).toBe(400);
    expect((await send(Array.from({ length: 501 }, (_, seq) => line(seq)).join('\n'))).status).toBe(413);
    expect(
      (await app.send('POST', ROUTES.deviceLines, line(1), { 'content-type': 'text/plain', cookie: '' }))
        .status,
    ).toBe(401);
    expect((await app.send('GET', deviceStreamPath('tape-7'), undefined, { cookie: '' })).status).toBe(401);
  });

  it('stream what one tape sends from now on, and nothing of another', async () => {
    await send(line(10, { device: 'tape-8' }));
    const heard = await listen('tape-8', 1, {}, async () => {
      await send(line(11, { device: 'tape-9' }));
      await send(line(11, { device: 'tape-8', value: 38.5, unit: 'in' }));
    });
    expect(heard.map(({ seq, value, unit }) => [seq, value, unit])).toEqual([[11, 38.5, 'in']]);
  });

  it('take a stream up again where it broke off', async () => {
    await send(line(1, { device: 'tape-10' }));
    const heard = await latestLine(app.database);
    for (const seq of [2, 3]) await send(line(seq, { device: 'tape-10' }));
    const rest = await listen('tape-10', 2, { 'last-event-id': String(heard) }, () => Promise.resolve());
    expect(rest.map(({ seq }) => seq)).toEqual([2, 3]);
  });
});
