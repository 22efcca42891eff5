import { expect, test } from '../fitter';
import { expectSize, practise } from './practice';

// Bust 90 of 88 to 92: 12. The dart is what the breast adds from shoulder to underbust: 34 less 31.
test('a designer’s record: front and back apart, the dart, wishes from where its school starts them', async ({
  fitter: page,
}) => {
  const met = await practise(
    page,
    {
      wearer: 'Nils Record',
      unit: 'cm',
      garments: ['Regatta dress', 'Designer’s record'],
      until: 'Wishes',
    },
    {
      Height: '168',
      Bust: '90',
      'Natural waist': '72',
      'Hip and seat': '96',
      'Shoulder to armpit level, front': '17',
      'Shoulder to bust': '26',
      'Shoulder to underbust': '34',
      'Shoulder to underbust, beside': '31',
    },
  );
  for (const name of [
    'Height',
    'Wrist',
    'Above the bust',
    'Both thighs',
    'Both knees',
    'Thigh',
    'Above the knee',
    'Rise, standing',
    'Waist to under the seat',
  ])
    expect(met).toContain(name);
  const neckline = page.getByLabel('Neckline, front', { exact: false }).first();
  await expect(page.getByText('From the point where neck meets shoulder straight down')).toBeVisible();
  await page.getByRole('button', { name: 'From the hollow of the throat instead' }).click();
  await neckline.fill('18');
  await neckline.press('Enter');
  await expect(page.getByText('noted: 18 cm')).toBeVisible();
  await page.getByLabel('Regatta dress').fill('Moss green, long sleeves');
  await page.getByLabel('Regatta dress').press('Enter');
  await expectSize(page, /Regatta dress/, '12');
  await page.getByRole('button', { name: /^Shoulder to underbust, beside: 31 cm/ }).click();
  await expect(page.getByText('Dart: 3 cm, over the breast less beside it.')).toBeVisible();
  await page.reload();
  await expect(page.locator('nm-garment-cards')).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByLabel('Regatta dress')).toHaveValue('Moss green, long sleeves');
});
