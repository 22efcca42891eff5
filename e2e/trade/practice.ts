import { v7 as uuidv7 } from 'uuid';
import { expect, openDocket, type test } from '../fitter';

type Page = Parameters<Parameters<typeof test>[2]>[0]['page'];

/** Readings by the names that the Bench heads its steps with, as they are typed. */
export type Readings = Readonly<Record<string, string>>;

/**
 * A practice from the opening of a docket to its sizes: every step that is asked gets its reading twice, along a chain
 * mark by mark in two rounds; what has none is passed with Enter, as a change of stance is.
 *
 * @returns the headings in the order they were met
 */
export async function practise(
  page: Page,
  docket: {
    readonly wearer: string;
    readonly unit: 'in' | 'cm';
    readonly garments: readonly (string | RegExp)[];
    /** The heading at which measuring is over: the first garment, or what is said where there is none. */
    readonly until: string | RegExp;
  },
  readings: Readings,
): Promise<string[]> {
  await page.evaluate((unit) => localStorage.setItem('neat-measure.unit', unit), docket.unit);
  await page.goto('/bench');
  await openDocket(page, docket.wearer, docket.garments);
  const heading = page.getByRole('heading', { level: 1 });
  const chain = page.locator('nm-chain-marks');
  const met: string[] = [];
  for (;;) {
    const name = (await heading.textContent())!.trim();
    if (typeof docket.until === 'string' ? name === docket.until : docket.until.test(name)) return met;
    met.push(name);
    const reading = readings[name];
    if (reading === undefined) await page.keyboard.press('Enter');
    else
      for (let times = (await chain.isVisible()) ? 1 : 2; times > 0; times--) {
        await page.keyboard.type(reading);
        await page.keyboard.press('Enter');
      }
    await expect(heading).not.toHaveText(name);
  }
}

/** The label that is proposed for the garment at hand. */
export async function expectSize(page: Page, garment: string | RegExp, label: string): Promise<void> {
  await page.locator('nm-garment-cards').getByRole('button', { name: garment }).first().click();
  await expect(page.locator('[data-proposed]:visible')).toHaveText(label);
}

/** Puts a made-up chart on the shelf that the demo has none of, as the file of it would. */
export async function bringChart(page: Page, sheet: object): Promise<void> {
  const answer = await page.request.put(`/api/charts/${uuidv7()}`, {
    data: { sheet, source: 'made up', replaces: null },
    headers: { origin: new URL(page.url()).origin },
  });
  // On a second run it is there.
  expect([200, 409]).toContain(answer.status());
}
