import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, openTrailer, press, signIn, test } from './program';

/** Looks until the screen has settled: what is still arriving is not judged. */
async function clean(page: Page, where: string): Promise<void> {
  await expect(async () => {
    const { violations } = await new AxeBuilder({ page }).analyze();
    const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
    const said = serious.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`);
    expect(said, where).toEqual([]);
  }).toPass({ timeout: 20_000 });
}

test.setTimeout(240_000);

for (const theme of ['light', 'dark'] as const)
  test(`no serious accessibility fault on any screen, ${theme}`, async ({ page, program }) => {
    await page.emulateMedia({ colorScheme: theme });
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
    await page.getByRole('radio', { name: 'Tyre' }).click();
    await clean(page, 'report');
    await press(page, 'Back');
    await page
      .getByRole('link', { name: /Out of service/ })
      .first()
      .click();
    await expect(page.getByRole('heading', { name: 'Brake count' })).toBeVisible();
    await clean(page, 'verdict sheet');
    await press(page, 'Back');
    await press(page, 'Measure');
    await expect(page.getByText('Reservoir pressure')).toBeVisible();
    await clean(page, 'pressure');
    await press(page, '95 psi');
    await press(page, '3/4');
    await clean(page, 'pad');
    await press(page, 'Steps');
    await clean(page, 'steps');
    await page.getByRole('button', { name: '1L Hub oil: open' }).click();
    await clean(page, 'hub');
    await press(page, 'Skip');
    await clean(page, 'skip');
    await press(page, 'Close');
    await page.goto(`${program.url}/shop`);
    await expect(page.getByText('Reports to answer', { exact: false })).toBeVisible();
    await clean(page, 'shop');
    await page.getByRole('link', { name: /Air bag/ }).click();
    await expect(page.getByText('Bay 3', { exact: false }).first()).toBeVisible();
    await clean(page, 'job');
    await page.getByRole('link', { name: 'Me' }).click();
    await clean(page, 'me');
    await press(page, 'Open the limit book');
    await expect(page.getByRole('heading', { name: 'Applied stroke' })).toBeVisible();
    await clean(page, 'limit book');
    await page.keyboard.press('?');
    await clean(page, 'keys');
  });
