import type { Page } from '@playwright/test';
import { checkEntry, type Reading } from '../core/src';
import { judgedTruth, type MadeUp, makeUp, PRACTICE_ROUTES } from '../core/src/practice/ground';
import { perfectWalk } from '../core/src/practice/ground/debrief';
import { allSent, command, deviceOf, expect, openTrailer, press, test } from './program';

const [BRAKES] = PRACTICE_ROUTES;
if (!BRAKES) throw new Error('no route');

/** A trailer whose lining is thick on the side one sees, and on few axles. */
function deceptive(): MadeUp {
  for (let seed = 1; ; seed++) {
    const made = makeUp(seed, 4, BRAKES as NonNullable<typeof BRAKES>);
    if (made.hidden.length === 1 && made.hidden[0]?.id === 'thick-side' && (made.units[0]?.steps.length ?? 99) <= 28)
      return made;
  }
}

/** Enters a reading from the keyboard alone. `seen` is what somebody enters who looked at one side only. */
async function enter(page: Page, reading: Reading, seen?: string): Promise<void> {
  if (reading.kind === 'check') {
    if (reading.found.length === 0) return page.keyboard.press('g');
    const signs = checkEntry(reading.check)?.signs ?? [];
    for (const code of reading.found)
      await page.keyboard.press(String(signs.findIndex((sign) => sign.code === code) + 1));
    return page.keyboard.press('Enter');
  }
  const text =
    seen ?? ('value' in reading ? String(reading.value) : reading.kind === 'lining' ? thinnest(reading.points) : '');
  await page.keyboard.type(text.replace(/ in$/, ''));
  await page.keyboard.press('Enter');
}
const inInches = (text: string): number => {
  const [, whole = '0', top = '0', bottom = '1'] = /^(?:(\d+) ?)?(?:(\d+)\/(\d+))? in$/.exec(text) ?? [];
  return Number(whole) + Number(top) / Number(bottom);
};
const thinnest = (points: readonly string[]): string => [...points].sort((a, b) => inInches(a) - inInches(b))[0] ?? '';

test('a whole practice walk without a signal: a lining thick on the side one sees is missed, and the debrief says so', async ({
  browser,
  program,
}) => {
  test.slow();
  const made = deceptive();
  const foreman = await deviceOf(browser, program.url, 'foreman');
  const exercise = { what: 'yard', seed: made.seed, level: 4, of: made.route.id, vehicle: 'trailer' };
  const task = { task: crypto.randomUUID(), name: 'Brakes before Friday', person: null, exercise, due: null, pass: 80 };
  expect(await command(foreman, 'set-practice-task', task)).toBe(200);

  const page = await deviceOf(browser, program.url, 'technician', {
    keeps: true,
    viewport: { width: 1280, height: 800 },
  });
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.goto(`${program.url}/practice`);
  await expect(page.getByText('Brakes before Friday')).toBeVisible();
  await page.context().setOffline(true);
  await press(page, 'Do it. Brakes before Friday');
  await expect(page.getByText('Made up: no real unit', { exact: false })).toBeVisible();
  await press(page, 'Set the chocks');
  await press(page, '95 psi');
  const walked = perfectWalk(made).taken;
  const deceived = made.hidden[0]?.keys[0];
  for (const [nth, { key, reading }] of walked.entries()) {
    await expect(page.getByText(new RegExp(`^${nth} of ${walked.length} `))).toBeVisible();
    // Who looks at the side one sees reads what stands there.
    await enter(page, reading, key === deceived && reading.kind === 'lining' ? reading.points[0] : undefined);
    const doubted = page.getByRole('button', { name: 'Yes, it is correct' });
    const next = page.getByText(new RegExp(`^${nth + 1} of ${walked.length} `));
    await expect(doubted.or(next).first()).toBeVisible();
    if (await doubted.isVisible()) await doubted.press('Enter');
    if (nth !== 3) continue;
    await page.reload();
    await expect(page.getByRole('button', { name: /^Save / })).toBeVisible();
  }
  await press(page, 'Go');
  await expect(page.getByText('Missed: Lining thick on the side one sees, thin on the other')).toBeVisible();
  await expect(page.getByText('That changed the verdict.').first()).toBeVisible();
  await expect(page.getByText('You said: no hold. The book says otherwise.')).toBeVisible();
  await expect(page.getByText('Chocked first.', { exact: false })).toBeVisible();
  const { verdict } = judgedTruth(made);
  expect(['violation', 'out-of-service']).toContain(verdict);
  const row = page.getByRole('button', { name: /^Show\. Lining/ }).first();
  await row.click();
  await page.getByRole('radio', { name: 'Upper shoe, far side' }).click();
  await expect(
    page.getByRole('img', { name: /^Upper shoe, far side: the lining ends \d+ thirty-seconds/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.context().setOffline(false);
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await allSent(page);

  await foreman.goto(`${program.url}/practice/class`);
  await expect(foreman.getByText('1 result in a year')).toBeVisible();
  await expect(foreman.getByText('Missed most')).toBeVisible();
  await expect(foreman.getByText('Lining', { exact: true }).first()).toBeVisible();
});

test('nothing of practice is in a real unit’s records', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await page.goto(`${program.url}/practice`);
  await press(page, 'New practice trailer');
  await expect(page.getByRole('button', { name: 'Set the chocks' })).toBeVisible();
  await press(page, '95 psi');
  await page.keyboard.type('1 1/2');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^1 of \d+/)).toBeVisible();
  await allSent(page);
  const { units } = await page.evaluate(() => fetch('/api/v1/units').then((answer) => answer.json()));
  expect(units.some(({ number }: { number: string }) => number.startsWith('P-'))).toBe(false);
});

