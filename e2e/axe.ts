import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect } from './fitter';

/** Goes through what a page shows rule by rule: no violation of WCAG 2.2 AA. */
export async function expectAccessible(page: Page, where: string): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(
    violations.map(({ id, nodes }) => `${where}: ${id} ${nodes.map(({ html }) => html).join(' | ')}`),
  ).toEqual([]);
}
