// Measures the program against a baseline in the same run, and prints one line each. Nothing here fails a build.
import { performance } from 'node:perf_hooks';
import { chromium } from '@playwright/test';
import {
  expectedReadings,
  judge,
  judgeRequestSchema,
  type MeasuredStep,
  type Reading,
  type Unit,
} from '@zealous-axle/core';
import pg from 'pg';
import { copyDemo, postgres, startProgram } from '../e2e/cluster';
import { CHROMIUM_ARGS } from '../e2e/playwright.config';
import { begin, deviceOf, openTrailer, press, stepTo } from '../e2e/program';

const say = (what: string, figures: string) => console.log(`${what.padEnd(34)} ${figures}`);
const round = (value: number, places = 2) => value.toFixed(places);

/** Median milliseconds of one run of `work`. */
async function median(runs: number, work: () => unknown): Promise<number> {
  const times: number[] = [];
  for (let run = 0; run < runs; run++) {
    const from = performance.now();
    await work();
    times.push(performance.now() - from);
  }
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)] ?? 0;
}

const axle = {
  brake: 's-cam',
  chamber: { type: 'clamp', size: '30', stroke: 'long' },
  tyres: 'dual',
  hub: 'oil',
} as const;
const unit: Unit = { id: 'T', kind: 'semitrailer', axles: [axle, axle, axle] };

function reading({ kind, axle: at, side, tyre }: MeasuredStep): Reading {
  switch (kind) {
    case 'stroke-applied':
      return { kind, axle: at, side, value: '2 1/8 in', reservoir: '95 psi' };
    case 'lining':
      return { kind, axle: at, side, points: ['3/8 in', '7/16 in'] };
    case 'tread':
      return {
        kind,
        axle: at,
        side,
        tyre: tyre ?? 'single',
        grooves: [
          ['6/32', '5/32', '6/32'],
          ['6/32', '5/32', '7/32'],
          ['5/32', '5/32', '6/32'],
        ],
      };
    case 'hub-oil':
      return { kind, axle: at, side, level: 'between', condition: 'clear', leak: 'none' };
  }
}

async function benchJudge(): Promise<void> {
  const request = {
    book: 'na' as const,
    units: [unit],
    readings: expectedReadings(unit).map((step) => ({ ...reading(step), unit: 'T' })),
  };
  const text = JSON.stringify(request);
  const baseline = await median(300, () => JSON.parse(text));
  const checked = await median(300, () => judgeRequestSchema.parse(JSON.parse(text)));
  const judged = await median(300, () => judge(request));
  say(
    'judge(), three axles, 30 readings',
    `${Math.round(1000 / judged)} a second; ${round(judged / baseline, 1)} × JSON.parse of its request`,
  );
  say('its request checked', `${round(checked / baseline, 1)} × JSON.parse`);
}

