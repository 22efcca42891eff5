import {
  ACCESS,
  deviceStreamPath,
  grants,
  PATHS,
  ROLES,
  type Capability,
  ROUTES,
  type RouteAccess,
} from '@neat-measure/contract';
import { readFileSync } from 'node:fs';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from './testing/harness';
import { problem } from './testing/records';
import { accessOf } from './guard';

interface Layer {
  readonly route?: { readonly path: string; readonly stack: readonly { readonly method: string }[] };
  readonly handle: { readonly stack?: readonly Layer[] };
}

/** Every route that is really there, method and path. */
function routesOf(layers: readonly Layer[]): string[] {
  return layers.flatMap(({ route, handle }) =>
    route === undefined
      ? routesOf(handle.stack ?? [])
      : [...new Set(route.stack.map(({ method }) => `${method.toUpperCase()} ${route.path}`))],
  );
}

describe('the table of access', () => {
  let app: Harness;
  const cookies = new Map<string, string>();
  beforeAll(async () => {
    app = await Harness.start();
    for (const role of ROLES) {
      const { signIn } = await app.person(role);
      cookies.set(role, await app.cookieOf(signIn));
    }
  });
  afterAll(() => app.stop());

  const pathOf = ({ path }: RouteAccess) =>
    path.replace(':device', 'tape-1').replace(':token', 'no-token').replace(':id', uuidv7());
  const ask = (entry: RouteAccess, cookie: string) =>
    app.send(
      // Only the head: a stream has no end.
      entry.path.endsWith('/stream') ? 'HEAD' : entry.method,
      pathOf(entry),
      entry.method === 'GET' ? undefined : {},
      { cookie },
    );

  it('has every route there is, and none that is not', () => {
    const there = routesOf((app.app.router as unknown as { stack: Layer[] }).stack).filter((route) =>
      route.includes(' /api/'),
    );
    expect([...new Set(there)].sort()).toEqual(ACCESS.map(({ method, path }) => `${method} ${path}`).sort());
    expect(accessOf('PATCH', ROUTES.wearers)).toBeNull();
    expect(accessOf('GET', '/api/wearers/../people')).toBeNull();
  });

  for (const entry of ACCESS) {
    it(`opens ${entry.method} ${entry.path} to ${entry.access}, and to nobody else`, async () => {
      const open = ['anyone', 'pen', 'link'].includes(entry.access);
      const without = (await ask(entry, '')).status;
      if (open) expect(without === 401 && entry.access === 'anyone').toBeFalse();
      else expect(without).toBe(401);
      // Signing out would end what the others go by.
      if (entry.method === 'DELETE' && entry.path === ROUTES.session) return;
      for (const role of ROLES) {
        const { status } = await ask(entry, cookies.get(role)!);
        const takes = entry.access === 'tape' ? 'measure' : entry.access;
        const allowed = open || takes === 'self' || grants(role, takes as Capability);
        if (allowed) expect([401, 403]).withContext(role).not.toContain(status);
        else expect(status).withContext(role).toBe(403);
      }
    });
  }

  it('stands in the docs as it is', () => {
    const docs = readFileSync('docs/security.md', 'utf8');
    for (const { method, path, access, does } of ACCESS)
      expect(docs).toMatch(
        new RegExp(`\\| ${method} +\\| \`${path.replace(/[.]/g, '\\.')}\` +\\| ${access} +\\| ${does}`),
      );
  });

  it('lets a tape send for itself with its own secret, and for no other', async () => {
    const paired = await app.put(`${PATHS.tapes}/tape-1`, {});
    const line = (device: string) =>
      JSON.stringify({ v: 1, device, seq: 1, value: 900, unit: 'mm', at: '2026-05-04T08:00:00.000Z' });
    const send = (text: string, secret: string) =>
      app.send('POST', ROUTES.deviceLines, text, {
        cookie: '',
        'content-type': 'text/plain',
        authorization: `Bearer ${secret}`,
      });
    const { secret } = paired.body;
    expect((await send(line('tape-1'), secret)).body).toEqual({ taken: 1, repeated: 0, faults: [] });
    expect((await send(line('tape-2'), secret)).body.faults.length).toBe(1);
    expect(problem(await send(line('tape-1'), 'guessed'))).toEqual([401, 'not-signed-in']);
    const read = await app.send('GET', ROUTES.wearers, undefined, {
      cookie: '',
      authorization: `Bearer ${secret}`,
    });
    expect(read.status).withContext('a tape reads nothing').toBe(401);
    expect(JSON.stringify((await app.get(PATHS.tapes)).body)).not.toContain(secret);
    // Paired anew it has another secret; taken out it has none.
    await app.put(`${PATHS.tapes}/tape-1`, {});
    expect((await send(line('tape-1'), secret)).status).toBe(401);
    expect((await app.send('DELETE', `${PATHS.tapes}/tape-1`)).status).toBe(204);
    expect((await app.send('DELETE', `${PATHS.tapes}/tape-1`)).status).toBe(404);
  });

  it('ends a stream with the session that opened it', async () => {
    const { signIn } = await app.person('fitter', 'leaving');
    const cookie = await app.cookieOf(signIn);
    const stream = await fetch(`http://127.0.0.1:${app.port}${deviceStreamPath('tape-9')}`, {
      headers: { cookie },
    });
    expect(stream.status).toBe(200);
    await app.send('DELETE', ROUTES.session, undefined, { cookie });
    await stream.text();
  }, 12_000);
});
