import { defineConfig } from '@playwright/test';
import { availableParallelism } from 'node:os';

/** The real interface over the real server and database; every file has a house of its own, see house.ts. */
export default defineConfig({
  testDir: '.',
  testMatch: '**/*.e2e.ts',
  // Two files at once where the machine has the cores.
  workers: Math.min(2, availableParallelism()),
  fullyParallel: false,
  // A machine that is shared halts now and then for seconds; whoever sits by sees why, and tries again.
  retries: process.env['CI'] === 'true' ? 1 : 0,
  forbidOnly: true,
  // Limits are for what hangs, not for what is slow on a machine that does other things.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  outputDir: '../.build/e2e',
  reporter: [['list'], ['json', { outputFile: process.env['TALLY_FILE'] ?? '../.build/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    // A path begins with a browser that knows nothing of the one before, but need not read the same programs again.
    reuseContext: true,
    // What keeps the application on a device has paths of its own (hall.e2e.ts), which let it work.
    serviceWorkers: 'block',
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: process.env['CHROMIUM'],
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
