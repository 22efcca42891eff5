import { v7 as uuidv7 } from 'uuid';
import { expectAccessible } from '../axe';
import { expect } from '../fitter';
import { garments, get, inDays, put, suit } from './asking';
import { byEveryHand } from './hands';
import { keepsSuit } from './trying';

byEveryHand('a suit that is wet is said to be promised until another is given', async (hand) => {
  const { page } = hand;
  const wearer = hand.named('Sunder');
  const next = hand.named('Odo');
  const serial = `WET-${hand.kind.length}01`;
  await suit(page, serial);
  await suit(page, `WET-${hand.kind.length}02`);
  await keepsSuit(hand, wearer);
  await hand.press('i', /Handing over$/);
  await expect(page.getByRole('heading', { name: '1 garment to hand over' })).toBeVisible();
  // It is written down a day after it was due; what the stores have for those days is told late.
  await page.route(new RegExp(`until=${inDays(-1)}`), async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1_500));
    await route.continue();
  });
  const told = page.waitForResponse(new RegExp(`until=${inDays(-1)}`));
  await hand.writes('until', inDays(-1));
  // The piece in the hand is scanned, with the keys still in the field of the day: the day stays as it is.
  await hand.takes(serial, () => hand.picks(/is taken from$/, new RegExp(serial)));
  const going = page.getByRole('list', { name: 'Garments' });
  await expect(going.getByText(`${serial}, Visitor desk`)).toBeVisible();
  await expect(page.getByLabel('until')).toHaveValue(inDays(-1));
  // What is in the hand stays what is written down, whatever would be the first of those days.
  await told;
  await expect(going.getByText(`${serial}, Visitor desk`)).toBeVisible();
  await hand.choose(new RegExp(`${wearer} signs$`));
  await hand.choose(/Hand over$/);
  await expect(garments(page).getByText('hired out ✓')).toBeVisible();
  const bench = page.url();
  // The next has it from the day on it would have been dry.
  const calendar = await get<{ pieces: { id: string; serial: string }[] }>(
    page,
    `/api/stores/bookings?from=${inDays(0)}&until=${inDays(9)}`,
  );
  const { id: pieceId } = calendar.pieces.find((one) => one.serial === serial)!;
  const days = { from: inDays(2), until: inDays(3) };
  const fields = { docketId: null, chartId: null, deposit: null, cancelled: false, version: 0 };
  await put(page, `/api/stores/bookings/${uuidv7()}`, { pieceId, ...days, ...fields, who: next });
  await page.goto(bench);
  await expect(garments(page).getByText('hired out ✓')).toBeVisible();
  await hand.press('i', /Handing over$/);
  await hand.choose('Return');
  await hand.choose('Return garment');
  await expect(garments(page).getByText('came back')).toBeVisible();
  await hand.toDesk('Shelves');
  const promised = page.getByRole('button', {
    name: new RegExp(
      `${serial} dries until .*, and ${next} has it booked from .* Give them another piece\\.`,
    ),
  });
  await hand.choose(promised);
  await expect(page.getByText(new RegExp(`${serial} for ${next}`))).toBeVisible();
  await expectAccessible(page, 'a booking that is in the way');
  const other = page.getByRole('button', { name: /^Change to / }).first();
  const given = /^\s*Change to (\S+)/.exec((await other.textContent())!)![1]!;
  await hand.choose(other);
  await expect(promised).toHaveCount(0);
  await expect(
    page.getByRole('button', { name: new RegExp(`^${serial} for ${wearer}.*returned`) }),
  ).toBeVisible();
  await expect(
    page.getByRole('button', { name: new RegExp(`^${given} for ${next}.*is booked`) }),
  ).toBeVisible();
});
