import { expect, openDocket, openDocketByKeyboard, takeReadings, test } from './fitter';

test('a jacket is sized and accepted by keyboard alone, and is found again after a reload', async ({
  fitter: page,
}) => {
  await openDocketByKeyboard(page, 'ibrahima', ['Ranger field jacket']);
  const card = page.getByRole('region', { name: 'Docket' }).getByRole('listitem');
  await expect(page.getByRole('heading', { name: 'Chest' })).toBeVisible();

  await takeReadings(page, '98', '98.5');
  await expect(card).toContainText('Left: M');
  await expect(page.getByRole('heading', { name: 'Natural waist' })).toBeVisible();
  await takeReadings(page, '34', '34 in', '86,5');
  await expect(page.locator('[data-proposed]:visible')).toHaveText('M');
  await expect(page.getByText('is inside M')).toHaveCount(2);

  await page.keyboard.press('Enter');
  await expect(page.getByText('Accepted: M.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Accepted: M.')).toBeVisible();
  await expect(page.getByRole('img', { name: /^Chest, 98.3 cm/ }).first()).toBeVisible();

  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: /Ibrahima Lund Ranger field jacket M/ }).first()).toBeVisible();
});

test('a number in the wrong unit is offered in the right one with one key', async ({ fitter: page }) => {
  await openDocket(page, 'maren', ['Ranger field jacket']);
  await takeReadings(page, '38 1/2');
  await expect(page.getByText('38 1/2 cm is outside any chest')).toBeVisible();
  await page.keyboard.press('y');
  await expect(page.getByText('First reading').locator('..')).toContainText('97.8');
  await page.keyboard.type('97.5');
  await page.keyboard.press('ArrowUp');
  await expect(page.getByLabel('Chest in cm')).toHaveValue('98');
  await page.keyboard.press('Escape');
  await expect(page.getByLabel('Chest in cm')).toHaveValue('');
});

test('what cannot be read is kept in the entry with a message, and a reading can be taken back', async ({
  fitter: page,
}) => {
  await openDocket(page, 'tobias', ['Estuary fleece']);
  await takeReadings(page, '9x8');
  await expect(page.getByText('“x8” in “9x8” is not a unit')).toBeVisible();
  await expect(page.getByLabel('Chest in cm')).toHaveValue('9x8');
  await page.keyboard.press('Escape');
  await takeReadings(page, '98');
  await expect(page.getByText('3 readings left')).toHaveCount(0);
  await expect(page.getByText('1 reading left')).toBeVisible();
  await page.keyboard.press('r');
  await expect(page.getByText('2 readings left')).toBeVisible();
  await page.reload();
  await expect(page.getByText('2 readings left')).toBeVisible();
});

test('two readings that disagree want a third, and the median is taken', async ({ fitter: page }) => {
  await openDocket(page, 'wen', ['Estuary fleece']);
  await takeReadings(page, '94', '99');
  await expect(page.getByText('5 cm apart, 2 cm allowed. Read a third time.')).toBeVisible();
  await takeReadings(page, '94.5');
  await expect(page.locator('[data-proposed]:visible')).toHaveText('M');
  await expect(page.getByRole('button', { name: 'Chest: 94.5 cm' })).toBeVisible();
});

test('a split is decided otherwise, with a reason, by keyboard alone', async ({ fitter: page }) => {
  await openDocketByKeyboard(page, 'priya', ['Ranger field jacket']);
  await takeReadings(page, '98', '98', '94', '94');
  await expect(page.getByText('Chest says M, natural waist says L.')).toHaveCount(2);
  await page.keyboard.press('o');
  await expect(page.getByRole('radio', { name: /^M/ })).toBeFocused();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Space');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Another size chosen: M. Wearer wants it roomier.')).toBeVisible();
});

