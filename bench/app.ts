import { type Browser, type CDPSession, chromium, type Page } from '@playwright/test';
import { CHROMIUM_ARGS } from '../e2e/playwright.config';
import { LARGE } from './cluster';
import { middle, round, say } from './figures';

const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };
/** A line of the yard: its own page on a phone, beside the list on a wide screen. */
const ROW = 'a:is([href^="/trailer/"], [href^="/?unit="])';
const RUNS = 5;

/** People take turns: the server lets nobody sign in as often as this asks. */
const PEOPLE = ['foreman', 'manager', 'technician', 'driver'];
let turn = 0;

async function openedAt(browser: Browser, url: string, viewport: typeof PHONE, keeps = false) {
  const context = await browser.newContext({ viewport, serviceWorkers: keeps ? 'allow' : 'block' });
  const page = await context.newPage();
  const client = await context.newCDPSession(page);
  await page.goto(url);
  await page.getByLabel('Name').fill(`${PEOPLE[turn++ % PEOPLE.length]}@${LARGE}`);
  await page.getByLabel('Password').fill('walk-round');
  return { context, page, client };
}

/** Signs in; milliseconds from the server's answer to the frame that shows the yard's rows. */
async function shownAfterSignIn(page: Page): Promise<number> {
  const shown = page.evaluate(
    `new Promise((done, failed) => {
      const { fetch } = window;
      window.fetch = async (...asked) => {
        const answer = await fetch(...asked);
        if (!String(asked[0]).endsWith('/session')) return answer;
        if (!answer.ok) failed(new Error('not signed in: ' + answer.status));
        const from = performance.now();
        const look = () => (document.querySelector('${ROW}') ? done(performance.now() - from) : requestAnimationFrame(look));
        look();
        return answer;
      };
    })`,
  );
  await page.getByRole('button', { name: 'Sign in' }).click();
  return (await shown) as number;
}

const elements = (page: Page): Promise<number> => page.evaluate('document.querySelectorAll("*").length');

async function heapOf(client: CDPSession): Promise<number> {
  await client.send('HeapProfiler.collectGarbage');
  const { usedSize } = await client.send('Runtime.getHeapUsage');
  return usedSize / 1024 / 1024;
}

/** Milliseconds from what is typed into the search to the frame that shows only what fits. */
const searched = (page: Page, text: string): Promise<number> =>
  page.evaluate(
    `new Promise((done) => {
      const field = document.querySelector('input[aria-label="Search"]');
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
      const from = performance.now();
      set.call(field, ${JSON.stringify(text)});
      field.dispatchEvent(new Event('input', { bubbles: true }));
      const look = () => {
        const rows = [...document.querySelectorAll('${ROW}')];
        if (rows.length && rows.every((row) => row.getAttribute('aria-label').includes(${JSON.stringify(text)}))) done(performance.now() - from);
        else requestAnimationFrame(look);
      };
      requestAnimationFrame(look);
    })`,
  );

async function yardAt(browser: Browser, url: string, viewport: typeof PHONE, slower: number) {
  const times: number[] = [];
  let size = 0;
  for (let run = 0; run < RUNS; run++) {
    const { context, page, client } = await openedAt(browser, url, viewport);
    await page.waitForTimeout(1_500);
    await client.send('Emulation.setCPUThrottlingRate', { rate: slower });
    times.push(await shownAfterSignIn(page));
    size = Math.max(size, await elements(page));
    await context.close();
  }
  return { shown: middle(times), size };
}

/** The yard of ten thousand units: until it is shown, how much is drawn, a search, and the memory it takes. */
export async function benchYard(url: string): Promise<void> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_ARGS });
  const wide = await yardAt(browser, url, WIDE, 1);
  const phone = await yardAt(browser, url, PHONE, 4);
  say('yard shown after sign-in, wide', `${Math.round(wide.shown)} ms, ${wide.size} elements`);
  say('yard shown after sign-in, phone, CPU ÷ 4', `${Math.round(phone.shown)} ms, ${phone.size} elements`);
  const { context, page, client } = await openedAt(browser, url, WIDE);
  await shownAfterSignIn(page);
  const texts = ['L-101', 'H-1234', 'R-1305', 'D-1', 'J-10', 'L-1777', 'Y-19'];
  const times: number[] = [];
  for (const text of texts) times.push(await searched(page, text));
  const bare: number[] = [];
  for (const text of texts)
    bare.push(
      await page.evaluate(
        `(async () => { const from = performance.now(); await (await fetch('/api/v1/units?text=${text}&order=number')).json(); return performance.now() - from; })()`,
      ),
    );
  say(
    'search of 10,000 units',
    `${Math.round(middle(times))} ms to the frame that shows it; its answer alone ${Math.round(middle(bare))} ms; ${round(middle(times) / middle(bare), 1)} ×`,
  );
  const search = page.getByLabel('Search');
  await search.fill('');
  for (let screens = 0; screens < 40; screens++) await page.mouse.wheel(0, 800);
  await page.waitForTimeout(1_000);
  say('heap of the app, 10,000 units', `${round(await heapOf(client), 1)} MB, ${await elements(page)} elements`);
  await context.close();
  await browser.close();
}

/** Milliseconds from the navigation to the frame that shows the yard's rows. */
async function opened(page: Page): Promise<number> {
  await page.reload({ waitUntil: 'commit' });
  return page.evaluate(
    `new Promise((done) => {
      const look = () => (document.querySelector('${ROW}') ? done(performance.now()) : requestAnimationFrame(look));
      look();
    })`,
  );
}

/** Starts of a program that is on the device already, by a signed-in person: with the server, and without. */
export async function benchWarm(url: string): Promise<void> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_ARGS });
  for (const [how, slower] of [
    ['', 1],
    [', CPU ÷ 4', 4],
  ] as const) {
    const { context, page, client } = await openedAt(browser, url, PHONE, true);
    await shownAfterSignIn(page);
    await page.evaluate('navigator.serviceWorker.ready.then(() => undefined)');
    await opened(page);
    await client.send('Emulation.setCPUThrottlingRate', { rate: slower });
    const starts = async () => {
      const times: number[] = [];
      for (let run = 0; run < RUNS; run++) times.push(await opened(page));
      return middle(times);
    };
    const warm = await starts();
    await context.setOffline(true);
    const offline = await starts();
    say(`warm start on a phone${how}`, `${Math.round(warm)} ms; offline ${Math.round(offline)} ms`);
    await context.close();
  }
  await browser.close();
}
