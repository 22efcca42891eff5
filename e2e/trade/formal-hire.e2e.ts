import { expect, test } from '../fitter';
import { expectSize, practise } from './practice';

// Narrowest waist 35, with a good tug: the trousers two inches less, 33. The waistcoat goes by the largest of the torso.
test('formal hire by the narrowest waist: trousers two inches less, waistcoat by the torso', async ({
  fitter: page,
}) => {
  const met = await practise(
    page,
    {
      wearer: 'Evander Hire',
      unit: 'in',
      garments: ['Evening trousers', 'Ferry waistcoat', 'Formal hire, narrowest waist'],
      until: /^(Evening trousers|Ferry waistcoat)$/,
    },
    {
      Neck: '15 1/2',
      Overarm: '50',
      Chest: '40',
      'Natural waist': '35',
      'Widest girth': '38',
      'Hip and seat': '44',
      'Height in shoes': '70',
      'Nape to wrist': '33',
      Outseam: '41',
      'Left foot length': '270',
      'Right foot length': '270',
    },
  );
  expect(met).not.toContain('Height');
  await expectSize(page, /Evening trousers/, '33x41');
  await expectSize(page, /Ferry waistcoat/, '40');
});

// At the worn waistband, under the belly, drawn tight: never the natural waist.
test('formal hire by the worn waist: drawn tight where a chart says nothing', async ({ fitter: page }) => {
  const met = await practise(
    page,
    {
      wearer: 'Florian Hire',
      unit: 'in',
      garments: ['Ceremony trousers', 'Formal hire, worn waist'],
      until: /^Ceremony trousers/,
    },
    { 'Trouser waist': '36', 'Hip and seat': '42' },
  );
  expect(met).not.toContain('Natural waist');
  await expectSize(page, /Ceremony trousers/, '36');
  await page.getByRole('button', { name: /^Hip and seat: / }).click();
  await expect(page.getByRole('button', { name: 'Tape: drawn tight' })).toBeVisible();
});
