import type { Page } from '@playwright/test';
import { allSent, deviceOf, expect, openTrailer, press, test } from './program';

const digits = (text: string): string[] => [...text];

/** Keys that answer what a walk asks for as a figure, by the words of the button that saves it; a field each. */
const FIGURES: [RegExp, string[][]][] = [
  [/^Steering wheel play/, [['1 inches'], digits('20')]],
  [/^Slack pull/, [['3/4']]],
  [/^Tread/, [['12 thirty-seconds'], ['12 thirty-seconds'], ['12 thirty-seconds'], ['12 thirty-seconds']]],
  [/governor/i, [digits('100'), digits('125')]],
  [/low-air/i, [digits('60')]],
  [/spring brake/i, [digits('30')]],
  [/leak-down/i, [digits('100'), digits('100')]],
];

/** Types into one field after another, where there are several. */
async function type(page: Page, fields: string[][]): Promise<void> {
  const next = page.getByRole('button', { name: /^Next: / });
  for (const keys of fields) {
    for (const key of keys) await press(page, key);
    if (!(await next.isVisible())) return;
    await next.click();
  }
}

/** Answers one step, or several together; false when the walk is at its end. */
async function answer(page: Page): Promise<boolean> {
  const together = page.getByRole('button', { name: /^Looked at all \d+: all good$/ });
  const good = page.getByRole('button', {
    name: /^(Good: |Dry, no leak|Between marks, clear, dry|.*: the tyres do not touch)/,
  });
  const save = page.getByRole('button', { name: /^(Save|Next:) / });
  const chocks = page.getByRole('button', { name: /^(Chocked, both ways|Chocks out)$/ });
  const finished = page.getByRole('button', { name: 'Open the verdict sheet' });
  const place = page.getByText(/^\d+ of \d+/).first();
  await expect(together.or(good).or(save).or(finished).or(chocks).first()).toBeVisible();
  if (await chocks.isVisible()) await chocks.click();
  await expect(together.or(good).or(save).or(finished).first()).toBeVisible();
  if (await finished.isVisible()) return false;
  const before = new RegExp(`^${/^\d+ of/.exec((await place.textContent()) ?? '')?.[0]}`);
  if (await together.isVisible()) await together.click();
  else if (await good.first().isVisible()) await good.first().click();
  else {
    const asked = (await page.getByRole('main').getByRole('heading', { level: 2 }).textContent()) ?? '';
    const start = page.getByRole('button', { name: 'Start the clock' });
    if (await start.isVisible()) {
      await start.click();
      await press(page, 'Stop the clock');
    }
    const vehicles = page.getByRole('radio', { name: 'One vehicle' });
    if (await vehicles.isVisible()) await vehicles.click();
    const powered = page.getByRole('radio', { name: 'Power steering', exact: true });
    if (await powered.isVisible()) await powered.click();
    await type(page, FIGURES.find(([words]) => words.test(asked))?.[1] ?? []);
    await save.click();
    const doubted = page.getByRole('button', { name: 'It is right' });
    await expect(doubted.or(place.filter({ hasNotText: before })).first()).toBeVisible();
    if (await doubted.isVisible()) await doubted.press('Enter');
  }
  await expect(place.filter({ hasText: before })).toHaveCount(0);
  return true;
}

for (const [number, route] of [
  ['T-71', 'Bus walk'],
  ['S-61', 'Truck walk'],
  ['Y-1', 'Tractor walk'],
  ['J-51', 'Dolly walk'],
  ['D-41', 'Trailer walk'],
] as const)
  test(`the ${route.toLowerCase()} of ${number} is walked whole and closed complete`, async ({ browser, program }) => {
    test.slow();
    const driver = await deviceOf(browser, program.url, 'driver');
    await openTrailer(driver, number);
    await press(driver, 'Walk round');
    await press(driver, route);
    while (await answer(driver));
    await press(driver, 'Open the verdict sheet');
    await press(driver, 'Close inspection');
    await expect(driver.getByRole('heading', { name: new RegExp(`^${number}`) })).toBeVisible();
    await allSent(driver);
    await driver.reload();
    await expect(driver.getByRole('link', { name: new RegExp(`${route}, .* · complete`) })).toBeVisible();
  });
