import { expect, test } from '../fitter';
import { expectSize, practise } from './practice';

test('a dress goes by the bust, over the undergarment that will be worn', async ({ fitter: page }) => {
  await practise(
    page,
    { wearer: 'Hesper Dress', unit: 'cm', garments: ['Regatta dress'], until: 'Regatta dress' },
    { Bust: '90', 'Natural waist': '77', 'Hip and seat': '96' },
  );
  await expectSize(page, /Regatta dress/, '12');
  await page.getByRole('button', { name: /^Bust: / }).click();
  await expect(page.getByRole('button', { name: 'Taken over what is worn beneath' })).toBeVisible();
});
