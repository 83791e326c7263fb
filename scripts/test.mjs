// Runs every check and adds up what they say. A runner that ends without results counts as one failure.
import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';

const env = { ...process.env, CI: '1', EXPO_NO_TELEMETRY: '1', FORCE_COLOR: '0' };
const run = (words, more = {}) => {
  process.stdout.write(`\n── ${words.join(' ')}\n`);
  return new Promise((resolve) => {
    const child = spawn('npx', words, { stdio: 'inherit', env: { ...env, ...more } });
    child.once('error', () => resolve(false));
    child.once('close', (code) => resolve(code === 0));
  });
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

/** Builds what the browser tests run, beside the checks that need no build. */
const building = new Promise((resolve) => {
  const build = spawn('scripts/build.sh', { env, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  for (const stream of [build.stdout, build.stderr])
    stream.on('data', (piece) => {
      said += piece;
    });
  build.once('error', (error) => resolve({ ok: false, said: String(error) }));
  build.once('close', (code) => resolve({ ok: code === 0, said }));
});

one(await run(['biome', 'check', '.']));
one(await run(['knip', '--no-progress', '--no-config-hints']));
for (const room of ['core', 'server', 'app', 'e2e']) one(await run(['tsc', '-p', room]));

const unit = '.cache/unit.json';
rmSync(unit, { force: true });
const unitOk = await run(['jest', '--ci', `--outputFile=${unit}`, '--json', '--reporters=default', '--silent']);
const units = read(unit);
const suites = units?.numRuntimeErrorTestSuites ?? 0;
sums.push(units ? [units.numPassedTests, units.numFailedTests + suites] : [0, 1]);
if (!unitOk && units && units.numFailedTests + suites === 0) one(false);

const built = await building;
process.stdout.write(`\n── build\n${built.said}`);
one(built.ok);

const browser = '.cache/browser.json';
rmSync(browser, { force: true });
const browserOk = await run(['playwright', 'test', '-c', 'e2e/playwright.config.ts'], {
  PLAYWRIGHT_JSON_OUTPUT_NAME: `../${browser}`,
});
const stats = read(browser)?.stats;
// On a starved machine a browser test may need its second try: it is told, and only failing both is a failure.
if (stats) process.stdout.write(`\n${stats.flaky} flaky browser tests: passed at their second try only\n`);
sums.push(stats ? [stats.expected + stats.flaky, stats.unexpected] : [0, 1]);
if (!browserOk && stats && stats.unexpected === 0) one(false);

const [passed, failed] = sums.reduce(([p, f], [a, b]) => [p + a, f + b], [0, 0]);
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 ? 0 : 1);
