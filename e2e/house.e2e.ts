import { chooseWearer, expect, takeReadings, test } from './fitter';

test.describe('the house', () => {
  test('invites somebody, who sets a passphrase of their own and may do what their role says', async ({
    fitter: page,
    browser,
    baseURL,
  }) => {
    await page.getByRole('link', { name: 'House', exact: true }).click();
    await page.getByRole('link', { name: 'Users', exact: true }).click();
    const signIn = `maelis-${Date.now()}`;
    await page.getByLabel('Name', { exact: true }).fill('Maelis Thorne');
    await page.getByLabel('Sign-in name').fill(signIn);
    await page.getByRole('button', { name: 'Invite' }).click();
    const code = await page.locator('.once b').textContent();

    const other = await (await browser.newContext({ baseURL: baseURL! })).newPage();
    await other.goto('/');
    await other.getByRole('button', { name: 'I have a one-time code' }).click();
    await other.getByLabel('Sign-in name').fill(signIn);
    await other.getByLabel('Code').fill(code!);
    await other.getByLabel('New passphrase').fill('password1234');
    await other.keyboard.press('Enter');
    await expect(other.getByRole('alert')).toContainText('easy to guess');
    await other.getByLabel('New passphrase').fill('sandbar-kettle-moth');
    await other.keyboard.press('Enter');
    await expect(other.getByRole('heading', { name: 'New docket' })).toBeVisible();
    await other.goto('/charts');
    await expect(other.getByRole('button', { name: 'by kind' })).toBeVisible();
    await expect(other.getByText('Drop a size chart here')).toHaveCount(0);
    await other.goto('/house/you');
    await expect(other.getByRole('link', { name: 'Users', exact: true })).toHaveCount(0);

    // Deactivated, they are out at once.
    const row = page.getByRole('listitem').filter({ hasText: signIn });
    await row.getByRole('button', { name: 'Deactivate' }).click();
    await page.getByRole('button', { name: 'Deactivate' }).last().click();
    await expect(row).toContainText('Deactivated');
    await other.reload();
    await expect(other.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await other.context().close();
  });

  test('lets a bench change hands, and signs what is done with the name of who did it', async ({
    fitter: page,
    browser,
    baseURL,
  }) => {
    const bench = await (await browser.newContext({ baseURL: baseURL! })).newPage();
    await page.goto('/house/you');
    await page.getByLabel('Your passphrase', { exact: true }).fill('low-tide-table');
    await page.getByLabel('Four to eight digits').fill('27182818');
    await page
      .getByRole('button', { name: /^(Set|Change) code$/ })
      .last()
      .click();
    await expect(page.getByText('Your bench code is set.')).toBeVisible();

    await bench.goto('/');
    await bench.getByLabel('Sign-in name').fill('tiernan');
    await bench.getByLabel('Passphrase').fill('slack-water-bell');
    await bench.keyboard.press('Enter');
    await bench.getByRole('button', { name: 'Switch fitter' }).click();
    await bench.getByRole('radio', { name: 'Odalys Wren' }).click();
    await bench.getByLabel('Bench code').fill('0000');
    await bench.keyboard.press('Enter');
    await expect(bench.getByRole('alert')).toContainText('not that fitter’s code');
    await bench.getByLabel('Bench code').fill('27182818');
    await bench.keyboard.press('Enter');
    await expect(bench.getByRole('link', { name: /Odalys Wren/ })).toBeVisible();

    await bench.goto('/bench');
    await chooseWearer(bench, 'maren');
    await bench.getByRole('checkbox', { name: 'Ranger field jacket' }).check();
    await bench.getByRole('button', { name: 'Open docket' }).click();
    await expect(bench.getByRole('button', { name: 'Begin' })).toBeVisible();
    const id = /bench\/([0-9a-f-]+)/.exec(bench.url())![1]!;
    await bench.goto(`/log/${id}`);
    await expect(bench.getByText(/^Odalys Wren opened/)).toBeVisible();
    await bench.getByRole('button', { name: 'Switch fitter' }).click();
    await bench.getByRole('button', { name: 'Back to Tiernan Oake' }).click();
    await expect(bench.getByRole('link', { name: /Tiernan Oake/ })).toBeVisible();
    await bench.context().close();
  });

  test('says so while the server does not answer, and goes on by itself', async ({
    fitter: page,
    allowErrors,
  }) => {
    allowErrors(/503/);
    let away = true;
    await page.route('**/api/session', (route) =>
      away
        ? route.fulfill({
            status: 503,
            contentType: 'application/problem+json',
            body: JSON.stringify({
              type: '/problems/unavailable',
              title: 'Not available',
              status: 503,
              detail: 'The database does not answer.',
            }),
          })
        : route.continue(),
    );
    await page.goto('/log');
    await expect(page.getByRole('heading', { name: 'The server does not answer' })).toBeVisible();
    await page.getByRole('button', { name: 'Try again' }).click();
    await expect(page.getByText('The database does not answer.')).toBeVisible();
    away = false;
    await expect(page.getByRole('heading', { name: 'Log' })).toBeVisible();
  });
});

test('what happened stands in the house log, and a person is erased with all that is theirs', async ({
  fitter: page,
}) => {
  await page.goto('/bench');
  const name = `Anton Fathom ${Date.now()}`;
  await expect(page.getByRole('combobox', { name: 'Wearer' })).toBeFocused();
  await page.keyboard.type(name);
  await page.getByRole('option', { name: new RegExp(`Add .*${name}`) }).click();
  await page.getByRole('checkbox', { name: 'Ranger field jacket' }).check();
  await page.getByRole('button', { name: 'Open docket' }).click();
  await expect(page.getByRole('button', { name: 'Begin' })).toBeVisible();
  const id = /bench\/([0-9a-f-]+)/.exec(page.url())![1]!;

  await page.goto('/log/house');
  await expect(page.getByText('Odalys Wren saved a wearer.').first()).toBeVisible();
  await expect(page.getByText(`name: ${name}`).first()).toBeVisible();

  await page.goto(`/log/${id}`);
  await page.getByRole('button', { name: 'Erase', exact: true }).click();
  await page.getByRole('button', { name: `Erase ${name}` }).click();
  await expect(page.getByRole('alert')).toContainText('so that no other wearer is erased');
  await page.getByLabel('Name of the wearer to erase').fill(name);
  await page.getByRole('button', { name: `Erase ${name}` }).click();
  await expect(page.getByRole('heading', { name: 'Log', exact: true })).toBeVisible();
  await expect(page.getByText(name)).toHaveCount(0);
  await page.goto('/log/house');
  await expect(page.getByText('Odalys Wren erased a wearer.').first()).toBeVisible();
  await expect(page.getByText(`name: ${name}`)).toHaveCount(0);
  await expect(page.getByText('about a wearer who has been erased').first()).toBeVisible();
});

test('what a device sends after its sign-in was ended waits for a lead fitter, who adds it', async ({
  fitter: page,
  browser,
  baseURL,
  allowErrors,
}) => {
  allowErrors(/401|ERR_INTERNET_DISCONNECTED/);
  const away = await (await browser.newContext({ baseURL: baseURL! })).newPage();
  await away.goto('/');
  await away.getByLabel('Sign-in name').fill('tiernan');
  await away.getByLabel('Passphrase').fill('slack-water-bell');
  await away.keyboard.press('Enter');
  await chooseWearer(away, 'maren');
  await away.getByRole('checkbox', { name: 'Ranger field jacket' }).check();
  await away.getByRole('button', { name: 'Open docket' }).click();
  await away.getByRole('button', { name: 'Begin' }).click();
  const address = new URL(away.url()).pathname;
  await away.context().setOffline(true);
  await takeReadings(away, '97.5');

  await page.goto('/house/people');
  const row = page.getByRole('listitem').filter({ hasText: 'tiernan' });
  await row.getByRole('button', { name: 'Sign out' }).click();
  await expect(row.getByRole('button', { name: 'Sign out' })).toHaveCount(0);
  await away.context().setOffline(false);
  await expect(away.getByRole('alert').filter({ hasText: 'Not added yet' })).toContainText(
    'a lead fitter decides whether it is added',
    { timeout: 40_000 },
  );

  await page.getByRole('link', { name: 'Late changes' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: '97.5' })).toContainText('Tiernan Oake');
  await page.getByRole('button', { name: 'Accept', exact: true }).first().click();
  await expect(page.getByText('Added: 1.')).toBeVisible();
  await expect(page.getByText('No late changes.')).toBeVisible();
  await page.goto(address.replace('bench', 'log'));
  await expect(page.getByText(/^Tiernan Oake .*97.5/)).toBeVisible();
  await away.context().close();
});
