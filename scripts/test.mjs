// Runs every check, beside each other where that uses the processors, and adds up what they say.
// A runner that ends without results counts as one failure.
import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { auditPackages } from './audit-packages.mjs';
import { summary } from './summary.mjs';

const env = { ...process.env, CI: '1', EXPO_NO_TELEMETRY: '1', FORCE_COLOR: '0' };
const UNIT = '.cache/unit.json';
const BROWSER = '.cache/browser.json';

/** Runs a command; what it said is written whole when it ends, so that two at once do not mix: `alone` at once. */
function run(command, words, { more = {}, alone = false } = {}) {
  const child = spawn(command, words, { stdio: ['ignore', 'pipe', 'pipe'], env: { ...env, ...more } });
  let said = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (piece) => {
      if (alone) process.stdout.write(piece);
      else said += piece;
    });
  const begun = Date.now();
  return new Promise((resolve) => {
    const ended = (ok, why = '') => {
      const seconds = Math.round((Date.now() - begun) / 1000);
      process.stdout.write(`\n── ${[command, ...words].join(' ')}: ${seconds} s\n${said}${why}\n`);
      resolve({ ok, said });
    };
    child.once('error', (error) => ended(false, String(error)));
    child.once('close', (code) => ended(code === 0));
  });
}
const read = (file) => {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
};

/** Lint, unused code and types; one pass or failure each. */
async function checks() {
  const oks = [(await run('npx', ['biome', 'check', '.'])).ok];
  oks.push((await run('npx', ['knip', '--no-progress', '--no-config-hints'])).ok);
  for (const room of ['core', 'server', 'app', 'e2e']) oks.push((await run('npx', ['tsc', '-p', room])).ok);
  // Whoever has no registry that answers this has nothing to count.
  const packages = await auditPackages();
  process.stdout.write(`\n── ${packages.said}\n`);
  if (packages.ok !== null) oks.push(packages.ok);
  return oks;
}

/** Builds what the browser tests run, and tells the demo their databases are copies of; the address of its cluster. */
async function program() {
  const built = await run('scripts/build.sh', []);
  if (!built.ok) return { ok: false, cluster: '' };
  const told = await run('npx', ['tsx', 'e2e/tell-demo.ts']);
  return { ok: told.ok, cluster: /cluster (postgres:\S+)/.exec(told.said)?.[1] ?? '' };
}

mkdirSync('.cache', { recursive: true });
for (const file of [UNIT, BROWSER]) rmSync(file, { force: true });
const [unit, [checked, made]] = await Promise.all([
  run('npx', ['jest', '--ci', `--outputFile=${UNIT}`, '--json', '--reporters=default', '--silent']),
  (async () => [await checks(), await program()])(),
]);
const browser = await run('npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts'], {
  more: { PLAYWRIGHT_JSON_OUTPUT_NAME: `../${BROWSER}`, E2E_CLUSTER_URL: made.cluster },
  alone: true,
});

const { text, passed, failed } = summary({
  checks: [...checked, made.ok],
  unit: { ok: unit.ok, results: read(UNIT) },
  browser: { ok: browser.ok, results: read(BROWSER) },
});
process.stdout.write(`${text}\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 ? 0 : 1);
