import { expect, type CDPSession, type Page } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { housed } from './house';

export { expect };

/**
 * A page that stays clean: no error on the console and no request off this machine. Every
 * path is walked on one.
 */
export const test = housed.extend<{ allowErrors: (pattern: RegExp) => void; fitter: Page }>({
  /** Runs on every page by itself; a path that makes the browser complain on purpose says what about. */
  allowErrors: [
    async ({ page, baseURL }, use) => {
      const wrong: string[] = [];
      const allowed: RegExp[] = [];
      page.on('console', (message) => {
        if (message.type() === 'error' && !allowed.some((pattern) => pattern.test(message.text())))
          wrong.push(`console: ${message.text()} (${message.location().url})`);
      });
      page.on('pageerror', (error) => wrong.push(`page: ${error.message}`));
      page.on('request', (request) => {
        const url = new URL(request.url());
        if (url.protocol.startsWith('http') && url.origin !== new URL(baseURL!).origin)
          wrong.push(`request: ${request.url()}`);
      });
      await use((pattern) => allowed.push(pattern));
      expect(wrong).toEqual([]);
    },
    { auto: true },
  ],
  /** A page with the demo's fitter signed in, by the route: the form is walked by keyboard where signing in is tested. */
  fitter: async ({ page, baseURL }, use) => {
    const data = { signIn: 'odalys', passphrase: 'low-tide-table' };
    const answer = await page.request.post('/api/session', { data, headers: { origin: baseURL! } });
    expect(answer.status()).toBe(200);
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'New docket' })).toBeVisible();
    await use(page);
  },
});

/** A connection that has rested for long may be closed by the server in the very moment it is used. */
export const AGAIN = { maxRetries: 2 };

/** Goes to a place as by the browser's own buttons, without the application being loaded anew. */
export async function goWithin(page: Page, place: string): Promise<void> {
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, place);
}

/** Names the wearer by keyboard: the field waits for letters as soon as the page stands. */
export async function chooseWearer(page: Page, wearer: string): Promise<void> {
  await expect(page.getByRole('combobox', { name: 'Wearer' })).toBeFocused();
  await page.keyboard.type(wearer);
  await page.keyboard.press('Enter');
}

/** Opens a docket by keyboard alone: types part of the name, goes to the garments by Tab, ticks each by its name. */
export function openDocketByKeyboard(
  page: Page,
  wearer: string,
  garments: readonly (string | RegExp)[],
): Promise<void> {
  return opens(page, wearer, garments, tabTo);
}

/** Opens a docket as by keyboard, but goes to each garment at once: for paths that begin where a docket is open. */
export function openDocket(
  page: Page,
  wearer: string,
  garments: readonly (string | RegExp)[],
): Promise<void> {
  return opens(page, wearer, garments, goTo);
}

type WayTo = (page: Page, garment: string | RegExp) => Promise<void>;

async function opens(
  page: Page,
  wearer: string,
  garments: readonly (string | RegExp)[],
  reach: WayTo,
): Promise<void> {
  await chooseWearer(page, wearer);
  await expect(page.getByRole('checkbox').first()).toBeVisible();
  for (const garment of garments) {
    await reach(page, garment);
    await page.keyboard.press('Space');
  }
  await page.keyboard.press('Enter');
  await expect(page.getByText('Prepare, before the tape')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.locator('#entry')).toBeFocused();
}

async function goTo(page: Page, garment: string | RegExp): Promise<void> {
  const box = page.getByRole('checkbox', { name: garment }).first();
  const fold = page.getByText('Or measure by a protocol', { exact: true });
  await expect(box.or(fold).first()).toBeVisible();
  if (!(await box.isVisible())) await fold.click();
  await box.focus();
}

async function tabTo(page: Page, garment: string | RegExp): Promise<void> {
  const box = page.getByRole('checkbox', { name: garment });
  for (let presses = 0; ; presses++) {
    const focused = await focusedName(page);
    if (focused.checkbox && isNamed(focused.name, garment)) return;
    // As many as other paths have put on the shelf by now.
    if (presses > 250) throw new Error(`${String(garment)} is not reached by Tab`);
    // The protocols are behind a fold, which opens like any other thing under the keys. They may not have
    // come yet, and whoever goes on before they have passes them by.
    if (focused.name === 'Or measure by a protocol' && !(await box.first().isVisible())) {
      await page.keyboard.press('Enter');
      await expect(box.first()).toBeVisible();
    }
    await page.keyboard.press('Tab');
  }
}

