import { expect, openDocket, stockUp, takeReadings } from '../fitter';
import { articleAs, garments } from './asking';
import { byEveryHand } from './hands';
import { acceptsAndTries } from './trying';

byEveryHand('what is altered waits at the tailor, and comes back to no shelf as it is', async (hand) => {
  const { page } = hand;
  const wearer = hand.named('Hemma');
  await openDocket(page, wearer, ['Warden trousers']);
  await takeReadings(page, '96', '96', '82', '82');
  const proposed = page.locator('[data-proposed]:visible');
  await expect(proposed).not.toHaveText('–');
  const label = (await proposed.textContent())!.trim();
  await stockUp(page, 'Warden trousers', [label]);
  const { code } = await articleAs(page, 'Warden trousers', label);
  await page.reload();
  const own = garments(page).getByRole('button', { name: /^.*Warden trousers/ });
  await expect(own.first()).toBeVisible();
  await expect(proposed).toHaveText(label);
  await acceptsAndTries(hand);
  await expect(page.getByText(/, fasten it as worn/)).toBeVisible();
  await hand.press('Enter', / is on$/);
  await hand.press('a', /All other checks are right$/);
  await hand.writes('Hem the leg at', '78');
  await page.keyboard.press('Enter');
  await hand.press('k', /Keep/);
  await expect(page.getByText(/Kept: .*To alter: hem the leg at 78 cm\./)).toBeVisible();
  await hand.press('i', /Handing over$/);
  await expect(page.getByText('Alter first: hem the leg at 78 cm.')).toBeVisible();
  await expect(page.getByRole('heading', { name: '1 garment still owed' })).toBeVisible();
  await hand.choose('Ready');
  await expect(page.getByRole('heading', { name: '1 garment to hand over' })).toBeVisible();
  await hand.takes(code, () => Promise.resolve());
  await hand.signs(wearer);
  await expect(page.getByRole('heading', { name: 'Everything handed over' })).toBeVisible();
  await hand.choose('Return');
  await expect(page.getByText(/The garment was altered \(hem the leg at 78 cm\)/)).toBeVisible();
  await hand.picks('Reason for return', 'the wearer changed their mind');
  await hand.picks('Return to', 'stock');
  await hand.choose('Return garment');
  await expect(page.getByText(/so its label no longer states its size/)).toBeVisible();
  await hand.picks('Return to', 'set aside for inspection');
  await hand.choose('Return garment');
  await expect(garments(page).getByText('came back')).toBeVisible();
  // At the stores it is set aside, and gets onto no shelf before it is said what was done about it.
  await hand.toDesk('Shelves');
  const rack = page.getByRole('region', { name: 'Warden trousers' });
  const peg = rack.getByRole('button', { name: new RegExp(`^Warden trousers ${label}:`) });
  await hand.takes(code, () => hand.choose(peg));
  await hand.picks('From', /set aside/);
  await hand.choose('Save');
  await expect(page.getByRole('alert')).toContainText('Enter what was found, as the garment was set aside.');
  const found = `The hem was let down again for ${wearer}`;
  await hand.writes('Note', found);
  await hand.choose('Save');
  await expect(
    page.getByText(new RegExp(`1 returned to the shelf from .*, set aside to .*: ${found}`)),
  ).toBeVisible();
});
