import { expectAccessible } from './axe';
import { AGAIN, chooseFrom, expect, openDocket, scans, scansWithin, takeReadings, test } from './fitter';

test('a kit goes by keyboard from name to issued, and its sheets are printed and posted', async ({
  fitter: page,
}) => {
  await openDocket(page, 'Isolde Keeps', ['Ranger field jacket', 'Warden trousers']);
  await takeReadings(page, '97', '97', '85', '85', '86', '86', '79', '79');
  await expect(page.locator('[data-proposed]:visible')).toHaveText('M');
  await page.keyboard.press('a');
  await expect(page.getByText('accepted ✓').first()).toBeVisible();
  if (!(await page.getByRole('button', { name: /Warden trousers .*accepted ✓/ }).isVisible()))
    await page.keyboard.press('Enter');
  await page.keyboard.press('i');
  await expect(page.getByRole('heading', { name: '2 garments to hand over' })).toBeVisible();
  await expectAccessible(page, 'handing over');
  // What the stores have is asked once, and not over and over.
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url()));
  await page.waitForTimeout(600);
  expect(asked.filter((url) => url.endsWith('/stock'))).toEqual([]);
  // Nobody has signed yet.
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('A signature is missing');
  await page.keyboard.press('2');
  await expect(page.getByRole('heading', { name: '1 garment to hand over' })).toBeVisible();
  await page.keyboard.press('2');
  await page.keyboard.press('w');
  await expect(page.getByRole('button', { name: /✓ Isolde Keeps signs$/ })).toBeFocused();
  // Enter presses the button and follows the link that has the keys; it hands nothing over besides.
  await page.getByRole('button', { name: 'other signer' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Signed by')).toBeFocused();
  await page.getByRole('button', { name: /Isolde Keeps signs$/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /✓ Isolde Keeps signs$/ })).toBeVisible();
  await page.getByRole('link', { name: 'Record' }).focus();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/log\/person\//);
  await page.goBack();
  await expect(page.getByRole('button', { name: /Handing over$/ })).toBeVisible();
  await page.keyboard.press('i');
  await expect(page.getByRole('heading', { name: '2 garments to hand over' })).toBeVisible();
  await page.keyboard.press('w');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Everything handed over' })).toBeVisible();
  await expect(page.getByRole('button', { name: /Ranger field jacket M issued ✓/ })).toBeVisible();
  const id = new URL(page.url()).pathname.split('/').at(-1)!;
  for (const sheet of ['sizes.pdf', 'labels.pdf']) {
    const answer = await page.request.get(`/api/dockets/${id}/${sheet}`, AGAIN);
    expect([answer.status(), answer.headers()['content-type']]).toEqual([200, 'application/pdf']);
  }
  await page.getByText('Print or send').click();
  await page.getByLabel('Send to').fill('isolde@brackwater.example');
  await page.getByRole('button', { name: 'Send sizes' }).click();
  await expect(
    page.getByText(/Saved in the outbox as .*\.eml\. Nothing has left this machine\./),
  ).toBeVisible();
  // As it was left, for whoever opens it next.
  await page.reload();
  await expect(page.getByRole('button', { name: /Ranger field jacket M issued ✓/ })).toBeVisible();
});

