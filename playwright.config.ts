import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './tools/setup/chromium.mjs';

/** Browser tests against the built application, each worker with a server and a database of its own. */
export default defineConfig({
  testDir: 'e2e',
  testMatch: '*.e2e.ts',
  outputDir: 'test-results',
  fullyParallel: true,
  workers: 4, // much of a test is waiting: for a count, a toast, the server
  timeout: 150_000,
  expect: { timeout: 25_000 },
  retries: 1, // a browser or a busy machine may fail one try; `npm test` names every test that needed its second
  reporter: process.env['TETRAD_E2E_REPORT']
    ? [['dot'], ['json', { outputFile: process.env['TETRAD_E2E_REPORT'] }]]
    : 'list',
  globalSetup: './e2e/cluster.ts',
  use: {
    serviceWorkers: 'block', // a test that is about them allows them
    viewport: { width: 1280, height: 800 },
    contextOptions: { reducedMotion: 'reduce' }, // a test of people's hands sees what moves
    launchOptions: CHROMIUM,
    screenshot: 'only-on-failure',
  },
});
