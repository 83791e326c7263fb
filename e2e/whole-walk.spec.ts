import type { Page } from '@playwright/test';
import { comeIn, countTaps, startEmpty } from './empty-fleet';
import { allSent, begin, expect, openTrailer, press, test } from './program';

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
  const together = page.getByRole('button', { name: /^Checked all \d+: all good$/ });
  const good = page.getByRole('button', {
    name: /^(Good: |Dry, no leak|Between marks, clear, dry|.*: the tires do not touch)/,
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
    const doubted = page.getByRole('button', { name: 'Yes, it is correct' });
    await expect(doubted.or(place.filter({ hasNotText: before })).first()).toBeVisible();
    if (await doubted.isVisible()) await doubted.press('Enter');
  }
  await expect(place.filter({ hasText: before })).toHaveCount(0);
  return true;
}

/** Walks of a fleet that has nothing yet, and the most taps each may take from the first to the closed sheet, figures typed among them. */
for (const [kind, route, most] of [
  ['Bus', 'Bus walk', 96],
  ['Straight truck', 'Truck walk', 96],
  ['Tractor', 'Tractor walk', 118],
  ['Dolly', 'Dolly walk', 12],
  ['Semitrailer', 'Trailer walk', 20],
  ['Semitrailer', 'Four-point walk', 14],
] as const)
  test(`from an empty fleet the ${route.toLowerCase()} is walked whole, in at most ${most} taps`, async ({
    browser,
  }) => {
    test.slow();
    const program = await startEmpty();
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' });
    const page = await context.newPage();
    const taps = await countTaps(page);
    await comeIn(page, program.said);
    await press(page, 'Set up the fleet');
    await press(page, 'Set up a unit');
    await page.getByLabel('Number, as painted on it').fill('F-1');
    await page.getByRole('radio', { name: kind, exact: true }).click();
    await press(page, 'Add unit');
    await openTrailer(page, 'F-1');
    const before = await taps();
    await begin(page, route);
    while (await answer(page));
    await press(page, 'Open the verdict sheet');
    await press(page, 'Close inspection');
    await expect(page.getByRole('heading', { name: /^F-1/ })).toBeVisible();
    const walked = (await taps()) - before;
    await allSent(page);
    await page.reload();
    await expect(page.getByRole('link', { name: new RegExp(`${route}, .* · complete`) })).toBeVisible();
    expect(walked).toBeLessThanOrEqual(most);
    await context.close();
    await program.stop();
  });
