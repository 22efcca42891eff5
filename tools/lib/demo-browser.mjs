// The built application on a database of its own with the demo in it, and a browser beside it.
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildChanged } from './build.mjs';
import { debianProgram } from './install.mjs';
import { waysInto } from './database.mjs';
import { startMariadb } from './mariadb.mjs';
import { DATA, ROOT } from './paths.mjs';
import { startServer } from './serve.mjs';

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
  await buildChanged();
  const { chromium } = await import('@playwright/test');
  const folder = join(DATA, `${name}-${process.pid}`);
  const mariadb = await startMariadb(folder);
  const ways = waysInto(mariadb);
  const server = await startServer({
    DATABASE_URL: ways.url,
    DATABASE_OWNER_URL: ways.owner,
    PORT: '0',
    WEB_ROOT: join(ROOT, 'web', 'dist', 'browser'),
    DEMO_FOLDER: join(ROOT, 'demo'),
    LOG_LEVEL: 'error',
  });
  const browser = await chromium.launch({ executablePath, args: ARGUMENTS });
  return {
    base: `http://127.0.0.1:${server.port}`,
    browser,
    async stop() {
      await browser.close();
      await server.stop();
      await mariadb.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** A page of the Bench with the demo's fitter signed in. */
export async function signIn(browser, base) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(base);
  await page.getByLabel('Sign-in name').fill('odalys');
  await page.getByLabel('Passphrase').fill('low-tide-table');
  await page.keyboard.press('Enter');
  await page.getByRole('option').first().waitFor();
  return page;
}
