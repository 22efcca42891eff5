import { expect, test } from '../fitter';
import { expectSize, practise } from './practice';

// Girth 37 with 1 in of overlap: total girth 40: front 20, back 20. Notch to belt 16, less 1: 15.
// Collar to belt 19 x 0.80 = 15.2: 15. Common practice, no source.
test('a vest by method a, over the duty uniform, with the overlap chosen', async ({ fitter: page }) => {
  const met = await practise(
    page,
    { wearer: 'Anselm Vesta', unit: 'in', garments: ['Tidewall vest'], until: 'Tidewall vest' },
    { Chest: '39', 'Widest girth': '37', 'Front, standing': '16', 'Collar to belt': '19' },
  );
  expect(met).toContain('Chest');
  await expectSize(page, /Tidewall vest/, '20-15 / 20-15');
  await page.getByRole('group', { name: 'Overlap' }).getByRole('button', { name: '2 in' }).click();
  // 2 in of overlap: 37 + 5 = 42: front 21, back 21.
  await expect(page.locator('[data-proposed]:visible')).toHaveText('21-15 / 21-15');
  await expect(page.getByText(/take in|let out/)).toHaveCount(0);
});

test('a front half-way between two panels is asked of the wearer, shorter recommended', async ({
  fitter: page,
}) => {
  await practise(
    page,
    { wearer: 'Anselm Halfway', unit: 'in', garments: ['Tidewall vest'], until: 'Tidewall vest' },
    { Chest: '39', 'Widest girth': '37', 'Front, standing': '16 1/2', 'Collar to belt': '19' },
  );
  await expectSize(page, /Tidewall vest/, '20-15 / 20-15');
  await expect(
    page
      .getByText(
        'Front length: 15 and 16 hold every measurement. Ask the wearer; shorter is recommended: 15.',
      )
      .first(),
  ).toBeVisible();
});

// Front seated 16 less an inch at either end: 14; back from the collar 17 less 1: 16.
test('a vest by method b, the front seated', async ({ fitter: page }) => {
  await practise(
    page,
    { wearer: 'Berit Vesta', unit: 'in', garments: ['Breakwater vest'], until: 'Breakwater vest' },
    { Chest: '39', 'Widest girth': '36', 'Front, seated': '16', 'Collar to belt': '17' },
  );
  await expectSize(page, /Breakwater vest/, '20-14 / 19-16');
});

// Girths up to the whole inch and looked up: C holds chest 38 to 40 and girth 36 to 39. Seated 13, nape to belt 16.
test('a vest by method c, and what sitting takes away', async ({ fitter: page }) => {
  await practise(
    page,
    { wearer: 'Corin Vesta', unit: 'in', garments: ['Saltmarsh vest'], until: 'Saltmarsh vest' },
    {
      Chest: '39',
      'Widest girth': '37',
      'Front, standing': '16',
      'Nape to belt': '16',
      'Front, seated': '13',
    },
  );
  await expectSize(page, /Saltmarsh vest/, 'C 13/16');
  await expect(
    page.getByText('Sitting takes 3 in off the front: 16 in standing, 13 in seated.'),
  ).toBeVisible();
});

// Chest 37 and girth 25: total girth 31, with overlap 34, front width 17, back 17. Upper 7, lower 6 - 1 = 5: 12,
// offered 11 1/2 and 12 1/2: 11 1/2.
test('a women’s vest, unstructured', async ({ fitter: page }) => {
  await practise(
    page,
    {
      wearer: 'Delphine Vesta',
      unit: 'in',
      garments: ['Curlew vest, unstructured'],
      until: 'Curlew vest, unstructured',
    },
    {
      Chest: '37',
      'Widest girth': '25',
      'Bust to belt': '6',
      'Collar bone to bust': '7',
      'Collar to belt': '19',
    },
  );
  await expectSize(page, /Curlew vest/, '17-11 1/2 / 17-15');
});
