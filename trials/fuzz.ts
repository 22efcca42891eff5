import { ACCESS, type RouteAccess } from '@neat-measure/contract';
import { readFileSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { connect } from 'node:net';
import type { Article } from '@neat-measure/contract/stores';
import { v7 as uuidv7 } from 'uuid';
import { Bodies } from './bodies';
import { Draw, KEYS, TEXTS } from './draw';
import { Raw, ValidRequests, type Knowing, type ValidRequest } from './valid';

interface Answer {
  readonly status: number;
  readonly ms: number;
}

const [port, pid, count, seed] = process.argv.slice(2).map(Number) as [number, number, number, number];
const draw = new Draw(seed);
const agent = new Agent({ keepAlive: true, maxSockets: 8 });
const PATIENCE_MS = 12_000;

function send(
  method: string,
  path: string,
  body: string | Buffer | null,
  headers: Record<string, string>,
): Promise<Answer> {
  return new Promise((resolve) => {
    const begun = performance.now();
    const done = (status: number) => resolve({ status, ms: performance.now() - begun });
    let asked;
    try {
      // Without its length the body of a GET would run into the next request.
      const length = body === null ? {} : { 'content-length': String(Buffer.byteLength(body)) };
      const framed = { ...headers, ...length };
      asked = request({ agent, host: '127.0.0.1', port, method, path, headers: framed }, (response) => {
        // A stream has no end of its own.
        if (/event-stream/.test(response.headers['content-type'] ?? '')) {
          response.destroy();
          return done(response.statusCode ?? 0);
        }
        response.resume();
        response.on('end', () => done(response.statusCode ?? 0));
        response.on('error', () => done(0));
      });
    } catch {
      // Node will not write this; no browser would either.
      return done(400);
    }
    asked.setTimeout(PATIENCE_MS, () => {
      asked.destroy();
      done(-1);
    });
    asked.on('error', () => done(0));
    asked.end(body ?? undefined);
  });
}

/** Bytes as they are, as no library would send them. */
function sendRaw(bytes: Buffer): Promise<Answer> {
  return new Promise((resolve) => {
    const begun = performance.now();
    const socket = connect(port, '127.0.0.1');
    let text = '';
    const done = (status: number) => {
      socket.destroy();
      resolve({ status, ms: performance.now() - begun });
    };
    socket.on('data', (part) => {
      text += part.toString('latin1');
      const status = /^HTTP\/1\.1 (\d+)/.exec(text)?.[1];
      if (status !== undefined) done(Number(status));
    });
    socket.on('error', () => done(0));
    socket.on('close', () => done(0));
    // What is not whole is dropped after half a minute; nobody waits for that here.
    socket.setTimeout(1_000, () => done(0));
    socket.end(bytes);
  });
}

/** How much the server holds, in MB. */
function held(): number {
  const status = readFileSync(`/proc/${pid}/status`, 'utf8');
  return Number(/VmRSS:\s+(\d+)/.exec(status)![1]) / 1_024;
}

/** So many requests have changed something. */
let changing = 0;
const session = await signIn();
const cookies = ['', session.cookie, 'neat-measure=forged', `${session.cookie}; neat-measure=twice`];
const docketIds: string[] = [];
const ids: string[] = [];
const known = await knownBodies();
const bodies = new Bodies(draw, {
  pen: session.pen,
  by: { id: session.id, name: session.name },
  docketIds,
  // Nobody is to end the session that asks, or to change whose it is.
  ids: ids.filter((id) => id !== session.id),
  fresh: () => uuidv7(),
});

const valid = new ValidRequests(draw, await knowing());
const anySheet = (
  known.find((one) => typeof one === 'object' && one !== null && 'sheet' in one) as { sheet: object }
).sheet;

async function signIn(): Promise<{
  readonly cookie: string;
  readonly pen: string;
  readonly id: string;
  readonly name: string;
}> {
  const answer = await fetch(`http://127.0.0.1:${port}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ signIn: 'odalys', passphrase: 'low-tide-table' }),
  });
  const { who } = (await answer.json()) as { who: { pen: string; id: string; name: string } };
  return {
    cookie: answer.headers.getSetCookie()[0]!.split(';')[0]!,
    pen: who.pen,
    id: who.id,
    name: who.name,
  };
}

/** Right bodies, to be bent: a chart, acts, people. */
async function knownBodies(): Promise<unknown[]> {
  const get = async (path: string) =>
    (await (
      await fetch(`http://127.0.0.1:${port}${path}`, { headers: { cookie: session.cookie } })
    ).json()) as {
      items: { id: string }[];
    };
  const charts = (await get('/api/charts')).items.slice(0, 6);
  const dockets = (await get('/api/dockets')).items;
  docketIds.push(...dockets.map(({ id }) => id));
  for (const { id } of [...charts, ...dockets, ...(await get('/api/wearers')).items]) ids.push(id);
  for (const path of ['/api/stores/rooms', '/api/stores/orders'])
    for (const { id } of (await get(path)) as unknown as { id: string }[]) ids.push(id);
  for (const { id } of (await get('/api/stores/stock')).items) ids.push(id);
  const calendar = await get('/api/stores/bookings?from=2020-01-01&until=2099-01-01');
  const { pieces, bookings } = calendar as unknown as Record<'pieces' | 'bookings', { id: string }[]>;
  for (const { id } of [...pieces, ...bookings]) ids.push(id);
  const sheets = await Promise.all(
    charts.map(async ({ id }) => (await get(`/api/charts/${id}`)) as unknown as { sheet: object }),
  );
  const benches = await Promise.all(
    dockets
      .slice(0, 4)
      .map(async ({ id }) => (await get(`/api/dockets/${id}`)) as unknown as { acts: { act: object }[] }),
  );
  return [
    ...sheets.map(({ sheet }) => ({ sheet, source: 'x.csv', replaces: null })),
    ...benches.map(({ acts }) => ({ pen: session.pen, acts: acts.slice(0, 20).map(({ act }) => act) })),
    { name: 'Somebody', role: '', version: 0 },
    { name: 'Somebody', signIn: 'somebody', role: 'fitter', active: true, version: 0 },
    { signIn: 'nobody', passphrase: 'x', code: '123456' },
  ];
}

