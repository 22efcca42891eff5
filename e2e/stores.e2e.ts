import { expectAccessible } from './axe';
import { AGAIN, chooseFrom, expect, openDocket, scans, takeReadings, test } from './fitter';
import { suit } from './crossings/asking';
import type { Page } from '@playwright/test';

const toStores = async (page: Page, desk: string) => {
  await page.getByRole('link', { name: 'Stores' }).click();
  await page.getByRole('navigation', { name: 'Stores desks' }).getByRole('link', { name: desk }).click();
};

test('a visitor’s dry suit is hired, comes back late, and is dried', async ({ fitter: page }) => {
  // One of its own, as other paths book theirs.
  const serial = 'DRY-101';
  await suit(page, serial);
  await openDocket(page, 'Visitor Dry', ['Grebe dry suit']);
  // Neck and wrist are asked for besides: they only say which seals to propose.
  await takeReadings(page, '174', '174', '38', '38', '98', '98', '101', '101');
  await page.keyboard.press('d');
  await page.keyboard.press('a');
  await expect(page.getByRole('button', { name: /Grebe dry suit M accepted ✓/ })).toBeVisible();
  await page.keyboard.press('t');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Nothing is wrong with M.')).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.press('i');
  await expect(page.getByRole('heading', { name: '1 garment to hand over' })).toBeVisible();
  // It is written down a day after it was due.
  const yesterday = new Date(Date.now() - 86_400_000).toISOString().slice(0, 10);
  await page.getByLabel('until').fill(yesterday);
  await chooseFrom(page, /is taken from$/, new RegExp(serial));
  await page.getByRole('button', { name: /Visitor Dry signs$/ }).click();
  await page.getByRole('button', { name: 'Hand over' }).click();
  await expect(page.getByRole('button', { name: /Grebe dry suit M hired out ✓/ })).toBeVisible();
  await toStores(page, 'Hire');
  const late = page.getByRole('button', {
    name: new RegExp(`${serial} was due on .*: 1 day late with Visitor Dry`),
  });
  await expect(late).toBeVisible();
  await expectAccessible(page, 'the calendar of hires');
  await late.click();
  await expect(page.getByRole('button', { name: /Grebe dry suit M hired out ✓/ })).toBeVisible();
  await page.keyboard.press('i');
  await page.getByRole('button', { name: 'Return', exact: true }).click();
  await expect(page.getByText('the hire is over')).toBeVisible();
  await page.getByRole('button', { name: 'Return garment' }).click();
  await expect(page.getByRole('button', { name: /Grebe dry suit .*came back/ })).toBeVisible();
  await toStores(page, 'Hire');
  await expect(
    page.getByRole('button', { name: new RegExp(`${serial} for Visitor Dry.*returned.*1 day late`) }),
  ).toBeVisible();
  await page
    .locator('p', { hasText: `${serial} is drying` })
    .getByRole('button', { name: 'Dry: return to shelf' })
    .click();
  await expect(page.getByText(`${serial} is drying`)).toBeHidden();
  // The next time it is booked ahead, for the docket that knows what fits.
  const inDays = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
  await page.getByLabel('Last day').fill(inDays(42));
  await page.getByLabel('From', { exact: true }).fill(inDays(40));
  await page.getByLabel('Docket').fill('Visitor Dry');
  await page.getByRole('list', { name: 'Dockets' }).getByRole('button').first().click();
  await expect(page.getByText('gets M.')).toBeVisible();
  const own = page.getByRole('listitem').filter({ hasText: /^\s*M\s*the wearer’s size; fits in/ });
  await own.getByRole('button').first().click();
  await expect(page.getByLabel('For', { exact: true })).toHaveValue('Visitor Dry');
  await page.getByRole('button', { name: /^Book \S+-\d+$/ }).click();
  await expect(page.getByRole('button', { name: /^Book \S+-\d+$/ })).toBeHidden();
});

