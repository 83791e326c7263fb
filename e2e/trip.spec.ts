import { allSent, deviceOf, expect, openTrailer, press, test } from './program';

test('a combination is hooked without a signal, walked as one, and a hold on one says what the others may do', async ({
  browser,
  program,
}) => {
  const driver = await deviceOf(browser, program.url, 'driver', { keeps: true });
  await openTrailer(driver, 'Y-1');
  await press(driver, 'Hook behind Y-1 …');
  await driver.getByRole('dialog').getByLabel('Search').fill('H-1');
  await expect(driver.getByRole('button', { name: 'H-13, Seed hopper' })).toBeVisible();
  await driver.getByRole('button', { name: 'H-13, Seed hopper' }).click();
  await allSent(driver);
  await expect(driver.getByText('2. H-13  Seed hopper')).toBeVisible();
  await press(driver, 'Before the trip');
  await expect(driver.getByText('Y-1 – H-13')).toBeVisible();
  await press(driver, 'I have seen the repair at 1R');
  await press(driver, 'Sign: nothing found on Y-1, H-13');
  await driver.getByRole('radio', { name: 'After the trip' }).click();
  const meter = driver.getByLabel('Odometer or hub meter').first();
  await meter.fill('48,210 mi');
  await press(driver, 'Keep it. meter of Y-1');
  await meter.fill('48,200 mi');
  await expect(driver.getByText('a meter does not run backwards', { exact: false })).toBeVisible();
  await meter.fill('48,300 mi');
  await press(driver, 'Keep it. meter of Y-1');
  await allSent(driver);

  await driver.getByRole('button', { name: 'Back' }).click();
  await press(driver, 'Drop. H-13');
  await allSent(driver);
  await press(driver, 'Hook behind Y-1 …');
  await driver.getByRole('dialog').getByLabel('Search').fill('H-12');
  await driver.getByRole('button', { name: 'H-12, Seed hopper' }).click();
  await expect(driver.getByText('H-12 is held: the combination does not go as it is.', { exact: false })).toBeVisible();
});