test('beyond the range nothing is proposed, and between two sizes both are shown', async ({
  fitter: page,
}) => {
  await openDocket(page, 'hakon', ['Ranger field jacket']);
  await takeReadings(page, '134', '134', '110', '110');

  await expect(
    page.getByText('Chest 134 cm is 4 cm past the largest size, 2XL. Next: made to measure.').first(),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: /Accept/ })).toHaveCount(0);
  // Past the tape, keys as fast as these with Enter after them would be a code.
  await page.keyboard.press('b');
  await expect(page.getByRole('heading', { name: 'Natural waist' })).toBeVisible();
  await page.keyboard.press('b');
  await expect(page.getByRole('heading', { name: 'Chest' })).toBeVisible();
  await page.keyboard.press('r');
  await page.keyboard.press('r');
  await takeReadings(page, '110.5', '110.5');
  await page.keyboard.press('d');
  await expect(page.getByText('falls in the gap between L and XL').first()).toBeVisible();
});

test('somebody new is added by typing their name', async ({ fitter: page }) => {
  await openDocket(page, 'Yevgenia Ó Briain', ['Estuary fleece']);
  await expect(page.getByRole('heading', { name: 'Yevgenia Ó Briain' })).toBeVisible();
});

test('readings taken without a network are kept on the device and sent later', async ({
  fitter: page,
  allowErrors,
}) => {
  allowErrors(/ERR_FAILED/);
  await openDocket(page, 'farah', ['Estuary fleece']);
  await page.route('**/api/acts', (route) => route.abort());
  await takeReadings(page, '98');
  await expect(page.getByText('1 change to send, saved on this device.')).toBeVisible();
  await expect(page.getByText('1 reading left')).toBeVisible();
  const sent = page.waitForResponse((response) => response.url().includes('/api/acts') && response.ok());
  await page.unroute('**/api/acts');
  await page.reload();
  await sent;
  await expect(page.getByText('to send, saved on this device')).toHaveCount(0);
  await expect(page.getByText('1 reading left')).toBeVisible();
});

test('? lists the keys', async ({ fitter: page }) => {
  await openDocket(page, 'lucia', ['Estuary fleece']);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('take the reading, or continue');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('a unit that is clicked leaves the arrows to the work, and one that is reached by key leaves Tab to the page', async ({
  fitter: page,
}) => {
  await openDocket(page, 'Ilse Arrow', ['Ranger field jacket', 'Estuary fleece']);
  await takeReadings(page, '98', '98', '86', '86');
  const heading = page.getByRole('heading', { level: 1 });
  await expect(page.locator('[data-proposed]:visible')).toHaveText('M');
  await page.getByRole('radio', { name: 'in', exact: true }).click();
  await expect(page.getByRole('main')).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await expect(heading).toHaveText('Estuary fleece');
  await expect(page.getByRole('radio', { name: 'in', exact: true })).toBeChecked();
  await page.getByRole('radio', { name: 'in', exact: true }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'cm', exact: true })).toBeChecked();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('radio', { name: 'cm', exact: true })).not.toBeFocused();
});

test('what is typed and linked of one wearer does not stand at the next, whose docket is opened from it', async ({
  fitter: page,
}) => {
  await openDocket(page, 'maren', ['Ranger field jacket']);
  await takeReadings(page, '98');
  await page.goto('/bench');
  await openDocket(page, 'tobias', ['Ranger field jacket']);
  await page.keyboard.type('31');
  await expect(page.getByLabel('Chest in cm')).toHaveValue('31');
  await page.getByRole('button', { name: 'Link for the wearer' }).click();
  await expect(page.getByText('For one use until')).toBeVisible();
  // To the docket before, by the list of everything.
  await page.keyboard.press('Control+k');
  await page.keyboard.type('maren');
  await page
    .getByRole('option', { name: /^Docket \d+, Maren/ })
    .first()
    .click();
  await expect(page.getByText('Maren Okonjo').first()).toBeVisible();
  await expect(page.getByText('First reading').locator('..')).toContainText('98');
  await expect(page.getByLabel('Chest in cm')).toHaveValue('');
  await expect(page.getByText('For one use until')).toHaveCount(0);
  await page.goBack();
  await expect(page.getByText('4 readings left')).toBeVisible();
  await expect(page.getByText('For one use until')).toHaveCount(0);
});
