// How much script the browser runs from the last key of a docket of twelve garments to its verdicts.
import { openDemo, signIn } from './demo-browser.mjs';
import { say } from './run.mjs';

const GARMENTS = [
  'Ranger field jacket',
  'Harbour parka',
  'Gannet smock',
  'Guide blazer',
  'Ferry waistcoat',
  'Mudlark coverall',
  'Grebe dry suit',
  'Saltmarsh vest',
  'Tidewall vest',
  'Breakwater vest',
  'Saltpan waders',
  'Ranger trousers',
];

/** Takes every measurement but one reading, then measures what the last Enter costs. */
export async function measureLastKey() {
  const demo = await openDemo('bench');
  try {
    const page = await signIn(demo.browser, demo.base);
    await page.getByRole('combobox', { name: 'Wearer' }).fill('Bench Wearer');
    await page.keyboard.press('Enter');
    for (const name of GARMENTS) await page.getByRole('checkbox', { name }).first().check();
    await page.getByRole('button', { name: 'Open the docket' }).click();
    await page.getByRole('button', { name: 'Begin' }).click();
    let last = null;
    for (
      let stop = 0;
      stop < 60 && (await page.getByRole('button', { name: /: not read/ }).count()) > 0;
      stop++
    ) {
      if ((await page.locator('#entry').count()) === 0) await page.keyboard.press('Enter');
      else {
        const heading = await page.locator('.what h1').first().textContent();
        last = VALUES[heading.trim()] ?? '40';
        for (let twice = 0; twice < 2; twice++) {
          await page.locator('#entry').fill(last);
          await page.keyboard.press('Enter');
        }
      }
      await atRest(page);
    }
    await page.getByRole('button', { name: 'Made to measure' }).waitFor();
    const costs = [];
    for (let round = 0; round < ROUNDS; round++) {
      // Back to the last step, its second reading taken back and read once more.
      await page.keyboard.press('b');
      await page.locator('#entry').waitFor();
      await page.keyboard.press('r');
      await atRest(page);
      await page.locator('#entry').fill(last);
      costs.push(await costOfEnter(page));
      await page.getByRole('button', { name: 'Made to measure' }).waitFor();
      await atRest(page);
    }
    costs.sort((a, b) => a - b);
    say(
      `last key to verdict, docket of ${GARMENTS.length} garments: ${costs[ROUNDS >> 1].toFixed(1)} ms of script in the browser (median of ${ROUNDS}; ${costs[0].toFixed(1)} to ${costs.at(-1).toFixed(1)}; bar ${MOST}), ratio ${(costs[ROUNDS >> 1] / MOST).toFixed(2)}`,
    );
  } finally {
    await demo.stop();
  }
}

const ROUNDS = 30;
const MOST = 12;

const VALUES = {
  Chest: '98',
  'Natural waist': '86',
  'Widest girth': '92',
  'Trouser waist': '90',
  'Hip and seat': '100',
  Trunk: '161',
  'Inside leg': '80',
  Height: '178',
  'Front, standing': '42',
  'Front, seated': '36',
  'Nape to belt': '43',
  'Collar to belt': '45',
  'Left foot length': '262',
  'Right foot length': '263',
};

/** Waits until nothing is on its way and the look ahead has had its turn. */
async function atRest(page) {
  await page.evaluate(() => new Promise((done) => setTimeout(done, 250)));
}

/** Script run by the page, from the key until it is at rest, by the browser's own count. */
async function costOfEnter(page) {
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable');
  const spent = async () =>
    (await session.send('Performance.getMetrics')).metrics.find(({ name }) => name === 'ScriptDuration')
      .value;
  const before = await spent();
  await page.keyboard.press('Enter');
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  return ((await spent()) - before) * 1_000;
}
