// What a browser that has never been here fetches until a docket stands on the Bench, as it comes over the wire.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { openDemo, signIn } from '../serving/demo-browser.mjs';
import { ROOT } from '../paths.mjs';
import { say } from '../run.mjs';

const MOST_SCRIPT = 350;
const MOST_STYLE = 80;
const MOST_LESS = 1_300;

/** Prints script and style of the first load, and how many lines the styles are written in. */
export async function measureFirstLoad() {
  const demo = await openDemo('first-load');
  try {
    const page = await signIn(demo.browser, demo.base);
    await page.getByRole('link', { name: /^\d+/ }).first().waitFor();
    const docket = await page.locator('.recent li a').first().getAttribute('href');
    const cookies = await page.context().cookies();
    // Another browser of the same fitter: nothing is kept of what was fetched before.
    const context = await demo.browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addCookies(cookies);
    const fresh = await context.newPage();
    await fresh.addInitScript(() => {
      new MutationObserver((_, watches) => {
        if (document.querySelector('[aria-label=Docket]') === null) return;
        globalThis.stoodAt = performance.now();
        watches.disconnect();
      }).observe(document, { childList: true, subtree: true, attributes: true });
    });
    await fresh.goto(demo.base + docket);
    await fresh.getByRole('region', { name: 'Docket' }).waitFor();
    // The bodies alone, of what was asked for by when the docket stood there: what is fetched once the page is at rest,
    // and by the worker beside it, is no part of it.
    const fetched = await fresh.evaluate(() =>
      performance
        .getEntriesByType('resource')
        .filter(({ startTime }) => startTime <= globalThis.stoodAt)
        .map(({ name, encodedBodySize }) => [name, encodedBodySize]),
    );
    const kilobytes = (ending) =>
      fetched.reduce(
        (sum, [name, size]) => sum + (name.endsWith(ending) && !/\/worker-/.test(name) ? size : 0),
        0,
      ) / 1_000;
    tell('script', kilobytes('.js'), MOST_SCRIPT);
    tell('style', kilobytes('.css'), MOST_STYLE);
  } finally {
    await demo.stop();
  }
  const lines = lessIn(join(ROOT, 'web'));
  say(`LESS: ${lines} lines (bar ${MOST_LESS}), ratio ${(lines / MOST_LESS).toFixed(2)}`);
}

function tell(what, kilobytes, most) {
  say(
    `first load of a docket on the Bench: ${kilobytes.toFixed(1)} kB of ${what}, compressed (bar ${most}), ratio ${(kilobytes / most).toFixed(3)}`,
  );
}

function lessIn(folder) {
  return readdirSync(folder, { withFileTypes: true }).reduce((lines, entry) => {
    if (entry.isDirectory())
      return ['node_modules', 'dist', '.angular'].includes(entry.name)
        ? lines
        : lines + lessIn(join(folder, entry.name));
    if (!entry.name.endsWith('.less')) return lines;
    return lines + readFileSync(join(folder, entry.name), 'utf8').trimEnd().split('\n').length;
  }, 0);
}