/** What is in the house, for requests that are right. */
async function knowing(): Promise<Knowing> {
  const get = async (path: string) =>
    (await (
      await fetch(`http://127.0.0.1:${port}${path}`, { headers: { cookie: session.cookie } })
    ).json()) as unknown;
  const { items: articles } = (await get('/api/stores/stock')) as { items: Article[] };
  const rooms = (await get('/api/stores/rooms')) as { id: string }[];
  const { items: charts } = (await get('/api/charts')) as { items: { id: string }[] };
  return {
    pen: session.pen,
    by: { id: session.id, name: session.name },
    docketIds: [...docketIds],
    articles: articles.filter(({ numbered }) => !numbered),
    roomIds: rooms.map(({ id }) => id),
    chartIds: charts.map(({ id }) => id),
  };
}

/** A request as it should be. */
async function rightTrial({
  method,
  path,
  body,
}: ValidRequest): Promise<readonly [what: string, answer: Answer]> {
  const text = body === null ? null : body instanceof Raw ? body.text : JSON.stringify(body);
  const headers: Record<string, string> = { cookie: session.cookie };
  if (text !== null) headers['content-type'] = 'application/json';
  const answer = await send(method, path, text, headers);
  if (method !== 'GET' && answer.status >= 200 && answer.status < 300) changing += 1;
  return [`${method} ${path} ${String(text).slice(0, 200)}`, answer];
}

/** One request: as it should be, nested beyond measure, with a label beyond measure, or odd. */
async function trial(): Promise<readonly [what: string, answer: Answer]> {
  const kind = draw.int(99);
  if (kind < 36) return rightTrial(valid.one());
  if (kind < 38) return rightTrial(valid.nested());
  if (kind < 39) return rightTrial(valid.hostileChart(anySheet));
  return oddTrial();
}

