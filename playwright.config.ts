import { readdirSync } from 'node:fs';
import { defineConfig, devices } from '@playwright/test';
import { browserPath, flags } from './scripts/lib/browser-path.mjs';

/**
 * Views without their service worker: it brings the whole application into every fresh browser. What needs it, and what
 * could be upset by it, is tried with it: the day goes through every view twice.
 */
const WITHOUT_WORKER = new Set([
  'crib',
  'every-view',
  'holes',
  'http-and-access',
  'jobs',
  'openapi',
  'plate',
  'route',
  'taps',
]);

export default defineConfig<object, { shop: string }>({
  testDir: 'e2e',
  // One more than the cores that CI has: a test waits for half of its time.
  workers: 3,
  // A neighbour may take a core: nothing here is decided by how long it takes.
  timeout: 900_000,
  expect: { timeout: 60_000 },
  retries: 0,
  reporter: [['list'], ['json', { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ?? '.tmp/results/e2e.json' }]],
  use: {
    ...devices['Desktop Chrome'],
    viewport: { width: 1280, height: 800 },
    // A trace of every test costs a good part of its time: TRACE=1 where one has to be looked into.
    trace: process.env.TRACE ? 'retain-on-failure' : 'off',
    launchOptions: {
      executablePath: browserPath(),
      args: flags,
    },
  },
  // A file is a project, so that each begins on a fresh shop.
  projects: readdirSync('e2e')
    .filter((file) => file.endsWith('.spec.ts'))
    .map((file) => file.replace('.spec.ts', ''))
    .map((name) => ({
      name,
      testMatch: `${name}.spec.ts`,
      use: { shop: name, serviceWorkers: WITHOUT_WORKER.has(name) ? 'block' : 'allow' },
    })),
});
