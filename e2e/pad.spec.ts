import type { Page } from '@playwright/test';
import { sql } from './cluster';
import {
  allSent,
  asked,
  begin,
  chocked,
  confirmIfAsked,
  deviceOf,
  expect,
  keysAsLastTime,
  measure,
  openTrailer,
  press,
  test,
} from './program';

/** Begins an inspection and answers the reservoir pressure. */
async function measureOn(page: Page, number: string): Promise<void> {
  await openTrailer(page, number);
  await begin(page);
  await chocked(page);
}

test('a two-axle dual trailer takes at most two taps a reading plus six, and no system keyboard', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await openTrailer(page, 'H-11');
  await page.evaluate(() => {
    const count = { taps: 0, writing: 0 };
    Object.assign(window, { count });
    window.addEventListener('click', () => count.taps++, true);
    window.addEventListener('focusin', (event) => {
      if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) count.writing++;
    });
  });
  await begin(page);
  await chocked(page);
  let readings = 0;
  for (let now = await asked(page); now; now = await asked(page)) {
    for (const key of await keysAsLastTime(page, now[1])) await press(page, key);
    if (now[1] !== 'hub oil') await press(page, `Save ${now[0]} ${now[1]}`);
    readings++;
  }
  await press(page, 'Open the verdict sheet');
  await press(page, 'Close inspection');
  expect(readings).toBe(20);
  const { taps, writing } = await page.evaluate(
    () => (window as unknown as { count: { taps: number; writing: number } }).count,
  );
  expect(taps).toBeLessThanOrEqual(2 * readings + 6);
  expect(writing).toBe(0);
});

test('an inspection from the keyboard alone, in inches and thirty-seconds', async ({ browser, program, database }) => {
  const page = await deviceOf(browser, program.url, 'technician', { viewport: { width: 1280, height: 800 } });
  await measureOn(page, 'J-51');
  for (let now = await asked(page); now; now = await asked(page)) {
    const typed = { 'applied stroke': '1 5/8', lining: '7/16', tread: '9' }[now[1]];
    await page.keyboard.type(typed ?? 'g');
    await page.keyboard.press('Enter');
    await confirmIfAsked(page, now[0], now[1]);
  }
  await allSent(page);
  const stored = await sql<{ value: { kind: string } }>(
    database,
    `select r.value from reading r join unit u on u.id = r.unit_id
     where u.number = 'J-51' and r.recorded_at > now() - interval '5 minutes' and r.taken_at > now() - interval '5 minutes'`,
  );
  expect(stored).toHaveLength(10);
  expect(stored.map(({ value }) => value)).toContainEqual({
    kind: 'stroke-applied',
    axle: 1,
    side: 'left',
    value: '1 5/8 in',
    reservoir: '95 psi',
    chocked: true,
  });
});

test('going back corrects a reading: the first stays, superseded', async ({ browser, program, database }) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await measureOn(page, 'J-51');
  await press(page, '2 inches');
  await press(page, '1/4');
  await expect(page.getByText('Violation', { exact: true })).toBeVisible();
  await press(page, 'Save 1L applied stroke');
  await press(page, 'Back');
  await press(page, '1 inches');
  await press(page, '3/4');
  await press(page, 'Save 1L applied stroke');
  await allSent(page);
  const rows = await sql<{ value: { value: string }; superseded: boolean }>(
    database,
    `select r.value, exists (select 1 from reading s where s.supersedes = r.id) as superseded
     from reading r join unit u on u.id = r.unit_id where u.number = 'J-51' and r.key = 'stroke-applied@1L'
       and r.taken_at > now() - interval '5 minutes' order by r.taken_at`,
  );
  expect(rows.map(({ value, superseded }) => [value.value, superseded])).toEqual([
    ['2 1/4 in', true],
    ['1 3/4 in', false],
  ]);
});

test('what is skipped stays open: the inspection closes incomplete, with the reason', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await measureOn(page, 'J-51');
  await press(page, 'Skip');
  await press(page, 'Covered in mud or ice');
  await measure(page);
  await press(page, 'Open the verdict sheet');
  await expect(page.getByText('This is not a pass', { exact: false })).toBeVisible();
  await press(page, 'Close as incomplete');
  await page.getByLabel('Because').fill('1L under mud');
  await page.getByRole('dialog').getByRole('button', { name: 'Close as incomplete' }).click();
  await page
    .getByRole('link', { name: /Measure axle ends, Tomas Rask · incomplete/ })
    .first()
    .click();
  await expect(page.getByText('because: 1L under mud', { exact: false })).toBeVisible();
});

test('nonsense and an unknown pressure are answered in a sentence', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await openTrailer(page, 'J-51');
  await begin(page);
  await chocked(page, 'Not noted');
  await page.keyboard.type('1 7/');
  await expect(page.getByText('write a length with its unit', { exact: false })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save 1L applied stroke' })).toBeDisabled();
  await page.keyboard.type('8');
  await expect(page.getByText('No verdict', { exact: true })).toBeVisible();
  await press(page, 'Why?');
  await expect(page.getByText('the reservoir pressure was not noted', { exact: false })).toBeVisible();
});

test('where the device keeps nothing, the window says so, keeps what is entered, and sends it', async ({
  browser,
  program,
  database,
}) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await measureOn(page, 'J-51');
  const told = page.getByText('only in this window', { exact: false });
  const alone = page.getByRole('button', { name: /^Keep this window open: \d/ });
  await page.evaluate(() => {
    const { put } = IDBObjectStore.prototype;
    Object.assign(window, { put });
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await page.context().setOffline(true);
  await press(page, '3/4');
  await expect(told).toBeVisible();
  await press(page, 'Save 1L applied stroke');
  await press(page, '7/8');
  await press(page, 'Save 1R applied stroke');
  await expect(alone).toHaveAccessibleName('Keep this window open: 2 entries not saved on this device');
  await page.context().setOffline(false);
  await expect(alone).toBeHidden();
  await allSent(page);
  const rows = await sql<{ key: string }>(
    database,
    `select r.key from reading r join unit u on u.id = r.unit_id where u.number = 'J-51'
       and r.key like 'stroke-applied@%' and r.taken_at > now() - interval '5 minutes' order by r.key`,
  );
  expect(rows).toEqual([{ key: 'stroke-applied@1L' }, { key: 'stroke-applied@1R' }]);
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = (window as unknown as { put: IDBObjectStore['put'] }).put;
  });
  await press(page, '5/16');
  await expect(told).toBeHidden();
});

test('a lining that grew is asked about once, and both readings are kept', async ({ browser, program, database }) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await measureOn(page, 'J-51');
  await press(page, 'Steps');
  await page.getByRole('button', { name: '1L Lining: open' }).click();
  await press(page, '15/16');
  await press(page, 'Save 1L lining');
  await expect(page.getByText('Lining does not get thicker', { exact: false })).toBeVisible();
  await press(page, 'Measure again');
  await press(page, '7/8');
  await press(page, 'Save 1L lining');
  await allSent(page);
  const rows = await sql<{ value: { points: string[] }; superseded: boolean }>(
    database,
    `select r.value, exists (select 1 from reading s where s.supersedes = r.id) as superseded
     from reading r join unit u on u.id = r.unit_id where u.number = 'J-51' and r.key = 'lining@1L'
       and r.taken_at > now() - interval '5 minutes' order by r.taken_at`,
  );
  expect(rows.map(({ value, superseded }) => [value.points[0], superseded])).toEqual([
    ['15/16 in', true],
    ['7/8 in', false],
  ]);
});
