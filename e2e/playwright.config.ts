import { defineConfig } from '@playwright/test';

export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export default defineConfig({
  testDir: '.',
  globalSetup: './start-cluster.ts',
  globalTeardown: './stop-cluster.ts',
  outputDir: '../test-results',
  fullyParallel: true,
  workers: 3,
  retries: 1,
  timeout: 420_000,
  expect: { timeout: 45_000 },
  reporter: [['list'], ['json']],
  use: {
    viewport: { width: 390, height: 844 },
    launchOptions: { executablePath: '/usr/bin/chromium', args: CHROMIUM_ARGS },
    actionTimeout: 30_000,
    trace: 'off',
  },
});
