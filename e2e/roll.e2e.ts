import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { expectAccessible } from './axe';
import { chooseFrom, expect, scans, stockUp, takeReadings, test } from './fitter';
import { cadetKit, elsewhere, handsOver, here, wearers } from './musters';

test('a muster goes from its list to the last wearer, at two stations and on a wall', async ({
  fitter: page,
  browser,
  baseURL,
}) => {
  await cadetKit(page);
  await stockUp(page, 'Ranger field jacket', ['M']);
  await wearers(page, ['Ada Tern', 'Bo Tern', 'Cy Tern']);
  await page.goto('/roll');
  await expect(page.getByRole('link', { name: /Winter issue/ })).toBeVisible();
  await page.getByRole('button', { name: 'New muster' }).click();
  await page.getByRole('button', { name: 'Create muster' }).click();
  await expect(page.getByText('This field is required.')).toBeVisible();
  await page.getByLabel('Name').fill('Cadets, first day');
  await page.getByText('Tape and counter').click();
  await page.getByRole('button', { name: 'Create muster' }).click();
  await expect(page.getByRole('heading', { name: 'Cadets, first day' })).toBeVisible();
  const path = new URL(page.url()).pathname;
  await expectAccessible(page, 'an empty muster');

  // Everybody of the class at once, and one who stands there and is nowhere.
  await page.keyboard.press('n');
  await page.getByLabel('Name or role').fill('Day cadet');
  await page.getByRole('button', { name: 'Add all 3 shown' }).click();
  await expect(page.getByText('3 wearers added.')).toBeVisible();
  await page.getByLabel('Name or role').fill('Dee Walkin');
  await expect(page.getByRole('button', { name: 'Add Dee Walkin' })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Dee Walkin added.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(here(page, 'Expected')).toContainText('4');
  await expectAccessible(page, 'a muster');

  const counter = await elsewhere(browser, baseURL!, ['tiernan', 'slack-water-bell'], path);
  const wall = await elsewhere(browser, baseURL!, ['corin', 'gravel-bar-heron'], `${path}/board`);
  await expect(here(counter, 'Expected')).toContainText('4');
  await expect(wall.getByText('Counter')).toBeVisible();

  // By name, one after the other.
  await page.keyboard.press('f');
  // As fast as a scanner is: each waits for nothing.
  for (const name of ['ada', 'bo', 'cy']) await scans(page, name);
  await expect(here(counter, 'Here')).toContainText('3');
  await page.keyboard.press('Escape');
  // One came in by mistake and goes out again, on the other's Roll, too.
  await page.keyboard.press('u');
  await expect(here(counter, 'Here')).toContainText('2', { timeout: 5_000 });

  const row = (at: Page, name: string) => at.getByRole('listitem', { name, exact: true });
  await row(page, 'Tape').getByRole('button', { name: 'Work here' }).click();
  await row(counter, 'Counter').getByRole('button', { name: 'Work here' }).click();
  await expect(row(counter, 'Tape')).toContainText('Odalys Wren');
  await expect(page.getByText('Next for Tape')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Prepare, before the tape')).toBeVisible();
  await expect(wall.getByText('Ada T.')).toBeVisible({ timeout: 5_000 });
  expect(await wall.locator('main').textContent()).not.toContain('Tern');

  // From the first reading to the next wearer without a name and without the mouse.
  await page.keyboard.press('Enter');
  await takeReadings(page, '98', '98', '85', '85');
  await expect(page.locator('[data-proposed]:visible')).toHaveText('M');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Accepted: M.')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Bo Tern' }).first()).toBeVisible();
  await expect(row(counter, 'Counter')).toContainText('Ada Tern', { timeout: 5_000 });

  // The counter hands over what was decided at the tape.
  await handsOver(counter);
  await counter.keyboard.press('Enter');
  await expect(counter.getByRole('heading', { name: 'Cadets, first day' })).toBeVisible();
  await expect(here(counter, 'Done')).toContainText('1');
  await expect(counter.getByText('1 of 4 done.')).toBeVisible();

  // Whoever leaves the tape half-way is told of where they are, and gone on with.
  await page.goto(path);
  await expect(page.getByText('At Tape')).toBeVisible();
  await page.getByRole('button', { name: 'Not here' }).click();
  await expect(page.getByText('Next for Tape')).toBeVisible();
  await here(page, 'Here').click();
  await page.getByRole('button', { name: 'Left', exact: true }).click();
  await expect(here(page, 'Left without')).toContainText('1');

  await page.getByRole('button', { name: 'Close muster' }).click();
  await page.locator('.ant-popover').getByRole('button', { name: 'Close muster' }).click();
  await expect(page.getByText('This muster is closed.')).toBeVisible();
  await expect(counter.getByText('This muster is closed.')).toBeVisible();
  await page.getByRole('button', { name: 'Reopen' }).click();
  await expect(page.getByRole('button', { name: 'Close muster' })).toBeVisible();
  for (const one of [counter, wall]) await one.context().close();
});

