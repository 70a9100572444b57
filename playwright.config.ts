import { defineConfig } from '@playwright/test';

/** Flags that keep Chromium to itself on a machine without a network. */
export const chromiumArgs = ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'];

export default defineConfig({
  testDir: 'e2e',
  workers: 1,
  timeout: 150_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    viewport: { width: 390, height: 844 },
    launchOptions: { executablePath: '/usr/bin/chromium', args: chromiumArgs },
    serviceWorkers: 'block',
    actionTimeout: 25_000,
    screenshot: 'only-on-failure',
    trace: 'off',
  },
});
