// How fast a day of many is: a list that comes in, a muster that is opened, and an act until it stands on another's screen.
import { v7 as uuidv7 } from 'uuid';
import { openDemo, signIn } from '../serving/demo-browser.mjs';
import { say } from '../run.mjs';

const IMPORTED = 5_000;
const OPENED = 600;
const ACTS = 20;
const SLIPS = 240;
/**
 * So many wearers a Bench serves in a row, after the first of them: while those are served the engine still compiles what
 * is run often, and of the 2.8 MB that 200 wearers after the first 20 added, 2.1 were that code and 0.05 objects.
 */
const IN_A_ROW = 300;
const FIRST = 60;

/**
 * Prints import, first paint of a muster of 600 and of 5,000, how long an act takes to another browser, an order before
 * the tape, slips, and what a Bench holds after many wearers.
 */
export async function measureMuster() {
  const demo = await openDemo('muster');
  try {
    const page = await signIn(demo.browser, demo.base);
    const api = await signedIn(page, demo.base);
    const large = await api.open('Bench, large');
    say(
      `import of ${IMPORTED} rows, looked up and saved: ${ms(await api.import(large, IMPORTED))} (bar 5000 ms)`,
    );
    const usual = await api.open('Bench, usual');
    await api.import(usual, OPENED);
    say(
      `first paint of a muster of ${OPENED}: ${ms(await firstPaint(page, demo.base, usual))} (bar 1000 ms)`,
    );
    say(`first paint of a muster of ${IMPORTED}: ${ms(await firstPaint(page, demo.base, large))}`);
    const times = await untilSeen(demo, page, usual, api);
    say(
      `an act until it stands on another's Roll: median ${ms(times[times.length >> 1])} of ${times.length} (bar 250 ms), longest ${ms(times.at(-1))}`,
    );
    say(`an order before the tape for ${OPENED}: ${ms(await api.order(usual))}`);
    say(`${SLIPS} slips as a PDF: ${ms(await api.slips(usual, SLIPS))}`);
    const [first, last] = await heldAfter(page, demo.base, usual, api);
    say(
      `memory of a Bench after ${IN_A_ROW} wearers in a row: ${(last / first).toFixed(2)} times that after the first ${FIRST}, ${mb(last)} (bar 1.2 times)`,
    );
  } finally {
    await demo.stop();
  }
}

const ms = (time) => `${time.toFixed(0)} ms`;
const mb = (bytes) => `${(bytes / 2 ** 20).toFixed(0)} MB`;

/** What is done over the API under the name of the demo's fitter. */
async function signedIn(page, base) {
  const headers = { origin: base };
  const session = await page.request.post(`${base}/api/session`, {
    data: { signIn: 'odalys', passphrase: 'low-tide-table' },
    headers,
  });
  const { pen, id, name } = (await session.json()).who;
  const act = async (musterId, doing) => {
    const one = { id: uuidv7(), musterId, at: new Date().toISOString(), by: { id, name }, ...doing };
    const answer = await page.request.post(`${base}/api/acts`, { data: { pen, acts: [one] }, headers });
    const [{ outcome, detail }] = await answer.json();
    if (outcome !== 'kept') throw new Error(detail);
  };
  const people = new Map();
  return {
    act,
    people,
    open: async (title) => {
      const musterId = uuidv7();
      const day = new Date().toISOString().slice(0, 10);
      await act(musterId, { kind: 'muster-opened', name: title, place: '', day, lastDay: day, unit: 'cm' });
      for (let at = 0; at < 12; at += 1)
        await act(musterId, {
          kind: 'station-opened',
          stationId: uuidv7(),
          name: `Station ${at + 1}`,
          parts: ['girths', 'lengths', 'deciding'],
        });
      return musterId;
    },
    order: (musterId) =>
      timed(page, `${base}/api/musters/${musterId}/order-ahead`, { chance: 0.95 }, headers),
    slips: (musterId, count) => {
      const wearerIds = people
        .get(musterId)
        .slice(-count)
        .map(({ wearerId }) => wearerId);
      const data = { lastDay: '2099-12-31', wearerIds, as: 'slips' };
      return timed(page, `${base}/api/musters/${musterId}/slips`, data, headers);
    },
    import: async (musterId, count) => {
      const rows = Array.from({ length: count }, (_, at) => ({
        ...{ line: at + 2, name: `Wearer ${at} of ${musterId.slice(-6)}`, role: 'Ranger' },
        ...{ born: null, number: null, group: null, sizes: [] },
        readings: [
          { code: 'height', typed: String(155 + (at % 40)), unit: 'cm' },
          { code: 'weight', typed: String(50 + (at % 45)), unit: 'kg' },
        ],
      }));
      const began = performance.now();
      const path = `${base}/api/musters/${musterId}`;
      await page.request.post(`${path}/matches`, { data: { rows }, headers });
      const wanted = rows.map((row) => ({ ...row, wearerId: uuidv7(), docketId: uuidv7(), isNew: true }));
      const data = {
        actId: uuidv7(),
        at: new Date().toISOString(),
        kitId: null,
        changes: false,
        rows: wanted,
      };
      const answer = await page.request.put(`${path}/people`, { data, headers });
      if (answer.status() !== 200) throw new Error(await answer.text());
      people.set(musterId, wanted);
      return performance.now() - began;
    },
  };
}

