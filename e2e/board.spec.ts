import type { Browser, Page } from '@playwright/test';
import type { Board } from '@zealous-axle/core';
import { sql } from './cluster';
import { allSent, command, counting, deviceOf, expect, movableJob, press, taps, test, type Who } from './program';

const WIDE = { width: 1280, height: 800 };

/** The plan's board on a wide screen. */
async function boardOf(browser: Browser, url: string, who: Who): Promise<Page> {
  const page = await deviceOf(browser, url, who, { viewport: WIDE });
  await page.goto(`${url}/plan`);
  await expect(page.getByRole('heading', { name: 'Needs attention' })).toBeVisible();
  return page;
}

const planOf = (page: Page): Promise<Board> =>
  page.evaluate(() => fetch('/api/v1/plan').then((answer) => answer.json()));
/** The bar of a job by its title. */
const bar = (page: Page, title: string) => page.getByRole('button', { name: new RegExp(`, ${title}, `) }).first();
const startOf = async (page: Page, title: string): Promise<string | undefined> => {
  const { jobs, slots } = await planOf(page);
  const job = jobs.find((each) => each.title === title);
  return slots.find((slot) => slot.job === job?.id)?.start;
};

test('a job is moved by the arrow keys, pinned, taken back, brought again and published', async ({
  browser,
  program,
}) => {
  const page = await boardOf(browser, program.url, 'foreman');
  const { title } = await movableJob(page);
  const before = await startOf(page, title);
  await page.getByRole('radio', { name: '2 weeks' }).click();
  await bar(page, title).focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByRole('heading', { name: 'Your changes' })).toBeVisible();
  await expect(bar(page, title)).toHaveAccessibleName(/pinned/);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { name: 'Your changes' })).toHaveCount(0);
  await page.keyboard.press('Control+y');
  await expect(page.getByRole('heading', { name: 'Your changes' })).toBeVisible();
  expect(await startOf(page, title)).toBe(before);
  await press(page, 'Publish this plan');
  await expect(page.getByText(/^Plan 2, by Berit Holloway/)).toBeVisible();
  expect(await startOf(page, title)).not.toBe(before);
  await bar(page, title).click();
  await press(page, 'Unpin');
  await expect(bar(page, title)).not.toHaveAccessibleName(/pinned/);
});

test('a drag says which rule refuses a place while it lasts, and leaves the job where it was', async ({
  browser,
  program,
}) => {
  const page = await boardOf(browser, program.url, 'foreman');
  await page.getByRole('radio', { name: '2 weeks' }).click();
  const from = await bar(page, 'Frame crack at the neck').boundingBox();
  const to = await page.getByText('Bay 1 – lift', { exact: true }).first().boundingBox();
  if (!from || !to) throw new Error('the board is not drawn');
  await page.mouse.move(from.x + 8, from.y + 12);
  await page.mouse.down();
  await page.mouse.move(from.x + 20, from.y + 12, { steps: 3 });
  await page.mouse.move(from.x + 20, to.y + to.height / 2, { steps: 8 });
  await expect(page.getByText('rule 5: Bay 1 – lift is no long bay')).toBeVisible();
  await page.mouse.up();
  await expect(page.getByRole('heading', { name: 'Your changes' })).toHaveCount(0);
});

test('a job dragged to a place that is free stands there, pinned, and makes room for itself', async ({
  browser,
  program,
}) => {
  const page = await boardOf(browser, program.url, 'foreman');
  await page.getByRole('radio', { name: '3 days' }).click();
  const { title } = await movableJob(page);
  await bar(page, title).scrollIntoViewIfNeeded();
  const from = await bar(page, title).boundingBox();
  if (!from) throw new Error('the board is not drawn');
  await page.mouse.move(from.x + 10, from.y + 12);
  await page.mouse.down();
  // An hour later, in the same bay.
  await page.mouse.move(from.x + 20, from.y + 12, { steps: 3 });
  await page.mouse.move(from.x + 32, from.y + 12, { steps: 3 });
  await page.mouse.up();
  await expect(page.getByRole('heading', { name: 'Your changes' })).toBeVisible();
  await expect(bar(page, title)).toHaveAccessibleName(/pinned/);
});

test('of two foremen the second is told of the first one’s plan, and goes on from it', async ({ browser, program }) => {
  const [one, other] = [await boardOf(browser, program.url, 'foreman'), await boardOf(browser, program.url, 'manager')];
  await other.getByRole('radio', { name: '2 weeks' }).click();
  await bar(other, 'Door seal').focus();
  await other.keyboard.press('p');
  await expect(other.getByRole('heading', { name: 'Your changes' })).toBeVisible();
  await one.getByRole('radio', { name: '2 weeks' }).click();
  await bar(one, 'Mud flap').focus();
  await one.keyboard.press('p');
  await press(one, 'Publish this plan');
  await expect(other.getByText(/^Berit Holloway made another plan/)).toBeVisible();
  await press(other, 'Use their plan. drops your changes');
  await expect(other.getByText(/^Plan 2, by Berit Holloway/)).toBeVisible();
  await expect(bar(other, 'Mud flap')).toHaveAccessibleName(/pinned/);
  await expect(other.getByRole('heading', { name: 'Your changes' })).toHaveCount(0);
});

