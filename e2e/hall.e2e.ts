import { chromium } from '@playwright/test';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { AGAIN, expect, openDocket, takeReadings, test } from './fitter';
import { docketOf, idOf, signIn, takeAlong, type Docket } from './hall';

test.use({ serviceWorkers: 'allow' });

test('a device that took a muster along opens, measures, decides and adds without the server, closed and opened again', async ({
  page,
  context,
  allowErrors,
}) => {
  allowErrors(/ERR_INTERNET_DISCONNECTED/);
  await page.goto('/');
  await signIn(page);
  await expect(page.getByRole('heading', { name: 'New docket' })).toBeVisible();
  await takeAlong(page);

  await context.setOffline(true);
  await page.goto('/bench');
  await expect(page.getByText('The server cannot be reached. Whoever has signed in')).toBeVisible();
  await signIn(page, 'odalys', 'high-tide-table');
  await expect(page.getByRole('alert')).toHaveText(/do not match/);
  await signIn(page);
  await expect(page.getByRole('heading', { name: 'New docket' })).toBeVisible();
  await expect(page.getByText(/No contact with the server since .* Nothing to send\./)).toBeVisible();

  await openDocket(page, 'Anton Mbali', ['Ranger field jacket']);
  const docket = idOf(page);
  await expect(page.getByText('new docket')).toBeVisible();
  await takeReadings(page, '98', '98', '85', '85');
  await expect(page.locator('[data-proposed]:visible')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('7 changes to send, saved on this device.')).toBeVisible();

  // Closed and opened again, all of it is there.
  await page.goto(`/bench/${docket}`);
  await signIn(page);
  await expect(page.getByRole('heading', { name: 'Anton Mbali' })).toBeVisible();
  await expect(page.getByText('7 changes to send, saved on this device.')).toBeVisible();

  // Somebody nobody knows comes.
  await page.goto('/bench');
  await signIn(page);
  await openDocket(page, 'Oona Pelt', ['Ranger field jacket']);
  const another = idOf(page);
  await takeReadings(page, '91', '91');

  await context.setOffline(false);
  await expect(page.getByText('to send, saved on this device')).toHaveCount(0);
  await expect(page.getByText(/docket \d+/)).toBeVisible();
  const [first, second] = [await docketOf(page, docket), await docketOf(page, another)];
  expect(first.acts.map(({ act }) => act.kind)).toEqual([
    'docket-opened',
    'garment-asked',
    ...Array.from({ length: 4 }, () => 'reading-taken'),
    'garment-decided',
  ]);
  expect(second.acts.map(({ act }) => act.typed ?? act.kind)).toEqual([
    'docket-opened',
    'garment-asked',
    '91',
    '91',
  ]);
  expect([first.wearer.name, second.wearer.name]).toEqual(['Anton Mbali', 'Oona Pelt']);
});

test('two devices that measured the same wearer without the server come together, and a call made there stands', async ({
  page,
  context,
  browser,
  baseURL,
  allowErrors,
}) => {
  allowErrors(/ERR_INTERNET_DISCONNECTED/);
  await page.goto('/');
  await signIn(page);
  await openDocket(page, 'Bastien O’Leary', ['Ranger field jacket']);
  const docket = idOf(page);
  await takeAlong(page);
  const muster = page.url();
  const elsewhere = await browser.newContext({ baseURL: baseURL!, serviceWorkers: 'allow' });
  const other = await elsewhere.newPage();
  await other.goto('/');
  await signIn(other, 'tiernan', 'slack-water-bell');
  await expect(other.getByRole('heading', { name: 'New docket' })).toBeVisible();
  await takeAlong(other);

  await context.setOffline(true);
  await elsewhere.setOffline(true);
  // Loaded anew while the server is away.
  for (const [at, name, passphrase] of [
    [page, 'odalys', 'low-tide-table'],
    [other, 'tiernan', 'slack-water-bell'],
  ] as const) {
    await at.goto(`/bench/${docket}`);
    await signIn(at, name, passphrase);
    await expect(at.getByText('Prepare, before the tape')).toBeVisible();
    await at.keyboard.press('Enter');
    await expect(at.locator('#entry')).toBeFocused();
  }
  await takeReadings(page, '98');
  await takeReadings(other, '98.5');
  // Whoever is next is called at the own station, and stands there.
  await page.goto(muster);
  await signIn(page);
  const next = page.getByRole('button', { name: /Call/ }).first();
  await expect(next).toBeVisible();
  await next.click();
  await expect(page).toHaveURL(/\/bench\/.*muster=/);
  const called = idOf(page);

  await context.setOffline(false);
  await elsewhere.setOffline(false);
  for (const at of [page, other]) await expect(at.getByText('to send, saved on this device')).toHaveCount(0);
  await expect(other.getByText('No contact with the server')).toHaveCount(0);
  await expect
    .poll(async () => (await docketOf(page, docket)).acts.flatMap(({ act }) => act.typed ?? []).sort())
    .toEqual(['98', '98.5']);
  // Each sees what the other has read.
  await expect(other.getByText(/2 readings left/)).toBeVisible();
  const { muster: stands } = (await (
    await page.request.get(muster.replace('/roll/', '/api/musters/'), AGAIN)
  ).json()) as { muster: { people: { docketId: string; day: { standing: { is: string } } }[] } };
  expect(stands.people.find(({ docketId }) => docketId === called)?.day.standing.is).toBe('at');
  await elsewhere.close();
});

