import { defineConfig } from '@playwright/test';
import { CHROMIUM, FLAGS } from './browser';

/** A port of its own beside the one of `npm run demo`; the preview takes the next. */
const PORT = Number(process.env.TEST_PORT ?? 4990);

/** Whole files, and single tests that say so. */
const TAKES_LONG = /\.long\.spec\.ts|@long\b/;

export default defineConfig({
  testDir: './browser',
  globalSetup: './globalSetup.ts',
  // What takes long is for `npm run test:long`.
  ...(process.env.LONG ? { grep: TAKES_LONG } : { grepInvert: TAKES_LONG }),
  outputDir: './.out/browser', // emptied at every start
  // Generous: a machine that is shared may be several times slower than its cores say.
  timeout: 300_000,
  expect: { timeout: 60_000 },
  fullyParallel: false,
  // Two files at a time: a test waits as much as it computes, and each has a browser of its own.
  workers: 2,
  // On a loaded machine a browser may be slow once or twice; what needed another try is named at the end.
  retries: process.env.CI ? 2 : 0,
  reporter: [['list'], ['json', { outputFile: '.out/browser.json' }]],
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    // What was missed is told before a whole test's time is over.
    actionTimeout: 60_000,
    launchOptions: { executablePath: CHROMIUM, args: FLAGS },
  },
  webServer: {
    command: 'node build/start.js',
    cwd: '..',
    env: { PORT: String(PORT) },
    url: `http://localhost:${PORT}/mark.svg`,
    reuseExistingServer: false,
  },
});