test('a search by the server is shown beside the plan, and taken', async ({ browser, program }) => {
  const page = await boardOf(browser, program.url, 'foreman');
  await press(page, 'Re-plan everything');
  await expect(page.getByText(/^Searching|^Waits/)).toBeVisible();
  await press(page, 'Stop. uses the best so far');
  await expect(page.getByText('Stopped. This is the best plan so far.')).toBeVisible();
  await press(page, 'Show');
  await expect(page.getByText('This is a proposal. The current plan stays until you use it.')).toBeVisible();
  await press(page, 'Use this plan');
  await expect(page.getByText(/^Plan 2, by Berit Holloway/)).toBeVisible();
  await expect(page.getByText('Stopped. This is the best plan so far.')).toHaveCount(0);
});

test('an absence makes a proposal within seconds: what began stays, and one tap takes it', async ({
  browser,
  program,
}) => {
  const page = await boardOf(browser, program.url, 'foreman');
  const before = await planOf(page);
  const people = await page.evaluate(() => fetch('/api/v1/people').then((answer) => answer.json()));
  const away = people.people.find(({ signIn }: { signIn: string }) => signIn === 'edda');
  // Days are the shop's: in the evening its day is not that of Greenwich.
  const dayOf = (time: number) => new Intl.DateTimeFormat('en-CA', { timeZone: before.zone }).format(new Date(time));
  const today = dayOf(Date.parse(before.now));
  const until = dayOf(Date.parse(before.now) + 6 * 86_400_000);
  const { name, role, work } = away;
  const absent = { ...work, away: [{ from: today, until, reason: 'ill' }] };
  expect(
    await command(page, 'set-person', { person: away.id, version: away.version, form: { name, role, work: absent } }),
  ).toBe(200);
  await expect(page.getByText(/Someone’s hours or absence changed/)).toBeVisible();
  await press(page, 'Use this plan');
  await expect(page.getByText(/^Plan 2, by Berit Holloway/)).toBeVisible();
  const after = await planOf(page);
  const begun = before.jobs.find((job) => job.begun)?.id;
  expect(after.slots.find(({ job }) => job === begun)?.bay).toBe(before.slots.find(({ job }) => job === begun)?.bay);
  expect(
    after.slots.filter(({ technicians, start }) => technicians.includes(away.id) && dayOf(Date.parse(start)) <= until),
  ).toEqual([]);
});

test('a driver’s phone holds a unit, and the board says so by itself', async ({ browser, program }) => {
  const page = await boardOf(browser, program.url, 'foreman');
  const phone = await deviceOf(browser, program.url, 'driver');
  const unit = (await planOf(page)).jobs.find(({ number }) => number === 'R-35')?.unit;
  expect((await planOf(page)).jobs.find(({ number }) => number === 'R-35')?.held).toBe(false);
  await phone.goto(`${program.url}/report/${unit}`);
  await command(page, 'hold-trailer', { hold: crypto.randomUUID(), unit, reason: 'brake smokes' });
  await expect(page.getByRole('button', { name: /^R-35 is held/ })).toBeVisible();
});

test('on a phone the day is a list: what is next, where, with whom, and begun from there', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await page.getByRole('link', { name: 'Shop', exact: true }).click();
  await press(page, 'Plan');
  await expect(page.getByRole('radio', { name: 'My day' })).toBeChecked();
  const first = page.getByRole('link', { name: /L-27, Brake hose 1L/ });
  await expect(first).toContainText('at work');
  await expect(first).toContainText('Bay 2 – lift');
  await expect(first).toContainText('Parts ready');
  await page.getByRole('link', { name: 'Pause or finish' }).click();
  await expect(page.getByRole('heading', { name: /Brake hose 1L/ }).first()).toBeVisible();
});

test('bays, their hours and the days nobody works are set in the program', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'foreman');
  await page.goto(`${program.url}/bays`);
  await press(page, 'Change. Bay 3 – long');
  await page.getByRole('checkbox', { name: 'wash' }).click();
  await press(page, 'Add days out of use');
  await page.getByLabel('Last day').fill('2020-01-01');
  await expect(page.getByText('It ends before it begins.')).toBeVisible();
  await page.getByLabel('First day').fill('2031-05-01');
  await page.getByLabel('Last day').fill('2031-05-03');
  await page.getByLabel('Why').fill('new hoist');
  await press(page, 'Save');
  await expect(page.getByText('long · lift · floor · wash')).toBeVisible();
  await expect(page.getByText(/out of use .*: new hoist/)).toBeVisible();
  await press(page, 'Change these days');
  await press(page, 'Add a day');
  await page.getByLabel('Day', { exact: true }).last().fill('2031-06-01');
  await page.getByLabel('What day it is').last().fill('Midsummer');
  await press(page, 'Save');
  await expect(page.getByText(/Jun 2031, Midsummer/)).toBeVisible();
});

