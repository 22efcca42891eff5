import { v7 as uuidv7 } from 'uuid';
import { expectAccessible } from './axe';
import { chooseFrom, expect, openDocket, scans, stockUp, takeReadings, test } from './fitter';
import type { Page } from '@playwright/test';

/** Where the docket and the stores meet, each walked from both sides. */

const inDays = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
const garments = (page: Page) => page.getByRole('region', { name: 'Docket' });

async function get<Answer>(page: Page, path: string): Promise<Answer> {
  return (await (await page.request.get(path)).json()) as Answer;
}
async function put(page: Page, path: string, data: object): Promise<void> {
  const answer = await page.request.put(path, { data, headers: { origin: new URL(page.url()).origin } });
  expect([200, 204]).toContain(answer.status());
}

/** Takes a dry suit of M into the visitors' desk; its article. */
async function suit(page: Page, serial: string): Promise<string> {
  const kept = await get<{ garment: string; seriesId: string }[]>(page, '/api/stores/keeping');
  const rooms = await get<{ id: string; name: string }[]>(page, '/api/stores/rooms');
  const { seriesId } = kept.find((one) => one.garment === 'Grebe dry suit')!;
  const roomId = rooms.find(({ name }) => name === 'Visitor desk')!.id;
  const pieces = [{ serial, made: inDays(-30), goodUntil: null }];
  await put(page, `/api/stores/receipts/${uuidv7()}`, { seriesId, label: 'M', roomId, count: 1, pieces });
  const { items } = await get<{ items: { id: string; seriesId: string; label: string }[] }>(
    page,
    '/api/stores/stock?search=grebe',
  );
  return items.find((one) => one.label === 'M' && one.seriesId === seriesId)!.id;
}

/** Measures somebody for a dry suit in M and keeps it; the work stands at handing over. */
async function keepsSuit(page: Page, wearer: string): Promise<void> {
  await page.goto('/bench');
  await openDocket(page, wearer, ['Grebe dry suit']);
  await takeReadings(page, '174', '174', '38', '38', '98', '98', '101', '101');
  await page.keyboard.press('d');
  await page.keyboard.press('a');
  await expect(garments(page).getByText('accepted ✓')).toBeVisible();
  await page.keyboard.press('t');
  await expect(page.getByText(/Put on M, fasten/)).toBeVisible();
  // It is put on, and looked at twice.
  for (let times = 0; times < 3; times++) await page.keyboard.press('Enter');
  await expect(page.getByText('Nothing is wrong with M.')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(garments(page).getByText('kept, tried on ✓')).toBeVisible();
}

test('a hire that is booked for a name goes to that name, and is extended, by touch on a tablet', async ({
  fitter: page,
}) => {
  await suit(page, 'ZT-1');
  await page.setViewportSize({ width: 768, height: 1024 });
  await page.goto('/stores/hire');
  await page.getByRole('button', { name: 'ZT-1', exact: true }).click();
  await page.getByLabel('For', { exact: true }).fill('berrit named');
  await page.getByRole('button', { name: 'Book ZT-1' }).click();
  await expect(page.getByRole('button', { name: /^ZT-1 for berrit named.*is booked/ })).toBeVisible();
  await keepsSuit(page, 'Berrit Named');
  await page.getByRole('button', { name: /Handing over/ }).click();
  await expect(page.getByRole('heading', { name: '1 garment goes' })).toBeVisible();
  await expect(page.getByText('ZT-1, booked for them, Visitor desk')).toBeVisible();
  await page.getByRole('button', { name: /Berrit Named signs$/ }).click();
  await page.getByRole('button', { name: 'Hand over' }).click();
  await expect(garments(page).getByText('hired out ✓')).toBeVisible();
  await page.getByRole('button', { name: 'Another day' }).click();
  await expectAccessible(page, 'extending a hire');
  await page.getByLabel('Hired until, the last day').fill(inDays(6));
  await page.getByRole('button', { name: 'Keep that day' }).click();
  await expect(
    garments(page).getByRole('button', { name: new RegExp(`hired out ✓.*until ${inDays(6)}`) }),
  ).toBeVisible();
  const narrow = await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth);
  expect(narrow).toBe(true);
  // The calendar has one booking of it, and that is theirs.
  await page.goto('/stores/hire');
  const bar = page.getByRole('button', { name: /^ZT-1 for / });
  await expect(bar).toHaveCount(1);
  await bar.click();
  await page.getByRole('link', { name: /extend it or take it back there/ }).click();
  await page.getByRole('button', { name: /Handing over/ }).click();
  await page.getByRole('button', { name: 'Take back', exact: true }).click();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(garments(page).getByText('came back')).toBeVisible();
  await page.goto('/stores/hire');
  await expect(page.getByText('ZT-1 is drying')).toBeVisible();
});

