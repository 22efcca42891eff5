// How smoothly a hundred thousand sized wearers scroll, in the browser where it is done.
import { say } from '../run.mjs';
import { openDemo, signIn } from '../serving/demo-browser.mjs';

const WEARERS = 100_000;
const GARMENTS = 12;
const LABELS = ['XS', 'S', 'M', 'L', 'XL', '2XL'];
/** Three rows a frame: whoever looks for a name pulls about so fast. */
const STEP_PX = 120;
const SCROLLED_MS = 5_000;
const ROUNDS = 3;
/** A frame that takes longer is seen as a hitch. */
const MOST_MS = 50;

/** Prints how long the table takes to be shown and searched, and how long its frames are while it is scrolled. */
export async function measureTable() {
  const demo = await openDemo('bench-table');
  try {
    const page = await signIn(demo.browser, demo.base);
    const view = madeUpView();
    // No house has so many: the answers are put in the server's place, all else is as it is.
    await page.route('**/api/sizings?of=*', (route) => route.fulfill({ json: [view.progress] }));
    await page.route(`**/api/sizings/${view.progress.id}`, (route) =>
      route.fulfill({ body: JSON.stringify(view), contentType: 'application/json' }),
    );
    await page.goto(`${demo.base}/roll`);
    await page.getByRole('link', { name: /Winter issue/ }).click();
    const asked = Date.now();
    await page.getByRole('link', { name: 'Sizes', exact: true }).click();
    const count = page.getByRole('status').filter({ hasText: / of \d+ wearers/ });
    await count.filter({ hasText: `${WEARERS} of ${WEARERS}` }).waitFor({ timeout: 120_000 });
    say(`${WEARERS} wearers x ${GARMENTS} garments: shown after ${Date.now() - asked} ms`);
    for (let round = 0; round < ROUNDS; round += 1) {
      const { frames, median, p99, longest, hitches } = await page.evaluate(scrolled, [
        STEP_PX,
        SCROLLED_MS,
        MOST_MS,
      ]);
      say(
        `scrolled by ${STEP_PX} px a frame, ${frames} frames: median ${median} ms, p99 ${p99} ms, longest ${longest} ms, ${hitches} over ${MOST_MS} ms (bar 0)`,
      );
    }
    const typed = Date.now();
    await page.getByRole('searchbox').first().fill('Wearer 77');
    await count.filter({ hasNotText: `${WEARERS} of` }).waitFor();
    say(`a search: ${Date.now() - typed} ms`);
  } finally {
    await demo.stop();
  }
}

/** Scrolls the table in the browser, and looks how long each frame was. */
async function scrolled([step, within, most]) {
  const port = document.querySelector('nm-size-table .wide');
  const times = [];
  let [last, top] = [performance.now(), 0];
  const until = last + within;
  while (performance.now() < until) {
    await new Promise(requestAnimationFrame);
    const now = performance.now();
    times.push(now - last);
    last = now;
    port.scrollTop = top += step;
  }
  times.sort((one, other) => one - other);
  const at = (part) => Math.round(times[Math.min(times.length - 1, Math.floor(times.length * part))]);
  return {
    frames: times.length,
    ...{ median: at(0.5), p99: at(0.99), longest: at(1) },
    hitches: times.filter((time) => time > most).length,
  };
}

/** A sizing as the server would send it: a third in doubt, some between two sizes. */
function madeUpView() {
  const chance = (seed) => ((seed * 2_654_435_761) >>> 0) / 2 ** 32;
  const id = (one, of) => {
    const digits = one.toString(16).padStart(12, '0');
    return `01a233f9-0000-7${of}00-8000-${digits}`;
  };
  const all = Array.from({ length: WEARERS }, (_, row) => row);
  const garments = Array.from({ length: GARMENTS }, (_, at) => {
    const sizes = all.map((row) => Math.floor(chance(row * 13 + at) * LABELS.length));
    const verdicts = all.map((row) =>
      chance(row * 7 + at + 1) < 0.3 ? 1 : chance(row + at * 3) < 0.1 ? 4 : 0,
    );
    const next = (row) => Math.min(LABELS.length - 1, sizes[row] + 1);
    const inDoubt = all.filter((row) => verdicts[row] !== 0);
    return {
      ...{ chartId: id(at, 2), seriesId: id(at, 3), version: 1, garment: `Garment ${at + 1}` },
      ...{ maker: 'Ostrel Workwear', protects: false, labels: LABELS, verdicts, sizes },
      stands: all.map(() => 0),
      odds: Object.fromEntries(inDoubt.map((row) => [row, [sizes[row], 600, next(row), 400]])),
      others: Object.fromEntries(
        inDoubt.filter((row) => verdicts[row] === 4).map((row) => [row, [next(row)]]),
      ),
    };
  });
  const wearerIds = all.map((row) => id(row, 4));
  return {
    progress: {
      ...{ id: id(1, 1), state: 'done', done: 1, steps: 1, by: 'Odalys Wren', wearers: WEARERS },
      madeAt: '2026-12-01T10:00:00.000Z',
    },
    sizing: {
      ...{ habits: 1, wearerIds, docketIds: all.map(() => ''), garments },
      ...{ rests: all.map(() => 0), acts: all.map(() => 1) },
    },
    wearers: wearerIds.map((one, row) => ({
      ...{ id: one, name: `Wearer ${(row * 7_919) % WEARERS}`, role: 'Warden', number: null },
    })),
    groups: [],
    stock: [],
  };
}
