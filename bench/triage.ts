import { chromium, type Page } from '@playwright/test';
import pg from 'pg';
import { CHROMIUM_ARGS } from '../e2e/playwright.config';
import { cookieOf, LARGE } from './cluster';
import { medians, middle, round, say } from './figures';

const REPORTS = 200;
const ANSWERS = 20;
const RUNS = 30;

/** Fills the queue up to 200 reports on as many units, through the program. */
async function fill(url: string, database: string, headers: Record<string, string>): Promise<void> {
  const client = new pg.Client({ connectionString: database });
  await client.connect();
  const { rows } = await client.query<{ id: string }>(
    `select u.id from unit u join fleet f using (fleet_id) where f.slug = $1 and u.kind = 'semitrailer' order by u.number limit ${REPORTS}`,
    [LARGE],
  );
  await client.end();
  const { total } = (await (await fetch(`${url}/api/v1/triage`, { headers })).json()) as { total: number };
  for (const { id: unit } of rows.slice(total))
    await fetch(`${url}/api/v1/commands/report-defect`, {
      method: 'POST',
      headers: { ...headers, 'content-type': 'application/json' },
      body: JSON.stringify({
        id: crypto.randomUUID(),
        at: new Date().toISOString(),
        body: {
          defect: crypto.randomUUID(),
          unit,
          code: 'mud-flap-torn',
          place: { axle: null, side: null, tyre: null },
          words: 'made up',
        },
      }),
    }).then(async (answer) => {
      if (!answer.ok) throw new Error(await answer.text());
    });
}

/** Milliseconds from going to the shop to the frame that shows the queue. */
const opened = (page: Page): Promise<number> =>
  page.evaluate(
    `new Promise((done) => {
      const from = performance.now();
      document.querySelector('nav a[href="/shop"], [role="navigation"] a[href="/shop"]').click();
      const look = () => document.querySelector('[aria-label^="Otherwise"]') ? done(performance.now() - from) : requestAnimationFrame(look);
      look();
    })`,
  );

/** Milliseconds from a key that answers to the frame without that report. */
const answered = (page: Page): Promise<number> =>
  page.evaluate(
    `new Promise((done) => {
      const before = document.querySelector('[aria-current="true"] [aria-label^="Otherwise"]').getAttribute('aria-label');
      const from = performance.now();
      window.dispatchEvent(new KeyboardEvent('keydown', { key: 'a', bubbles: true }));
      const look = () => {
        const now = document.querySelector('[aria-current="true"] [aria-label^="Otherwise"]');
        if (!now || now.getAttribute('aria-label') !== before) done(performance.now() - from);
        else requestAnimationFrame(look);
      };
      requestAnimationFrame(look);
    })`,
  );

/** The queue of reports at 10,000 units: its page on the server, its first paint, and each answer to the frame. */
export async function benchTriage(url: string, database: string): Promise<void> {
  const headers = await cookieOf(url);
  await fill(url, database, headers);
  const get = async (path: string) => (await fetch(`${url}${path}`, { headers })).text();
  const took = await medians(RUNS, { empty: () => get('/healthz'), page: () => get('/api/v1/triage') });
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_ARGS });
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
    const page = await context.newPage();
    await page.goto(url);
    await page.getByLabel('Name').fill(`foreman@${LARGE}`);
    await page.getByLabel('Password').fill('walk-round');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('heading', { name: 'Yard' }).waitFor();
    const shown: number[] = [];
    for (let run = 0; run < 5; run++) {
      shown.push(await opened(page));
      await page.goto(url);
      await page.getByRole('heading', { name: 'Yard' }).waitFor();
    }
    await opened(page);
    const answers: number[] = [];
    for (let nth = 0; nth < ANSWERS; nth++) answers.push(await answered(page));
    say(
      `triage, ${REPORTS} reports, 10,000 units`,
      `its page ${round(took.page, 1)} ms (an empty request ${round(took.empty, 1)}); shown ${round(middle(shown), 0)} ms after the tap; an answer ${round(middle(answers), 0)} ms to the frame, the slowest ${round(Math.max(...answers), 0)}`,
    );
  } finally {
    await browser.close();
  }
}
