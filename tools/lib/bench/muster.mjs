// How fast a day of many is: a list that comes in, a muster that is opened, and an act until it stands on another's screen.
import { openDemo, signIn } from '../serving/demo-browser.mjs';
import { say } from '../run.mjs';
import { signedIn } from './day-of-many.mjs';

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
