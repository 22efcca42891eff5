import AxeBuilder from '@axe-core/playwright';
import { fileURLToPath } from 'node:url';
import { freePort } from '../tools/lib/database/ports.mjs';
import { startServer } from '../tools/lib/serving/serve.mjs';
import { expect, openDocket, test } from './fitter';

/** One person as the protocol by post asks for them, in cm and kg. Made up. */
const BODY: Readonly<Record<string, string>> = {
  height: '170',
  weight: '66',
  'neck-base-girth': '41',
  'chest-girth': '98',
  'waist-girth': '80',
  'abdominal-girth': '88',
  'trouser-waist-girth': '86',
  'hip-girth': '100',
  'thigh-girth': '57',
  'knee-girth': '38',
  'calf-girth': '37',
  'heel-girth': '33',
  'upper-arm-girth': '31',
  'wrist-girth': '17',
  'hand-entry-girth': '23',
  'shoulder-width': '42',
  'shoulder-to-elbow': '34',
  'arm-length': '58',
  'shoulder-to-knuckle': '66',
  'neck-to-knuckle': '79',
  'back-waist-length': '42',
  'nape-to-hip': '62',
  'waist-to-hip': '20',
  'waist-to-knee': '60',
  'outside-leg-length': '105',
  'trouser-waist-to-floor': '100',
  'inside-leg-length': '78',
  'crotch-length-worn': '66',
};

test('bespoke by post is measured on a phone by touch, with the server gone half-way', async ({
  fitter: page,
  browser,
  house,
}) => {
  test.setTimeout(150_000);
  await openDocket(page, 'maren', ['Made to measure by post']);
  await page.getByRole('button', { name: 'Link for the wearer' }).click();
  const path = new URL((await page.locator('a[href*="/self/"]').getAttribute('href'))!).pathname;

  // Another instance of the server on the same database, which can go away without taking the others along.
  const env = {
    DATABASE_URL: house.databaseUrl,
    PORT: String(await freePort()),
    WEB_ROOT: fileURLToPath(new URL('../web/dist/browser', import.meta.url)),
    LOG_LEVEL: 'error',
  };
  const server = await startServer(env);
  const phone = await browser.newContext({
    baseURL: `http://127.0.0.1:${server.port}`,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  });
  const self = await phone.newPage();
  await self.goto(path);
  await self.getByRole('radio', { name: 'String and ruler' }).tap();
  await self.getByRole('button', { name: 'Begin' }).tap();
  const heading = self.getByRole('heading', { level: 1 });
  const progress = self.locator('p.soft').first();
  /** The screen that is shown, by what stands on it. */
  const screen = async () => `${await heading.textContent()} ${await progress.allTextContents()}`;
  const next = async () => {
    const before = await screen();
    await self.getByRole('button', { name: 'Next' }).tap();
    await expect.poll(screen).not.toBe(before);
  };
  const fill = async (values: Readonly<Record<string, string>> = BODY) => {
    for (const field of await self.getByRole('textbox').all())
      await field.fill(values[(await field.getAttribute('id'))!]!);
  };
  // A height is read once at the wall, and once more.
  await expect(heading).toHaveText('Height');
  await fill();
  await next();
  await fill();
  await next();
  await expect(heading).toHaveText('Neck base');
  await expect(self.getByText('A thin chain round your neck lies over it', { exact: false })).toBeVisible();
  await expect(self.getByText('Mark the string at both ends')).toBeVisible();
  const { violations } = await new AxeBuilder({ page: self })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(violations.map(({ id }) => id)).toEqual([]);
  // Nothing reaches over the edge of the phone, and everything to touch is large enough.
  const wide = await self.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
  for (const button of await self.getByRole('button').all())
    expect((await button.boundingBox())?.height ?? 44).toBeGreaterThanOrEqual(44);
  let screens = 0;
  for (; (await heading.textContent()) !== 'Check your measurements'; screens++) {
    // Half-way the server goes; the way through goes on.
    if (screens === 20) await server.stop();
    if ((await heading.textContent()) === 'Down the arm') {
      await fill({ ...BODY, 'shoulder-to-knuckle': '57' });
      await self.getByRole('button', { name: 'Next' }).tap();
      await expect(self.getByText('is not beyond the mark before it, wrist bone')).toBeVisible();
    }
    await fill();
    await next();
  }
  // Every placing twice, the marks of a chain on one screen.
  expect(screens).toBe(44);
  await expect(self.getByText('28 of 28 measured')).toBeVisible();
  await self.getByRole('button', { name: 'Send to the fitter' }).tap();
  await expect(self.getByText('sent automatically when the server is back')).toBeVisible();

  // It comes back where it was, and what waited on the phone is sent.
  const back = await startServer({ ...env, PORT: String(server.port), PORT_MAY_MOVE: 'false' });
  await expect(self.getByRole('heading', { name: 'Thank you' })).toBeVisible({ timeout: 20_000 });
  await phone.close();
  await back.stop();

  await page.reload();
  await page.getByRole('button', { name: /^Arm: not read/ }).click();
  await expect(page.getByText(/On record: 58 cm, read by the wearer/)).toBeVisible();
});

test('what is wished for is asked on the wearer’s page, and taken over by the fitter', async ({
  fitter: page,
  browser,
  baseURL,
}) => {
  await openDocket(page, 'Rosalind Wished', ['Large bodies']);
  await page.getByRole('button', { name: 'Link for the wearer' }).click();
  const path = new URL((await page.locator('a[href*="/self/"]').getAttribute('href'))!).pathname;
  const phone = await browser.newContext({
    baseURL: baseURL!,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  });
  const self = await phone.newPage();
  await self.goto(path);
  await self.getByRole('button', { name: 'Begin' }).tap();
  const heading = self.getByRole('heading', { level: 1 });
  for (let screens = 0; (await heading.textContent()) !== 'Your wishes'; screens++) {
    const progress = self.locator('p.soft').first();
    const before = await progress.textContent();
    if ((await heading.textContent()) === 'Bust') {
      await self.getByRole('textbox').fill('112');
      await self.getByRole('button', { name: 'Next' }).tap();
    } else await self.getByRole('button', { name: 'Skip' }).tap();
    await expect
      .poll(async () => `${await heading.textContent()} ${await progress.allTextContents()}`)
      .not.toContain(before);
  }
  // What cannot be is gone to, however far up it stands.
  await self.getByLabel('Sleeve, three-quarter').fill('900');
  await self.getByRole('button', { name: 'Next' }).tap();
  await expect(self.getByText('900 cm is no sleeve, three-quarter')).toBeInViewport();
  await self.getByLabel('Sleeve, three-quarter').fill('46');
  await self.getByRole('button', { name: 'Next' }).tap();
  await expect(self.getByRole('button', { name: 'Sleeve, three-quarter 46 cm' })).toBeVisible();
  await self.getByRole('button', { name: 'Send to the fitter' }).tap();
  await expect(self.getByRole('heading', { name: 'Thank you' })).toBeVisible();
  await phone.close();

  await page.reload();
  await expect(page.locator('nm-garment-cards')).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByText('From the wearer’s page: 46 cm')).toBeVisible();
  await page.getByRole('button', { name: 'Use it' }).click();
  await expect(page.getByText('noted: 46 cm')).toBeVisible();
});
