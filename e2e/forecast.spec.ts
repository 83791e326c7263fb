import { deviceOf, expect, movableJob, openTrailer, press, test } from './program';

const WIDE = { width: 1280, height: 800 };

test('what reaches its limit by when is a list with filters, and leads to the readings it follows from', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'foreman', { viewport: WIDE });
  await page.getByRole('link', { name: 'Shop', exact: true }).click();
  await press(page, 'Forecast');
  await expect(page.getByRole('heading', { name: /^Reaches its limit \(\d+\)$/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Weeks ahead' })).toBeVisible();
  await page.getByRole('radio', { name: 'A year' }).click();
  await page.getByRole('radio', { name: 'Lining' }).click();
  const rows = page.getByRole('link', { name: /Lining/ });
  await expect(rows.first()).toBeVisible();
  await expect(page.getByRole('link', { name: /Tread/ })).toHaveCount(0);
  await page.getByLabel('Location').fill('Chip wharf');
  await expect(page.getByRole('link', { name: /Low Marsh/ })).toHaveCount(0);
  await rows.filter({ hasText: '20' }).last().click();
  await expect(page.getByRole('heading', { name: 'Every reading' })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Chart: Reaches / })).toBeVisible();
  const table = page.getByRole('table');
  await expect(table.getByRole('row')).not.toHaveCount(1);
  await expect(table.getByText(/Tomas Rask|Wyn Castellan|Marta Quill|Jory Lund|Edda Sorrel/).first()).toBeVisible();
});

test('a unit’s page leads to its wear; what is past its limit, or has too few readings, is said so', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await openTrailer(page, 'R-32');
  await page.getByRole('link', { name: 'Wear, and when a limit is reached' }).click();
  await page.getByRole('radio', { name: 'Lining' }).click();
  await page.getByRole('radio', { name: /^1R/ }).click();
  await expect(page.getByText(/^Past the law’s limit of 1\/8 in now/)).toBeVisible();
});

test('while the wheels are off, what is near its limit is proposed with its sum; declined it stays so', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'foreman');
  const found = await page.evaluate(async () => {
    const board = await fetch('/api/v1/plan').then((answer) => answer.json());
    for (const job of board.jobs) {
      const there = await fetch(`/api/v1/units/${job.unit}/while-there`).then((answer) => answer.json());
      if (there.bundles.length) return job.id as string;
    }
    return null;
  });
  expect(found).not.toBeNull();
  await page.goto(`${program.url}/job/${found}`);
  await expect(page.getByRole('heading', { name: 'While it is here' })).toBeVisible();
  await expect(page.getByText(/^Doing it now saves .* Wasted: \d+% of the part’s life/).first()).toBeVisible();
  const open = page.getByRole('button', { name: /^Not now\. / });
  const before = await open.count();
  await open.first().click();
  await expect(open).toHaveCount(before - 1);
  await page.reload();
  await expect(page.getByRole('button', { name: 'On paper' })).toBeVisible();
  await expect(open).toHaveCount(before - 1);
});

test('a driver sees when a trailer is expected back, and is told when that changes', async ({ browser, program }) => {
  const driver = await deviceOf(browser, program.url, 'driver');
  const foreman = await deviceOf(browser, program.url, 'foreman', { viewport: WIDE });
  const { title, number } = await movableJob(foreman);
  await openTrailer(driver, number);
  await expect(driver.getByText(/^Expected back /)).toBeVisible();
  await foreman.goto(`${program.url}/plan`);
  await foreman.getByRole('radio', { name: '2 weeks' }).click();
  await foreman.getByRole('button', { name: new RegExp(`, ${title}, `) }).focus();
  await foreman.keyboard.press('Shift+ArrowRight');
  await press(foreman, 'Publish this plan');
  await expect(foreman.getByText(/^Plan 2, /)).toBeVisible();
  await expect(driver.getByText(/^Changed: it was /)).toBeVisible();
  // Before the trip it is said as well, until it was seen in one of the two places.
  await driver.goto(driver.url().replace('/trailer/', '/trip/'));
  await expect(driver.getByText(/^Changed: it was /)).toBeVisible();
  await press(driver, `Got it. when ${number} is back`);
  await expect(driver.getByText(/^Changed: it was /)).toHaveCount(0);
});

test('departures come from dispatch when a foreman takes them; a calendar address is shown once and closed', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'foreman');
  await page.goto(`${program.url}/bays`);
  await press(page, 'Ask dispatch');
  await page.getByRole('button', { name: /^Take these \d+$/ }).click();
  await expect(page.getByText(/^\d+ taken\. /)).toBeVisible();
  await page.goto(`${program.url}/plan`);
  await press(page, 'Calendar');
  await press(page, 'Create a link for the whole plan');
  const address = (await page.getByText(/\/calendar\/.*\.ics$/).textContent()) ?? '';
  await expect.poll(async () => (await page.request.get(address)).status()).toBe(200);
  expect(await (await page.request.get(address)).text()).toContain('BEGIN:VEVENT');
  await press(page, 'Turn this link off. shop');
  await press(page, 'Turn it off for good');
  await expect.poll(async () => (await page.request.get(address)).status()).toBe(404);
});
