import { test } from '../fitter';
import { expectSize, practise } from './practice';

// To the whole inch first: underbust 34 1/8 is 34, even, and stays; bust 38, four more: D. Underbust 35 goes up to 36.
for (const [underbust, bust, label] of [
  ['34', '38', '34D'],
  ['34 1/8', '38', '34D'],
  ['35', '38', '36B'],
] as const)
  test(`a bra by whole inches: ${underbust} and ${bust} is ${label}`, async ({ fitter: page }) => {
    await practise(
      page,
      {
        wearer: `Iris ${label}`,
        unit: 'in',
        garments: ['Shorelark bra, single cups'],
        until: 'Shorelark bra, single cups',
      },
      { Bust: bust, Underbust: underbust },
    );
    await expectSize(page, /Shorelark bra/, label);
  });
