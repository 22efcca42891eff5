import { chooseFrom, expect, openDocket, takeReadings, test } from './fitter';

test('every flag waits on the exceptions until it is decided by keyboard', async ({ fitter: page }) => {
  // A dress is split, trousers are not made; both are flags.
  await openDocket(page, 'Imke Flagged', ['Warden trousers', 'Regatta dress']);
  await takeReadings(page, '90', '90', '77', '77', '107', '107', '96', '96', '86', '86');
  await expect(page.getByRole('heading', { name: 'Warden trousers' })).toBeVisible();
  // The old address leads there.
  await page.goto('/bench/exceptions');
  const flags = page.locator('.flag', { hasText: 'Imke Flagged' });
  await expect(flags).toHaveCount(2);
  await expect(page.locator('.flag').first()).toBeFocused();
  while (!(await flags.nth(1).evaluate((flag) => flag === document.activeElement)))
    await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Warden trousers');
  await expect(page.getByText('42x34 is not made.').first()).toBeVisible();
  await expect(page.getByText('trouser waist 107 cm, inside leg 86 cm', { exact: false })).toBeVisible();
  await page.keyboard.press('m');
  await expect(page.getByRole('button', { name: /Warden trousers .*to be made to measure ✓/ })).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Regatta dress');
  await expect(page.getByText('bust says 12', { exact: false }).first()).toBeVisible();
  await expect(page.getByText('let out the natural waist by 3 cm', { exact: false })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Accepted: 12.')).toBeVisible();
  await page.goto('/roll/exceptions');
  await expect(page.getByRole('heading', { name: 'Exceptions' })).toBeVisible();
  await expect(page.getByText('Loading exceptions')).toBeHidden();
  await expect(flags).toHaveCount(0);
});

test('a garment is put off, sized up with a reason, and keeps its decision when it is measured again', async ({
  fitter: page,
}) => {
  await openDocket(page, 'Rurik Later', ['Ranger field jacket']);
  await takeReadings(page, '98', '98', '86', '86');
  await expect(page.locator('[data-proposed]:visible')).toHaveText('M');
  await page.keyboard.press('l');
  await expect(page.getByText('Postponed until the wearer returns.')).toBeVisible();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('radio', { name: /^L/ })).toBeChecked();
  await page.getByLabel('Thick layers beneath').click();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Another size chosen: L.')).toBeVisible();
  await page.getByRole('button', { name: 'Natural waist: 86 cm' }).click();
  await page.keyboard.press('r');
  await page.keyboard.press('r');
  await takeReadings(page, '92', '92');
  await expect(page.getByText('Decided when the proposal was M')).toBeVisible();
});

test('below the range the nearest size is taken knowingly, with a reason, and never by the key that accepts', async ({
  fitter: page,
}) => {
  await openDocket(page, 'Ottilie Small', ['Ranger field jacket']);
  await takeReadings(page, '76', '76', '64', '64');
  await expect(page.locator('[data-proposed]:visible')).toHaveText('made to measure');
  await expect(page.getByText('Made to measure needs: chest 76 cm, natural waist 64 cm.')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /Accept/ })).toHaveCount(0);
  await page.keyboard.press('o');
  await expect(page.getByRole('radio', { name: /^XS/ })).toBeChecked();
  await page.getByLabel('Another reason').fill('Worn over a thick jersey');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Another size chosen: XS.')).toBeVisible();
});

test('a house rule and a fit are put in the place of the chart’s for one garment, and kept', async ({
  fitter: page,
}) => {
  await openDocket(page, 'Sanna Rule', ['Ranger field jacket']);
  await takeReadings(page, '98', '98', '95', '95');
  await expect(page.locator('[data-proposed]:visible')).toHaveText('L');
  await page.keyboard.press('h');
  await chooseFrom(page, 'House rule', /the key measurement/);
  await expect(page.locator('[data-proposed]:visible')).toHaveText('M');
  await page.reload();
  await expect(page.locator('[data-proposed]:visible')).toHaveText('M');
  await page.getByRole('button', { name: 'the key measurement decides, a regular fit' }).click();
  await chooseFrom(page, 'House rule', /\(chart\)/);
  await expect(page.locator('[data-proposed]:visible')).toHaveText('L');
});

test('a reading that was taken otherwise than a chart wants is said, and never converted', async ({
  fitter: page,
}) => {
  // The evening trousers want the waist drawn tight, the waistcoat at the skin: it is taken as the first says.
  await openDocket(page, 'Otto Tight', ['Evening trousers', 'Ferry waistcoat']);
  await expect(page.getByRole('button', { name: /^Tape: / })).toBeVisible();
  for (const name of ['Chest', 'Natural waist', 'Widest girth', 'Outseam'])
    await expect(page.getByRole('button', { name: new RegExp(`^${name}: `) })).toBeVisible();
  await page.getByRole('button', { name: /^Natural waist: / }).click();
  await expect(page.getByRole('button', { name: 'Tape: drawn tight' })).toBeVisible();
  await page.keyboard.press('t');
  await takeReadings(page, '88', '88');
  await page.keyboard.press('d');
  await expect(
    page.getByText('Natural waist was taken touching, not pressing; this chart asks for it drawn tight.'),
  ).toBeVisible();
});
