import { defineConfig } from '@playwright/test';
import { chromiumLaunch } from './bin/chromium.mjs';

export default defineConfig({
  testDir: 'e2e',
  workers: 2,
  timeout: 150_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    viewport: { width: 390, height: 844 },
    launchOptions: chromiumLaunch,
    serviceWorkers: 'block',
    actionTimeout: 25_000,
    screenshot: 'only-on-failure',
    trace: 'off',
  },
});
