import type { Page } from '@playwright/test';
import { expect, openDocket, takeReadings, test } from './fitter';
import { docketOf, idOf, keepsApplication, signIn, takeAlong } from './hall';

test.use({ serviceWorkers: 'allow' });

const HOUR = 3_600_000;

/** Signs in with a fresh page, and takes the muster of the demo along. */
async function enters(page: Page, name?: string, passphrase?: string): Promise<void> {
  await page.goto('/');
  await signIn(page, name, passphrase);
  await expect(page.getByRole('heading', { name: 'New docket' })).toBeVisible();
  await takeAlong(page);
}

test('a device that is lost is ended under House, and has erased itself by the time it shows anything', async ({
  page,
  browser,
  baseURL,
  allowErrors,
}) => {
  allowErrors(/ERR_INTERNET_DISCONNECTED/);
  const lost = await browser.newContext({ baseURL: baseURL!, serviceWorkers: 'allow' });
  const there = await lost.newPage();
  await enters(there, 'tiernan', 'slack-water-bell');
  await lost.setOffline(true);
  await there.goto('/bench');
  await signIn(there, 'tiernan', 'slack-water-bell');
  await openDocket(there, 'Anton Mbali', ['Ranger field jacket']);
  const docket = idOf(there);
  await takeReadings(there, '98');
  await expect(there.getByText('3 changes to send, saved on this device.')).toBeVisible();

  await page.goto('/');
  await signIn(page);
  await expect(page.getByRole('heading', { name: 'New docket' })).toBeVisible();
  await page.goto('/house/devices');
  const row = page.getByRole('listitem').filter({ hasText: 'Tiernan Oake' });
  await expect(row).toContainText('Winter issue');
  await row.getByRole('button', { name: 'End device' }).click();
  await page.getByRole('button', { name: 'End device' }).last().click();
  await expect(row).toContainText(/Ended by Odalys Wren, .* what is on it stays sealed/);

  // Whoever is signed in there sends first what waits; a lead fitter finds it, and nothing of it was lost.
  await lost.setOffline(false);
  await expect(there.getByText(/ended this device/)).toBeVisible();
  const left = await there.evaluate(async () => ({
    waits: Object.keys(localStorage).filter((key) => key.includes('under-way') || key.includes('own')),
    bases: await Promise.all(
      (await indexedDB.databases()).map(
        async ({ name }) =>
          new Promise<number>((resolve) => {
            const asked = indexedDB.open(name!);
            asked.onsuccess = () => {
              const base = asked.result;
              const stores = [...base.objectStoreNames].filter((one) => /acts|aside|records|keys/.test(one));
              if (stores.length === 0) return resolve(0);
              const counts = base.transaction(stores);
              let sum = 0;
              for (const store of stores)
                counts.objectStore(store).count().onsuccess = (event) =>
                  (sum += (event.target as IDBRequest<number>).result);
              counts.oncomplete = () => resolve(sum);
            };
          }),
      ),
    ),
  }));
  expect([left.waits, left.bases.reduce((sum, one) => sum + one, 0)]).toEqual([[], 0]);
  await page.reload();
  await expect(row).toContainText('Erased ');
  await page.goto('/house/late');
  await expect(page.getByRole('button', { name: 'Accept', exact: true })).toHaveCount(3);
  await page.getByRole('button', { name: 'Accept all' }).click();
  await expect(page.getByText('No late changes.')).toBeVisible();
  const { acts } = await docketOf(page, docket);
  expect(acts.map(({ act }) => act.typed ?? act.kind)).toEqual(['docket-opened', 'garment-asked', '98']);
  // It opens nothing more without the server.
  await lost.setOffline(true);
  await there.goto('/bench');
  await expect(there.getByRole('heading', { name: 'The server does not answer' })).toBeVisible();
  await lost.close();
});

test('a device whose clock is hours off says so, and the Log tells by how much', async ({ fitter: page }) => {
  await page.clock.setSystemTime(Date.now() + 3 * HOUR);
  await page.goto('/bench');
  await expect(page.getByText('The clock of this device is 3 hours ahead.')).toBeVisible();
  await openDocket(page, 'Noor Ahead', ['Ranger field jacket']);
  await takeReadings(page, '98', '98');
  await expect(page.getByText('2 readings left')).toBeVisible();
  const id = idOf(page);
  await expect.poll(async () => (await docketOf(page, id)).acts.length).toBe(4);
  await page.goto(`/log/${id}`);
  await expect(page.getByText(/its clock was 3 hours ahead/).first()).toBeVisible();
});

