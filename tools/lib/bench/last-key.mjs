// How much script the browser runs from the last key of a docket of twelve garments to its verdicts.
import { openDemo, signIn } from '../serving/demo-browser.mjs';
import { say } from '../run.mjs';

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
    await page.getByRole('button', { name: 'Open docket' }).click();
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
    const bare = await bareCosts(demo.browser, page, demo.base, last);
    const [script, work, bareScript, bareWork] = [
      costs.map((one) => one.script),
      costs.map((one) => one.work),
      bare.map((one) => one.script),
      bare.map((one) => one.work),
    ].map(median);
    const ratio = work / bareWork;
    say(
      `last key to verdict, docket of ${GARMENTS.length} garments, median of ${ROUNDS}: ${script.toFixed(1)} ms of script (bar ${MOST}), ${work.toFixed(1)} ms of all the page's work; the same set by hand ${bareScript.toFixed(1)} and ${bareWork.toFixed(1)} ms; ratio ${ratio.toFixed(2)} (bar ${MOST_RATIO})`,
    );
  } finally {
    await demo.stop();
  }
}

const ROUNDS = 30;
/** A frame, in ms of script; and how many times the work of a page that only sets what is to be seen. */
const MOST = 16;
const MOST_RATIO = 2;

const VALUES = {
  Chest: '98',
  Neck: '39',
  Wrist: '17',
  'Shoulder width': '45',
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

/** What a key costs the page until it is at rest, by the browser's own count, in ms: script, and all its work. */
async function costOfEnter(page) {
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable');
  const spent = async () => {
    const { metrics } = await session.send('Performance.getMetrics');
    const of = (wanted) => metrics.find(({ name }) => name === wanted).value * 1_000;
    return { script: of('ScriptDuration'), work: of('TaskDuration') };
  };
  const before = await spent();
  await page.keyboard.press('Enter');
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  const after = await spent();
  await session.detach();
  return { script: after.script - before.script, work: after.work - before.work };
}

const median = (numbers) => [...numbers].sort((a, b) => a - b)[numbers.length >> 1];

/**
 * What the same key costs a page of its own that knows the answer: it stands as the Bench stood before the key, and sets
 * on it, by hand, every text, attribute and element in which the Bench after the key differs. It is the least a browser
 * must do.
 */
async function bareCosts(browser, page, base, last) {
  await page.keyboard.press('b');
  await page.locator('#entry').waitFor();
  await page.keyboard.press('r');
  await atRest(page);
  await page.locator('#entry').fill(last);
  await atRest(page);
  const before = await bodyOf(page);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Made to measure' }).waitFor();
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  const after = await bodyOf(page);
  const head = await page.evaluate(() =>
    [...document.head.querySelectorAll('style, link[rel=stylesheet]')].map((one) => one.outerHTML).join(''),
  );
  const bare = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await bare.route(`${base}/bare`, (route) =>
    route.fulfill({
      contentType: 'text/html',
      body: `<!doctype html><html><head>${head}</head>${before}</html>`,
    }),
  );
  const costs = [];
  for (let round = 0; round < ROUNDS; round++) {
    await bare.goto(`${base}/bare`);
    await bare.evaluate(setByHandOnEnter, after);
    await atRest(bare);
    costs.push(await costOfEnter(bare));
  }
  await bare.close();
  return costs;
}

/** The page as it stands, without its scripts. */
function bodyOf(page) {
  return page.evaluate(() => document.body.outerHTML.replace(/<script[^]*?<\/script>/g, ''));
}

/** Runs in the page: finds beforehand what differs, and sets it when Enter is pressed. */
function setByHandOnEnter(html) {
  const wanted = new DOMParser().parseFromString(html, 'text/html').body;
  const doings = [];
  const compare = (is, should) => {
    if (is.nodeType !== should.nodeType || is.nodeName !== should.nodeName)
      return doings.push(() => is.replaceWith(document.importNode(should, true)));
    if (is.nodeType !== Node.ELEMENT_NODE)
      return is.data === should.data ? 0 : doings.push(() => (is.data = should.data));
    for (const { name, value } of should.attributes)
      if (is.getAttribute(name) !== value) doings.push(() => is.setAttribute(name, value));
    for (const { name } of [...is.attributes])
      if (!should.hasAttribute(name)) doings.push(() => is.removeAttribute(name));
    const [own, others] = [[...is.childNodes], [...should.childNodes]];
    others.forEach((other, at) =>
      own[at] === undefined
        ? doings.push(() => is.append(document.importNode(other, true)))
        : compare(own[at], other),
    );
    return own.slice(others.length).forEach((one) => doings.push(() => one.remove()));
  };
  compare(document.body, wanted);
  document.addEventListener('keydown', () => doings.forEach((set) => set()), { once: true });
}
