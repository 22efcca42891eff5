// The built application on a database of its own with the demo in it, and a browser beside it.
import { demoServer } from './demo-server.mjs';
import { debianProgram } from '../install.mjs';

/** Chromium's own traffic is turned off; as root it needs to be told that it has no sandbox. */
const ARGUMENTS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/**
 * Starts both.
 *
 * @param name tells its data folder from others
 */
export async function openDemo(name) {
  const executablePath = await debianProgram('chromium');
  const server = await demoServer(name);
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch({ executablePath, args: ARGUMENTS });
  return {
    base: server.base,
    browser,
    async stop() {
      await browser.close();
      await server.stop();
    },
  };
}

/**
 * A page of the Bench with the demo's fitter signed in.
 *
 * @param browser a browser, or a context of its own of one: only there a page can be closed and opened again
 */
export async function signIn(browser, base) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(base);
  await page.getByLabel('Sign-in name').fill('odalys');
  await page.getByLabel('Passphrase').fill('low-tide-table');
  await page.keyboard.press('Enter');
  await page.getByRole('option').first().waitFor();
  return page;
}