test('a suit that is wet is said to be promised until another is given', async ({ fitter: page }) => {
  await suit(page, 'ZW-1');
  await suit(page, 'ZW-2');
  await keepsSuit(page, 'Sunder Wet');
  await page.keyboard.press('i');
  await expect(page.getByRole('heading', { name: '1 garment goes' })).toBeVisible();
  // It is written down a day after it was due.
  await page.getByLabel('until').fill(inDays(-1));
  // The piece in the hand is scanned, with the keys still in the field of the day: the day stays as it is.
  await scans(page, 'ZW-1');
  await expect(page.getByText('ZW-1, Visitor desk')).toBeVisible();
  await expect(page.getByLabel('until')).toHaveValue(inDays(-1));
  await page.getByRole('button', { name: /Sunder Wet signs$/ }).click();
  await page.getByRole('button', { name: 'Hand over' }).click();
  await expect(garments(page).getByText('hired out ✓')).toBeVisible();
  const bench = page.url();
  // The next has it from the day on it would have been dry.
  await page.goto('/stores/hire');
  const calendar = await get<{ pieces: { id: string; serial: string }[] }>(
    page,
    `/api/stores/bookings?from=${inDays(0)}&until=${inDays(9)}`,
  );
  const { id: pieceId } = calendar.pieces.find(({ serial }) => serial === 'ZW-1')!;
  const days = { from: inDays(2), until: inDays(3) };
  const fields = { docketId: null, chartId: null, deposit: null, cancelled: false, version: 0 };
  await put(page, `/api/stores/bookings/${uuidv7()}`, { pieceId, ...days, ...fields, who: 'Odo Next' });
  await page.goto(bench);
  await expect(garments(page).getByText('hired out ✓')).toBeVisible();
  await page.keyboard.press('i');
  await page.getByRole('button', { name: 'Take back', exact: true }).click();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(garments(page).getByText('came back')).toBeVisible();
  await page.goto('/stores/shelves');
  const promised = page.getByRole('button', {
    name: /ZW-1 dries until .*, and Odo Next has it booked from .* Give them another piece\./,
  });
  await promised.click();
  await expect(page.getByText(/ZW-1 for Odo Next/)).toBeVisible();
  await expectAccessible(page, 'a booking that is in the way');
  await page.getByRole('button', { name: 'Give ZW-2 instead' }).click();
  await expect(promised).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^ZW-1 for Sunder Wet.*came back/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^ZW-2 for Odo Next.*is booked/ })).toBeVisible();
});

test('a parcel with a wrong size and one too few is scanned; what came for a docket is put by for it', async ({
  fitter: page,
}) => {
  await openDocket(page, 'Hatty Waits', ['Marsh hat']);
  await takeReadings(page, '56', '56');
  const proposed = page.locator('[data-proposed]:visible');
  await expect(proposed).not.toHaveText('–');
  const label = (await proposed.textContent())!.trim();
  await page.keyboard.press('Enter');
  await expect(garments(page).getByText('accepted ✓')).toBeVisible();
  const docketId = new URL(page.url()).pathname.split('/').at(-1)!;
  const stockOf = () => get<{ chartId: string }[]>(page, `/api/dockets/${docketId}/stock`);
  await expect.poll(async () => (await stockOf()).length).toBe(1);
  const [stock] = await stockOf();
  const kept = await get<{ garment: string; maker: string; seriesId: string }[]>(page, '/api/stores/keeping');
  const { seriesId, maker } = kept.find((one) => one.garment === 'Marsh hat')!;
  const [room] = await get<{ id: string }[]>(page, '/api/stores/rooms');
  // Three are ordered, one of them for this docket; another size lies in the stores already.
  const other = label === '7 1/4' ? '7' : '7 1/4';
  await stockUp(page, 'Marsh hat', [other]);
  const id = uuidv7();
  const wantedFor = [{ docketId, chartId: stock!.chartId }];
  const lines = [{ seriesId, label, count: 3, wantedFor }];
  await put(page, `/api/stores/orders/${id}`, { maker, roomId: room!.id, lines });
  const { items } = await get<{ items: { code: string; label: string }[] }>(
    page,
    '/api/stores/stock?search=marsh%20hat',
  );
  const codeOf = (of: string) => items.find((one) => one.label === of)!.code;
  await page.goto(`/stores/orders?order=${id}`);
  const order = page.getByRole('button', { name: /^Order \d+, .*not sent yet/ });
  await expect(order.first()).toBeVisible();
  await page.getByRole('button', { name: 'I have sent it myself' }).click();
  await page.getByRole('button', { name: 'Check off what came' }).click();
  await scans(page, codeOf(label));
  await expect(page.getByText(`Marsh hat ${label}: 1 of 3`)).toBeVisible();
  await scans(page, codeOf(label));
  await expect(page.getByText(`Marsh hat ${label}: 2 of 3`)).toBeVisible();
  await scans(page, codeOf(other));
  await expect(page.getByText(`Marsh hat ${other} was not ordered`)).toBeVisible();
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByText(`Took in 1 of Marsh hat ${other}, not ordered so.`)).toBeVisible();
  await page.getByRole('button', { name: 'Wait no more for the rest' }).click();
  await page.getByRole('button', { name: 'Wait no more', exact: true }).click();
  await expect(page.getByText('ended early: 1 of 3 not waited for any more')).toBeVisible();
  // Whose has come is named; they are told, and theirs goes to them.
  await page.getByRole('button', { name: /^Hatty Waits, docket \d+: 1 garment has come/ }).click();
  const theirs = page.getByRole('region', { name: 'Hatty Waits' });
  await expect(
    theirs.getByText('1 garment has come, nothing more is ordered for them. Call them.'),
  ).toBeVisible();
  await expectAccessible(page, 'what is put by');
  await theirs.getByRole('button', { name: 'They were told' }).click();
  await expect(theirs.getByText('They were told.')).toBeVisible();
  await theirs.getByRole('link', { name: /^docket \d+/ }).click();
  await expect(garments(page).getByText('accepted ✓')).toBeVisible();
  await page.keyboard.press('i');
  await expect(page.getByText(/^put by for them, /)).toBeVisible();
  // The one in the hand is scanned: it is theirs.
  await page.keyboard.press('1');
  await expect(page.getByRole('heading', { name: '1 garment still owed' })).toBeVisible();
  await scans(page, codeOf(label));
  await expect(page.getByRole('heading', { name: '1 garment goes' })).toBeVisible();
  await page.keyboard.press('w');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Everything is handed over' })).toBeVisible();
  await page.goto('/stores/put-by');
  await expect(page.getByRole('heading', { name: 'Put by', exact: true })).toBeVisible();
  await expect(theirs).toHaveCount(0);
});

