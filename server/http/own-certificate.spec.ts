import { X509Certificate } from 'node:crypto';
import { mkdtemp, readdir, rm, stat, writeFile } from 'node:fs/promises';
import { request } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createListener } from './listener';
import { fingerprintOf, ownCertificate } from './own-certificate';

describe('a certificate of one’s own', () => {
  let folder: string;
  beforeEach(async () => (folder = await mkdtemp(join(tmpdir(), 'neat-measure-certificate-'))));
  afterEach(() => rm(folder, { recursive: true }));
  const NAMES = ['localhost', '127.0.0.1', '[::1]'];

  it('is spoken with by names it holds for, and refused for another', async () => {
    const certificate = await ownCertificate(folder, NAMES);
    const server = createListener((_request, response) => response.end('here'), {}, certificate);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const { port } = server.address() as AddressInfo;
    const ask = (servername: string) =>
      new Promise<string>((resolve) => {
        const asked = request(
          { port, host: '127.0.0.1', servername, ca: certificate.cert, agent: false },
          (answer) => answer.on('data', (data: Buffer) => resolve(data.toString())),
        );
        asked.on('error', (error: Error & { code?: string }) => resolve(error.code ?? 'error'));
        asked.end();
      });
    expect(await ask('localhost')).toBe('here');
    expect(await ask('elsewhere.example')).toBe('ERR_TLS_CERT_ALTNAME_INVALID');
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
  });

  it('is one for all instances that start at once', async () => {
    const made = await Promise.all(Array.from({ length: 6 }, () => ownCertificate(folder, NAMES)));
    expect(new Set(made.map(fingerprintOf)).size).toBe(1);
    expect((await readdir(folder)).length).toBe(1);
  });

  it('stays the same from start to start, is its owner’s alone to read, and is made anew for another name', async () => {
    const first = await ownCertificate(folder, NAMES);
    expect(await ownCertificate(folder, NAMES)).toEqual(first);
    const [file, ...more] = await readdir(folder);
    expect(more).toEqual([]);
    expect((await stat(join(folder, file!))).mode & 0o777).toBe(0o600);
    const other = await ownCertificate(folder, [...NAMES, 'measure.brackwater.example', '10.1.2.3']);
    expect(fingerprintOf(other)).not.toBe(fingerprintOf(first));
    const read = new X509Certificate(other.cert);
    expect([read.checkHost('measure.brackwater.example'), read.checkIP('10.1.2.3')]).not.toContain(undefined);
    await writeFile(join(folder, file!), 'half a file');
    const mended = await ownCertificate(folder, NAMES);
    expect(mended.cert).toContain('BEGIN CERTIFICATE');
    expect(await ownCertificate(folder, NAMES)).toEqual(mended);
  });
});
