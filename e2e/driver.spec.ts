import { allSent, begin, deviceOf, expect, openTrailer, press, stepTo, test } from './program';

test('nothing found is a signed report in two taps, kept without a signal and marked so', async ({
  browser,
  program,
}) => {
  const driver = await deviceOf(browser, program.url, 'driver');
  await openTrailer(driver, 'H-11');
  await driver.context().setOffline(true);
  await press(driver, 'Nothing found');
  await press(driver, 'Sign: nothing found on H-11');
  await expect(driver.getByText('Not sent yet')).toBeVisible();
  await expect(driver.getByText('H-11: walked around, no defects found')).toBeVisible();
  await driver.context().setOffline(false);
  await allSent(driver);
  await expect(driver.getByText('Not sent yet')).toBeHidden();
  await expect(driver.getByText(/^Walked around, no defects found: Ines Dorval/)).toBeVisible();
});

test('what is not fitted closes its step, is not asked for again, and can be put right', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await openTrailer(page, 'H-11');
  await begin(page, 'Full inspection');
  await stepTo(page, '1L Shock absorber');
  await press(page, 'Skip');
  await press(page, 'Not on this unit: do not ask again');
  await expect(page.getByRole('button', { name: /^1L Shock absorber: / })).toHaveCount(0);
  await allSent(page);
  await page.goto(program.url);
  await openTrailer(page, 'H-11');
  await expect(page.getByText('Shock absorber, 1L', { exact: true })).toBeVisible();
  await press(page, /^Mark as fitted/);
  await allSent(page);
  await expect(page.getByText('Shock absorber, 1L', { exact: true })).toBeHidden();
});

test('radio choices answer to arrow keys', async ({ browser, program }) => {
  const driver = await deviceOf(browser, program.url, 'driver');
  await openTrailer(driver, 'H-11');
  await press(driver, 'Report a defect');
  await driver.getByRole('main').getByRole('button', { name: /^1R:/ }).last().click();
  await driver.getByRole('radio', { name: 'Brake' }).click();
  await driver.keyboard.press('ArrowRight');
  await expect(driver.getByRole('radio', { name: 'Tire', exact: true })).toBeChecked();
  await expect(driver.getByRole('radio', { name: 'Tire', exact: true })).toBeFocused();
  await driver.keyboard.press('ArrowLeft');
  await driver.keyboard.press('ArrowLeft');
  await expect(driver.getByRole('radio', { name: 'Something else' })).toBeChecked();
});

test('a full quick walk of a two-axle trailer takes at most eighteen taps', async ({ browser, program }) => {
  const driver = await deviceOf(browser, program.url, 'driver');
  await openTrailer(driver, 'H-11');
  let taps = 0;
  const tap = async (name: string | RegExp) => {
    await press(driver, name);
    taps++;
  };
  await tap('Walk round');
  await tap('Four-point walk');
  const next = driver.getByRole('button', { name: /^(Checked all \d+: all good|Good: .*|Chocks out)$/ });
  const finished = driver.getByRole('button', { name: 'Open the verdict sheet' });
  for (;;) {
    await expect(next.or(finished).first()).toBeVisible();
    if (await finished.isVisible()) break;
    const name = (await next.first().getAttribute('aria-label')) ?? '';
    const place = driver.getByText(/^\d+ of \d+/).first();
    const before = await place.textContent();
    await tap(name);
    if (name !== 'Chocks out') await expect(place.filter({ hasText: before ?? '' })).toHaveCount(0);
    else await expect(driver.getByRole('button', { name, exact: true })).toHaveCount(0);
  }
  await tap('Open the verdict sheet');
  await tap('Close inspection');
  await expect(driver.getByRole('heading', { name: /^H-11/ })).toBeVisible();
  expect(taps).toBeLessThanOrEqual(18);
  await allSent(driver);
  await driver.reload();
  await expect(driver.getByRole('link', { name: /Four-point walk, .* · complete/ })).toBeVisible();
});

test('not sure is an answer', async ({ browser, program }) => {
  const driver = await deviceOf(browser, program.url, 'driver');
  await openTrailer(driver, 'H-11');
  await press(driver, 'Report a defect');
  await driver.getByRole('main').getByRole('button', { name: /^1R:/ }).last().click();
  await driver.getByRole('radio', { name: 'Brake' }).click();
  await driver.getByRole('radio', { name: 'Not sure' }).click();
  await press(driver, 'Send report');
  await expect(driver.getByText('Brake: something is not right, not sure what').first()).toBeVisible();
});

test('a lamp that is out says which, and on which side', async ({ browser, program }) => {
  const driver = await deviceOf(browser, program.url, 'driver');
  await openTrailer(driver, 'H-11');
  await press(driver, 'Report a defect');
  await press(driver, 'Not at a wheel: lamps, body, coupling, air…');
  await driver.getByRole('radio', { name: 'Lamps' }).click();
  await driver.getByRole('radio', { name: 'A lamp is out' }).click();
  await driver.getByRole('radio', { name: 'Tail lamps' }).click();
  await driver.getByRole('radio', { name: 'On the left' }).click();
  await press(driver, 'Send report');
  await expect(driver.getByText('Tail lamps. On the left').first()).toBeVisible();
});
