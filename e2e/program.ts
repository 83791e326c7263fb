import { randomBytes } from 'node:crypto';
import { type Browser, type BrowserContextOptions, test as base, expect, type Page } from '@playwright/test';
import type { Board } from '@zealous-axle/core';
import { copyDemo, type Host, type Program, startHost } from './cluster';

export type Who = 'driver' | 'technician' | 'foreman' | 'manager';

interface Fixtures {
  database: string;
  program: Pick<Program, 'url'> & { stop: () => Promise<unknown> };
}

/** Each test has the program to itself, over its own copy of the demo; one process serves those of a worker in turn. */
export const test = base.extend<Fixtures, { host: Host }>({
  host: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright wants the destructuring.
    async ({}, use) => {
      const host = startHost();
      await use(host);
      host.end();
    },
    { scope: 'worker' },
  ],
  // biome-ignore lint/correctness/noEmptyPattern: Playwright wants the destructuring.
  database: async ({}, use) => {
    await use(await copyDemo(`e_${randomBytes(8).toString('hex')}`));
  },
  program: async ({ database, host }, use) => {
    const program = await host.open(database);
    await use(program);
    await program.stop();
  },
});
export { expect };

/** Signs in on a page, as a person does. */
export async function signIn(page: Page, url: string, who: Who): Promise<void> {
  await page.goto(url);
  await page.getByLabel('Name').fill(`${who}@lowmarsh`);
  await page.getByLabel('Password').fill('walk-round');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Yard' })).toBeVisible();
}

const PHONE = { width: 390, height: 844 };

type Kept = Exclude<BrowserContextOptions['storageState'], string | undefined>;

