import { expect, test } from '../fitter';
import { expectSize, practise } from './practice';

// Chest 98 of 94 to 102, waist 86 of 82 to 90: M. Worn waist 86 cm is 33.9 in, hip 101 cm is 39.8 in: 34.
// The longer foot 264 lies nearest to 265; the wider 99 goes up to 100.
test('a uniform intake: one wearer, every garment of the issue in one docket', async ({ fitter: page }) => {
  const met = await practise(
    page,
    {
      wearer: 'Torben Intake',
      unit: 'cm',
      garments: ['Ranger field jacket', 'Ranger trousers', 'Mudflat boots', 'Uniform intake'],
      until: /^(Ranger field jacket|Ranger trousers|Mudflat boots)/,
    },
    {
      Height: '178',
      Head: '57.5',
      Neck: '39',
      Chest: '98',
      'Natural waist': '86',
      'Trouser waist': '86',
      'Hip and seat': '101',
      'Inside leg': '80',
      'Left foot length': '262',
      'Left foot width': '98',
      'Right foot length': '264',
      'Right foot width': '99',
    },
  );
  expect(met.filter((name) => name === 'Chest').length).toBe(1);
  await expectSize(page, /Ranger field jacket/, 'M');
  await expectSize(page, /Ranger trousers/, '34');
  await expectSize(page, /Mudflat boots/, '265/100');
});
