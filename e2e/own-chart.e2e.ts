import { expectAccessible } from './axe';
import { expect, test } from './fitter';

test('a chart is drafted from measured people, opens in the editor, and is compared with the others', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  await page.getByRole('button', { name: 'Draft one from measured people' }).click();
  const held = page.getByRole('status').filter({ hasText: /held and \d+ left out/ });
  await page.getByLabel('People', { exact: true }).focus();
  await page.keyboard.press('Enter');
  await page.getByText('507 measured bodies').last().click();
  await expect(held).toContainText('Of 507 people');
  await expectAccessible(page, 'a chart from measured people');

  await test.step('fewer sizes leave more out, and two measurements make a table of two', async () => {
    await page.getByLabel('Sizes', { exact: true }).fill('2');
    await page.getByLabel('Sizes', { exact: true }).press('Tab');
    await expect(page.locator('tbody tr')).toHaveCount(2);
    await expect(page.getByRole('heading', { name: 'Left out' })).toBeVisible();
    await page.getByLabel('with', { exact: true }).focus();
    await page.keyboard.press('Enter');
    await page.keyboard.type('Natural waist');
    await page.locator('.ant-select-item-option').filter({ hasText: 'Natural waist' }).first().click();
    await expect(page.getByRole('columnheader', { name: 'and' })).toBeVisible();
  });

  await test.step('it opens as a draft with where it is from, and is kept', async () => {
    await page.getByRole('button', { name: 'Open as a draft' }).click();
    await expect(page.getByText(/from 507 people \(507 measured bodies\)/)).toBeVisible();
    await page.getByLabel('Garment', { exact: true }).fill('Own smock');
    await page.getByRole('button', { name: 'Save chart' }).click();
    await expect(page.getByRole('heading', { name: /Own smock/ }).first()).toBeVisible();
  });

  await test.step('charts of a kind are held side by side', async () => {
    await page.getByRole('link', { name: 'Coverage' }).click();
    await expect(page.getByRole('heading', { name: 'Whom the charts hold' })).toBeVisible();
    await expect(page.getByRole('link', { name: /^Ranger field jacket/ })).toBeVisible();
    await expect(page.getByText(/every chart can place \d+ of them/)).toBeVisible();
    await expectAccessible(page, 'whom the charts hold');
  });
});