test('a shop weighs its plan its own way, and goes back to what it was shipped with', async ({ browser, program }) => {
  const page = await boardOf(browser, program.url, 'foreman');
  await press(page, 'Weights');
  const setUp = page.getByLabel('One minute of setup');
  const shipped = await setUp.inputValue();
  await setUp.fill('many');
  await expect(page.getByText('Enter a whole number')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeDisabled();
  await setUp.fill('400');
  await press(page, 'Save');
  await allSent(page);
  await expect.poll(async () => (await planOf(page)).request.weights?.sum.setupMinutes).toBe(400);
  await press(page, 'Weights');
  await expect(setUp).toHaveValue('400');
  await press(page, 'Restore defaults');
  await expect(setUp).toHaveValue(shipped);
});

test('a day is planned from twenty reports that were answered, in at most twelve taps', async ({
  browser,
  program,
}) => {
  test.slow();
  const page = await deviceOf(browser, program.url, 'foreman', { viewport: WIDE });
  const { units } = await page.evaluate(() => fetch('/api/v1/units').then((answer) => answer.json()));
  const trailers = units.filter(({ kind, held }: { kind: string; held: boolean }) => kind === 'semitrailer' && !held);
  const place = { axle: null, side: null, tyre: null };
  for (let nth = 0; nth < 20; nth++) {
    const [defect, unit] = [crypto.randomUUID(), trailers[nth % trailers.length].id];
    const body = { defect, unit, code: nth % 2 ? 'lamp-out' : 'mud-flap-torn', place, words: 'made up' };
    expect(await command(page, 'report-defect', body)).toBe(200);
    expect(await command(page, 'triage-defect', { defect, version: 1, holds: false })).toBe(200);
  }
  await counting(page);
  await page.getByRole('navigation').getByRole('link', { name: 'Shop' }).click();
  await press(page, /^Create jobs for all \d+ defects from templates$/);
  await press(page, 'Create these jobs');
  await allSent(page);
  await press(page, 'Plan');
  await press(page, 'Re-plan everything');
  await press(page, 'Stop. uses the best so far');
  await press(page, 'Use this plan');
  await expect(page.getByText(/^Plan 2, by Berit Holloway/)).toBeVisible();
  const all = await taps(page);
  console.log(`taps to plan a day: ${all}`);
  expect(all).toBeLessThanOrEqual(12);
  const { jobs, slots } = await planOf(page);
  const made = jobs.filter(({ title }) => /lamp|mud flap/i.test(title));
  expect(made.length).toBeGreaterThan(3);
  for (const { id } of made) expect(slots.map(({ job }) => job)).toContain(id);
});

test('a part that is late makes a proposal: its job stands after the day it is expected', async ({
  browser,
  program,
}) => {
  const page = await boardOf(browser, program.url, 'foreman');
  const board = await planOf(page);
  const { id, part, needed } = await page.evaluate(
    async (jobs) => {
      for (const job of jobs) {
        const { parts } = await fetch(`/api/v1/jobs/${job}`).then((answer) => answer.json());
        const part = parts.find(({ needed, taken }: { needed: number; taken: number }) => needed > taken);
        if (part) return { id: job, part: part.part as string, needed: part.needed as number };
      }
      throw new Error('no job of the plan needs a part');
    },
    board.jobs
      .filter((job) => !job.begun && !job.waits && board.slots.some((slot) => slot.job === job.id))
      .map((job) => job.id),
  );
  const before = board.slots.find(({ job }) => job === id);
  const due = new Date(Date.parse(before?.start ?? board.now) + 4 * 86_400_000).toISOString().slice(0, 10);
  expect(await command(page, 'order-part', { order: crypto.randomUUID(), job: id, part, count: needed, due })).toBe(
    200,
  );
  // A newer proposal may take the place of the one under the finger: then that one is taken.
  await expect(async () => {
    const plan = page.getByText(/^Plan 2, by Berit Holloway/);
    if (!(await plan.isVisible())) await page.getByRole('button', { name: 'Use this plan' }).click({ timeout: 20_000 });
    await expect(plan).toBeVisible({ timeout: 15_000 });
  }).toPass({ timeout: 150_000 });
  const after = (await planOf(page)).slots.find(({ job }) => job === id);
  expect(Date.parse(after?.start ?? '')).toBeGreaterThan(Date.parse(before?.start ?? ''));
});

test('work that runs over is seen by the clock, and a proposal is there', async ({ browser, program, database }) => {
  const page = await boardOf(browser, program.url, 'foreman');
  const begun = (await planOf(page)).jobs.find((job) => job.begun)?.id;
  await sql(database, `update job set minutes = minutes + 4500 where id = '${begun}' returning id`);
  const [{ fleet }] = (await sql<{ fleet: string }>(
    database,
    `select fleet_id as fleet from job where id = '${begun}'`,
  )) as [{ fleet: string }];
  await sql(
    database,
    `select za_queue.add('watch-plan', '${JSON.stringify({ fleet, because: null })}'::json, 'watch-plan ${fleet}', 0, null) as added`,
  );
  await expect(page.getByText(/^Re-plan of what must move/).first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Use this plan' })).toBeVisible();
});
