// How fast every list and search is in a house with thousands of open dockets.
import { v7 as uuidv7 } from 'uuid';
import { reading, signIn } from '../serving/client.mjs';
import { demoServer } from '../serving/demo-server.mjs';
import { say } from '../run.mjs';

const DOCKETS = 5_000;
const ASKED = 40;
/** So many acts go in one request. */
const AT_ONCE = 200;

/** What is asked for, with a search where there is one. */
const LISTS = [
  '/api/exceptions',
  '/api/exceptions?by=kind',
  '/api/exceptions?from=1000',
  '/api/dockets',
  '/api/dockets?search=bench 12',
  '/api/dockets?waiting=fitting',
  '/api/wearers',
  '/api/wearers?search=bench 499',
  '/api/charts',
  '/api/charts?search=jacket',
  '/api/kits',
  '/api/protocols',
  '/api/musters',
  '/api/bodies?codes=chest-girth',
  '/api/self-links',
  '/api/late-changes',
  '/api/people',
  '/api/audit',
  '/api/stores/stock',
  '/api/stores/stock?search=vest',
  '/api/stores/warnings',
  '/api/stores/needs',
  '/api/stores/orders',
  '/api/stores/reserved',
];

/** Prints the median and the 95th of 100 of every list, in ms, as somebody waits for it. */
export async function measureLists() {
  const demo = await begin();
  try {
    await fill(demo);
    const first = await until(demo, ({ pending }) => pending === 0);
    say(
      `exceptions of ${DOCKETS} open dockets, all of them judged for the first time: ${first.toFixed(0)} ms`,
    );
    for (const path of LISTS) {
      const times = [];
      for (let at = 0; at < ASKED; at += 1) times.push(await timed(() => demo.get(path)));
      times.sort((one, other) => one - other);
      const [median, most] = [times[ASKED >> 1], times[Math.ceil(ASKED * 0.95) - 1]];
      say(
        `${path}: median ${median.toFixed(0)} ms, p95 ${most.toFixed(0)} ms${most > 200 ? '  OVER the bar of 200' : ''}`,
      );
    }
    const [docketId] = demo.dockets;
    const again = [];
    for (let at = 0; at < ASKED; at += 1) {
      await demo.act([readingOf(docketId, demo.by, 'chest-girth', 980_000 + at * 1_000)]);
      again.push(await timed(() => demo.get('/api/exceptions')));
    }
    again.sort((one, other) => one - other);
    say(
      `/api/exceptions after one more reading: median ${again[ASKED >> 1].toFixed(0)} ms, p95 ${again[Math.ceil(ASKED * 0.95) - 1].toFixed(0)} ms`,
    );
  } finally {
    await demo.stop();
  }
}

async function timed(work) {
  const begun = performance.now();
  await work();
  return performance.now() - begun;
}

/** How long it takes until an answer of the exceptions is as it should be. */
async function until(demo, is) {
  return timed(async () => {
    while (!is(await demo.get('/api/exceptions'))) await new Promise((resolve) => setTimeout(resolve, 250));
  });
}

/** Whoever asks, by the routes alone. */
async function begin() {
  const server = await demoServer('lists', 'server');
  const { who, cookie } = await signIn(server.base);
  const headers = { cookie, 'content-type': 'application/json' };
  const ask = async (path, more) => {
    const answer = await fetch(`${server.base}${path}`, { headers, ...more });
    const text = await answer.text();
    if (answer.status >= 300) throw new Error(`${path}: ${text}`);
    return JSON.parse(text);
  };
  return {
    stop: () => server.stop(),
    by: { id: who.id, name: who.name },
    get: (path) => ask(path),
    put: (path, body) => ask(path, { method: 'PUT', body: JSON.stringify(body) }),
    act: async (acts) => {
      const answers = await ask('/api/acts', {
        method: 'POST',
        body: JSON.stringify({ pen: who.pen, acts }),
      });
      const refused = answers.find(({ outcome }) => outcome !== 'kept');
      if (refused !== undefined) throw new Error(refused.detail);
    },
    dockets: [],
  };
}

/** Opens dockets of people of many sizes for a garment of the demo, each read as its chart asks, and none decided. */
async function fill(demo) {
  const { items } = await demo.get('/api/charts?search=field jacket');
  const chartId = items[0].id;
  let acts = [];
  for (let at = 0; at < DOCKETS; at += 1) {
    const wearerId = uuidv7();
    await demo.put(`/api/wearers/${wearerId}`, { name: `Bench Wearer ${at}`, role: 'Ranger', version: 0 });
    const docketId = uuidv7();
    demo.dockets.push(docketId);
    const base = () => ({ id: uuidv7(), docketId, at: new Date().toISOString(), by: demo.by });
    const opened = { kind: 'docket-opened', wearerId, occasion: 'Bench', unit: 'cm', preference: 'regular' };
    acts.push({ ...base(), ...opened }, { ...base(), kind: 'garment-asked', chartId });
    const chest = 860_000 + ((at * 7_919) % 400) * 1_000;
    const waist = chest - 60_000 - ((at * 31) % 90) * 1_000;
    for (const [code, length] of [
      ['chest-girth', chest],
      ['chest-girth', chest],
      ['waist-girth', waist],
      ['waist-girth', waist],
    ])
      acts.push(readingOf(docketId, demo.by, code, length));
    if (acts.length >= AT_ONCE - 6 || at === DOCKETS - 1) {
      await demo.act(acts);
      acts = [];
    }
  }
}

function readingOf(docketId, by, code, length) {
  return { ...reading(by, docketId), code, length, typed: String(length / 10_000) };
}
