import { defineConfig } from '@playwright/test';
import { chromiumLaunch } from './bin/chromium.mjs';

export default defineConfig({
  testDir: 'e2e',
  workers: 2,
  // Only to end a test that hangs: a busy machine takes several times as long as an idle one.
  timeout: 600_000,
  expect: { timeout: 40_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    viewport: { width: 390, height: 844 },
    launchOptions: chromiumLaunch,
    serviceWorkers: 'block',
    actionTimeout: 60_000,
    screenshot: 'only-on-failure',
    trace: 'off',
  },
});