async function benchPage(url: string, database: string): Promise<void> {
  const client = new pg.Client({ connectionString: database });
  await client.connect();
  const { rows } = await client.query("select id, fleet_id from unit where number = 'L-22'");
  const [{ id, fleet_id: fleet }] = rows as [{ id: string; fleet_id: string }];
  const signIn = await fetch(`${url}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'foreman@lowmarsh', password: 'walk-round' }),
  });
  const cookie = signIn.headers.get('set-cookie')?.split(';')[0] ?? '';
  const page = () => fetch(`${url}/api/v1/units/${id}`, { headers: { cookie } }).then((answer) => answer.text());
  const health = () => fetch(`${url}/healthz`).then((answer) => answer.text());
  const sql = async () => {
    const where = 'where fleet_id = $1 and unit_id = $2';
    await client.query('select * from unit where fleet_id = $1 and id = $2', [fleet, id]);
    for (const table of ['hold', 'paper', 'current_reading', 'defect', 'job'])
      await client.query(`select * from ${table} ${where}`, [fleet, id]);
    await client.query(`select * from inspection ${where} order by started_at desc limit 12`, [fleet, id]);
  };
  for (const warm of [page, sql, health]) await median(30, warm);
  const [asked, bare, empty] = [await median(200, page), await median(200, sql), await median(200, health)];
  say(
    'trailer page',
    `${round(asked)} ms; bare SQL ${round(bare)} ms, an empty request ${round(empty)} ms; ${round(asked / (bare + empty), 1)} × their sum`,
  );
  await client.end();
}

async function benchFirstLoad(url: string): Promise<void> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_ARGS });
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' });
  const page = await context.newPage();
  const client = await context.newCDPSession(page);
  await client.send('Network.enable');
  const scripts = new Set<string>();
  let requests = 0;
  let all = 0;
  let js = 0;
  client.on('Network.responseReceived', ({ requestId, type }) => {
    requests++;
    if (type === 'Script') scripts.add(requestId);
  });
  client.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    all += encodedDataLength;
    if (scripts.has(requestId)) js += encodedDataLength;
  });
  const from = performance.now();
  await page.goto(url);
  await page.getByRole('button', { name: 'Sign in' }).waitFor();
  const ready = performance.now() - from;
  await page.waitForLoadState('networkidle');
  say(
    'first load',
    `${Math.round(js / 1024)} KB of JavaScript, ${Math.round(all / 1024)} KB in all (compressed), ${requests} requests, sign-in after ${Math.round(ready)} ms`,
  );
  await browser.close();
}

/** Steps whose pads differ. */
const PADS = ['2L Applied stroke', '2L Lining', '2L-out Tread', '2L Drum diameter'];

/** A digit on the pads, CPU four times slowed: from the press to the frame that shows it, against an empty frame. */
async function benchDigit(url: string): Promise<void> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_ARGS });
  const page = await deviceOf(browser, url, 'technician');
  await openTrailer(page, 'L-23');
  await begin(page, 'Full inspection');
  await stepTo(page, '2L Applied stroke');
  await press(page, '95 psi');
  const client = await page.context().newCDPSession(page);
  for (const pad of PADS) {
    await stepTo(page, pad);
    await client.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    // A function of its own text: what the bundler adds to named functions does not exist in the page.
    const took: { empty: number; digit: number; repainted: number } = await page.evaluate(`(async () => {
      // The first task after a frame was drawn.
      const after = new MessageChannel();
      const frame = () =>
        new Promise((done) => {
          after.port1.onmessage = () => done(performance.now());
          requestAnimationFrame(() => after.port2.postMessage(null));
        });
      const middle = (times) => times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;
      const shown = () => document.getElementById('pad')?.textContent;
      const press = (key) => window.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
      const [empty, digit] = [[], []];
      let repainted = 0;
      for (let run = 0; run < 40; run++) {
        const idle = performance.now();
        empty.push((await frame()) - idle);
        const [before, from] = [shown(), performance.now()];
        press(run % 2 ? 'Backspace' : '7');
        digit.push((await frame()) - from);
        if (shown() !== before) repainted++;
      }
      return { empty: middle(empty), digit: middle(digit), repainted };
    })()`);
    say(
      `a digit, CPU ÷ 4: ${pad}`,
      `${round(took.digit, 1)} ms to the frame that shows it (${took.repainted} of 40 in the first frame); an empty frame ${round(took.empty, 1)} ms`,
    );
    await client.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  }
  await browser.close();
}

async function main(): Promise<void> {
  await benchJudge();
  postgres('destroy');
  process.env.E2E_CLUSTER_URL = postgres('start');
  try {
    await (await startProgram(process.env.E2E_CLUSTER_URL)).stop();
    const database = await copyDemo('bench');
    const program = await startProgram(database);
    await benchPage(program.url, database);
    await benchFirstLoad(program.url);
    await benchDigit(program.url);
    await program.stop();
  } finally {
    postgres('destroy');
  }
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