test('a table of stock is imported, a code is scanned, and a room is counted blind', async ({
  fitter: page,
  allowErrors,
}) => {
  // The stock is not corrected without a reason.
  allowErrors(/409/);
  await toStores(page, 'Storage');
  await page.getByLabel('New room').fill('Loft');
  await page.getByRole('button', { name: 'Add room' }).click();
  await expect(page.getByText('Loft', { exact: true })).toBeVisible();
  await expectAccessible(page, 'how it is kept');
  await toStores(page, 'Shelves');
  await page.getByRole('button', { name: 'Import a table' }).click();
  await page
    .getByLabel('Or paste rows here')
    .fill(
      'Article,Size,On hand,Gang\nGannet smock,M,1\nMarsh cap,M,3,B2\nMarsh cap,L,2,B2\nMarsh cap,XXXXL,1,B2\n',
    );
  await page.getByRole('button', { name: 'Read table' }).click();
  await expect(page.getByText('What is “Gang”?')).toBeVisible();
  await chooseFrom(page, 'What “Gang” is', 'left out');
  await expect(page.getByText('Line 2: There is no chart called “Gannet smock”.')).toBeVisible();
  await expect(page.getByText(/“XXXXL” is not a size of Marsh cap/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'To import: 5 in 2 lines' })).toBeVisible();
  await chooseFrom(page, 'Receiving room', 'Loft');
  await expect(page.locator('.ant-select-item-option').first()).toBeHidden();
  await expectAccessible(page, 'a table of stock');
  await page.getByRole('button', { name: 'Add to stock' }).click();
  const cap = page.getByRole('button', { name: /^Marsh cap M: 3 on the shelf/ });
  await expect(cap).toBeVisible();
  // What was said of a column is known the next time.
  await page.getByRole('button', { name: 'Import a table' }).click();
  await page.getByLabel('Or paste rows here').fill('Article,Size,On hand,Gang\nMarsh cap,M,3,B2\n');
  await page.getByRole('button', { name: 'Read table' }).click();
  await expect(page.getByText('as in the last import')).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await cap.click();
  const code = (await page.getByText(/^NM\d{6}$/).textContent())!;
  await expectAccessible(page, 'an article');
  // A scanner types faster than anybody, wherever the keys are.
  await toStores(page, 'Stock count');
  await chooseFrom(page, 'Room', 'Loft');
  await page.getByRole('heading', { name: 'Stock count' }).click();
  for (let times = 1; times <= 2; times++) {
    await scans(page, code);
    await expect(page.getByText(`Marsh cap M: ${times}`)).toBeVisible();
  }
  await page.reload();
  await expect(page.getByLabel('How many of Marsh cap M')).toHaveValue('2');
  await expect(page.getByText('In Loft: the shelves.')).toBeVisible();
  await page.getByRole('button', { name: 'Finish count: 2 counted' }).click();
  await expect(page.getByText('counted 2, in stock 3')).toBeVisible();
  await page.getByRole('button', { name: 'Correct the stock' }).click();
  await expect(page.getByRole('alert')).toContainText('Say why, of Marsh cap');
  await page.getByLabel('Why Marsh cap M differs').fill('One was lent');
  await page.getByLabel('Why Marsh cap L differs').fill('Lie in the office');
  await page.getByRole('button', { name: 'Correct the stock' }).click();
  await expect(page.getByText('The stock is corrected.')).toBeVisible();
  await toStores(page, 'Shelves');
  await page.getByLabel('Find a garment, a size or a code').fill('marsh cap');
  await expect(page.getByRole('button', { name: /^Marsh cap M: 2 on the shelf/ })).toBeVisible();
});

test('what is to be ordered goes to its maker, and the desk shows it', async ({ fitter: page, house }) => {
  await toStores(page, 'Orders');
  const group = page.getByRole('group', { name: 'Pindlemere Mill' });
  await expect(group).toBeVisible();
  await expectAccessible(page, 'orders');
  await group.getByRole('button', { name: 'Order from Pindlemere Mill' }).click();
  await expect(group).toBeHidden();
  await expect(page.getByText(/Order confirmed, promised for/).first()).toBeVisible();
  const desk = await (await page.request.get(house.desk, AGAIN)).text();
  expect(desk).toContain('Pindlemere Mill');
  expect(desk).not.toContain('Salome');
});

test('days pass at the maker’s desk by its own page', async ({ browser, house }) => {
  const page = await browser.newPage();
  await page.goto(house.desk);
  const today = async () => /Today is (\S+)\./.exec(await page.locator('body').innerText())![1]!;
  const before = await today();
  await page.getByRole('button', { name: 'The next day' }).click();
  await expect(page.getByRole('heading', { name: 'The maker’s desk' })).toBeVisible();
  expect(await today()).not.toBe(before);
  await page.close();
});