/** How long a question takes that must be answered. */
async function timed(page, path, data, headers) {
  const began = performance.now();
  const answer = await page.request.post(path, { data, headers, timeout: 300_000 });
  if (answer.status() !== 200) throw new Error(await answer.text());
  return performance.now() - began;
}

/** What a Bench at a station holds after its first wearers, and after many more, in bytes. */
async function heldAfter(page, base, musterId, { act, people }) {
  for (const { wearerId } of people.get(musterId).slice(ACTS, ACTS + FIRST + IN_A_ROW + 1))
    await act(musterId, { kind: 'checked-in', wearerId, missing: null });
  await page.goto(`${base}/roll/${musterId}`);
  await page
    .getByRole('listitem', { name: 'Station 1', exact: true })
    .getByRole('button', { name: 'Work here' })
    .click();
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/bench\//);
  const devtools = await page.context().newCDPSession(page);
  const serve = async (many) => {
    for (let one = 0; one < many; one += 1) {
      const before = page.url();
      await page.getByRole('button', { name: 'Finish here' }).click();
      await page.waitForURL((url) => url.href !== before && url.pathname.startsWith('/bench/'));
    }
    for (let times = 0; times < 3; times += 1) await devtools.send('HeapProfiler.collectGarbage');
    return (await devtools.send('Runtime.getHeapUsage')).usedSize;
  };
  return [await serve(FIRST), await serve(IN_A_ROW)];
}

/** From the moment a muster is gone to within the application until its stations stand there; the middle of five. */
async function firstPaint(page, base, musterId) {
  const times = [];
  for (let round = 0; round < 5; round += 1) {
    await page.goto(`${base}/roll`);
    const link = page.locator(`a[href="/roll/${musterId}"]`);
    await link.waitFor();
    const began = performance.now();
    await link.click();
    await page.getByRole('list', { name: 'Stations' }).waitFor();
    times.push(performance.now() - began);
  }
  return times.sort((one, other) => one - other)[2];
}

/** How long it takes from an act of one until another's screen has it. */
async function untilSeen({ browser, base }, page, musterId, { act, people }) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await context.addCookies(await page.context().cookies());
  const other = await context.newPage();
  await other.goto(`${base}/roll/${musterId}`);
  const here = other.getByRole('button', { name: /^Here/ });
  await here.waitFor();
  // The stream is open a moment after the page stands.
  await other.waitForTimeout(1_000);
  const times = [];
  for (const { wearerId } of people.get(musterId).slice(0, ACTS)) {
    const seen = here.evaluate(
      (element) =>
        new Promise((resolve) => {
          const watches = new MutationObserver(() => {
            watches.disconnect();
            resolve(Date.now());
          });
          watches.observe(element, { childList: true, subtree: true, characterData: true });
        }),
    );
    await other.waitForTimeout(50);
    const began = Date.now();
    await act(musterId, { kind: 'checked-in', wearerId, missing: null });
    times.push((await seen) - began);
  }
  await context.close();
  return times.sort((one, other_) => one - other_);
}
