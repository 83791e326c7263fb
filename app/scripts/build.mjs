// Exports the app: one page, drawn beforehand, for every address; and the service worker that keeps it on the device.
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { buildSync } from 'esbuild';
import { generateSW } from 'workbox-build';
import { drawChecker } from './checker.mjs';
import { compressAll, walk } from './compress.mjs';
import { drawDoor } from './door.mjs';
import { shareOut } from './parts.mjs';

const app = join(dirname(fileURLToPath(import.meta.url)), '..');
const dist = join(app, 'dist');
const page = join(dist, 'index.html');
const env = { ...process.env, CI: '1', EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', NODE_ENV: 'production' };
execFileSync('npx', ['expo', 'export', '--platform', 'web', '--output-dir', 'dist', '--no-minify'], {
  cwd: app,
  env,
  stdio: 'inherit',
});

await drawDoor(app, dist);
if (/<script(?![^>]*\bsrc=)/.test(readFileSync(page, 'utf8'))) throw new Error('the page has an inline script');
// The bundler's own minifier takes a minute for this.
const scripts = walk(join(dist, '_expo')).filter((path) => path.endsWith('.js'));
for (const path of scripts)
  buildSync({ entryPoints: [path], outfile: path, allowOverwrite: true, minify: true, legalComments: 'none' });
shareOut(dist);

buildSync({
  entryPoints: [join(app, 'scripts', 'plan-worker.ts')],
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  outfile: join(dist, 'plan-worker.js'),
  logLevel: 'warning',
});

drawChecker(app, dist);

// The whole program is kept on the device when a build is first seen, and served from there. Data never goes through
// the service worker: the app keeps its own.
const { warnings } = await generateSW({
  globDirectory: dist,
  globPatterns: ['**/*.{html,js,css,svg,png,ttf,woff2,webmanifest}'],
  // Fetched by whoever checks a history: no device keeps it.
  globIgnores: ['check-history.html'],
  swDest: join(dist, 'sw.js'),
  mode: 'production',
  sourcemap: false,
  inlineWorkboxRuntime: true,
  // A newer version waits until somebody takes it: an open page goes on with the parts it was built of.
  skipWaiting: false,
  clientsClaim: true,
  cleanupOutdatedCaches: true,
  maximumFileSizeToCacheInBytes: 8_000_000,
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/api\//, /^\/calendar\//, /^\/(healthz|readyz|check-history\.html)$/],
});
if (warnings.length) throw new Error(warnings.join('\n'));

compressAll(dist);