test('an exam by two phones: the code is typed, each thing marked, what must not fail fails it', async ({
  browser,
  program,
}) => {
  const learner = await deviceOf(browser, program.url, 'driver');
  await learner.goto(`${program.url}/practice/by-heart`);
  await press(learner, /^In the cab, and the air brakes/);
  await learner.getByRole('radio', { name: 'Exam' }).click();
  await press(learner, 'Start the exam');
  const code = (await learner.getByText(/^[A-Z2-9]{6}$/).textContent()) ?? '';
  await allSent(learner);

  const examiner = await deviceOf(browser, program.url, 'technician');
  await examiner.goto(`${program.url}/practice`);
  await press(examiner, 'Examine someone');
  await examiner.getByLabel('Code').fill('QQQQQQ');
  await expect(examiner.getByText('No exam with this code, or it is over.')).toBeVisible();
  await examiner.getByLabel('Code').fill(code);
  await expect(examiner.getByRole('heading', { name: /: In the cab, and the air brakes$/ })).toBeVisible();
  await press(examiner, 'Left out. Service brake');
  await press(examiner, 'Said. Horn');
  await allSent(examiner);
  await expect(learner.getByText(/^2 of \d+ marked\.$/)).toBeVisible();
  await press(learner, 'The exam is over');
  await expect(learner.getByRole('heading', { name: 'Not passed' })).toBeVisible();
  await expect(learner.getByText(/^Required items left out: .*Service brake/)).toBeVisible();
});

test('the air brake check by keyboard alone: out of order it begins again, in order it ends on the pads', async ({
  browser,
  program,
}) => {
  test.slow();
  const page = await deviceOf(browser, program.url, 'driver');
  await page.goto(`${program.url}/practice/air?seed=2`);
  const dash = page.getByRole('img', { name: /^primary / });
  const part = (name: string) => page.getByRole('heading', { name: new RegExp(`^\\d\\. ${name}$`) });
  await expect(part('Build up')).toBeVisible();
  await page.keyboard.press('e');
  await page.keyboard.press('p');
  await expect(page.getByText('The check starts over.', { exact: false })).toBeVisible();
  const controls = async () => (await dash.getAttribute('aria-label')) ?? '';
  if (!/engine runs/.test(await controls())) await page.keyboard.press('e');
  if (/tractor’s valve out/.test(await controls())) await page.keyboard.press('t');
  await page.keyboard.press('r');
  await expect(page.getByText('first chock the wheels', { exact: false })).toBeVisible();
  await expect(dash).toHaveAccessibleName(/trailer’s valve out/);
  await page.keyboard.press('c');
  await page.keyboard.press('r');
  await expect(part('Governor')).toBeVisible({ timeout: 60_000 });
  const pump = async (until: () => Promise<boolean>) => {
    for (let nth = 0; nth < 200 && !(await until()); nth++) {
      await page.keyboard.press('p');
      await expect(dash).toHaveAccessibleName(/pedal pressed/);
      await page.keyboard.press('p');
      await expect(dash).toHaveAccessibleName(/pedal released/);
    }
  };
  await pump(() => part('Leak-down, released').isVisible());
  await page.keyboard.press('e');
  await page.keyboard.press('w');
  await expect(part('Leak-down, applied')).toBeVisible();
  await page.keyboard.press('p');
  await page.keyboard.press('w');
  await expect(part('Low-air warning')).toBeVisible();
  await page.reload();
  await expect(part('Low-air warning')).toBeVisible();
  await expect(page.getByRole('img', { name: /^cut out: \d+ psi, cut in: \d+ psi, released, first: / })).toBeVisible();
  await pump(() => part('Valves').isVisible());
  await pump(() => part('Start again').isVisible());
  await page.keyboard.press('e');
  await press(page, 'Record it on the pads');
  for (let nth = 0; nth < 6; nth++) {
    const skip = page.getByRole('button', { name: 'Skip' });
    if (nth === 2) {
      await page.reload();
      await expect(skip).toBeVisible();
    }
    if (!(await skip.isVisible())) break;
    await page.keyboard.press('k');
  }
  await expect(page.getByText(/^(What was wrong: |Nothing was wrong)/)).toBeVisible();
  await expect(page.getByText('Started over 2 times.')).toBeVisible();
});

