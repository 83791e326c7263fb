// Exports the app, then writes the list of its files into the service worker, so that every screen works offline
// whether it was visited or not.
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { brotliCompressSync, gzipSync } from 'node:zlib';

const app = join(dirname(fileURLToPath(import.meta.url)), '..');
const dist = join(app, 'dist');
const env = { ...process.env, CI: '1', EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', NODE_ENV: 'production' };
execFileSync('npx', ['expo', 'export', '--platform', 'web', '--output-dir', 'dist'], {
  cwd: app,
  env,
  stdio: 'inherit',
});

const walk = (folder) =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? walk(path) : [path];
  });
const files = walk(dist)
  .map((path) => `/${relative(dist, path)}`)
  .filter((path) => !/\.(map|txt|json)$/.test(path) && path !== '/sw.js')
  .sort();
const build = createHash('sha256');
for (const path of files) build.update(path).update(readFileSync(join(dist, path)));
const worker = join(dist, 'sw.js');
writeFileSync(
  worker,
  readFileSync(worker, 'utf8')
    .replace('__BUILD__', build.digest('hex').slice(0, 12))
    .replace("'__FILES__'", JSON.stringify(files)),
);

// Compressed once here rather than at every request.
for (const path of walk(dist).filter((each) => /\.(js|css|html|svg|webmanifest)$/.test(each))) {
  const plain = readFileSync(path);
  writeFileSync(`${path}.br`, brotliCompressSync(plain));
  writeFileSync(`${path}.gz`, gzipSync(plain, { level: 9 }));
}
