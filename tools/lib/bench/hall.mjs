// How long it takes to take a muster along, and to open the application again without the server.
import { openDemo, signIn } from '../serving/demo-browser.mjs';
import { say } from '../run.mjs';
import { signedIn } from './day-of-many.mjs';

const WEARERS = 240;
const MOST_S = 10;
const MOST_MB = 30;
const ROUNDS = 3;

/** Prints how long a muster of 240 takes to be taken along and what room it takes, and how long a restart without the server takes. */
export async function measureHall() {
  const demo = await openDemo('hall');
  try {
    const context = await demo.browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await signIn(context, demo.base);
    const api = await signedIn(page, demo.base);
    const muster = await api.open('Hall');
    await api.import(muster, WEARERS);
    // Each has come: their dockets stand open, with the kit of their role.
    for (const { wearerId } of api.people.get(muster))
      await api.act(muster, { kind: 'checked-in', wearerId, missing: null });
    await takeAlong(page, demo.base, muster);
    await page.getByText('Works without a network.').waitFor({ timeout: 120_000 });
    await context.setOffline(true);
    let last = page;
    for (let round = 0; round < ROUNDS; round += 1) {
      await last.close();
      last = await context.newPage();
      await openAgain(last, demo.base);
    }
  } finally {
    await demo.stop();
  }
}

async function takeAlong(page, base, muster) {
  await page.goto(`${base}/roll/${muster}`);
  const button = page.getByRole('button', { name: 'Take along' });
  await button.waitFor();
  const began = performance.now();
  await button.click();
  const line = page.getByText(/On this device since/);
  await line.waitFor({ timeout: 120_000 });
  const seconds = (performance.now() - began) / 1_000;
  const words = await line.innerText();
  const [, wearers] = /(\d+) wearers/.exec(words);
  const [, megabytes] = /([\d.]+) MB/.exec(words);
  say(
    `${wearers} wearers with open dockets taken along: ${seconds.toFixed(1)} s (bar ${MOST_S}), ${megabytes} MB (bar ${MOST_MB})`,
  );
}

async function openAgain(page, base) {
  const began = performance.now();
  await page.goto(`${base}/bench`);
  const name = page.getByLabel('Sign-in name');
  await name.waitFor();
  const stood = performance.now();
  await name.fill('odalys');
  await page.getByLabel('Passphrase').fill('low-tide-table');
  const typed = performance.now();
  await page.keyboard.press('Enter');
  await page.getByRole('heading', { name: 'New docket' }).waitFor();
  const unlocked = performance.now();
  await page.locator('.recent li a').first().click();
  await page.getByRole('region', { name: 'Docket', exact: true }).waitFor();
  const opened = performance.now();
  say(
    `without the server: sign-in stands after ${ms(stood - began)}, unlocked ${ms(unlocked - typed)} later, a docket opened in ${ms(opened - unlocked)}`,
  );
}

const ms = (time) => `${time.toFixed(0)} ms`;