/** What a device keeps of somebody who signed in on it: the cookie, and who that is (`app/src/session/session.ts`). */
async function signedIn(url: string, who: Who): Promise<Kept> {
  const answer = await fetch(`${url}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: `${who}@lowmarsh`, password: 'walk-round' }),
  });
  const [name = '', value = ''] = (answer.headers.getSetCookie()[0]?.split(';')[0] ?? '').split('=');
  const cookie = {
    domain: '127.0.0.1',
    path: '/',
    expires: -1,
    httpOnly: true,
    secure: false,
    sameSite: 'Strict' as const,
  };
  return {
    cookies: [{ ...cookie, name, value }],
    origins: [{ origin: url, localStorage: [{ name: 'za-session-5', value: await answer.text() }] }],
  };
}

/** A device of its own for a person who has signed in. One that goes without a server keeps the program: that takes its time. */
export async function deviceOf(
  browser: Browser,
  url: string,
  who: Who,
  { viewport = PHONE, keeps = false } = {},
): Promise<Page> {
  const storageState = await signedIn(url, who);
  const context = await browser.newContext({ viewport, storageState, serviceWorkers: keeps ? 'allow' : 'block' });
  const page = await context.newPage();
  await page.goto(url);
  await expect(page.getByRole('heading', { name: 'Yard' })).toBeVisible();
  return page;
}

export const openTrailer = async (page: Page, number: string): Promise<void> => {
  await page.getByRole('navigation').getByRole('link', { name: 'Yard' }).click();
  const row = page.getByRole('link', { name: new RegExp(`^${number},`) });
  await expect(page.getByRole('list', { name: 'Units' }).getByRole('link').first()).toBeVisible();
  // Of a long list only what is near is drawn, and a unit that was just released or held moves in it.
  await expect(async () => {
    if (!(await row.isVisible())) await page.getByLabel('Search').fill(number);
    await row.click({ timeout: 5_000 });
  }).toPass();
  await expect(page.getByRole('heading', { name: new RegExp(`^${number}`) })).toBeVisible();
};

export const press = (page: Page, name: string | RegExp) =>
  page.getByRole('button', typeof name === 'string' ? { name, exact: true } : { name }).click();

/** Begins an inspection by a route. */
export async function begin(page: Page, route = 'Measure axle ends'): Promise<void> {
  await press(page, 'Inspect');
  await press(page, route);
}

/** Says that the wheels are chocked, and at what pressure the strokes are: the two gates before the first of them. */
export async function chocked(page: Page, pressure = '95 psi'): Promise<void> {
  await press(page, 'Chocked, both ways');
  await press(page, pressure);
}

/** Goes to a step of the route by its words, out of order: `2L Hub oil`, `King pin`. */
export async function stepTo(page: Page, step: string): Promise<void> {
  const row = page.getByRole('button', { name: new RegExp(`^${step}: `) }).first();
  if (!(await row.isVisible())) await press(page, 'Steps');
  await row.click();
}

/** Presses keys or choices of the pad one after another, whatever role each has. */
export async function enter(page: Page, ...names: string[]): Promise<void> {
  for (const name of names) {
    const either = page
      .getByRole('button', { name, exact: true })
      .or(page.getByRole('radio', { name, exact: true }))
      .or(page.getByRole('checkbox', { name, exact: true }));
    await either.first().click();
  }
}

const SAVE = /^Save (\S+) (.+)$/;

/** What the pad asks for now, from its own button: `['1L', 'applied stroke']`. */
export async function asked(page: Page): Promise<[place: string, kind: string] | null> {
  const save = page.getByRole('button', { name: /^Save / });
  // What a repair is measured again for ends on its sheet by itself.
  const finished = page.getByRole('button', { name: /^(Open the verdict sheet|Close inspection)$/ });
  await expect(save.or(finished)).toBeVisible();
  if (!(await save.isVisible())) return null;
  const found = SAVE.exec((await save.getAttribute('aria-label')) ?? '');
  return [found?.[1] ?? '', found?.[2] ?? ''];
}

/** Keys that enter a good reading of each kind. */
const GOOD: Record<string, string[]> = {
  'applied stroke': ['5/8'],
  lining: ['7/16'],
  tread: ['9 thirty-seconds'],
  'hub oil': ['Between marks, clear, dry'],
};

/** After saving: answers that the reading is right, if the pad asks; done when the next step is there. */
export async function confirmIfAsked(page: Page, place: string, kind: string): Promise<void> {
  const doubted = page.getByRole('button', { name: 'Yes, it is correct' });
  const next = page.getByRole('button', {
    name: new RegExp(`^Save (?!${place} ${kind}$)|^Open the verdict sheet|^Close inspection`),
  });
  await expect(doubted.or(next).first()).toBeVisible();
  if (await doubted.isVisible()) await doubted.press('Enter');
}

/** Keys that enter what was read last time, to the sixteenth below: a value nobody has to be asked about. */
export async function keysAsLastTime(page: Page, kind: string): Promise<string[]> {
  if (kind === 'hub oil') return GOOD[kind] ?? [];
  const said = (await page.getByText(/^Last /).textContent()) ?? '';
  const [, top = '0', bottom = '1'] = /(\d+)\/(\d+)/.exec(said) ?? [];
  if (kind === 'tread') return [`${top} thirty-seconds`];
  let [count, parts] = [Math.floor((Number(top) * 16) / Number(bottom)), 16];
  while (count % 2 === 0 && count > 0) [count, parts] = [count / 2, parts / 2];
  return [`${count}/${parts}`];
}

/** Goes through the pad to its end. `odd` gives other keys for a place and kind, `stopAfter` leaves after so many readings. */
export async function measure(
  page: Page,
  odd: Record<string, string[]> = {},
  stopAfter = Number.POSITIVE_INFINITY,
): Promise<number> {
  let taken = 0;
  for (let now = await asked(page); now && taken < stopAfter; now = await asked(page)) {
    const [place, kind] = now;
    const keys = odd[`${place} ${kind}`] ?? GOOD[kind] ?? [];
    for (const key of keys) {
      const dry = page.getByRole('button', { name: 'Dry, no leak' });
      if (key.startsWith('Between') && (await dry.isVisible())) await dry.click();
      else await press(page, key);
    }
    // A hub found good is taken by that tap alone.
    if (!keys[0]?.startsWith('Between')) await press(page, `Save ${place} ${kind}`);
    await confirmIfAsked(page, place, kind);
    taken++;
  }
  return taken;
}

/** Waits until everything kept on the device has been sent. */
export const allSent = async (page: Page): Promise<void> => {
  await expect
    .poll(
      () =>
        page.evaluate(
          () =>
            new Promise<number>((resolve) => {
              const open = indexedDB.open('zealous-axle');
              open.onsuccess = () => {
                const count = open.result.transaction('outbox').objectStore('outbox').count();
                count.onsuccess = () => {
                  open.result.close();
                  resolve(count.result);
                };
              };
            }),
        ),
      { timeout: 240_000 },
    )
    .toBe(0);
};

const HOUR_MS = 3_600_000;

/**
 * A job of the demo's plan that may stand an hour later, whatever time of the day it is: its people and its bay are there,
 * it is the last of its unit, and all of the unit's jobs have a place.
 */
export async function movableJob(page: Page): Promise<{ title: string; number: string; unit: string }> {
  const board: Board = await page.evaluate(() => fetch('/api/v1/plan').then((answer) => answer.json()));
  const later = (instant: string) => new Date(Date.parse(instant) + HOUR_MS).toISOString();
  const covers = (spans: readonly (readonly [string, string])[] | undefined, from: string, to: string) =>
    spans?.some(([begin, end]) => begin <= from && to <= end) ?? false;
  const slotOf = new Map(board.slots.map((slot) => [slot.job, slot]));
  const { bays, technicians } = board.request;
  const found = board.jobs.find((job) => {
    const slot = slotOf.get(job.id);
    const mates = board.jobs.filter(({ unit }) => unit === job.unit);
    if (!slot || job.begun || mates.some(({ id }) => !slotOf.has(id))) return false;
    if (mates.some(({ id }) => (slotOf.get(id)?.end ?? '') > slot.end)) return false;
    const [from, to] = [later(slot.start), later(slot.end)];
    const open = covers(bays.find(({ id }) => id === slot.bay)?.open, from, to);
    return open && slot.technicians.every((who) => covers(technicians.find(({ id }) => id === who)?.shifts, from, to));
  });
  if (!found) throw new Error('no job of the plan may stand an hour later');
  return found;
}

/** Counts what is tapped on a page, over its reloads. */
export const counting = (page: Page) =>
  page.evaluate(() => {
    addEventListener(
      'click',
      () => sessionStorage.setItem('taps', String(Number(sessionStorage.getItem('taps')) + 1)),
      true,
    );
  });
export const taps = (page: Page) => page.evaluate(() => Number(sessionStorage.getItem('taps')));

/** Sends a command from the page of somebody signed in; its status. */
export const command = (page: Page, name: string, body: object): Promise<number> =>
  page.evaluate(
    ([of, asked]) =>
      fetch(`/api/v1/commands/${of}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ id: crypto.randomUUID(), at: new Date().toISOString(), body: asked }),
      }).then(({ status }) => status),
    [name, body] as const,
  );

/** A driver reports a torn flap of a unit. */
export async function reportFlap(driver: Page, number: string): Promise<void> {
  await openTrailer(driver, number);
  await press(driver, 'Report a defect');
  await press(driver, 'Not at a wheel: lamps, body, coupling, air…');
  await driver.getByRole('radio', { name: 'Body, doors' }).click();
  await driver.getByRole('radio', { name: /flap/i }).first().click();
  await press(driver, 'Send report');
  await allSent(driver);
}