/** What holds the focus, by what stands beside it: asked once a key, as this is walked hundreds of times. */
function focusedName(page: Page): Promise<{ readonly checkbox: boolean; readonly name: string }> {
  return page.evaluate(() => {
    const focused = document.activeElement;
    const name = focused?.closest('label, summary')?.textContent ?? '';
    return { checkbox: focused?.matches('[type=checkbox]') === true, name: name.replace(/\s+/g, ' ').trim() };
  });
}

function isNamed(name: string, wanted: string | RegExp): boolean {
  return typeof wanted === 'string' ? name.toLowerCase().includes(wanted.toLowerCase()) : wanted.test(name);
}

/** Types readings one after the other, each taken with Enter. */
export async function takeReadings(page: Page, ...readings: readonly string[]): Promise<void> {
  for (const reading of readings) {
    await page.keyboard.type(reading);
    await page.keyboard.press('Enter');
  }
}

/** Chooses from a list of the library's: the field itself opens it, what it shows lies over it; opened again where what came meanwhile has closed it. */
export async function chooseFrom(page: Page, label: string | RegExp, option: string | RegExp): Promise<void> {
  const field = page.locator('nz-select', { has: page.getByLabel(label, { exact: true }) });
  const wanted = page.locator('nz-option-item').filter({ hasText: option });
  await expect(async () => {
    if (!(await wanted.first().isVisible())) await field.click();
    // What is chosen may keep the page busy; that is no reason to choose it again.
    await wanted.click({ timeout: 10_000, noWaitAfter: true });
  }).toPass({ intervals: [50] });
}

/** The line over which a scanner's keys come, one a page. */
const lines = new WeakMap<Page, Promise<CDPSession>>();

/**
 * What a scanner does: all keys at once, without waiting for the page, and Enter. Over a line of its own, as each key of
 * Playwright's goes through it by itself, and on a busy machine comes no faster than a hand's.
 */
export async function scans(page: Page, code: string): Promise<void> {
  if (!lines.has(page)) lines.set(page, page.context().newCDPSession(page));
  const line = await lines.get(page)!;
  const keys = [...code, 'Enter'];
  // Pressed when a scanner presses them, and not when a busy machine comes to it: in seconds, as the line has it.
  const begun = (Date.now() - keys.length * SCANNER_STEP_MS) / 1_000;
  await Promise.all(
    keys.flatMap((key, at) => {
      const timestamp = begun + (at * SCANNER_STEP_MS) / 1_000;
      const text = key === 'Enter' ? '\r' : key;
      const down = { type: 'keyDown', key, text, timestamp, ...(key === 'Enter' ? ENTER : {}) } as const;
      return [
        line.send('Input.dispatchKeyEvent', down),
        line.send('Input.dispatchKeyEvent', { ...down, type: 'keyUp' }),
      ];
    }),
  );
}

/** A scanner sends a key about so often. */
const SCANNER_STEP_MS = 2;
const ENTER = { code: 'Enter', windowsVirtualKeyCode: 13 };

/** Keys that all come before the page has drawn anything anew, as where it is busy. */
export async function scansWithin(page: Page, keys: readonly string[]): Promise<void> {
  await page.evaluate((all) => {
    for (const key of all)
      (document.activeElement ?? document.body).dispatchEvent(
        new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }),
      );
  }, keys);
}

/** Takes some of a garment that is counted into the stores, so that a path never waits for what others have taken. */
export async function stockUp(page: Page, garment: string, labels: readonly string[]): Promise<void> {
  const headers = { origin: new URL(page.url()).origin };
  const kept = (await (await page.request.get('/api/stores/keeping', AGAIN)).json()) as {
    garment: string;
    seriesId: string;
  }[];
  const [room] = (await (await page.request.get('/api/stores/rooms', AGAIN)).json()) as {
    id: string;
  }[];
  for (const label of labels) {
    const { seriesId } = kept.find((one) => one.garment === garment)!;
    const data = { seriesId, label, roomId: room!.id, count: 3, pieces: [] };
    const answer = await page.request.put(`/api/stores/receipts/${uuidv7()}`, {
      data,
      headers,
      ...AGAIN,
    });
    expect(answer.status()).toBe(200);
  }
}