async function oddTrial(): Promise<readonly [what: string, answer: Answer]> {
  const kind = draw.int(9);
  const route: RouteAccess = draw.one(ACCESS);
  // Signing oneself out would make the rest of it dull.
  const calm = route.path === '/api/session' || route.path === '/api/sessions' ? 'GET' : route.method;
  const path = route.path.replace(/:[a-z]+/gi, () =>
    draw.int(spared(route) ? 400 : 2) > (spared(route) ? 399 : 0)
      ? bodies.id()
      : encodeURIComponent(toWellFormed(draw.one(TEXTS)).slice(0, 100)),
  );
  const query =
    draw.int(3) === 0
      ? `?${draw.one(KEYS)}=${encodeURIComponent(toWellFormed(draw.one(TEXTS)))}&codes=chest-girth&search=${encodeURIComponent(toWellFormed(draw.one(TEXTS)).slice(0, 200))}`
      : '';
  const headers: Record<string, string> = { cookie: draw.one(cookies) };
  if (kind === 0) {
    const length = draw.int(400);
    const bytes = Buffer.from(Array.from({ length }, () => draw.int(255)));
    const start =
      draw.int(1) === 0
        ? ''
        : `${calm} ${route.path} HTTP/1.1\r\nHost: 127.0.0.1\r\nCookie: ${session.cookie}\r\n${draw.one(['Content-Length: 9999\r\n\r\n', 'Transfer-Encoding: chunked\r\n\r\n', 'Range: bytes=9-1\r\n\r\n', '\r\n'])}`;
    return ['raw bytes', await sendRaw(Buffer.concat([Buffer.from(start), bytes]))];
  }
  if (kind === 1) {
    headers[
      draw.one([
        'range',
        'if-match',
        'if-none-match',
        'accept',
        'content-encoding',
        'origin',
        'last-event-id',
        'authorization',
        'expect',
        'content-type',
      ])
    ] = toWellFormed(draw.one(TEXTS))
      .replace(/[^\x20-\x7e]/g, '?')
      .slice(0, 300);
    return [
      `${calm} ${path}${query} with ${JSON.stringify(headers)}`,
      await send(calm, path + query, null, headers),
    ];
  }
  if (kind === 2)
    return [
      `GET ${path}${query}`,
      await send(draw.one(['GET', 'HEAD', 'OPTIONS', 'PATCH']), path + query, null, headers),
    ];
  headers['content-type'] = draw.one([
    'application/json',
    'application/json',
    'application/json',
    'text/plain',
    'application/json; charset=utf-16',
  ]);
  const right = bodies.for(calm, route.path);
  // By the route's own shape, or one of something else, or anything; mostly with the right to it.
  if (right !== undefined && kind > 4) {
    headers['cookie'] = session.cookie;
    headers['content-type'] = 'application/json';
  }
  const drawn = kind === 3 ? draw.bent(draw.one(known)) : kind === 4 ? draw.value() : (right ?? draw.value());
  // What takes no body is mostly sent none, so that it is asked for what it has.
  const none = right === undefined && calm !== 'POST' && draw.int(4) > 0;
  const body = none ? null : JSON.stringify(drawn);
  if (none) headers['cookie'] = draw.int(3) === 0 ? draw.one(cookies) : session.cookie;
  return [
    `${calm} ${path} ${headers['content-type']} ${String(body).slice(0, 300)}`,
    await send(calm, path, body, headers),
  ];
}

/** What takes away what the others are tried on is tried on it seldom. */
function spared({ method, path }: RouteAccess): boolean {
  return method === 'DELETE' && path.startsWith('/api/wearers');
}

function toWellFormed(text: string): string {
  return text.replace(/[\ud800-\udfff]/g, '?');
}

let [faults, hangs, dropped, slowest] = [0, 0, 0, 0];
let slowestWhat = '';
for (let done = 0; done < 500; done++) await trial();
const before = held();
const statuses = new Map<number, number>();
const heldOnTheWay: number[] = [];
let answered = 0;
const AT_ONCE = 8;
await Promise.all(
  Array.from({ length: AT_ONCE }, async () => {
    for (let done = 0; done < count / AT_ONCE; done++) {
      const [what, { status, ms }] = await trial();
      answered += 1;
      if (answered % Math.ceil(count / 10) === 0) heldOnTheWay.push(held());
      statuses.set(status, (statuses.get(status) ?? 0) + 1);
      if (ms > slowest) [slowest, slowestWhat] = [ms, what];
      if (status === -1) hangs += 1;
      if (status === 0) dropped += 1;
      if (status >= 500 && status !== 503) faults += 1;
      if (status === -1 || status >= 500 || (status === 0 && what !== 'raw bytes'))
        process.stdout.write(`  ${status} after ${ms.toFixed(0)} ms: ${what}\n`);
    }
  }),
);
const after = held();
agent.destroy();
process.stdout.write(
  `fuzz: ${count} requests, seed ${seed}: ${faults} faults of the server, ${hangs} hangs, ${dropped} dropped without a word; slowest ${slowest.toFixed(0)} ms (${slowestWhat.slice(0, 80)}); memory ${before.toFixed(0)} to ${after.toFixed(0)} MB\n`,
);
process.stdout.write(
  `fuzz: ${[...statuses]
    .sort((a, b) => a[0] - b[0])
    .map(([status, many]) => `${status}: ${many}`)
    .join(', ')}\n`,
);
process.stdout.write(`fuzz: memory by tenths: ${heldOnTheWay.map((mb) => mb.toFixed(0)).join(', ')} MB\n`);
process.stdout.write(`fuzz: ${((changing / count) * 100).toFixed(0)} of 100 changed something (bar 25)\n`);
process.exit(faults + hangs > 0 || changing < count / 4 || after > before * 2 + 100 ? 1 : 0);
