import { expectAccessible } from './axe';
import { expect, openDocket, stockUp, takeReadings, test } from './fitter';
import type { Page } from '@playwright/test';

/** Waits until a check is looked at, by what right looks like. */
const looks = (page: Page, words: string) =>
  expect(page.getByRole('group', { name: words, exact: false })).toBeVisible();
const on = (page: Page) => page.locator('[data-on]');

test('one size is changed at the trial by keyboard, another altered, and the docket keeps it all', async ({
  fitter: page,
}) => {
  await stockUp(page, 'Ranger field jacket', ['M', 'L']);
  await openDocket(page, 'Vesna Trial', ['Ranger field jacket', 'Warden trousers']);
  await takeReadings(page, '101', '101', '88', '88', '90', '90', '79', '79');
  await expect(page.locator('[data-proposed]:visible')).toHaveText('M');
  // The demo's season has tried this jacket on: it runs small, and that is said beside the verdict.
  await expect(
    page.getByText(/The chart says M; as worn by \d+, it runs small in the chest: L fits \d+ of 10/),
  ).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Warden trousers');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Accepted:').first()).toBeVisible();
  await page.keyboard.press('t');
  // Trousers go on before what is worn over them.
  await expect(page.getByText('Trying on · 1 of 2')).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Warden trousers');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Put on M, fasten it as worn')).toBeVisible();
  await page.keyboard.press('Enter');
  await looks(page, 'the arms crossed in front');
  await expectAccessible(page, 'a check');
  await page.keyboard.press('1');
  await looks(page, 'The cuffs cover the wrists');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Try L: a size up.')).toBeVisible();
  await expectAccessible(page, 'what follows');
  await expect(page.getByText(/By readings and fitting: *L \d+ %/)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(on(page)).toHaveText('L');
  await expect(page.getByText('M was on: it pulls.')).toBeVisible();
  await page.keyboard.press('a');
  await expect(page.getByText('Nothing is wrong with L.')).toBeVisible();
  await page.keyboard.press('Enter');
  // On to the trousers: the waist is loose, it is taken in by what is pinned, and the hem measured.
  await expect(page.getByText('Trying on · 1 of 2')).toBeVisible();
  await expect(page.getByRole('button', { name: /Ranger field jacket L kept, tried on ✓/ })).toBeVisible();
  // None of that size is on the shelf: nobody has it on before somebody says that it is here.
  await expect(page.locator('nm-try-panel').getByText(/^None of .* is in stock\./)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('is in stock to try on');
  await expectAccessible(page, 'what is not there');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('group', { name: 'three fingers flat', exact: false })).toHaveCount(0);
  await page.keyboard.press('y');
  await looks(page, 'three fingers flat');
  await page.keyboard.press('2');
  await looks(page, 'The hem breaks once');
  await page.keyboard.press('Enter');
  await page.keyboard.press('w');
  await expect(page.getByLabel('Take in the waist by')).toBeFocused();
  await page.keyboard.type('200');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('200 cm is not an alteration');
  await page.getByLabel('Take in the waist by').fill('2');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Hem the leg at')).toBeFocused();
  await page.keyboard.type('78');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Hem the leg at')).not.toBeFocused();
  await page.keyboard.press('k');
  await expect(
    page.getByText(/Kept: .*To alter: take in the waist by 2 cm; hem the leg at 78 cm\./),
  ).toBeVisible();
  // Later somebody opens the docket again: it stands as it was left.
  await page.reload();
  await expect(page.getByRole('button', { name: /Ranger field jacket L kept, tried on ✓/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /Warden trousers .* kept, tried on ✓/ })).toBeVisible();
});

