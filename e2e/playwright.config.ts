import { defineConfig } from '@playwright/test';

/** The browser's own doings that no test looks at: pages behind its address bar, drawn once a device, took a fifth of all. */
const LEFT_OUT = [
  'WebUIOmniboxPopup',
  'WebUIOmniboxAimPopup',
  'WebUIOmniboxFullPopup',
  'AimEnabled',
  'DestroyProfileOnBrowserClose',
  'HttpsFirstBalancedModeAutoEnable',
  'HttpsUpgrades',
  'LensOverlay',
  'MediaRouter',
  'NetworkTimeServiceQuerying',
  'OptimizationHints',
  'PaintHolding',
  'PreconnectToSearch',
  'ThirdPartyStoragePartitioning',
];

export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  `--disable-features=${LEFT_OUT.join(',')}`,
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
