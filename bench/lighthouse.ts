import { execFileSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { Result } from 'lighthouse';
import { startProgram } from '../e2e/cluster';
import { CHROMIUM_ARGS } from '../e2e/playwright.config';
import { middle, round, say } from './figures';

const EMPTY = join(__dirname, 'empty-app');
const RUNS = 5;

/** Exports the empty app the way ours is exported, and compresses it the same. */
async function buildEmpty(): Promise<string> {
  const dist = join(EMPTY, 'dist');
  if (existsSync(join(dist, 'index.html.br'))) return dist;
  const env = { ...process.env, CI: '1', EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', NODE_ENV: 'production' as const };
  execFileSync('npx', ['expo', 'export', '--platform', 'web', '--output-dir', 'dist'], {
    cwd: EMPTY,
    env,
    stdio: 'ignore',
  });
  const { compressAll } = await import('../app/scripts/compress.mjs' as string);
  compressAll(dist);
  return dist;
}

interface Request {
  resourceType: string;
  transferSize: number;
}

interface Start {
  score: number;
  paint: number;
  blocking: number;
  interactive: number;
  /** Of scripts, as they travel. */
  kilobytes: number;
}

async function look(url: string, port: number): Promise<Start> {
  const { default: lighthouse } = await import('lighthouse');
  const done = await lighthouse(url, { port, onlyCategories: ['performance'], logLevel: 'error', output: 'json' });
  if (!done) throw new Error(`nothing was measured at ${url}`);
  const { audits, categories }: Result = done.lhr;
  const of = (id: string) => audits[id]?.numericValue ?? Number.NaN;
  const requests = (audits['network-requests']?.details as unknown as { items?: Request[] } | undefined)?.items ?? [];
  return {
    score: Math.round((categories.performance?.score ?? 0) * 100),
    paint: of('largest-contentful-paint'),
    blocking: of('total-blocking-time'),
    interactive: of('interactive'),
    kilobytes:
      requests.filter((each) => each.resourceType === 'Script').reduce((sum, each) => sum + each.transferSize, 0) /
      1024,
  };
}

const middles = (starts: readonly Start[]): Start => ({
  score: middle(starts.map((each) => each.score)),
  paint: middle(starts.map((each) => each.paint)),
  blocking: middle(starts.map((each) => each.blocking)),
  interactive: middle(starts.map((each) => each.interactive)),
  kilobytes: middle(starts.map((each) => each.kilobytes)),
});

const words = ({ score, paint, blocking, interactive, kilobytes }: Start): string =>
  `${score} points, largest paint ${round(paint / 1000, 1)} s, blocking ${Math.round(blocking)} ms, interactive ${round(interactive / 1000, 1)} s, ${Math.round(kilobytes)} KB of script`;

/** The first start ever on a phone, beside an empty app of the same platform, by turns. */
export async function benchCold(url: string, database: string): Promise<void> {
  const empty = await startProgram(database, 0, { ZA_WEB: await buildEmpty() });
  const { launch } = await import('chrome-launcher');
  const ours: Start[] = [];
  const theirs: Start[] = [];
  try {
    for (let run = 0; run < RUNS; run++)
      for (const [address, kept] of [
        [url, ours],
        [empty.url, theirs],
      ] as const) {
        const chrome = await launch({
          chromePath: '/usr/bin/chromium',
          chromeFlags: ['--headless=new', ...CHROMIUM_ARGS],
        });
        kept.push(await look(address, chrome.port));
        chrome.kill();
      }
  } finally {
    await empty.stop();
  }
  const [own, bare] = [middles(ours), middles(theirs)];
  say('cold start on a phone', words(own));
  say('an empty app of the platform', words(bare));
  say(
    'cold start beside the empty app',
    `script ${round(own.kilobytes / bare.kilobytes)} ×, blocking ${round(own.blocking / bare.blocking)} ×, largest paint ${round(own.paint / bare.paint)} ×`,
  );
}
