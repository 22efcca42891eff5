import { AGAIN, chooseFrom, expect, openDocket, takeReadings, test } from './fitter';

test('a chain is one tape: marks in a row, asked about out of order, taken back the last first', async ({
  fitter: page,
}) => {
  await openDocket(page, 'tobias', ['Designer’s record']);
  await page.getByRole('button', { name: /^Shoulder to armpit level, front: not read/ }).click();
  const heading = page.getByRole('heading', { level: 1 });
  await takeReadings(page, '18', '27', '34');
  await expect(heading).toHaveText('Front to waist');
  await takeReadings(page, '30');
  await expect(page.getByText('is not beyond the mark before it, underbust')).toBeVisible();
  await expect(heading).toHaveText('Front to waist');
  await takeReadings(page, '44');
  // The second round runs down the same chain.
  await expect(heading).toHaveText('Shoulder to armpit level, front');
  await takeReadings(page, '18.5');
  await expect(heading).toHaveText('Shoulder to bust');
  await page.keyboard.press('r');
  await expect(heading).toHaveText('Shoulder to armpit level, front');
  await takeReadings(page, '18', '27.5', '34', '47');
  // Three centimetres apart: that mark alone is read a third time.
  await expect(heading).toHaveText('Front to waist');
  await takeReadings(page, '44.5');
  await expect(heading).not.toHaveText('Front to waist');
  await expect(page.getByRole('button', { name: 'Front to waist: 44.5 cm' })).toBeVisible();
});

test('wishes are typed and pointed at, stand on the docket, and are no value of the body', async ({
  fitter: page,
}) => {
  await openDocket(page, 'joaqu', ['Headwear']);
  await takeReadings(page, '57', '57');
  await page.keyboard.press('l');
  await expect(page.getByRole('heading', { name: 'Wishes' })).toBeVisible();
  const split = page.getByLabel('Split', { exact: false }).first();
  await split.focus();
  await page.getByRole('img', { name: 'Where split is to end' }).click({ position: { x: 100, y: 330 } });
  await split.focus();
  await page.keyboard.type('4500');
  await page.keyboard.press('Enter');
  await expect(page.getByText('4500 cm is no split (0 cm to 130 cm).')).toBeVisible();
  await split.fill('45');
  await page.keyboard.press('Enter');
  await expect(page.getByText('noted: 45 cm, pointed at')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'All readings taken' })).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByText('noted: 45 cm, pointed at')).toBeVisible();
  await page.goto(
    await page.getByRole('link', { name: 'Record', exact: true }).getAttribute('href').then(String),
  );
  await expect(page.getByRole('heading', { name: 'Head', exact: true })).toBeVisible();
  await expect(page.getByText('Split')).toHaveCount(0);
});

test('the record of a person is plotted, is due by age, and goes out as a table', async ({
  fitter: page,
}) => {
  await page.keyboard.press('Control+k');
  await page.keyboard.type('Linnea');
  await page.getByText('Record of Linnea Osei-Harrow').click();
  await expect(page.getByText('due to be measured again')).toBeVisible();
  await page.getByRole('button', { name: /^Height/ }).click();
  await expect(page.getByRole('cell', { name: '151.8 cm' })).toBeVisible();
  await expect(page.locator('nm-value-plot svg')).toBeVisible();
  const born = page.getByLabel('Born in');
  await born.fill('1990-3');
  await born.press('Tab');
  await expect(page.getByText('Enter year and month, such as 2009-04.')).toBeVisible();
  await born.fill('1990-03');
  await born.press('Tab');
  await expect(page.getByText('36 years old')).toBeVisible();
  await expect(page.getByText('due to be measured again')).toHaveCount(0);
  await born.fill('2010-03');
  await born.press('Tab');
  await expect(page.getByText('16 years old')).toBeVisible();
  const table = await page.request.get(
    await page.getByRole('link', { name: 'CSV', exact: true }).getAttribute('href').then(String),
    AGAIN,
  );
  expect(await table.text()).toContain('height,Height,1517.5,mm');
});

test('a house’s protocol says where its waist is, and a chain is added to it at once', async ({
  fitter: page,
}) => {
  await page.goto('/bench/protocols');
  await page.getByRole('button', { name: 'Headwear' }).click();
  await page.getByRole('button', { name: 'Copy and edit' }).click();
  await page.getByLabel('Name', { exact: true }).fill('By the navel');
  await chooseFrom(page, 'Where the waist is', 'at the navel');
  await chooseFrom(page, 'Add chain: one tape placing read at several marks', /Down the side/);
  await page.getByRole('button', { name: 'Save protocol' }).click();
  await expect(page.getByRole('heading', { name: 'By the navel' })).toBeVisible();
  await expect(
    page.getByText('The tape is laid 2 times for 7 measurements: 5 are read in passing.'),
  ).toBeVisible();
  await page.getByRole('link', { name: 'Back to the docket' }).click();
  await openDocket(page, 'Idris Castellan', ['By the navel']);
  await page.getByRole('button', { name: /^Waist at the navel to high hip/ }).click();
  await expect(page.getByText('Read at the cord, at the navel.')).toBeVisible();
  await expect(page.getByText('Held at the level of the navel at the side')).toBeVisible();
});
