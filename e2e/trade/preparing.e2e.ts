import { chooseFrom, chooseWearer, expect, takeReadings, test } from '../fitter';

test('what two want differently is chosen with a button; a told size is an estimate until something is read', async ({
  fitter: page,
}) => {
  await page.evaluate(() => localStorage.setItem('neat-measure.unit', 'in'));
  await page.goto('/bench');
  await chooseWearer(page, 'Otter Prepare');
  await page.getByRole('checkbox', { name: 'Saltmarsh vest' }).check();
  await page.getByRole('checkbox', { name: 'Breakwater vest' }).check();
  await page.getByRole('button', { name: 'Open docket' }).click();
  await expect(page.getByText('The duty trousers, shirt and belt')).toBeVisible();
  await expect(page.getByText('does not certify protection').first()).toBeVisible();
  const chest = page.getByRole('group', { name: 'How to measure chest' });
  await chest.getByRole('button', { name: 'one finger beneath the tape' }).click();
  await expect(chest.getByRole('button', { name: '✓ one finger beneath the tape' })).toBeVisible();
  await chooseFrom(page, 'Garment of the told size', 'Jacket, chest in inches');
  await page.getByLabel('Size as told').fill('42 long');
  await page.getByRole('button', { name: 'Add size' }).click();
  await expect(page.getByText('Jacket, chest in inches: 42 long')).toBeVisible();
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Chest');
  await expect(page.getByRole('button', { name: 'Tape: one finger beneath the tape' })).toBeVisible();
  await page.getByRole('button', { name: 'Use the estimate' }).click();
  // Told once it stands, marked; what is measured takes its place.
  await expect(page.getByRole('button', { name: /^Chest: 42 in, told/ })).toBeVisible();
  await page.getByRole('button', { name: /^Chest: / }).click();
  await takeReadings(page, '41', '41');
  await expect(page.getByRole('button', { name: /^Chest: 41 in/ })).toBeVisible();
});

test('a step that is asked about is not passed with an empty Enter', async ({ fitter: page }) => {
  await page.evaluate(() => localStorage.setItem('neat-measure.unit', 'cm'));
  await page.goto('/bench');
  await chooseWearer(page, 'Otter Asked');
  await page.getByRole('checkbox', { name: 'Ranger field jacket' }).check();
  await page.getByRole('button', { name: 'Open docket' }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  await takeReadings(page, '96', '96', '98.5', '98.5');
  const question = page.getByRole('button', { name: 'C Confirm', exact: true });
  await expect(question).toBeInViewport();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Read it again, or confirm it.')).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Natural waist');
  await page.keyboard.press('c');
  await expect(page.locator('[data-proposed]:visible')).toBeVisible();
});