test('the dash is worked where it is drawn, by a gloved finger', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'driver', { viewport: { width: 390, height: 844 } });
  await page.goto(`${program.url}/practice/air?seed=3`);
  const dash = page.getByRole('img', { name: /^primary / });
  const drawn = await dash.boundingBox();
  await press(page, /^Chock the wheels, both ways/);
  for (const [control, says] of [
    ['Key on', /Key on/],
    ['Engine on', /engine runs/],
    ['Push the tractor’s valve in', /tractor’s valve in/],
    ['Push the trailer’s valve in', /trailer’s valve in/],
  ] as const) {
    const button = page.getByRole('button', { name: control, exact: true });
    const box = await button.boundingBox();
    expect(Math.min(box?.width ?? 0, box?.height ?? 0)).toBeGreaterThanOrEqual(44);
    expect(box && drawn && box.y > drawn.y && box.y + box.height <= drawn.y + drawn.height).toBe(true);
    await button.click();
    await expect(dash).toHaveAccessibleName(says);
  }
  // Braking while it builds up is out of order: the pedal was felt.
  await page.getByRole('button', { name: 'Press the pedal', exact: true }).click();
  await expect(page.getByText('The check starts over.', { exact: false })).toBeVisible();
});

test('a drill is answered, its best and its days kept on the device', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'driver');
  await page.goto(`${program.url}/practice/drill?of=count&seed=5`);
  for (let nth = 0; nth < 20; nth++) {
    await expect(page.getByText(`${nth + 1} of 20`)).toBeVisible();
    if (nth === 7) await page.reload();
    await page
      .getByRole('main')
      .getByRole('button', { name: /^(In|Out): / })
      .first()
      .click();
    await press(page, nth < 19 ? 'Next' : 'See the result');
  }
  await expect(page.getByRole('heading', { name: /^\d+ of 20 right$/ })).toBeVisible();
  await expect(page.getByText('Your first time.')).toBeVisible();
  await allSent(page);
  await page.goto(`${program.url}/practice`);
  await expect(page.getByText('A drill').first()).toBeVisible();
});

test('a walk said whole in any order is marked beside the list, of one unit with what is kept of it', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'driver');
  await openTrailer(page, 'H-11');
  await press(page, 'Its walk-around by heart');
  await expect(page.getByText('H-11: the sentence includes its data')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Engine side/ })).toHaveCount(0);
  await press(page, /^Trailer with coupling/);
  await page.getByRole('radio', { name: 'Say it' }).click();
  await page.getByRole('radio', { name: 'In any order' }).click();
  await press(page, 'I have said it all');
  await press(page, 'Half. Next axle');
  await page
    .getByRole('button', { name: /^Said\. / })
    .first()
    .click();
  await page.reload();
  await press(page, /^Trailer with coupling/);
  await page.getByRole('radio', { name: 'Say it' }).click();
  await page.getByRole('radio', { name: 'In any order' }).click();
  await expect(page.getByText('Next axle: half')).toBeVisible();
  await press(page, 'That was all');
  await expect(page.getByText(/^1\.5 of \d+$/)).toBeVisible();
});

test('a card that is known comes back later, one that is not stays; the shop’s route has cards of its own', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'driver');
  await page.goto(`${program.url}/practice/by-heart`);
  await press(page, /^Engine side/);
  await page.getByRole('radio', { name: 'Recall' }).click();
  const left = async () => Number(/(\d+) left/.exec((await page.getByText(/ left$/).textContent()) ?? '')?.[1]);
  const before = await left();
  await press(page, 'Show it');
  await press(page, 'Known');
  await expect.poll(left).toBe(before - 1);
  await press(page, 'Show it');
  await press(page, 'Not known');
  await expect.poll(left).toBe(before - 1);
  await page.reload();
  await press(page, /^Engine side/);
  await page.getByRole('radio', { name: 'Recall' }).click();
  await expect(page.getByText(/ left$/)).toBeVisible();
});
