import { defineConfig } from '@playwright/test';
import { launchOptions } from './chromium.mjs';

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.mjs',
  outputDir: '../../test-results',
  workers: 1,
  fullyParallel: false,
  timeout: 180_000,
  expect: { timeout: 10_000 },
  reporter: [['list']],
  use: { launchOptions, viewport: { width: 1280, height: 800 }, trace: 'off', screenshot: 'only-on-failure', locale: 'en-GB', serviceWorkers: 'block' },
});
