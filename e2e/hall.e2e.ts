import type { Page } from '@playwright/test';
import { AGAIN, expect, openDocket, takeReadings, test } from './fitter';

test.use({ serviceWorkers: 'allow' });

/** Signs in as people do: what they type is what opens this device without the server. */
async function signIn(page: Page, name = 'odalys', passphrase = 'low-tide-table'): Promise<void> {
  await page.getByLabel('Sign-in name').fill(name);
  await page.getByLabel('Passphrase').fill(passphrase);
  await page.keyboard.press('Enter');
}

/** Takes the muster of the demo along, and waits until the application is kept, too. */
async function takeAlong(page: Page): Promise<void> {
  await page.goto('/roll');
  await page.getByRole('link', { name: /Winter issue/ }).click();
  await page.getByRole('button', { name: 'Take along' }).click();
  await expect(page.getByText(/On this device since .*61 wearers/)).toBeVisible();
  await page.evaluate(async () => navigator.serviceWorker.ready.then(() => undefined));
  await expect
    .poll(() =>
      page.evaluate(() => caches.keys().then((names) => names.some((name) => name.includes('assets')))),
    )
    .toBe(true);
}

interface Docket {
  readonly number: number;
  readonly wearer: { readonly id: string; readonly name: string };
  readonly acts: readonly {
    readonly act: { readonly id: string; readonly kind: string; readonly typed?: string };
  }[];
}
const docketOf = async (page: Page, id: string) =>
  (await (await page.request.get(`/api/dockets/${id}`, AGAIN)).json()) as Docket;
const idOf = (page: Page) => /bench\/([^?]+)/.exec(page.url())![1]!;

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
  await expect(page.getByText('saved on this device')).toBeVisible();
  const said = await page.getByText(/\d+ changes to send/).textContent();

  // Closed and opened again, all of it is there.
  await page.goto(`/bench/${docket}`);
  await signIn(page);
  await expect(page.getByRole('heading', { name: 'Anton Mbali' })).toBeVisible();
  await expect(page.getByText(said!.trim())).toBeVisible();

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
