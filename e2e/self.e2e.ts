import AxeBuilder from '@axe-core/playwright';
import { fileURLToPath } from 'node:url';
import { freePort } from '../tools/lib/ports.mjs';
import { startServer } from '../tools/lib/serve.mjs';
import { expect, openDocket, test } from './fitter';

test('bespoke by post is measured on a phone by touch, with the server gone half-way', async ({
  fitter: page,
  browser,
}) => {
  test.setTimeout(150_000);
  await openDocket(page, 'maren', ['Bespoke by post']);
  await page.getByRole('button', { name: 'Link for the wearer' }).click();
  const path = new URL((await page.locator('a[href*="/self/"]').getAttribute('href'))!).pathname;

  // Another instance of the server on the same database, which can go away without taking the others along.
  const env = {
    DATABASE_URL: process.env['E2E_DATABASE_URL']!,
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
  const tap = async (name: string) => {
    const before = await progress.textContent();
    await self.getByRole('button', { name }).tap();
    await expect(progress).not.toHaveText(before!);
  };
  const fill = async (...values: readonly string[]) => {
    const fields = self.getByRole('textbox');
    await expect(fields).toHaveCount(values.length);
    for (const [at, value] of values.entries()) await fields.nth(at).fill(value);
  };
  await expect(heading).toHaveText('Neck');
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
  await fill('38');
  await tap('Next');
  await expect(progress).toContainText('Once more');
  await fill('38.5');
  await tap('Next');
  await server.stop();

  // With the server gone the way through goes on; what cannot be taken is left out.
  while ((await heading.textContent()) !== 'Down the arm') await tap('Leave it out');
  await fill('34', '58', '57');
  await self.getByRole('button', { name: 'Next' }).tap();
  await expect(self.getByText('does not lie beyond the mark before it, wrist bone')).toBeVisible();
  await fill('34', '58', '66');
  await tap('Next');
  await fill('34.5', '58', '66.5');
  await tap('Next');
  for (;;) {
    const before = (await heading.textContent())!;
    if (before === 'Look it over') break;
    await self.getByRole('button', { name: 'Leave it out' }).tap();
    await expect(heading).not.toHaveText(before);
  }
  await expect(self.getByText('4 of 28 taken')).toBeVisible();
  await self.getByRole('button', { name: 'Send to the fitter' }).tap();
  await expect(self.getByText('is sent by itself as soon as it')).toBeVisible();

  // It comes back where it was, and what waited on the phone is sent.
  const back = await startServer({ ...env, PORT: String(server.port), PORT_MAY_MOVE: 'false' });
  await expect(self.getByRole('heading', { name: 'Thank you' })).toBeVisible({ timeout: 20_000 });
  await phone.close();
  await back.stop();

  await page.reload();
  await page.getByRole('button', { name: /^Arm: not read/ }).click();
  await expect(page.getByText(/On record: 58 cm, read by the wearer/)).toBeVisible();
});