/** Every text that can be read in a folder, whatever the letters are written in. */
function foundIn(folder: string, words: readonly string[]): string[] {
  const files = readdirSync(folder, { recursive: true, withFileTypes: true }).filter((entry) =>
    entry.isFile(),
  );
  const found = new Set<string>();
  for (const { parentPath, name } of files) {
    const bytes = readFileSync(join(parentPath, name));
    for (const word of words)
      if (bytes.includes(word) || bytes.includes(Buffer.from(word, 'utf16le'))) found.add(word);
  }
  return [...found].sort();
}

/** So many readings in centimetres that stand nowhere in the application's own programs, which a browser keeps in the clear. */
function unlike(from: number, count: number): string[] {
  const all = Array.from({ length: 60 }, (_, at) => (from + at / 100 + 0.13).toFixed(2));
  const known = new Set(foundIn(join(process.cwd(), 'web/dist/browser'), all));
  return all.filter((one) => !known.has(one)).slice(0, count);
}

test('nothing of anybody can be read in what a browser leaves on its disk', async ({ baseURL }) => {
  const folder = mkdtempSync(join(tmpdir(), 'neat-measure-profile-'));
  const open = () =>
    chromium.launchPersistentContext(folder, {
      executablePath: process.env['CHROMIUM']!,
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
      baseURL: baseURL!,
    });
  try {
    const context = await open();
    const page = context.pages()[0] ?? (await context.newPage());
    await page.goto('/');
    // What is kept in the clear is found: a search that finds nothing would prove nothing.
    await page.evaluate(async () => {
      localStorage.setItem('marker', 'Plain Marker One');
      await new Promise((done) => {
        const asked = indexedDB.open('marker', 1);
        asked.onupgradeneeded = () => asked.result.createObjectStore('all').put('Plain Marker Two', 'key');
        asked.onsuccess = done;
      });
    });
    await signIn(page);
    await expect(page.getByRole('heading', { name: 'New docket' })).toBeVisible();
    await takeAlong(page);
    await context.setOffline(true);
    await page.goto('/bench');
    await signIn(page);
    await openDocket(page, 'Anton Mbali', ['Ranger field jacket']);
    const [chest, other] = unlike(95, 2);
    await takeReadings(page, chest!, chest!);
    await page.goto('/bench');
    await signIn(page);
    await openDocket(page, 'Oona Pelt', ['Ranger field jacket']);
    await takeReadings(page, other!);
    await expect(page.getByText(/changes to send/)).toBeVisible();
    await context.close();
    const micrometres = [chest!, other!].map((typed) => String(Math.round(Number(typed) * 10_000)));
    const words = ['Mbali', 'Osei-Harrow', 'Oona', 'Pelt', chest!, other!, ...micrometres, 'low-tide-table'];
    const plain = ['Plain Marker One', 'Plain Marker Two'];
    expect(foundIn(folder, [...plain, ...words])).toEqual(plain);

    // All of it is there all the same, once whoever is signed in has the server again.
    const again = await open();
    const next = again.pages()[0] ?? (await again.newPage());
    await next.goto('/bench');
    await expect(next.getByRole('heading', { name: 'New docket' })).toBeVisible();
    const found = async () => {
      const page = (await (await next.request.get('/api/dockets?search=Oona', AGAIN)).json()) as {
        items: Docket[];
      };
      return page.items.map(({ wearer }) => wearer.name);
    };
    await expect.poll(found).toEqual(['Oona Pelt']);
    await again.close();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});