test('no vest is kept before it was looked at seated; what is left out has a reason, and back for a fitting it is found', async ({
  fitter: page,
}) => {
  await openDocket(page, 'Anselm Seated', ['Saltmarsh vest']);
  // The standing front is recorded beside the seated one.
  await takeReadings(page, '98', '98', '92', '92', '38', '38');
  // Turned away, then seated.
  await page.keyboard.press('Enter');
  await takeReadings(page, '45', '45');
  await page.keyboard.press('Enter');
  await takeReadings(page, '35', '35');
  await expect(page.getByRole('button', { name: /Accept \S/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Accepted:')).toBeVisible();
  // The wearer comes back another day.
  await page.goto('/bench');
  await page.getByLabel(/only dockets to try on/).click();
  await page.getByLabel('Find a docket').fill('Anselm');
  await page.locator('.recent a', { hasText: 'Anselm Seated' }).first().click();
  await expect(page.getByText('Trying on · 1 of 1')).toBeVisible();
  await page.getByLabel('Outer carrier, where one is worn').fill('Dune carrier');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /is here anyway$/ }).click();
  await expect(page.getByText('in Dune carrier', { exact: true })).toBeVisible();
  await looks(page, 'Standing: there is a gap');
  await page.keyboard.press('a');
  // What must be looked at is not answered with the rest.
  await looks(page, 'Seated: that gap just closes');
  await expect(page.getByText('required')).toBeVisible();
  // Held down, the key answers what was looked at and nothing after it.
  for (let held = 0; held < 4; held++) await page.keyboard.down('Enter');
  await page.keyboard.up('Enter');
  await looks(page, 'The sides overlap');
  await page.keyboard.press('x');
  await expect(page.getByLabel(/Why is this check skipped/)).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Enter a reason');
  await page.keyboard.type('The straps are at the workshop');
  await page.keyboard.press('Enter');
  await looks(page, 'the front panel lies over the back panel');
  await page.keyboard.press('1');
  await expect(page.getByText('No other size of this chart fits better')).toBeVisible();
  await page.keyboard.press('k');
  await expect(page.getByLabel(/Why is this size kept/)).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.getByLabel(/Why is this size kept/)).toBeHidden();
  await page.keyboard.press('u');
  await looks(page, 'the front panel lies over the back panel');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/Nothing is wrong with .*; 1 skipped\./)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Kept:/)).toBeVisible();
  await expect(page.getByText('skipped: The straps are at the workshop')).toBeVisible();
});

test('a trial is worked by touch on a tablet', async ({ fitter: page }) => {
  await page.setViewportSize({ width: 768, height: 1024 });
  await stockUp(page, 'Estuary fleece', ['S', 'M']);
  await openDocket(page, 'Tove Touch', ['Estuary fleece']);
  await takeReadings(page, '98', '98');
  await page.getByRole('button', { name: /Accept \S/ }).click();
  await page.getByRole('button', { name: 'Try on' }).click();
  await page.getByRole('button', { name: /is on$/ }).click();
  await page.getByRole('button', { name: /It stands away all round/ }).click();
  await page.getByRole('button', { name: /^Enter Right/ }).click();
  await page.getByRole('button', { name: /Put on/ }).click();
  await page.getByRole('button', { name: 'All other checks are right' }).click();
  await page.getByRole('button', { name: /^Enter Keep/ }).click();
  await expect(page.getByText(/^Kept:/)).toBeVisible();
  const narrow = await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth);
  expect(narrow).toBe(true);
});

test('a chart that runs small is adopted as a version in one act, and taken back in one', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  await page.getByText('Ranger field jacket').first().click();
  await page.getByRole('tab', { name: 'How it runs' }).click();
  await expect(
    page.getByText(/It runs [\d.]+ cm small in the chest \(.*\), from \d+ wearers\./),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Adopt as new version' }).click();
  await expect(page.getByText('version 2', { exact: false }).first()).toBeVisible();
  await page.getByRole('tab', { name: 'How it runs' }).click();
  await expect(page.getByText('As the chart says.')).toBeVisible();
  await page.getByRole('tab', { name: 'Versions' }).click();
  await page.getByRole('button', { name: 'Restore this version' }).click();
  await expect(page.getByText('version 3', { exact: false }).first()).toBeVisible();
  await page.getByRole('tab', { name: 'How it runs' }).click();
  await expect(page.getByText(/It runs [\d.]+ cm small in the chest/)).toBeVisible();
});