test('what is altered waits at the tailor, and comes back to no shelf for what its label says', async ({
  fitter: page,
}) => {
  await openDocket(page, 'Hemma Altered', ['Warden trousers']);
  await takeReadings(page, '96', '96', '82', '82');
  const proposed = page.locator('[data-proposed]:visible');
  await expect(proposed).not.toHaveText('–');
  const label = (await proposed.textContent())!.trim();
  await stockUp(page, 'Warden trousers', [label]);
  await page.reload();
  await expect(
    garments(page)
      .getByRole('button', { name: /^.*Warden trousers/ })
      .first(),
  ).toBeVisible();
  await page.keyboard.press('d');
  await expect(proposed).toHaveText(label);
  await page.keyboard.press('a');
  await expect(garments(page).getByText('accepted ✓')).toBeVisible();
  await page.keyboard.press('t');
  await expect(page.getByText(/, fasten it as it is worn/)).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.press('a');
  await page.keyboard.press('w');
  await page.getByLabel('Hem the leg at').fill('78');
  await page.keyboard.press('Enter');
  await page.keyboard.press('k');
  await expect(page.getByText(/Kept: .*To alter: hem the leg at 78 cm\./)).toBeVisible();
  await page.keyboard.press('i');
  await expect(page.getByText('It is to be altered first: hem the leg at 78 cm.')).toBeVisible();
  await expect(page.getByRole('heading', { name: '1 garment still owed' })).toBeVisible();
  await page.getByRole('button', { name: 'It is ready' }).click();
  await expect(page.getByRole('heading', { name: '1 garment goes' })).toBeVisible();
  await page.keyboard.press('w');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Everything is handed over' })).toBeVisible();
  await page.getByRole('button', { name: 'Take back', exact: true }).click();
  await expect(page.getByText(/It was altered \(hem the leg at 78 cm\)/)).toBeVisible();
  await chooseFrom(page, 'Why it comes back', 'the wearer changed their mind');
  await chooseFrom(page, 'It goes', 'back to stock');
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText(/on the shelf the next wearer gets it for what its label says/)).toBeVisible();
  await chooseFrom(page, 'It goes', 'set aside, to be looked at');
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(garments(page).getByText('came back')).toBeVisible();
  // At the stores it is set aside, and gets onto no shelf before it is said what was done about it.
  const { items } = await get<{ items: { id: string; label: string }[] }>(
    page,
    '/api/stores/stock?search=warden%20trousers',
  );
  await page.goto(`/stores/shelves?article=${items.find((one) => one.label === label)!.id}`);
  await chooseFrom(page, 'From', /set aside/);
  await page.getByRole('button', { name: 'Do it' }).click();
  await expect(page.getByRole('alert')).toContainText('Say what was found: it was set aside.');
  await page.getByLabel('Why, or to whom').fill('The hem was let down again');
  await page.getByRole('button', { name: 'Do it' }).click();
  await expect(
    page.getByText(/1 went back on the shelf from .*, set aside to .*: The hem was let down again/),
  ).toBeVisible();
});
