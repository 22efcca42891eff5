import { expect, test } from '../fitter';
import { expectSize, practise } from './practice';

// Worn waist 34 of 33 to 35 and hip 40 of 38 1/2 to 41 1/2: 34. The fork is read from the worn waist, front to back.
test('made to order by post: the true body, from the worn waist, without shoes', async ({ fitter: page }) => {
  const met = await practise(
    page,
    {
      wearer: 'Kit Order',
      unit: 'in',
      garments: ['Ceremony trousers', 'Made to measure by post'],
      until: /^(Ceremony trousers|Wishes)/,
    },
    {
      Height: '70',
      Weight: '165',
      'Neck base': '16 1/2',
      Chest: '39',
      'Natural waist': '33',
      'Widest girth': '35',
      'Trouser waist': '34',
      'Hip and seat': '40',
      'Trouser waist to floor': '41',
      'Inside leg': '31',
      'Through the legs, worn waist': '27',
    },
  );
  for (const name of ['Neck base', 'Widest girth', 'Through the legs, worn waist'])
    expect(met).toContain(name);
  expect(met).not.toContain('Through the legs');
  await expectSize(page, /Ceremony trousers/, '34');
  for (const step of ['Trouser waist to floor: 41 in', 'Through the legs, worn waist: 27 in'])
    await expect(page.getByRole('button', { name: step })).toBeVisible();
  await page.getByRole('button', { name: /^Chest: / }).click();
  await expect(page.getByRole('button', { name: /^Tape: touching/ })).toBeVisible();
});