test('the wearer’s own page is closed and opened again without a network, and says when it was sent', async ({
  fitter: page,
  browser,
  baseURL,
  allowErrors,
}) => {
  allowErrors(/ERR_INTERNET_DISCONNECTED/);
  await openDocket(page, 'Oluwaseun Afield', ['Estuary fleece']);
  await page.getByRole('button', { name: 'Link for the wearer' }).click();
  const address = new URL((await page.getByRole('link', { name: /\/self\// }).textContent())!.trim())
    .pathname;
  const own = await browser.newContext({
    ...{ baseURL: baseURL!, serviceWorkers: 'allow' as const },
    viewport: { width: 390, height: 844 },
  });
  let phone = await own.newPage();
  await phone.goto(address);
  await phone.getByRole('button', { name: 'Begin' }).click();
  await keepsApplication(phone);

  await own.setOffline(true);
  const opensAgain = async () => {
    await phone.close();
    phone = await own.newPage();
    await phone.goto(address);
  };
  const field = phone.getByRole('textbox');
  await field.fill('95.5');
  await field.press('Enter');
  await expect(field).toHaveValue('');
  await opensAgain();
  await expect(phone.getByRole('heading', { level: 1 })).toHaveText('Chest');
  await phone.getByRole('textbox').fill('95.5');
  await phone.getByRole('textbox').press('Enter');
  await expect(phone.getByText('1 of 1 measured.')).toBeVisible();
  await phone.getByRole('button', { name: 'Send to the fitter' }).click();
  await expect(phone.getByText(/sent automatically/)).toBeVisible();
  await opensAgain();
  await expect(phone.getByText(/sent automatically/)).toBeVisible();
  await own.setOffline(false);
  await expect(phone.getByRole('heading', { name: 'Thank you' })).toBeVisible();
  await expect(phone.getByText(/^Sent /)).toBeVisible();
  await own.close();
  await page.reload();
  await expect(page.getByText('Prepare, before the tape')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/On record: 95.5 cm, read by the wearer on/)).toBeVisible();
});

test('what two decided of one garment without the server is told to both, until each has seen it', async ({
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
  await takeReadings(page, '98', '98', '85', '85');
  await expect(page.locator('[data-proposed]:visible')).toBeVisible();
  await takeAlong(page);
  const elsewhere = await browser.newContext({ baseURL: baseURL!, serviceWorkers: 'allow' });
  const other = await elsewhere.newPage();
  await enters(other, 'tiernan', 'slack-water-bell');
  const devices = [
    [page, context, 'odalys', 'low-tide-table'],
    [other, elsewhere, 'tiernan', 'slack-water-bell'],
  ] as const;
  for (const [at, device, name, passphrase] of devices) {
    await at.goto(`/bench/${docket}`);
    await expect(at.getByRole('heading', { name: 'Bastien O’Leary' })).toBeVisible();
    await device.setOffline(true);
    await at.goto(`/bench/${docket}`);
    await signIn(at, name, passphrase);
    await at.keyboard.press('d');
    await expect(at.locator('[data-proposed]:visible')).toBeVisible();
    await at.keyboard.press('Enter');
    await expect(at.getByText('Accepted: ')).toBeVisible();
  }
  await context.setOffline(false);
  await expect(page.getByText(/Sent: 1 change on 1 docket/)).toBeVisible();
  await elsewhere.setOffline(false);
  const list = (at: Page) => at.getByRole('region', { name: 'Sent and to look at' });
  // Once, and not as well among what was not saved.
  await expect(list(other).getByText(/The last change there is by Odalys Wren/)).toBeVisible();
  await expect(list(other).getByRole('alert').filter({ hasText: 'Not saved' })).toHaveCount(0);
  await page.reload();
  await expect(list(page).getByText(/Agree with Tiernan Oake which holds/)).toBeVisible();
  // Closed and opened again it is still there; once seen it is gone for that one alone.
  await list(page).getByRole('listitem').filter({ hasText: 'Agree with' }).getByRole('button').click();
  await expect(list(page).getByText(/Agree with/)).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Bastien O’Leary' })).toBeVisible();
  await expect(list(page).getByText(/Agree with/)).toHaveCount(0);
  await other.reload();
  await expect(list(other).getByText(/The last change there is by Odalys Wren/)).toBeVisible();
  const standing = (await docketOf(page, docket)).acts.filter(({ act }) => act.kind === 'garment-decided');
  expect(standing.map(({ act }) => act.by.name)).toEqual(['Odalys Wren']);
  await elsewhere.close();
});
