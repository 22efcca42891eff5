import type { Browser, Page } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { AGAIN, expect } from './fitter';

/** A browser of its own with somebody signed in, who is at a muster. */
export async function elsewhere(
  browser: Browser,
  base: string,
  signIn: readonly [string, string],
  path: string,
): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const data = { signIn: signIn[0], passphrase: signIn[1] };
  await page.request.post(`${base}/api/session`, { data, headers: { origin: base } });
  await page.goto(base + path);
  return page;
}

/** A kit of one jacket for made-up cadets. */
export async function cadetKit(page: Page): Promise<void> {
  const headers = { origin: new URL(page.url()).origin };
  const { items } = (await (await page.request.get('/api/charts?search=ranger field', AGAIN)).json()) as {
    items: { seriesId: string; garment: string }[];
  };
  const { seriesId } = items.find(({ garment }) => garment === 'Ranger field jacket')!;
  const data = { name: 'Cadet day', series: [seriesId], protocols: [], roles: ['Day cadet'], version: 0 };
  const answer = await page.request.put(`/api/kits/${uuidv7()}`, { data, headers });
  expect(answer.status()).toBe(200);
}

/** Wearers of one role. */
export async function wearers(page: Page, names: readonly string[], role = 'Day cadet'): Promise<void> {
  const headers = { origin: new URL(page.url()).origin };
  for (const name of names) {
    const data = { name, role, version: 0 };
    expect((await page.request.put(`/api/wearers/${uuidv7()}`, { data, headers })).status()).toBe(200);
  }
}

/** A list of a muster, by its button. */
export const here = (page: Page, list: string) => page.getByRole('button', { name: new RegExp(`^${list}`) });

/** The counter calls whoever waits there and hands over the one garment they are decided for. */
export async function handsOver(counter: Page): Promise<void> {
  await counter.keyboard.press('Enter');
  await expect(counter).toHaveURL(/\/bench\/.*fitting/);
  await expect(counter.getByText(/docket \d+/)).toBeVisible();
  await counter.keyboard.press('i');
  await expect(counter.getByRole('heading', { name: '1 garment to hand over' })).toBeVisible();
  await counter.keyboard.press('w');
  await counter.keyboard.press('Enter');
  await expect(counter.getByRole('heading', { name: 'Everything handed over' })).toBeVisible();
}
