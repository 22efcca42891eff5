import { test } from '../fitter';
import { expectSize, practise } from './practice';

// The chest is the number; 5 ft 9 is regular. Both bounds of a class belong to one by the chart's own word.
test('a suit goes by chest and height', async ({ fitter: page }) => {
  await practise(
    page,
    { wearer: 'Gideon Suit', unit: 'in', garments: ['Guide blazer'], until: 'Guide blazer' },
    { Chest: '42', Height: '69', 'Shoulder width': '18' },
  );
  await expectSize(page, /Guide blazer/, '42 R');
});
