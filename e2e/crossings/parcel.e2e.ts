import { v7 as uuidv7 } from 'uuid';
import { expectAccessible } from '../axe';
import { expect, openDocket, stockUp, takeReadings } from '../fitter';
import { articleAs, garments, get, keptAs, put } from './asking';
import { byEveryHand } from './hands';

byEveryHand(
  'a parcel with a wrong size and one too few; what came for a docket is reserved',
  async (hand) => {
    const { page } = hand;
    const wearer = hand.named('Hatty');
    await openDocket(page, wearer, ['Marsh hat']);
    await takeReadings(page, '56', '56');
    const proposed = page.locator('[data-proposed]:visible');
    await expect(proposed).not.toHaveText('–');
    const label = (await proposed.textContent())!.trim();
    await hand.press('Enter', /Accept \S/);
    await expect(garments(page).getByText('accepted ✓')).toBeVisible();
    const docketId = new URL(page.url()).pathname.split('/').at(-1)!;
    const stockOf = () => get<{ chartId: string }[]>(page, `/api/dockets/${docketId}/stock`);
    await expect.poll(async () => (await stockOf()).length).toBe(1);
    const [stock] = await stockOf();
    const { seriesId, maker } = await keptAs(page, 'Marsh hat');
    const [room] = await get<{ id: string }[]>(page, '/api/stores/rooms');
    // Three are ordered, one of them for this docket; another size lies in the stores already.
    const other = label === '7 1/4' ? '7' : '7 1/4';
    await stockUp(page, 'Marsh hat', [other]);
    const id = uuidv7();
    const wantedFor = [{ docketId, chartId: stock!.chartId }];
    const lines = [{ seriesId, label, count: 3, wantedFor }];
    await put(page, `/api/stores/orders/${id}`, { maker, roomId: room!.id, lines });
    const [own, wrong] = [
      await articleAs(page, 'Marsh hat', label),
      await articleAs(page, 'Marsh hat', other),
    ];
    await page.goto(`/stores/orders?order=${id}`);
    await expect(page.getByRole('button', { name: /^Order \d+, .*not sent yet/ }).first()).toBeVisible();
    await hand.choose('Mark as sent');
    await hand.choose('Check delivery');
    const came = `How many of Marsh hat ${label} came`;
    // The keys stand in the count: a scanned code is not part of it.
    if (hand.kind === 'scanner') await page.getByLabel(came).focus();
    await hand.takes(own.code, () => hand.writes(came, '2'));
    if (hand.kind === 'scanner') {
      await expect(page.getByText(`Marsh hat ${label}: 1 of 3`)).toBeVisible();
      await hand.takes(own.code, () => Promise.resolve());
      await expect(page.getByText(`Marsh hat ${label}: 2 of 3`)).toBeVisible();
    }
    await expect(page.getByLabel(came)).toHaveValue('2');
    await hand.takes(wrong.code, async () => {
      await hand.choose('Another size came');
      await hand.writes(`Size that came instead of ${label}`, other);
      await page.keyboard.press('Enter');
    });
    await expect(page.getByLabel(`How many came of Marsh hat ${other}`)).toHaveValue('1');
    await hand.choose('Add to stock');
    await expect(page.getByText(new RegExp(`Received 1 of Marsh hat ${other}, `))).toBeVisible();
    await hand.choose('Close order');
    await hand.choose(page.locator('.ant-popover').getByRole('button', { name: 'Close order' }));
    await expect(page.getByText('ended early: 1 of 3 not delivered').first()).toBeVisible();
    // Whose has come is named; they are told, and theirs goes to them.
    await hand.seesAllToDo();
    await hand.choose(new RegExp(`^${wearer}, docket \\d+: 1 garment has come`));
    const theirs = page.getByRole('region', { name: wearer });
    await expect(
      theirs.getByText('1 garment has arrived, nothing more is on order. Notify the wearer.'),
    ).toBeVisible();
    await expectAccessible(page, 'what is reserved');
    await hand.choose(theirs.getByRole('button', { name: 'Mark as notified' }));
    await expect(theirs.getByText('Wearer notified.')).toBeVisible();
    await hand.choose(theirs.getByRole('link', { name: /^Hand over docket \d+$/ }));
    await expect(garments(page).getByText('accepted ✓')).toBeVisible();
    await expect(page.getByText(/^reserved for this wearer, /)).toBeVisible();
    // What is left here is ticked again by what is in the hand.
    await hand.press('1', page.getByRole('checkbox', { name: /Marsh hat/ }));
    await expect(page.getByRole('heading', { name: '1 garment still owed' })).toBeVisible();
    await hand.takes(own.code, () => hand.press('1', page.getByRole('checkbox', { name: /Marsh hat/ })));
    await expect(page.getByRole('heading', { name: '1 garment to hand over' })).toBeVisible();
    await hand.signs(wearer);
    await expect(page.getByRole('heading', { name: 'Everything handed over' })).toBeVisible();
    await hand.toDesk('Reserved');
    await expect(page.getByRole('heading', { name: 'Reserved', exact: true })).toBeVisible();
    await expect(theirs).toHaveCount(0);
  },
);
