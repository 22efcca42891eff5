import { expect, openDocket, takeReadings } from '../fitter';
import { garments } from './asking';
import type { Hand } from './hands';

/** Accepts what is proposed of a docket of one garment, and goes on to trying it on. */
export async function acceptsAndTries(hand: Hand): Promise<void> {
  await hand.press('a', /Accept \S/);
  await expect(garments(hand.page).getByText('accepted ✓')).toBeVisible();
  await hand.press('t', /^T Try on$/);
}

/** Measures somebody for a dry suit in M and keeps it; the work stands after the trial. */
export async function keepsSuit(hand: Hand, wearer: string): Promise<void> {
  const { page } = hand;
  await page.goto('/bench');
  await openDocket(page, wearer, ['Grebe dry suit']);
  await takeReadings(page, '174', '174', '38', '38', '98', '98', '101', '101');
  await hand.press('d', /Deciding$/);
  await acceptsAndTries(hand);
  await expect(page.getByText(/Put on M, fasten/)).toBeVisible();
  await hand.press('Enter', /M is on$/);
  // It is looked at twice.
  for (let looks = 0; looks < 2; looks++) await hand.press('Enter', /^Enter Right/);
  await expect(page.getByText('Nothing is wrong with M.')).toBeVisible();
  await hand.press('Enter', /Keep M$/);
  await expect(garments(page).getByText('kept, tried on ✓')).toBeVisible();
}
