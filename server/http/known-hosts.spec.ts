import { problemSchema, ROUTES } from '@neat-measure/contract';
import { request } from 'node:http';
import { networkInterfaces } from 'node:os';
import { Harness } from '../testing/harness';
import { isLoopback, knownHosts } from './known-hosts';

describe('the names the application is known by', () => {
  it('are loopback’s, those it is told, or those of the machine', () => {
    const known = (HOST: string, ...HOSTS: string[]) => knownHosts({ HOST, HOSTS });
    expect(known('127.0.0.1')).toEqual(['localhost', '127.0.0.1', '[::1]']);
    expect(known('10.1.2.3')).toContain('10.1.2.3');
    expect(known('0.0.0.0', 'Measure.Brackwater.example', 'fd00::7')).toEqual([
      'measure.brackwater.example',
      '[fd00::7]',
      'localhost',
      '127.0.0.1',
      '[::1]',
    ]);
    const own = Object.values(networkInterfaces()).flatMap((all) => all ?? []);
    const found = known('0.0.0.0');
    for (const { address, family } of own)
      expect(found).toContain(family === 'IPv6' ? `[${address}]` : address);
    expect(['127.0.0.1', '127.8.8.8', 'localhost', '::1', '0.0.0.0', '10.0.0.1'].map(isLoopback)).toEqual([
      true,
      true,
      true,
      true,
      false,
      false,
    ]);
  });

  it('are asked for before anything else, and no other is answered', async () => {
    const app = await Harness.start();
    const ask = (host: string, path: string) =>
      new Promise<{ status: number; body: string }>((resolve, reject) => {
        const asked = request({ port: app.port, host: '127.0.0.1', path, headers: { host } }, (answer) => {
          let body = '';
          answer.on('data', (data: Buffer) => (body += data.toString()));
          answer.on('end', () => resolve({ status: answer.statusCode!, body }));
        });
        asked.on('error', reject);
        asked.end();
      });
    for (const host of ['localhost', 'LOCALHOST:99', `127.0.0.1:${app.port}`, '[::1]:4180'])
      expect((await ask(host, ROUTES.health)).status)
        .withContext(host)
        .toBe(200);
    for (const host of ['rebound.example', `rebound.example:${app.port}`, '127.0.0.1.rebound.example'])
      for (const path of [ROUTES.health, '/', '/bench']) {
        const { status, body } = await ask(host, path);
        expect(status).withContext(`${host} ${path}`).toBe(421);
        expect(problemSchema.parse(JSON.parse(body)).detail).toContain('HOSTS');
      }
    await app.stop();
  });
});
