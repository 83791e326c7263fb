import { allSent, begin, deviceOf, expect, openTrailer, press, stepTo, test } from './program';

test('nothing found is a signed report in two taps, kept without a signal and marked so', async ({
  browser,
  program,
}) => {
  const driver = await deviceOf(browser, program.url, 'driver');
  await openTrailer(driver, 'H-11');
  await driver.context().setOffline(true);
  await press(driver, 'Nothing found');
  await press(driver, 'Sign: H-11, nothing found');
  await expect(driver.getByText('Not sent yet')).toBeVisible();
  await expect(driver.getByText('H-11: walked round, nothing found')).toBeVisible();
  await driver.context().setOffline(false);
  await allSent(driver);
  await expect(driver.getByText('Not sent yet')).toBeHidden();
  await expect(driver.getByText(/^Walked round, nothing found: Ines Dorval/)).toBeVisible();
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
  await press(page, 'Not fitted: never asked of this unit again');
  await expect(page.getByRole('button', { name: /^1L Shock absorber: / })).toHaveCount(0);
  await allSent(page);
  await page.goto(program.url);
  await openTrailer(page, 'H-11');
  await expect(page.getByText('Shock absorber, 1L')).toBeVisible();
  await press(page, /^It is fitted/);
  await allSent(page);
  await expect(page.getByText('Shock absorber, 1L')).toBeHidden();
});

test('radio choices answer to arrow keys', async ({ browser, program }) => {
  const driver = await deviceOf(browser, program.url, 'driver');
  await openTrailer(driver, 'H-11');
  await press(driver, 'Report a defect');
  await driver.getByRole('main').getByRole('button', { name: /^1R:/ }).last().click();
  await driver.getByRole('radio', { name: 'Brake' }).click();
  await driver.keyboard.press('ArrowRight');
  await expect(driver.getByRole('radio', { name: 'Tyre', exact: true })).toBeChecked();
  await expect(driver.getByRole('radio', { name: 'Tyre', exact: true })).toBeFocused();
  await driver.keyboard.press('ArrowLeft');
  await driver.keyboard.press('ArrowLeft');
  await expect(driver.getByRole('radio', { name: 'Something else' })).toBeChecked();
});
