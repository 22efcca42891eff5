import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect } from './fitter';

/** What is as wide as a table or a tape is, and moves beneath the finger. */
const WIDE = 'nm-tape-strip, nm-chain-marks, nm-imported-table, .wide';

/** Controls that lie beyond the edge of what scrolls around them: nobody sees that they are there. */
function hiddenControls(page: Page): Promise<string[]> {
  return page.evaluate((wide) => {
    const scrolls = (element: Element) => getComputedStyle(element).overflowX !== 'visible';
    return [
      ...document.querySelectorAll<HTMLElement>('main :is(button, input, textarea, a[href], nz-select)'),
    ]
      .filter((control) => control.offsetParent !== null && control.closest(wide) === null)
      .filter((control) => {
        let around = control.parentElement;
        while (around !== null && !scrolls(around)) around = around.parentElement;
        const edge = around?.getBoundingClientRect().right ?? innerWidth;
        return control.getBoundingClientRect().right > Math.min(edge, innerWidth) + 1;
      })
      .map((control) => `beyond the edge: ${control.outerHTML.slice(0, 160)}`);
  }, WIDE);
}

/** Goes through what a page shows rule by rule: no violation of WCAG 2.2 AA, and no control beyond an edge. */
export async function expectAccessible(page: Page, where: string): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(
    violations.map(({ id, nodes }) => `${where}: ${id} ${nodes.map(({ html }) => html).join(' | ')}`),
  ).toEqual([]);
  expect(await hiddenControls(page), where).toEqual([]);
}
