// npm run screenshots: one picture of each main view in docs/screenshots, from the demo data.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { openDemo, signIn } from './lib/serving/demo-browser.mjs';
import { beginHousehold } from './lib/running/household.mjs';
import { npmPackages } from './lib/install.mjs';
import { ROOT } from './lib/paths.mjs';
import { say } from './lib/run.mjs';

/** A maker's table as it might come: two units in a cell, a waist that may be four, a size that is sold out. */
const IMPORTED = `Watch trousers
Size,Waist (in),Hips in (cm),Inside leg Short (in),Inside leg Regular (in),Inside leg Long (in)
28,27-29,34–36 (86–91),29,31,33
30,29-31,36–38 (91–97),29,31,33
32,31-33,38–40 (97–102),29,31,33
34,33-35,40–42 (102–107),29,31,33
36,sold out,sold out,,,
Model is 188 cm tall and wears 32
`;

beginHousehold();
await npmPackages();
const demo = await openDemo('screenshots');
const { base } = demo;
const pictures = join(ROOT, 'docs', 'screenshots');
mkdirSync(pictures, { recursive: true });

try {
  const page = await signIn(demo.browser, base);
  const type = async (...readings) => {
    for (const reading of readings) {
      await page.keyboard.type(reading);
      await page.keyboard.press('Enter');
    }
  };
  const shoot = async (name) => {
    // Motion ends and nothing blinks before the picture is taken.
    await page.waitForLoadState('networkidle');
    await page.screenshot({ path: join(pictures, `${name}.png`), animations: 'disabled', caret: 'hide' });
    say(`docs/screenshots/${name}.png`);
  };
  const open = async (wearer, garments) => {
    await page.goto(`${base}/bench`);
    await page.getByRole('option').first().waitFor();
    await page.keyboard.type(wearer);
    await page.keyboard.press('Enter');
    for (const garment of garments) await page.getByRole('checkbox', { name: garment }).check();
    await page.getByRole('button', { name: 'Open docket' }).click();
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.locator('#entry').waitFor();
  };

  await open('maren', ['Ranger field jacket', 'Estuary fleece']);
  await type('96', '96.5', '84', '84');
  await page.locator('[data-proposed]:visible').waitFor();
  await page.keyboard.press('Enter');
  await page.getByText('accepted ✓').first().waitFor();
  await open('ibrahima', ['Ranger field jacket', 'Estuary fleece']);
  await type('101.5');
  await page.keyboard.type('102');
  await shoot('bench');
  await page.keyboard.press('Enter');
  await type('94.5', '95');
  await page.locator('[data-proposed]:visible').waitFor();
  await shoot('decide');
  await page.goto(`${base}/bench`);
  await page.getByRole('option').first().waitFor();
  await shoot('docket');
  await page.keyboard.type('siob');
  await page.keyboard.press('Enter');
  for (const garment of ['Ranger field jacket', 'Ranger trousers'])
    await page.getByRole('checkbox', { name: garment }).check();
  await page.getByText('Or measure by a protocol').click();
  for (const protocol of ['Concealable vest, method c', 'Footwear'])
    await page.getByRole('checkbox', { name: protocol }).check();
  await page.getByRole('button', { name: 'Open docket' }).click();
  await page.getByRole('button', { name: 'Begin' }).waitFor();
  await page.keyboard.press('Enter');
  await page.locator('#entry').waitFor();
  await type('96', '96', '98.5', '98.5');
  await page.getByRole('button', { name: 'C Confirm', exact: true }).waitFor();
  await page.keyboard.press('c');
  await page.getByRole('heading', { name: 'Widest girth' }).waitFor();
  await type('99', '99', '97', '97', '102', '102', '39', '39');
  await page.getByRole('heading', { name: 'Turned away' }).waitFor();
  await page.keyboard.press('Enter');
  await page.getByRole('heading', { name: 'Nape to belt' }).waitFor();
  await type('46', '46');
  await page.getByRole('heading', { name: 'Seated' }).waitFor();
  await page.keyboard.press('Enter');
  await page.getByRole('heading', { name: 'Front, seated' }).waitFor();
  await page.goto(`${base}/roll`);
  await page.getByRole('link', { name: /Winter issue/ }).click();
  await page.getByRole('list', { name: 'Stations' }).waitFor();
  await shoot('roll');
  await page.getByRole('link', { name: 'Sizes', exact: true }).click();
  await page.getByRole('button', { name: /^Size \d+ wearers$/ }).click();
  await page.locator('[data-at]').first().waitFor();
  await shoot('sizes');
  await page.goto(`${base}/charts`);
  const chart = async (name) => {
    await page.getByLabel('Find a chart').fill(name);
    await page.getByRole('button', { name: new RegExp(name, 'i') }).click();
  };
  await chart('Harbour parka');
  await shoot('charts');
  await page.setInputFiles('input[type=file]', {
    name: 'watch-trousers.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(IMPORTED),
  });
  await page.getByRole('button', { name: '34–36 (86–91), a measure' }).click();
  await page.locator('[data-cell]').waitFor();
  await shoot('imported');
  await page.getByRole('button', { name: 'Discard' }).click();
  await chart('Ranger field jacket');
  await page.getByRole('tab', { name: 'Map' }).click();
  await page.locator('.map svg').waitFor();
  await shoot('map');
  await page.getByRole('tab', { name: 'How it runs' }).click();
  await page.getByText('fittings:').first().waitFor();
  await shoot('runs');
  await page.getByRole('radio', { name: 'in', exact: true }).click();
  await chart('Tidewall vest');
  await page.getByRole('tab', { name: 'Try it' }).click();
  await page.getByLabel('Widest girth').fill('36');
  await page.getByLabel('Front, standing').fill('16');
  await page.getByLabel('Collar to belt').fill('19');
  await page.getByText('The maker’s arithmetic').click();
  await shoot('try');
  // Back for a fitting: a vest, seated; and a kit that was proved and goes.
  await page.goto(`${base}/bench`);
  await page.getByRole('radio', { name: 'cm', exact: true }).click();
  // What the list was before is not clicked on: it is asked for anew.
  await Promise.all([
    page.waitForResponse((answer) => /\/api\/dockets\?/.test(answer.url())),
    page.getByLabel(/only dockets to try on/).click(),
  ]);
  await page.waitForLoadState('networkidle');
  await page.locator('.recent a', { hasText: 'Saltmarsh vest' }).first().click();
  await page.getByText('required').waitFor();
  await shoot('trying');
  await page.goto(`${base}/bench`);
  await page.getByLabel('Find a docket').fill('Anton Mbali');
  await page.locator('.recent a', { hasText: 'Anton Mbali' }).first().click();
  await page.waitForURL(/bench\/[0-9a-f]+-/);
  await page.getByRole('region', { name: 'Docket' }).waitFor();
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.keyboard.press('i');
  await page.getByText('None in stock in').waitFor();
  await page.keyboard.press('w');
  await shoot('handing');
  // The stores: what hangs there, what is hired, what was ordered.
  await page.goto(`${base}/stores/shelves`);
  await page.getByRole('button', { name: /^Grebe dry suit M:/ }).click();
  await page.getByText('History').waitFor();
  await shoot('shelves');
  await page.goto(`${base}/stores/hire`);
  await page.getByRole('table', { name: 'What is hired, by piece and day' }).waitFor();
  await shoot('hire');
  await page.goto(`${base}/stores/orders`);
  await page.getByRole('button', { name: /^Order 1,/ }).click();
  await page.getByRole('button', { name: 'Check delivery' }).click();
  await shoot('orders');
  // One person all over, as makers to order take them, along a chain.
  await page.goto(`${base}/bench`);
  await page.getByRole('option').first().waitFor();
  await page.getByRole('radio', { name: 'cm', exact: true }).click();
  await page.getByRole('combobox', { name: 'Wearer' }).fill('nomvula');
  await page.keyboard.press('Enter');
  await page.getByText('Or measure by a protocol').click();
  await page.getByRole('checkbox', { name: /^Designer/ }).check();
  await page.getByRole('button', { name: 'Open docket' }).click();
  await page.getByRole('button', { name: 'Begin' }).waitFor();
  await page.getByRole('button', { name: /^Bust: not read/ }).click();
  await type('112', '112');
  await page.getByRole('button', { name: /^Natural waist: not read/ }).click();
  await type('98', '98.5');
  await page.getByRole('button', { name: /^Hip and seat: not read/ }).click();
  await type('124', '124');
  await page.getByRole('button', { name: /^Shoulder to armpit level/ }).click();
  await type('19', '31', '39', '47', '19.5');
  await page.keyboard.press('Escape');
  const own = await demo.browser.newPage({ viewport: { width: 390, height: 844 } });
  await page.getByRole('button', { name: 'Link for the wearer' }).click();
  await own.goto(await page.locator('a[href*="/self/"]').getAttribute('href'));
  await own.getByRole('button', { name: 'Begin' }).click();
  await own.getByRole('button', { name: 'Next' }).waitFor();
  while ((await own.getByRole('heading', { level: 1 }).textContent()) !== 'Down the arm') {
    await own.getByRole('button', { name: 'Skip' }).click();
    await own.waitForTimeout(80);
  }
  await own.getByRole('textbox').first().fill('35.5');
  await own.screenshot({ path: join(pictures, 'self.png'), animations: 'disabled', caret: 'hide' });
  say('docs/screenshots/self.png');
  await own.close();
  await page.waitForLoadState('networkidle');
  await page.goto(`${base}/roll/exceptions`);
  await page.locator('.flag').first().waitFor();
  await shoot('exceptions');
  await page.goto(`${base}/log`);
  await page
    .getByRole('link', { name: /Maren Okonjo/ })
    .first()
    .click();
  await page.getByText('made to measure').or(page.getByText('accepted')).first().waitFor();
  await shoot('log');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('Linnea');
  await page.getByText('Record of Linnea').click();
  await page.getByRole('button', { name: /^Height/ }).click();
  await page.locator('nm-value-plot svg').waitFor();
  await shoot('record');
} finally {
  await demo.stop();
}