test('two stations that call the same wearer: one has them, the other is told', async ({
  fitter: page,
  browser,
  baseURL,
}) => {
  await wearers(page, ['Eli Shared']);
  await page.goto('/roll');
  await page.getByRole('button', { name: 'New muster' }).click();
  await page.getByLabel('Name').fill('Both at once');
  await page.getByText('Hall', { exact: true }).click();
  await page.getByRole('button', { name: 'Create muster' }).click();
  await expect(page.getByRole('heading', { name: 'Both at once' })).toBeVisible();
  const path = new URL(page.url()).pathname;
  await page.keyboard.press('n');
  await page.getByLabel('Name or role').fill('Eli Shared');
  await expect(page.getByRole('button', { name: 'Add', exact: true })).toHaveCount(1);
  await page.keyboard.press('Enter');
  await expect(page.getByText('Eli Shared added.')).toBeVisible();
  await page.keyboard.press('Escape');
  const other = await elsewhere(browser, baseURL!, ['tiernan', 'slack-water-bell'], path);
  for (const [at, station] of [
    [page, 'Girths 1'],
    [other, 'Girths 2'],
  ] as const)
    await at
      .getByRole('listitem', { name: station, exact: true })
      .getByRole('button', { name: 'Work here' })
      .click();
  await page.keyboard.press('f');
  await page.keyboard.type('eli');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(other.getByRole('heading', { name: 'Eli Shared' })).toBeVisible();
  // Both call before either has heard of the other.
  await Promise.all([page.keyboard.press('Enter'), other.keyboard.press('Enter')]);
  await expect(async () => {
    const at = [page, other].filter((one) => one.url().includes('/bench/'));
    expect(at.length).toBe(1);
  }).toPass();
  const loser = page.url().includes('/bench/') ? other : page;
  await expect(loser.getByRole('alert').first()).toContainText(/Eli Shared is at Girths/);
  await other.context().close();
});

test('a list comes in by pasting: columns asked, a row corrected in place, known wearers found', async ({
  fitter: page,
}) => {
  await page.goto('/roll');
  await page.getByRole('button', { name: 'New muster' }).click();
  await page.getByLabel('Name').fill('From a list');
  await page.getByRole('button', { name: 'Create muster' }).click();
  await expect(page.getByRole('heading', { name: 'From a list' })).toBeVisible();
  await page.getByRole('button', { name: 'Import', exact: true }).click();
  await page
    .getByLabel('Or paste rows here')
    .fill(
      [
        'Name\tRank\tCrew no\tBorn',
        'Fen Curlew\tCadet\tL-1\t2009-04',
        'Gus Curlew\tCadet\tL-2\t04/05/2009',
        'Okonjo, Maren\tSenior ranger\tL-3\t',
        'Hal Curlew\tCadet\tL-1\t',
      ].join('\n'),
    );
  await page.getByRole('button', { name: 'Read list' }).click();
  await expect(page.getByText('What is “Crew no”?')).toBeVisible();
  await chooseFrom(page, 'What “Crew no” is', 'house number');
  await expect(page.getByText('2 rows to import')).toBeVisible();
  await expectAccessible(page, 'an import with rows to correct');
  await page.getByLabel('Line 3, Born').fill('2009-05');
  await page.keyboard.press('Enter');
  await expect(page.getByText('3 rows to import')).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export them as CSV' }).click();
  const file = readFileSync(await (await saved).path(), 'utf8');
  expect(file).toContain('Hal Curlew,Cadet,L-1,,5,"The house number L-1 stands in line 2, too.');
  await page.getByRole('button', { name: 'Compare with wearers' }).click();
  await expect(page.getByText('2 new wearers, 1 known')).toBeVisible();
  await expect(page.getByText('role Ranger → Senior ranger')).toBeVisible();
  await page.getByRole('button', { name: 'Import 3 wearers' }).click();
  await expect(here(page, 'Expected')).toContainText('3');
  await page.keyboard.press('f');
  await page.keyboard.type('l-3');
  await expect(page.getByText('Maren Okonjo Senior ranger')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(here(page, 'Here')).toContainText('1');
  // The list goes out again, with where everybody is.
  await page.getByLabel('Find a wearer on the list').press('Escape');
  const table = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export', exact: true }).click();
  await page.getByRole('button', { name: 'CSV' }).click();
  const out = readFileSync(await (await table).path(), 'utf8');
  expect(out).toContain('Maren Okonjo,Senior ranger,L-3,here,');
});
