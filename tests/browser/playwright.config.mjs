import { defineConfig } from '@playwright/test';
import { launchOptions } from './chromium.mjs';

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.mjs',
  outputDir: '../../test-results',
  // Each worker runs whole files, on ports and data of its own.
  workers: 2,
  fullyParallel: false,
  globalSetup: './server.mjs',
  timeout: 180_000,
  expect: { timeout: 10_000 },
  reporter: [['list']],
  use: { launchOptions, viewport: { width: 1280, height: 800 }, trace: 'off', screenshot: 'only-on-failure', locale: 'en-GB', serviceWorkers: 'block' },
});