test('a vest goes to nobody untried without a reason, and a hire has an end', async ({ fitter: page }) => {
  await openDocket(page, 'Ruben Station', ['Saltmarsh vest', 'Saltpan waders']);
  await page.keyboard.press('d');
  for (const garment of ['Saltmarsh vest', 'Saltpan waders']) {
    await page.getByRole('button', { name: new RegExp(garment) }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(garment);
    await page.keyboard.press('o');
    const parts = page.getByRole('group', { name: 'Another size' }).locator('fieldset');
    await expect(parts.first()).toBeVisible();
    for (let part = 0; part < (await parts.count()) - 1; part++)
      await parts.nth(part).getByRole('radio').first().click({ force: true });
    await page.getByLabel('Another reason').fill('As last year');
    await page.keyboard.press('Enter');
    await expect(
      page.getByRole('button', { name: new RegExp(`${garment} .*chosen instead ✓`) }),
    ).toBeVisible();
  }
  await expect(page.getByText('chosen instead ✓').nth(1)).toBeVisible();
  await page.keyboard.press('i');
  // Nothing of that size is there: they bring their own.
  for (let garment = 0; garment < 2; garment++)
    await page.getByRole('button', { name: 'not from the stores' }).first().click();
  await expect(page.getByRole('heading', { name: '2 garments to hand over' })).toBeVisible();
  await expect(page.getByText('hired out')).toBeVisible();
  await page.keyboard.press('w');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('must be checked on the wearer before handing over');
  await page.getByLabel(/Why Saltmarsh vest was not tried on/).fill('Posted to the outer station');
  await page.getByRole('button', { name: 'Hand over' }).click();
  await expect(page.getByRole('button', { name: /Saltpan waders .*hired out ✓.*until/ })).toBeVisible();
  await page.locator('li', { hasText: 'Saltpan waders' }).getByRole('button', { name: 'Return' }).click();
  await expect(page.getByText('the hire is over')).toBeVisible();
  await chooseFrom(page, 'Return to', 'washing and drying');
  await page.getByRole('button', { name: 'Return garment' }).click();
  await expect(page.getByRole('button', { name: /Saltpan waders .*came back/ })).toBeVisible();
});

test('what is not there is tried in the nearest that is, and a wearer signs with a finger', async ({
  fitter: page,
}) => {
  await openDocket(page, 'Fenna Finger', ['Estuary fleece']);
  await takeReadings(page, '98', '98');
  await expect(page.locator('[data-proposed]:visible')).toHaveText('M');
  await page.keyboard.press('Enter');
  await page.keyboard.press('i');
  await page.getByRole('button', { name: /^Try L \(\d in stock, \d+ %\)/ }).click();
  await expect(page.locator('[data-on]')).toHaveText('L');
  await page.keyboard.press('a');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Kept: L.')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: '1 garment to hand over' })).toBeVisible();
  const pad = page.getByRole('img', { name: 'Sign by finger or pen' });
  const box = (await pad.boundingBox())!;
  await page.mouse.move(box.x + 20, box.y + 40);
  await page.mouse.down();
  for (let at = 0; at < 12; at++) await page.mouse.move(box.x + 20 + at * 15, box.y + 40 + (at % 2) * 20);
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Clear' })).toBeVisible();
  await page.getByRole('button', { name: 'Hand over' }).click();
  await expect(page.getByRole('heading', { name: 'Everything handed over' })).toBeVisible();
});

test('a scanner at handing over ticks what is in the hand, and is never taken for commands', async ({
  fitter: page,
}) => {
  await openDocket(page, 'Runa Scanned', ['Ranger field jacket', 'Warden trousers']);
  await takeReadings(page, '97');
  const found = (await (
    await page.request.get('/api/stores/stock?search=ranger%20field%20jacket', AGAIN)
  ).json()) as {
    items: { code: string; label: string }[];
  };
  const codeOf = (label: string) => found.items.find((one) => one.label === label)!.code;
  // At the tape, where no letter of it passes steps over, and no digit of it is a reading.
  await scans(page, codeOf('M'));
  await expect(page.getByText('Scanned: Ranger field jacket M. Tick it at Handing over.')).toBeVisible();
  await expect(page.locator('#entry')).toHaveValue('');
  await takeReadings(page, '97', '85', '85', '86', '86', '79');
  // Straight after the last reading, before the deciding is drawn, too: M in it is not made to measure.
  await page.keyboard.type('79');
  await scansWithin(page, ['Enter', ...codeOf('M'), 'Enter']);
  await expect(page.getByText('Scanned: Ranger field jacket M. Tick it at Handing over.')).toBeVisible();
  await expect(page.getByText('to be made to measure')).toHaveCount(0);
  await page.keyboard.press('a');
  await expect(page.getByText('accepted ✓').first()).toBeVisible();
  if (!(await page.getByRole('button', { name: /Warden trousers .*accepted ✓/ }).isVisible()))
    await page.keyboard.press('Enter');
  await page.keyboard.press('i');
  await expect(page.getByRole('heading', { name: '2 garments to hand over' })).toBeVisible();
  await page.keyboard.press('1');
  await expect(page.getByRole('heading', { name: '1 garment to hand over' })).toBeVisible();
  // Another size than the wearer's is told, and goes to nobody; no digit of it is a command.
  await scans(page, codeOf('L'));
  await expect(page.getByText('This is L. The wearer’s size is M.')).toBeVisible();
  await expect(page.getByRole('heading', { name: '1 garment to hand over' })).toBeVisible();
  await scans(page, codeOf('M'));
  await expect(page.getByRole('heading', { name: '2 garments to hand over' })).toBeVisible();
  // In the field of the signature, too.
  await page.getByRole('button', { name: 'other signer' }).click();
  await page.keyboard.type('Runa', { delay: 90 });
  await scans(page, codeOf('L'));
  await expect(page.getByText('This is L. The wearer’s size is M.')).toBeVisible();
  await expect(page.getByRole('heading', { name: '2 garments to hand over' })).toBeVisible();
  await page.keyboard.type(' Scanned', { delay: 90 });
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Everything handed over' })).toBeVisible();
});

test('by touch on a tablet one gets from preparing to handing over', async ({ fitter: page }) => {
  await page.setViewportSize({ width: 768, height: 1024 });
  await openDocket(page, 'Sunniva Touch', ['Ranger field jacket']);
  await takeReadings(page, '97', '97', '85', '85');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Accepted: M.')).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'Handing over' }).click();
  // Others may have had the last one by now.
  await expect(page.getByRole('heading', { name: /^1 garment (to hand over|still owed)$/ })).toBeVisible();
});
