import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { chocked, deviceOf, expect, openTrailer, press, signIn, stepTo, test } from './program';

/** Looks until the screen has settled: what is still arriving is not judged. */
async function settled(page: Page, where: string, look: (builder: AxeBuilder) => AxeBuilder): Promise<void> {
  await expect(async () => {
    const { violations } = await look(new AxeBuilder({ page }).setLegacyMode()).analyze();
    const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
    const said = serious.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`);
    expect(said, where).toEqual([]);
  }).toPass({ timeout: 120_000 });
}

/** The screen as it stands, by day and by night: the dark theme changes nothing but colours, so only those are looked at again. */
async function clean(page: Page, where: string): Promise<void> {
  await settled(page, where, (builder) => builder);
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect(page.locator('html')).toHaveClass(/dark/);
  await settled(page, `${where}, dark`, (builder) => builder.withRules(['color-contrast']));
  await page.emulateMedia({ colorScheme: 'light' });
}

/** Where a shop says how it works: path and heading. */
const SETTINGS = [
  ['/rules', 'Limits and policies'],
  ['/routes', 'Routes'],
  ['/gauges', 'Gauges'],
  ['/files', 'Readings as a file'],
  ['/set-up', 'Fleet setup'],
  ['/people', 'People'],
  ['/work', 'Work and parts'],
  ['/gone', 'Sold and scrapped'],
  ['/repairs', 'Search repairs'],
] as const;

/** As they travel, kilobytes: an empty program of this kind brings 223. */
const DOOR_KB = 280;

test('the door brings little script: what is behind it comes with whoever goes in', async ({ page, program }) => {
  let bytes = 0;
  page.on('requestfinished', async (request) => {
    if (request.resourceType() === 'script') bytes += (await request.sizes()).responseBodySize;
  });
  await page.goto(program.url, { waitUntil: 'networkidle' });
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  expect(bytes / 1024).toBeGreaterThan(50);
  expect(bytes / 1024).toBeLessThan(DOOR_KB);
});

test('the door stands in the page before any script, and wakes as it stands: what was typed stays', async ({
  page,
  program,
}) => {
  const held: (() => Promise<void>)[] = [];
  let holds = true;
  await page.route('**/_expo/**/*.js', (route) => (holds ? void held.push(() => route.continue()) : route.continue()));
  await page.goto(program.url, { waitUntil: 'commit' });
  await page.getByLabel('Name').fill('driver@lowmarsh');
  const drawn = await page.getByLabel('Name').elementHandle();
  expect(held.length).toBeGreaterThan(0);
  holds = false;
  for (const go of held) await go();
  await page.getByLabel('Password').fill('walk-round');
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeEnabled();
  expect(await drawn?.evaluate((node) => node.isConnected)).toBe(true);
  await expect(page.getByLabel('Name')).toHaveValue('driver@lowmarsh');
});

test('no serious accessibility fault on the daily screens', async ({ page, program }) => {
  await page.goto(program.url);
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await clean(page, 'sign in');
  await signIn(page, program.url, 'foreman');
  await clean(page, 'yard');
  await openTrailer(page, 'L-22');
  await expect(page.getByText('Open defects')).toBeVisible();
  await clean(page, 'trailer');
  await press(page, 'Report a defect');
  await page.getByRole('button', { name: /^2L:/ }).click();
  await page.getByRole('radio', { name: 'Tire' }).click();
  await clean(page, 'report');
  await press(page, 'Back');
  await page
    .getByRole('link', { name: /Out of service/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: 'Brake count' })).toBeVisible();
  await clean(page, 'verdict sheet');
  await press(page, 'Print');
  await expect(page.getByRole('heading', { name: 'Findings, worst first' })).toBeVisible();
  await clean(page, 'paper');
  await page.goto(`${program.url}/shop`);
  await expect(page.getByText('Reports to review', { exact: false })).toBeVisible();
  await clean(page, 'shop');
  await page.getByRole('link', { name: /Air bag/ }).click();
  await expect(page.getByText(/Bay \d/).first()).toBeVisible();
  await clean(page, 'job');
});

test('no serious accessibility fault while inspecting', async ({ page, program }) => {
  await page.goto(program.url);
  await signIn(page, program.url, 'technician');
  await openTrailer(page, 'L-23');
  await press(page, 'Inspect');
  await clean(page, 'routes to choose');
  await press(page, 'Full inspection');
  await clean(page, 'check by eye');
  await stepTo(page, '2L Applied stroke');
  await clean(page, 'pressure');
  await chocked(page);
  await press(page, '3/4');
  await clean(page, 'pad');
  for (const step of [
    '2L Hub oil',
    '2L Lug nuts',
    '2L-out Tire pressure',
    'Slider pins',
    'Leak-down, brakes applied',
  ]) {
    await stepTo(page, step);
    await clean(page, step);
  }
  await press(page, 'Skip');
  await clean(page, 'skip');
  await page.context().setOffline(true);
  await press(page, 'Cannot be reached here');
  await expect(page.getByText('kept on this device')).toBeVisible();
  await clean(page, 'something waits to be sent');
  await press(page, /kept on this device/);
  await clean(page, 'what waits to be sent');
});

test('no serious accessibility fault on the settings', async ({ page, program }) => {
  await page.goto(program.url);
  await signIn(page, program.url, 'foreman');
  await page.getByRole('navigation').getByRole('link', { name: 'Me', exact: true }).click();
  await clean(page, 'me');
  await press(page, 'Open the limit book');
  await press(page, /^Tread, /);
  await expect(page.getByText('Every other wheel').first()).toBeVisible();
  await clean(page, 'limit book');
  await page.keyboard.press('?');
  await clean(page, 'keys');
  for (const [path, heading] of SETTINGS) {
    await page.goto(program.url + path);
    await expect(page.getByRole('heading', { name: heading, exact: true })).toBeVisible();
    await clean(page, path);
  }
  await page.goto(program.url);
  await openTrailer(page, 'L-22');
  await press(page, 'What if it ran with other units…');
  await expect(page.getByText('The whole combination')).toBeVisible();
  await clean(page, 'combination');
});

test('a row is a real link: it opens beside the list, or in a tab of its own', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'foreman', { viewport: { width: 1280, height: 800 } });
  const row = page.getByRole('link', { name: /^L-22,/ });
  await row.press('Enter');
  await expect(page.getByRole('heading', { name: /^L-22/ })).toBeVisible();
  await expect(row).toHaveAttribute('aria-current', 'true');
  await page
    .getByRole('link', { name: /Out of service/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: 'L-22 – verdict sheet' })).toBeVisible();
  await page.goBack();
  await expect(row).toBeVisible();
  const [tab] = await Promise.all([page.context().waitForEvent('page'), row.click({ modifiers: ['Control'] })]);
  await expect(tab.getByRole('heading', { name: /^L-22/ })).toBeVisible();
  await expect(row).toBeVisible();
  await tab.setViewportSize({ width: 390, height: 844 });
  await expect(tab).toHaveURL(/\/trailer\//);
});

test('letters twice as large: nothing is cut off, nothing lies beside the screen, no key is lost', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'foreman');
  await page.addInitScript(() => {
    document.addEventListener('DOMContentLoaded', () => {
      document.documentElement.style.fontSize = '200%';
    });
  });
  await page.reload();
  const cut = () =>
    page.evaluate(() => {
      const over = [...document.querySelectorAll<HTMLElement>('a, [role], [dir=auto]')].filter((each) => {
        const { width, right } = each.getBoundingClientRect();
        const clipped = each.scrollWidth > each.clientWidth + 1 && getComputedStyle(each).overflowX !== 'visible';
        return width > 0 && (clipped || right > innerWidth + 1);
      });
      return over.map((each) => `${each.getAttribute('aria-label') ?? each.textContent}`.slice(0, 60));
    });
  const fits = async (where: string) => {
    await expect(page.getByText('Loading…')).toHaveCount(0);
    await expect.poll(cut, where).toEqual([]);
  };
  await expect(page.getByRole('list', { name: 'Units' }).getByRole('link').first()).toBeVisible();
  await fits('yard');
  await openTrailer(page, 'L-22');
  await fits('trailer');
  await press(page, 'Inspect');
  await press(page, 'Full inspection');
  for (const step of ['2L Spring and hanger', '2L Hub oil', '2L Lug nuts', '2L-out Tire pressure', 'Kingpin']) {
    await stepTo(page, step);
    await fits(step);
  }
  await stepTo(page, '2L Applied stroke');
  await chocked(page);
  await press(page, '13/16');
  await fits('stroke');
  await press(page, 'Save 2L applied stroke');
  await expect(page.getByRole('button', { name: 'Yes, it is correct' })).toBeVisible();
  await fits('asked');
  await press(page, 'Yes, it is correct');
  await press(page, 'Sheet');
  await expect(page.getByRole('heading', { name: 'Brake count' })).toBeVisible();
  await fits('sheet');
  for (const [path, heading] of [['/shop', 'Shop'], ['/me', 'Me'], ['/book', 'Limit book'], ...SETTINGS] as const) {
    await page.goto(program.url + path);
    await expect(page.getByRole('heading', { name: heading, exact: true })).toBeVisible();
    await fits(path);
  }
});

for (const [name, viewport] of [
  ['phone', { width: 390, height: 844 }],
  ['wide', { width: 1280, height: 800 }],
] as const)
  test(`from a chosen trailer to its inspection is at most eight stops of the keyboard, ${name}`, async ({
    browser,
    program,
  }) => {
    const page = await deviceOf(browser, program.url, 'technician', { viewport });
    await page.getByRole('link', { name: /^H-12,/ }).press('Enter');
    const inspect = page.getByRole('button', { name: 'Inspect', exact: true });
    await expect(inspect).toBeVisible();
    let stops = 0;
    while (stops < 8 && !(await inspect.evaluate((node) => node === document.activeElement))) {
      await page.keyboard.press('Tab');
      stops++;
    }
    await expect(inspect).toBeFocused();
  });
