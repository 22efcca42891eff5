import { expectAccessible } from '../axe';
import { AGAIN, expect, openDocket, stockUp, takeReadings } from '../fitter';
import { articleAs, daysPass, garments } from './asking';
import { byEveryHand } from './hands';

byEveryHand('a warden’s kit: one size changed, one ordered and received, one exchanged', async (hand) => {
  const { page } = hand;
  const wearer = hand.named('Isolde');
  const says = (what: RegExp) => expect(page.getByRole('button', { name: what })).toBeVisible();
  await stockUp(page, 'Ranger field jacket', ['M', 'L', 'XL']);
  await openDocket(page, wearer, ['Ranger field jacket', 'Warden trousers']);
  await takeReadings(page, '97', '97', '85', '85', '90', '90', '76', '76');
  await expect(page.locator('[data-proposed]:visible')).toHaveText('M');
  await hand.press('Enter', /Accept \S/);
  await says(/Ranger field jacket M accepted ✓/);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Warden trousers');
  await hand.press('Enter', /Accept \S/);
  await says(/Warden trousers .*accepted ✓/);
  // The jacket is tried on: it pulls, and the next size is kept.
  await hand.press('t', /^T Try on$/);
  await expect(page.getByText('Trying on · 1 of 2')).toBeVisible();
  await hand.press('ArrowRight', garments(page).getByRole('button', { name: /Ranger field jacket/ }));
  await expect(page.getByText('Put on M, fasten it as worn')).toBeVisible();
  await hand.press('Enter', /M is on$/);
  await hand.press('1', /It pulls/);
  await hand.press('Enter', /^Enter Right/);
  await expect(page.getByText('Try L: a size up.')).toBeVisible();
  await hand.press('Enter', /Put on L$/);
  await hand.press('a', /All other checks are right$/);
  await expect(page.getByText('Nothing is wrong with L.')).toBeVisible();
  await hand.press('Enter', /Keep L$/);
  await says(/Ranger field jacket L kept/);
  await hand.press('i', /Handing over$/);
  // The trousers are in nobody's shelf: they are ordered, and the jacket goes by itself.
  await expect(page.getByRole('heading', { name: '1 garment to hand over' })).toBeVisible();
  await expect(page.getByText(/None in stock in/)).toBeVisible();
  await expect(
    page
      .getByText('No size in stock is likely to fit.')
      .or(page.getByRole('button', { name: /^Try .* in stock, .*%\)/ }).first()),
  ).toBeVisible();
  await expectAccessible(page, 'handing over');
  await hand.press('Enter', /Hand over$/);
  await expect(page.getByRole('alert')).toContainText('A signature is missing');
  await hand.press('o', 'Order one');
  await expect(page.getByText(/Order \d+ is sent to the maker/)).toBeVisible();
  const number = /Order (\d+) is/.exec((await page.getByText(/Order \d+ is sent/).textContent())!)![1]!;
  const jacket = await articleAs(page, 'Ranger field jacket', 'L');
  await hand.takes(jacket.code, () => Promise.resolve());
  await hand.signs(wearer);
  await says(/Ranger field jacket L issued ✓/);
  const bench = page.url();
  // Days pass; the parcel comes and is checked off.
  await daysPass(hand, 9);
  await hand.toDesk('Orders');
  await hand.choose(new RegExp(`^Order ${number},`));
  await hand.choose('Ask maker');
  await expect(page.getByText(/Parcel .* is on its way/)).toBeVisible();
  await hand.choose('Check delivery');
  await expectAccessible(page, 'checking off');
  const count = page.getByLabel(/How many of Warden trousers .* came/);
  const label = /Warden trousers (.*) came/.exec((await count.getAttribute('aria-label'))!)![1]!;
  const trousers = (await articleAs(page, 'Warden trousers', label)) as { code: string } | undefined;
  // What was never in the stores has no code of the house yet.
  if (trousers === undefined) await hand.writes(/How many of Warden trousers .* came/, '1');
  else await hand.takes(trousers.code, () => hand.writes(/How many of Warden trousers .* came/, '1'));
  await expect(count).toHaveValue('1');
  await hand.choose('Add to stock');
  await says(new RegExp(`^Order ${number},.*all here`));
  await page.goto(bench);
  await says(/Ranger field jacket L issued ✓/);
  await hand.press('i', /Handing over$/);
  await expect(page.getByRole('heading', { name: '1 garment to hand over' })).toBeVisible();
  await hand.signs(wearer);
  await expect(page.getByRole('heading', { name: 'Everything handed over' })).toBeVisible();
  // The jacket comes back: tight in the chest. Another is tried on, kept, and goes in its place.
  await hand.choose(page.getByRole('button', { name: 'Return', exact: true }).first());
  await hand.choose('Return garment');
  // Nothing is filled in that nobody said: it would tell how the chart runs.
  await expect(page.getByRole('alert').last()).toContainText('Choose the reason for the return');
  await hand.picks('Reason for return', 'tight');
  await hand.choose('Return garment');
  await expect(page.getByRole('alert').last()).toContainText('Choose where it is tight');
  await hand.picks('Where', 'chest');
  await hand.choose('Return garment');
  await says(/Ranger field jacket L came back/);
  await hand.choose('Try on');
  await hand.press('o', /Another size$/);
  await page.getByRole('radio', { name: /^XL/ }).click({ force: true });
  await hand.choose(/Put on XL$/);
  await expect(page.locator('[data-on]')).toHaveText('XL');
  await hand.press('a', /All other checks are right$/);
  await hand.press('Enter', /Keep XL$/);
  await hand.press('Enter', /Hand over$/);
  await expect(page.getByRole('heading', { name: '1 garment to hand over' })).toBeVisible();
  await hand.signs(wearer);
  await says(/Ranger field jacket XL issued ✓/);
  const docketId = new URL(page.url()).pathname.split('/').at(-1)!;
  const answer = await page.request.get(`/api/dockets/${docketId}/sizes.pdf`, AGAIN);
  expect([answer.status(), answer.headers()['content-type']]).toEqual([200, 'application/pdf']);
  await hand.toDesk('Shelves');
  const peg = page
    .getByRole('region', { name: 'Ranger field jacket' })
    .getByRole('button', { name: /^Ranger field jacket XL:/ });
  await hand.takes((await articleAs(page, 'Ranger field jacket', 'XL')).code, () => hand.choose(peg));
  await expect(page.getByText(/1 went out from Main store to a wearer, docket \d+/).first()).toBeVisible();
});
