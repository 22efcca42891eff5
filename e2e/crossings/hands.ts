import type { Locator, Page } from '@playwright/test';
import { chooseFrom, expect, scans, test } from '../fitter';
import type { House } from '../house';

/** What somebody at a desk works with: a scanner beside the keys, the keys alone, or a finger on a tablet. */
const HANDS = ['scanner', 'keyboard', 'touch'] as const;
type HandKind = (typeof HANDS)[number];

/** Walks a path once with each. */
export function byEveryHand(name: string, path: (hand: Hand) => Promise<void>): void {
  for (const kind of HANDS)
    test.describe(kind, () => {
      if (kind === 'touch') test.use({ hasTouch: true, viewport: { width: 768, height: 1024 } });
      test(`${name}, by ${kind}`, async ({ fitter, house }) => {
        await path(new Hand(fitter, kind, house));
        // Nothing has grown wider than the screen.
        expect(await fitter.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
      });
    });
}

/** A hand at a page: the same is done with whatever it works with. */
export class Hand {
  constructor(
    readonly page: Page,
    readonly kind: HandKind,
    /** Where it works. */
    readonly house: House,
  ) {}

  /** A wearer's name of this hand alone, as all walk at once. */
  named(first: string): string {
    return `${first} ${{ scanner: 'Gauge', keyboard: 'Quill', touch: 'Palmer' }[this.kind]}`;
  }

  /** By its key; a finger has only the button. */
  async press(key: string, button: string | RegExp | Locator): Promise<void> {
    if (this.kind === 'touch') return this.choose(button);
    await expect(this.found(button)).toBeVisible();
    await this.page.keyboard.press(key);
  }

  /** What has no key of its own: the keys go to it. */
  async choose(button: string | RegExp | Locator): Promise<void> {
    const found = this.found(button);
    if (this.kind === 'touch') return found.tap();
    await expect(found).toBeEnabled();
    await found.focus();
    await this.page.keyboard.press('Enter');
  }

  /** What a label says is scanned where there is a scanner; else it is found on the screen. */
  async takes(code: string, otherwise: () => Promise<void>): Promise<void> {
    if (this.kind === 'scanner') await scans(this.page, code);
    else await otherwise();
  }

  /** Writes into a field what stands there from then on. */
  async writes(label: string | RegExp, text: string): Promise<void> {
    const field = this.page.getByLabel(label, typeof label === 'string' ? { exact: true } : {});
    if (this.kind === 'touch') await field.tap();
    else await field.focus();
    // A day is no text that could be typed over.
    if (/^\d{4}-\d\d-\d\d$/.test(text)) return field.fill(text);
    await field.selectText();
    await this.page.keyboard.type(text);
  }

  /** Chooses from a list. */
  async picks(label: string | RegExp, option: string | RegExp): Promise<void> {
    if (this.kind === 'touch') return chooseFrom(this.page, label, option);
    const wanted = this.page.locator('nz-option-item').filter({ hasText: option });
    const active = this.page.locator('nz-option-item.ant-select-item-option-active');
    const here = active.filter({ hasText: option });
    // Opened again where what came meanwhile has closed it.
    await expect(async () => {
      if (!(await wanted.first().isVisible())) {
        await this.page.getByLabel(label, { exact: true }).focus();
        await this.page.keyboard.press('Enter');
        await expect(wanted).toBeVisible({ timeout: 2_000 });
      }
      for (let presses = 0; presses < 40 && (await here.count()) === 0; presses++) {
        const before = await active.allTextContents();
        await this.page.keyboard.press('ArrowDown');
        // Shown a moment later; a key too many would pass by what is wanted.
        await expect
          .poll(() => active.allTextContents(), { timeout: 500 })
          .not.toEqual(before)
          .catch(() => undefined);
      }
      await expect(here).toBeVisible({ timeout: 500 });
      await this.page.keyboard.press('Enter');
      await expect(wanted).toBeHidden({ timeout: 2_000 });
    }).toPass({ intervals: [50] });
  }

  /** The wearer signs, and it goes. */
  async signs(wearer: string): Promise<void> {
    await this.press('w', new RegExp(`${wearer} signs$`));
    await this.press('Enter', /Hand over$/);
  }

  /** To a desk of the stores by what is on the screen. */
  async toDesk(desk: string): Promise<void> {
    await this.choose(this.page.getByRole('link', { name: 'Stores' }));
    const desks = this.page.getByRole('navigation', { name: 'Stores desks' });
    await this.choose(desks.getByRole('link', { name: desk }));
    await expect(this.page).toHaveURL(/\/stores\//);
    // Nobody scans before there is anything to be seen.
    await expect(this.page.locator('h2.title').first()).toBeVisible();
    await this.seesAllToDo();
  }

  /** On a narrow screen the first things to do are seen, and the others are asked for. */
  async seesAllToDo(): Promise<void> {
    await expect(this.page.getByText('Loading the to-do list')).toHaveCount(0);
    const rest = this.page.getByRole('button', { name: /^Show all \d+$/ });
    if (await rest.isVisible()) await rest.click();
  }

  private found(button: string | RegExp | Locator): Locator {
    return typeof button === 'string' || button instanceof RegExp
      ? this.page.getByRole('button', {
          name: button,
          ...(typeof button === 'string' ? { exact: true } : {}),
        })
      : button;
  }
}
