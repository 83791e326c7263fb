// The door is drawn into the page when the program is built, so that the first thing anybody sees need not wait for scripts.
// A bundle of its own, for the door alone: half a second, where a second pass of the app's bundler takes a minute.
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { build } from 'esbuild';

/** Only the door is drawn: neither what is behind it nor how it is dressed. */
const leftOut = {
  name: 'left-out',
  setup(bundle) {
    bundle.onResolve({ filter: /\.css$|^\.\/(program|Claim)$/ }, ({ path }) => ({ path, namespace: 'left-out' }));
    bundle.onLoad({ filter: /.*/, namespace: 'left-out' }, () => ({ contents: '' }));
  },
};

/** Puts the sign-in and its styles into the page of `dist`. */
export async function drawDoor(app, dist) {
  const outfile = join(dist, 'door.cjs');
  await build({
    entryPoints: [join(app, 'scripts', 'door.tsx')],
    outfile,
    bundle: true,
    platform: 'node',
    jsx: 'automatic',
    jsxImportSource: 'nativewind',
    alias: { 'react-native': 'react-native-web' },
    resolveExtensions: ['.web.tsx', '.web.ts', '.web.js', '.tsx', '.ts', '.js'],
    mainFields: ['browser', 'module', 'main'],
    conditions: ['browser'],
    loader: { '.js': 'jsx' },
    define: { 'process.env.NODE_ENV': '"production"', __DEV__: 'false' },
    plugins: [leftOut],
    logLevel: 'warning',
  });
  const { door, styles } = createRequire(import.meta.url)(outfile).drawDoor();
  rmSync(outfile);
  const put = (html, empty, full) => {
    if (!html.includes(empty)) throw new Error(`the page has no ${empty}`);
    return html.replace(empty, () => full);
  };
  const page = join(dist, 'index.html');
  const named = put(readFileSync(page, 'utf8'), '<html lang="en">', '<html lang="en" data-drawn>');
  const html = put(named, '<div id="root"></div>', `<div id="root">${door}</div>`);
  const sheet = (text) => `<style id="react-native-stylesheet">${text}</style>`;
  writeFileSync(page, put(html, sheet(''), sheet(styles)));
}
