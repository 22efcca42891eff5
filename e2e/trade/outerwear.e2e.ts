import { test } from '../fitter';
import { expectSize, practise } from './practice';

// The widest decides, and the rest is taken in. Ranger field jacket M: chest 94 to 102, waist 82 to 90.
test('outerwear goes by the widest girth', async ({ fitter: page }) => {
  await practise(
    page,
    { wearer: 'Mireille Tarn', unit: 'cm', garments: ['Ranger field jacket'], until: 'Ranger field jacket' },
    { Chest: '98', 'Natural waist': '93' },
  );
  await expectSize(page, /Ranger field jacket/, 'L');
});
