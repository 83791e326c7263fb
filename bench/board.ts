import { chromium, type Page } from '@playwright/test';
import pg from 'pg';
import { copyDemo, postgres, startProgram } from '../e2e/cluster';
import { CHROMIUM_ARGS } from '../e2e/playwright.config';
import { signIn } from '../e2e/program';
import { middle, round, say } from './figures';

const WIDE = { width: 1280, height: 800 };
const JOBS = 200;
const RUNS = 5;
/** Held units that the board lists at first. */
const LISTED = 10;
/** Work that people of the demo can do, and in which bay. */
const CODES = ['lamp-out', 'mud-flap-torn', 'chamber-leak', 'tyre-cut', 'door-seal', 'air-leak'] as const;
const AT_END = new Set(['chamber-leak', 'tyre-cut']);

/** Fills the demo's shop up to 200 jobs, from the page of somebody who may, and publishes a plan of them. */
async function fill(page: Page): Promise<void> {
  await page.evaluate(
    async ({ jobs, codes, atEnd }) => {
      const send = (name: string, body: object) =>
        fetch(`/api/v1/commands/${name}`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ id: crypto.randomUUID(), at: new Date().toISOString(), body }),
        }).then(async (answer) => {
          if (!answer.ok) throw new Error(`${name}: ${await answer.text()}`);
        });
      const board = () => fetch('/api/v1/plan').then((answer) => answer.json());
      const { units } = await fetch('/api/v1/units').then((answer) => answer.json());
      const trailers = units.filter(({ kind }: { kind: string }) => kind === 'semitrailer');
      const there = (await board()).jobs.length;
      for (let n = there; n < jobs; n++) {
        const [defect, job] = [crypto.randomUUID(), crypto.randomUUID()];
        const unit = trailers[n % trailers.length].id;
        const code = codes[n % codes.length] as string;
        const place = atEnd.includes(code)
          ? { axle: 1 + (n % 2), side: 'left', tyre: null }
          : { axle: null, side: null, tyre: null };
        await send('report-defect', { defect, unit, code, place, words: 'made up' });
        await send('triage-defect', { defect, version: 1, holds: false });
        await send('make-job', {
          job,
          unit,
          title: `Job ${n}`,
          defects: [{ defect, version: 2 }],
          minutes: 60,
          wheelsOff: false,
        });
      }
      const run = crypto.randomUUID();
      await send('ask-plan', { run, how: 'anew', seconds: 10 });
      for (;;) {
        const now = await board();
        const found = now.runs.find(({ id }: { id: string }) => id === run);
        if (found?.state === 'failed') throw new Error(found.problem);
        if (found?.answer && found.state === 'found') {
          const slots = found.answer.slots.map((slot: object) => ({ ...slot, pinned: false }));
          await send('publish-plan', { version: now.version, slots, run });
          return;
        }
        await new Promise((again) => setTimeout(again, 500));
      }
    },
    { jobs: JOBS, codes: [...CODES], atEnd: [...AT_END] },
  );
}

/** Milliseconds from opening an address to the frame that shows what is waited for. */
async function opened(page: Page, url: string, path: string, shown: string): Promise<number> {
  await page.goto(url);
  await page.getByRole('heading', { name: 'Yard' }).waitFor();
  return page.evaluate(
    ([to, wanted]) =>
      new Promise<number>((done) => {
        const from = performance.now();
        history.pushState(null, '', to);
        dispatchEvent(new PopStateEvent('popstate'));
        const look = () =>
          document.querySelector(wanted as string) ? done(performance.now() - from) : requestAnimationFrame(look);
        look();
      }),
    [path, shown] as const,
  );
}

/** Frames a second while a bar is dragged about, and while nothing is. */
async function frames(page: Page, during: () => Promise<void>): Promise<number> {
  await page.evaluate(() => {
    const own = { frames: 0, began: performance.now(), counting: true };
    Object.assign(window, { counted: own });
    const count = () => {
      own.frames++;
      if (own.counting) requestAnimationFrame(count);
    };
    requestAnimationFrame(count);
  });
  await during();
  return page.evaluate(() => {
    const { counted: own } = window as unknown as { counted: { frames: number; began: number; counting: boolean } };
    own.counting = false;
    return own.frames / ((performance.now() - own.began) / 1_000);
  });
}

async function dragged(page: Page): Promise<void> {
  const bar = await page.locator('button[data-job]').nth(20).boundingBox();
  if (!bar) throw new Error('no bar to drag');
  await page.mouse.move(bar.x + 10, bar.y + 10);
  await page.mouse.down();
  for (let n = 0; n < 120; n++) await page.mouse.move(bar.x + 10 + n * 2, bar.y + 10 + (n % 30) * 4);
  await page.mouse.move(bar.x + 10, bar.y + 10);
  await page.mouse.up();
}

