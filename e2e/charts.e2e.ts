import { expect, openDocket, takeReadings, test } from './fitter';

const csv = (name: string, text: string | Buffer) => ({
  name,
  mimeType: 'text/csv',
  buffer: Buffer.isBuffer(text) ? text : Buffer.from(text),
});
const SHIRT = 'size,neck-girth (in)\nS,14-14 1/2\nM,15-15 1/2\nL,16-16 1/2\n';

test('a chart of one’s own is brought, seen as rulers, put on the shelf and sized against at once', async ({
  fitter: page,
}) => {
  await page.getByRole('link', { name: 'Charts' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Ranger field jacket' })).toBeVisible();
  await page.setInputFiles('input[type=file]', csv('guide-shirt.csv', SHIRT));
  await expect(page.getByRole('heading', { name: 'Put it on the shelf?' })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Neck, not read yet; sizes S to L/ })).toBeVisible();

  const maker = page.getByLabel('Maker');
  await maker.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Maker: Write something here.')).toBeVisible();
  await page.keyboard.type('Pindlemere Mill');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Guide shirt is on the shelf.')).toBeVisible();

  await page.getByRole('link', { name: 'Size somebody against it' }).press('Enter');
  await expect(page.getByRole('checkbox', { name: /Guide shirt/ })).toBeChecked();
  await openDocket(page, 'desmond', []);
  await takeReadings(page, '15 1/4 in', '15 1/4 in');
  await expect(page.locator('[data-proposed]')).toHaveText('M');
});

test('a chart with faults is not taken; every fault names its cell and the mend', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  const bring = (name: string, text: string | Buffer) =>
    page.setInputFiles('input[type=file]', csv(name, text));
  await bring('bad.csv', 'size,waist (cm),chest-girth (cm)\nS,70-78,94-86\n,78-86,9o-98\nS,86-94,98-106');
  await expect(page.getByRole('heading', { name: 'bad.csv was not taken' })).toBeVisible();
  const found = page.locator('.findings li');
  await expect(found).toContainText([
    /Nearest: waist-girth, navel-girth/,
    /this line has no size/,
    /already stands on line 2/,
    /“94-86” is upside down. Write 86-94/,
    /“9o-98” is no interval/,
  ]);
  await bring('picture.csv', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 1]));
  await expect(found).toHaveText([/The file is not text/]);
  await bring('huge.csv', Buffer.alloc(10_000_000, 'x'));
  await expect(found).toHaveText([/The file is 10.0 MB/]);
  await page.reload();
  await expect(page.getByRole('complementary', { name: 'Shelf' })).not.toContainText(/bad|picture|huge/i);
});

test('a dropped file is taken like a chosen one', async ({ fitter: page }) => {
  await page.goto('/charts');
  await expect(page.getByRole('heading', { name: 'Ranger field jacket' })).toBeVisible();
  const transfer = await page.evaluateHandle((text) => {
    const dropped = new DataTransfer();
    dropped.items.add(new File([text], 'hall-cap.csv', { type: 'text/csv' }));
    return dropped;
  }, 'size,head-girth (cm)\nM,56-58\nL,58-60\n');
  await page.dispatchEvent('nm-charts', 'drop', { dataTransfer: transfer });
  await expect(page.getByLabel('Garment')).toHaveValue('Hall cap');
});

test('changing the unit re-expresses the chart', async ({ fitter: page }) => {
  await page.goto('/charts');
  await expect(page.getByRole('cell', { name: '78 – 86' })).toBeVisible();
  await page.getByRole('button', { name: 'in', exact: true }).click();
  await expect(page.getByRole('cell', { name: '30 3/4 – 33 7/8' })).toBeVisible();
});
