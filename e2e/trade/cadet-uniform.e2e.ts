import { expect, test } from '../fitter';
import { expectSize, practise } from './practice';

// Chest 38 in is 96.5 cm and waist 33 in is 83.8 cm: M. Neck 15 and half an inch of ease: 15 1/2. Nape to wrist 33.
// Head 22 3/4 through pi is 7.24, to the nearest eighth 7 1/4.
test('a cadet’s uniform: height first, sizes by the charts, the skirt’s measurements on demand', async ({
  fitter: page,
}) => {
  const met = await practise(
    page,
    {
      wearer: 'Linnea Cadet',
      unit: 'in',
      garments: ['Ranger field jacket', 'Jetty shirt', 'Marsh hat', 'Uniform intake'],
      until: /^(Ranger field jacket|Jetty shirt|Marsh hat)/,
    },
    {
      Height: '66',
      Head: '22 3/4',
      Neck: '15',
      Chest: '38',
      'Natural waist': '33',
      'Hip and seat': '39',
      'Nape to wrist': '33',
      'Inside leg': '30',
      'Left foot length': '262',
      'Left foot width': '98',
      'Right foot length': '264',
      'Right foot width': '99',
    },
  );
  expect(met[0]).toBe('Height');
  await expectSize(page, /Ranger field jacket/, 'M');
  await expectSize(page, /Jetty shirt/, '15 1/2/33');
  await expectSize(page, /Marsh hat/, '7 1/4');
  await page.keyboard.press('+');
  await page.keyboard.type('high hip');
  await page.getByRole('option', { name: /^Add high hip/ }).click();
  await page.getByRole('button', { name: /^High hip: / }).click();
  for (const _ of [1, 2]) {
    await page.keyboard.type('38');
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('button', { name: 'High hip: 38 in' })).toBeVisible();
});
