// One file that checks a unit's history from wherever it was saved: it needs neither the program nor a server.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildSync } from 'esbuild';

const STYLE = `body{font:18px/1.5 system-ui,sans-serif;max-width:46rem;margin:2rem auto;padding:0 1rem;color:#1c1f1e;background:#f3f1ea}
input,textarea{font:inherit;padding:1rem;border:2px solid #5a605d;border-radius:12px;width:100%;box-sizing:border-box;background:#fff}
.title{font-weight:600;font-size:1.2rem}.stop{color:#a31515;font-weight:600}.entry{font:13px/1.4 ui-monospace,monospace;overflow-wrap:anywhere;border-top:1px solid #b9beba;padding-top:.4rem}`;

/** Writes `check-history.html`, with its script in it. */
export function drawChecker(app, dist) {
  const { outputFiles } = buildSync({
    entryPoints: [join(app, 'scripts', 'check-history.ts')],
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    write: false,
    treeShaking: true,
    logLevel: 'warning',
  });
  const script = (outputFiles[0]?.text ?? '').replaceAll('</script', '<\\/script');
  writeFileSync(
    join(dist, 'check-history.html'),
    `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1"><title>Check a unit’s history</title><style>${STYLE}</style><h1>Check a unit’s history</h1><p>Choose a file saved as history-….json. It is read on this device and sent nowhere.</p><label>History file <input type="file" accept=".json,application/json"></label><p>Or put in what a certificate’s code says, as a phone reads it.</p><label>Certificate’s code <textarea rows="4"></textarea></label><main></main><script>${script}</script></html>`,
  );
}
