import { expect, test } from '../fitter';
import { expectSize, practise } from './practice';

const UNTIL = /^(Regatta dress|Wishes)/;

// Bust 46 in is 116.8 cm, of 114 to 121: 22, by the bust alone; waist 40 in and hip 48 in are its own.
test('a large body is asked nothing that is usual of middling builds, and goes by the bust', async ({
  fitter: page,
}) => {
  await practise(
    page,
    { wearer: 'Marit Large', unit: 'in', garments: ['Regatta dress', 'Large bodies'], until: UNTIL },
    {
      Height: '64',
      Bust: '46',
      'Natural waist': '40',
      'High hip': '47',
      'Hip and seat': '48',
      Overarm: '49',
      'Upper arm': '19',
    },
  );
  await expect(page.getByRole('button', { name: 'C Confirm', exact: true })).toHaveCount(0);
  await expectSize(page, /Regatta dress/, '22');
});

// Bust 40 in is 101.6 cm: 16, whose hip ends at 108 cm. The high hip 45 in is the larger, 114.3 cm: 2 1/2 in more.
test('of two fullnesses of the hip the larger decides, and what is let out is told of it', async ({
  fitter: page,
}) => {
  await practise(
    page,
    { wearer: 'Mildred Large', unit: 'in', garments: ['Regatta dress', 'Large bodies'], until: UNTIL },
    { Height: '64', Bust: '40', 'Natural waist': '33', 'High hip': '45', 'Hip and seat': '42' },
  );
  await expectSize(page, /Regatta dress/, '16');
  await expect(page.getByText(/[Ll]et out the high hip by 2 1\/2 in/).first()).toBeVisible();
});
