import { expectAccessible } from './axe';
import { AGAIN, chooseFrom, expect, test } from './fitter';

test('a muster is sized at once, decided for many, taken back, compared, totalled and ordered', async ({
  fitter: page,
}) => {
  await page.goto('/roll');
  await page.getByRole('link', { name: /Winter issue/ }).click();
  await page.getByRole('link', { name: 'Sizes', exact: true }).click();
  await expect(page.getByText('Not sized yet')).toBeVisible();
  await expectAccessible(page, 'a muster that is not sized');
  await page.getByRole('button', { name: /^Size \d+ wearers$/ }).click();
  const count = page.getByRole('status').filter({ hasText: / of \d+ wearers/ });
  await expect(count).toBeVisible();
  const [all] = /\d+/.exec(await count.innerText())!;
  await expect(count).toContainText(`${all} of ${all} wearers`);
  await expectAccessible(page, 'the sizes of a muster');

  await test.step('by keyboard down the table, and no further than its end', async () => {
    const row = page.locator('[data-at].here');
    await expect(row).toHaveAttribute('aria-rowindex', '2');
    await page.keyboard.press('ArrowDown');
    await expect(row).toHaveAttribute('aria-rowindex', '3');
    await page.keyboard.press('End');
    await expect(row).toHaveAttribute('aria-rowindex', String(Number(all) + 1));
    await page.keyboard.press('ArrowDown');
    await expect(row).toHaveAttribute('aria-rowindex', String(Number(all) + 1));
    await expect(row).toBeInViewport();
  });

  await test.step('one group of it, on paper too', async () => {
    await chooseFrom(page, 'Group', 'Boathouse');
    await expect(count).toContainText(`12 of ${all} wearers`);
    const paper = page.getByRole('link', { name: 'PDF by group' });
    const printed = await page.request.get((await paper.getAttribute('href'))!, AGAIN);
    expect([printed.status(), printed.headers()['content-type']]).toEqual([200, 'application/pdf']);
    await page.getByRole('button', { name: 'Show everybody' }).click();
    await expect(count).toContainText(`${all} of ${all} wearers`);
  });

  await test.step('those of one garment that are in doubt get one size for one reason', async () => {
    // There are more garments than a list shows at once: a few letters find one.
    await page.getByLabel('Garment', { exact: true }).focus();
    await page.keyboard.type('Sluice');
    await page.keyboard.press('Enter');
    await chooseFrom(page, 'Show', 'in doubt');
    await expect(count).toContainText(`1 of ${all} wearers`);
    await page.getByRole('button', { name: 'Decide these …' }).click();
    await chooseFrom(page, 'Size for all', '8');
    const decide = page.getByRole('button', { name: 'Decide for 1 wearer' });
    await expect(decide).toBeDisabled();
    await page.getByLabel('Reason').fill('Worn over a liner');
    await expectAccessible(page, 'deciding for many');
    await decide.click();
    await expect(page.getByText('Decided: 1.')).toBeVisible();
    // Sized anew by itself, nobody is in doubt any more.
    await expect(count).toContainText(`0 of ${all} wearers`);
    await chooseFrom(page, 'Show', 'decided');
    await expect(page.getByRole('row', { name: /Emeka Thorvald/ })).toContainText('8decided');
    await page.getByRole('button', { name: 'Changes' }).click();
    await expect(page.getByText('decided since')).toBeVisible();
    await expectAccessible(page, 'what has changed');
    await page.getByRole('button', { name: 'Table' }).click();
  });

  await test.step('everybody is placed by what is in stock, held to a size, and decided', async () => {
    await page.getByRole('button', { name: 'Show everybody' }).click();
    await page.getByRole('button', { name: 'By stock' }).click();
    await page.getByRole('button', { name: `Place ${all} wearers` }).click();
    await expect(page.getByText(/^By the stock of/)).toBeVisible();
    await expect(page.getByText(/\d+ wearers? placed/).first()).toBeVisible();
    await expectAccessible(page, 'a muster placed by stock');
    // With nothing to be ordered somebody goes without, and it is said what would help.
    await page.getByLabel('More may be ordered').uncheck();
    await page.getByRole('button', { name: 'Place again' }).click();
    await expect(page.getByText(/helps most/).first()).toBeVisible();
    await expect(page.getByText(/without one: no .* is left/).first()).toBeVisible();
    await page.getByRole('button', { name: 'Table' }).click();
  });

  await test.step('what is short is ordered of each maker', async () => {
    await page.getByRole('button', { name: 'Totals' }).click();
    await expect(page.getByRole('heading', { name: /^Ranger field jacket/ })).toBeVisible();
    await page.getByLabel('Spares, %').fill('10');
    await page.getByLabel('Spares, %').press('Tab');
    await expectAccessible(page, 'the totals of a muster');
    await page.getByRole('button', { name: 'As a picture' }).click();
    await expect(page.locator('nm-totals-picture svg').first()).toBeVisible();
    await expectAccessible(page, 'the picture of the totals');
    await page.getByRole('button', { name: 'As a table' }).click();
    await chooseFrom(page, 'Deliver to', 'Main store');
    await page.getByRole('button', { name: /^Create \d+ orders?$/ }).click();
    await expect(page.getByText(/orders? created\. They wait under Stores/)).toBeVisible();
  });
});

test('a group is sized on a page of its own, whether it is on a muster or not', async ({ fitter: page }) => {
  await page.goto('/roll');
  await page.getByRole('link', { name: /North shore/ }).click();
  await page.getByRole('button', { name: 'Size 24 wearers' }).click();
  await expect(page.getByRole('status').filter({ hasText: '24 of 24 wearers' })).toBeVisible();
  await expectAccessible(page, 'the sizes of a group');
  await page.getByRole('button', { name: 'Totals' }).click();
  await expect(page.getByRole('heading', { name: /^Ranger field jacket/ })).toBeVisible();
  // What is fetched is of a muster.
  await expect(page.getByRole('link', { name: 'Pick list' })).toHaveCount(0);
  await page.getByRole('link', { name: 'Back to Roll' }).click();
  await expect(page.getByRole('link', { name: /North shore/ })).toBeVisible();
});