/** Milliseconds from now to the frame of the board that shows what is waited for; `act` is what should bring it. */
async function until(board: Page, text: string, act: () => Promise<unknown>): Promise<number> {
  const shown = board.evaluate(
    (wanted) =>
      new Promise<number>((done) => {
        const look = () => (document.body.innerText.includes(wanted) ? done(Date.now()) : requestAnimationFrame(look));
        look();
      }),
    text,
  );
  const from = Date.now();
  await act();
  return (await shown) - from;
}

const sent = (page: Page, name: string, body: object): Promise<boolean> =>
  page.evaluate(
    ([command, what]) =>
      fetch(`/api/v1/commands/${command}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ id: crypto.randomUUID(), at: new Date().toISOString(), body: what }),
      }).then((answer) => answer.ok),
    [name, body] as const,
  );

/** From a driver's tap to the board, and from work that runs over to the proposal. */
async function followed(board: Page, driver: Page, database: string): Promise<void> {
  const plan = (): Promise<{ jobs: { id: string; unit: string; number: string; held: boolean; begun: boolean }[] }> =>
    board.evaluate(() => fetch('/api/v1/plan').then((answer) => answer.json()));
  const { jobs } = await plan();
  const unitsOf = (held: boolean) => [
    ...new Map(jobs.filter((job) => job.held === held).map((job) => [job.unit, job])).values(),
  ];
  const before = unitsOf(true).length;
  const holds: number[] = [];
  for (const [nth, { unit, number }] of unitsOf(false).slice(0, RUNS).entries()) {
    const held = before + nth + 1;
    const wanted = held > LISTED ? `Show all ${held}` : `${number} is held`;
    if ((await board.locator('body').innerText()).includes(wanted)) continue;
    const body = {
      defect: crypto.randomUUID(),
      unit,
      code: 'chamber-leak',
      place: { axle: 1, side: 'left', tyre: null },
      words: 'hisses',
    };
    holds.push(await until(board, wanted, () => sent(driver, 'report-defect', body)));
  }
  if (holds.length === 0) throw new Error('no hold could be watched');
  say('a hold of a driver’s, on the board', `${round(middle(holds), 0)} ms after the tap, ${JOBS} jobs`);
  const begun = jobs.find((job) => job.begun)?.id;
  const owner = new pg.Client({ connectionString: database });
  await owner.connect();
  const take = board.getByRole('button', { name: 'Take it' });
  // What the holds proposed is put aside first.
  await board.waitForTimeout(6_000);
  if (await take.isVisible()) {
    await take.click();
    await take.waitFor({ state: 'hidden' });
  }
  const over = await until(board, 'Take it', async () => {
    await owner.query('update job set minutes = minutes + 600 where id = $1', [begun]);
    await owner.query(
      `select za_queue.add('watch-plan', json_build_object('fleet', fleet_id, 'because', null), 'watch-plan ' || fleet_id, 0, null)
       from job where id = $1`,
      [begun],
    );
  });
  await owner.end();
  say('work that runs over, its proposal', `${round(over / 1_000, 1)} s after it was due, ${JOBS} jobs`);
}

/** The board of two hundred jobs: how soon it stands, how much is drawn, how it moves. */
export async function benchBoard(): Promise<void> {
  postgres('destroy');
  process.env.E2E_CLUSTER_URL = postgres('start');
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_ARGS });
  try {
    await (await startProgram(process.env.E2E_CLUSTER_URL)).stop();
    const database = await copyDemo('board');
    const program = await startProgram(database);
    const page = await (await browser.newContext({ viewport: WIDE, serviceWorkers: 'block' })).newPage();
    // What is run in the page is compiled here, and names its functions so.
    await page.addInitScript('globalThis.__name = (named) => named');
    await signIn(page, program.url, 'foreman');
    await fill(page);
    const [board, other]: number[][] = [[], []];
    for (let n = 0; n < RUNS; n++) {
      board?.push(await opened(page, program.url, '/plan', 'button[data-job]'));
      other?.push(await opened(page, program.url, '/shop', 'a[href^="/job/"]'));
    }
    await page.goto(`${program.url}/plan`);
    await page.locator('button[data-job]').first().waitFor();
    const drawn = await page.evaluate(() => document.querySelectorAll('*').length);
    const still = await frames(page, () => page.waitForTimeout(2_000));
    const moving = await frames(page, () => dragged(page));
    const ratio = middle(board ?? []) / middle(other ?? []);
    say(
      `board of ${JOBS} jobs`,
      `opened in ${round(middle(board ?? []), 0)} ms (${round(ratio, 1)} × the shop’s page), ${drawn} elements, ${round(moving, 0)} frames a second while dragged (${round(still, 0)} at rest)`,
    );
    const phone = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
    await signIn(phone, program.url, 'driver');
    await followed(page, phone, database);
    await program.stop();
  } finally {
    await browser.close();
    postgres('destroy');
  }
}
