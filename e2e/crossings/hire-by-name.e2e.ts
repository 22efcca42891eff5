import { expectAccessible } from '../axe';
import { expect } from '../fitter';
import { garments, inDays, sayDay, suit } from './asking';
import { byEveryHand } from './hands';
import { keepsSuit } from './trying';

byEveryHand('a hire that is booked for a name goes to that name, is extended, and dries', async (hand) => {
  const { page } = hand;
  const wearer = hand.named('Berrit');
  const serial = `BNT-${hand.kind.length}01`;
  await suit(page, serial);
  await page.goto('/stores/hire');
  await expect(page.getByRole('button', { name: serial, exact: true })).toBeVisible();
  await hand.takes(serial, () => hand.choose(serial));
  await hand.writes('For', wearer.toLowerCase());
  await hand.press('Enter', `Book ${serial}`);
  const bar = page.getByRole('button', { name: new RegExp(`^${serial} for ${wearer}`, 'i') });
  await expect(bar).toBeVisible();
  await keepsSuit(hand, wearer);
  await hand.press('i', /Handing over$/);
  await expect(page.getByRole('heading', { name: '1 garment to hand over' })).toBeVisible();
  await expect(page.getByText(`${serial}, booked for this wearer, Visitor desk`)).toBeVisible();
  await hand.takes(serial, () => Promise.resolve());
  await hand.signs(wearer);
  await expect(garments(page).getByText('hired out ✓')).toBeVisible();
  await hand.choose('Change last day');
  await expectAccessible(page, 'extending a hire');
  await hand.writes('Last day of hire', inDays(6));
  await hand.press('Enter', 'Save');
  await expect(
    garments(page).getByRole('button', { name: new RegExp(`hired out ✓.*until ${sayDay(inDays(6))}`) }),
  ).toBeVisible();
  // The calendar has one booking of it, and that is theirs.
  await hand.toDesk('Hire');
  await expect(bar).toHaveCount(1);
  await hand.takes(serial, () => hand.choose(bar));
  await hand.choose(page.getByRole('link', { name: /extend or return/ }));
  await hand.press('i', /Handing over$/);
  await hand.choose('Return');
  await hand.choose('Return garment');
  await expect(garments(page).getByText('came back')).toBeVisible();
  await hand.toDesk('Hire');
  await expect(page.getByText(`${serial} is drying`)).toBeVisible();
});
