import type { Page } from '@playwright/test';
import { expect, goWithin, openDocket, takeReadings, test } from './fitter';
import { PLACES } from './places';

// Each goes through every place.
test.describe.configure({ timeout: 180_000 });

/** What each place asks the server for first; the session itself stays reachable. */
const API = /\/api\/(?!session$)/;

/** Leaves the first place, so that it is come to as well. */
async function beElsewhere(page: Page): Promise<void> {
  await goWithin(page, '/log');
  await expect(page.getByRole('heading', { level: 1, name: 'New docket' })).toHaveCount(0);
}

test('while the server is slow every place says what it waits for', async ({ fitter: page }) => {
  const held: (() => void)[] = [];
  await beElsewhere(page);
  await page.route(API, async (route) => {
    await new Promise<void>((go) => held.push(go));
    await route.continue().catch(() => undefined);
  });
  for (const place of PLACES) {
    await goWithin(page, place);
    await expect(page.getByRole('status').filter({ hasText: '…' }).first(), place).toBeVisible();
    await expect(page.getByText(/^(No|None|Nothing) \w/), place).toHaveCount(0);
  }
  // Not before: what one place has got another would have too, and there would be nothing to wait for.
  held.splice(0).forEach((go) => go());
  // What the interface library says by itself is in our words: its own are Chinese.
  await page.goto('/stores/counting');
  await page.locator('nz-select', { has: page.getByLabel('Room', { exact: true }) }).click();
  await expect(page.getByText('Nothing to choose from.')).toBeVisible();
});

test('where the server cannot be reached every place says so, and fetches again when asked', async ({
  fitter: page,
  allowErrors,
}) => {
  allowErrors(/ERR_FAILED|Failed to load/);
  for (const place of PLACES) {
    await page.route(API, (route) => route.abort());
    await page.goto(place);
    await expect(page.getByRole('alert').first(), place).toContainText('cannot be reached');
    await expect(page.getByText(/^(No|None|Nothing) \w/), place).toHaveCount(0);
    await page.unroute(API);
    // One answer may mend two of them, and what comes may ask for more.
    await expect(async () => {
      const again = page.getByRole('button', { name: 'Try again' });
      if ((await again.count()) > 0) await again.first().click({ timeout: 1_000 });
      expect(await page.getByRole('alert').count(), place).toBe(0);
    }).toPass({ timeout: 10_000, intervals: [50] });
  }
});

/** Makes every word on the page a third longer, as another language would. */
async function lengthenWords(page: Page): Promise<void> {
  await page.evaluate(() => {
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    const nodes: Text[] = [];
    while (walker.nextNode()) nodes.push(walker.currentNode as Text);
    for (const node of nodes)
      if (node.parentElement?.closest('kbd, script, style, .num, nm-size-ruler, nm-figures') === null)
        node.data = node.data.replace(/\p{L}{3,}/gu, (word) => word + 'm'.repeat(Math.ceil(word.length / 3)));
  });
}

/** Texts that are cut off, and acts that lie over each other. */
async function whatDoesNotFit(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const found: string[] = [];
    if (document.documentElement.scrollWidth > window.innerWidth)
      found.push('the page is wider than the screen');
    const acts = [...document.querySelectorAll<HTMLElement>('button, nav a')].filter(
      (one) => one.checkVisibility() && one.closest('.ant-select, nm-tape-strip') === null,
    );
    for (const one of acts) {
      if (one.scrollWidth > one.clientWidth + 1 && getComputedStyle(one).textOverflow !== 'ellipsis')
        found.push(`cut off: ${one.textContent}`);
      // What is met at its corners, a little within, is itself; what is scrolled away is not met at all.
      const { left, right, top, bottom } = one.getBoundingClientRect();
      const frame = one.closest('aside, section, main')?.getBoundingClientRect();
      for (const [x, y] of [
        [left + 3, top + 3],
        [right - 3, top + 3],
        [left + 3, bottom - 3],
        [right - 3, bottom - 3],
      ] as const) {
        if (frame !== undefined && (y < frame.top || y > frame.bottom)) continue;
        const met = document.elementFromPoint(x, y)?.closest('button, nav a');
        if (met && met !== one && !met.contains(one) && met.closest('.foot, nm-tape-strip') === null)
          found.push(`${met.textContent} lies over ${one.textContent}`);
      }
    }
    return found;
  });
}

/** What a finger would miss: lower than 44 px, less what rounding takes. */
async function whatIsTooLow(page: Page): Promise<string[]> {
  return page
    .locator('button:visible, nav a:visible')
    .evaluateAll((all) =>
      all
        .filter((one) => one.getBoundingClientRect().height < 43.5)
        .map((one) => `too low: ${one.textContent}`),
    );
}

const SIZES = [
  { width: 768, height: 1024 },
  { width: 1280, height: 800 },
] as const;

test('every place has targets large enough, and holds with words a third longer, on a desk and on a tablet', async ({
  fitter: page,
}) => {
  const wrong: string[] = [];
  for (const place of PLACES) {
    await page.goto(place);
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    // All of it: what is only there once an answer has come is touched as well.
    await page.waitForLoadState('networkidle');
    await page.setViewportSize(SIZES[0]);
    wrong.push(...(await whatIsTooLow(page)).map((one) => `${place}: ${one}`));
    await lengthenWords(page);
    for (const size of SIZES) {
      await page.setViewportSize(size);
      wrong.push(...(await whatDoesNotFit(page)).map((one) => `${place} at ${size.width}: ${one}`));
    }
  }
  expect(wrong).toEqual([]);
});

for (const size of SIZES)
  test(`at ${size.width} by ${size.height} the Bench holds with words a third longer`, async ({
    fitter: page,
  }) => {
    await page.setViewportSize(size);
    await page.goto('/bench');
    await openDocket(page, 'siobhan', ['Ranger field jacket', 'Saltmarsh vest']);
    await takeReadings(page, '98');
    await lengthenWords(page);
    expect(await whatDoesNotFit(page), 'measuring').toEqual([]);
    await page.reload();
    await expect(page.locator('#entry')).toBeFocused();
    await page.keyboard.press('d');
    await expect(page.locator('[data-proposed]:visible')).toBeVisible();
    await lengthenWords(page);
    expect(await whatDoesNotFit(page), 'deciding').toEqual([]);
  });
