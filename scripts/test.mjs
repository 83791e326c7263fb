// Runs every check and adds up what they say. A runner that ends without results counts as one failure.
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';

const env = { ...process.env, CI: '1', EXPO_NO_TELEMETRY: '1', FORCE_COLOR: '0' };
const run = (words, more = {}) => {
  process.stdout.write(`\n── ${words.join(' ')}\n`);
  return spawnSync('npx', words, { stdio: 'inherit', env: { ...env, ...more } }).status === 0;
};
const read = (file) => {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
};

mkdirSync('.cache', { recursive: true });
const sums = [];
const one = (ok) => sums.push(ok ? [1, 0] : [0, 1]);

one(run(['biome', 'check', '.']));
for (const room of ['core', 'server', 'app', 'e2e']) one(run(['tsc', '-p', room]));

const unit = '.cache/unit.json';
rmSync(unit, { force: true });
const unitOk = run(['jest', '--ci', `--outputFile=${unit}`, '--json', '--reporters=default', '--silent']);
const units = read(unit);
const suites = units?.numRuntimeErrorTestSuites ?? 0;
sums.push(units ? [units.numPassedTests, units.numFailedTests + suites] : [0, 1]);
if (!unitOk && units && units.numFailedTests + suites === 0) one(false);

const browser = '.cache/browser.json';
rmSync(browser, { force: true });
const browserOk = run(['playwright', 'test', '-c', 'e2e/playwright.config.ts'], {
  PLAYWRIGHT_JSON_OUTPUT_NAME: `../${browser}`,
});
const stats = read(browser)?.stats;
// On a starved machine a browser test may need its second try: it is told, and only failing both is a failure.
if (stats?.flaky) process.stdout.write(`\n${stats.flaky} browser tests passed at their second try only\n`);
sums.push(stats ? [stats.expected + stats.flaky, stats.unexpected] : [0, 1]);
if (!browserOk && stats && stats.unexpected === 0) one(false);

const [passed, failed] = sums.reduce(([p, f], [a, b]) => [p + a, f + b], [0, 0]);
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 ? 0 : 1);
