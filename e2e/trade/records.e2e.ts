import { expect, test } from '../fitter';
import { practise } from './practice';

const ALL_TAKEN = /^(All taken|Not all taken yet|Wishes)/;

test('a one-piece costume: hip at the hip bones, three torso lengths in one placing', async ({
  fitter: page,
}) => {
  const met = await practise(
    page,
    { wearer: 'Jonas Costume', unit: 'in', garments: ['One-piece costume'], until: ALL_TAKEN },
    {
      Height: '70',
      Chest: '38',
      'Natural waist': '32',
      'High hip': '36',
      Trunk: '64',
      Head: '22 3/4',
      'Nape to wrist': '33',
      'Back to waist': '17',
      'Nape to high hip': '22',
      'Nape to fork': '26',
      'Inside leg to the top of the ankle': '30',
      'Left foot length': '265',
      'Right foot length': '265',
    },
  );
  expect(met).toContain('High hip');
  expect(met).not.toContain('Hip and seat');
  await expect(page.getByRole('button', { name: 'Nape to high hip: 22 in' })).toBeVisible();
});

test('made to order by post: the true body, the worn waist', async ({ fitter: page }) => {
  const met = await practise(
    page,
    { wearer: 'Kit Order', unit: 'in', garments: ['Bespoke by post'], until: ALL_TAKEN },
    {},
  );
  expect(met).toContain('Neck base');
  expect(met).toContain('Widest girth');
  expect(met).toContain('Through the legs, worn waist');
  await page.getByRole('button', { name: /^Chest: / }).click();
  await expect(page.getByRole('button', { name: /^Tape: touching/ })).toBeVisible();
});

test('a cadet’s uniform: height first, the skirt’s girth over the hip bones on demand', async ({
  fitter: page,
}) => {
  const met = await practise(
    page,
    { wearer: 'Linnea Cadet', unit: 'in', garments: ['Uniform intake'], until: ALL_TAKEN },
    { Height: '66' },
  );
  expect(met[0]).toBe('Height');
  await page.keyboard.press('+');
  await page.keyboard.type('high hip');
  await page.getByRole('option', { name: /^Add high hip/ }).click();
  await page.getByRole('button', { name: /^High hip: / }).click();
  await page.keyboard.type('38');
  await page.keyboard.press('Enter');
  await page.keyboard.type('38');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'High hip: 38 in' })).toBeVisible();
});

test('a large body is asked nothing that is usual of middling builds', async ({ fitter: page }) => {
  await practise(
    page,
    { wearer: 'Marit Large', unit: 'in', garments: ['Large bodies'], until: ALL_TAKEN },
    {
      Height: '64',
      Bust: '50',
      'Natural waist': '46',
      'High hip': '52',
      'Hip and seat': '55',
      Overarm: '50',
      'Upper arm': '19',
    },
  );
  await expect(page.getByText('it is so')).toHaveCount(0);
});

test('a designer’s record and a full record have what their trades take', async ({ fitter: page }) => {
  const designers = await practise(
    page,
    { wearer: 'Nils Record', unit: 'cm', garments: ['Designer’s record'], until: ALL_TAKEN },
    {},
  );
  for (const name of [
    'Height',
    'Wrist',
    'Above the bust',
    'Both thighs',
    'Both knees',
    'Thigh',
    'Above the knee',
  ])
    expect(designers).toContain(name);
});
