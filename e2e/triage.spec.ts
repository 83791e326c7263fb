import type { Page } from '@playwright/test';
import { allSent, deviceOf, expect, openTrailer, press, reportFlap, test } from './program';

const shop = (page: Page) => page.getByRole('navigation').getByRole('link', { name: 'Shop' }).click();
const left = async (page: Page) =>
  Number(/\((\d+)\)/.exec((await page.getByText(/^Reports to review \(/).textContent()) ?? '')?.[1]);

test('the whole queue is answered by keys as proposed, one taken back, and nothing is lost', async ({
  browser,
  program,
}) => {
  const foreman = await deviceOf(browser, program.url, 'foreman', { viewport: { width: 1280, height: 800 } });
  await shop(foreman);
  const otherwise = foreman.getByRole('button', { name: /^Other decision/ });
  await expect(otherwise.first()).toBeVisible();
  const before = await left(foreman);
  let keys = 0;
  while ((await otherwise.count()) > 0) {
    const count = await otherwise.count();
    await foreman.keyboard.press('a');
    keys++;
    await expect.poll(() => otherwise.count()).toBeLessThan(count);
  }
  expect(keys).toBeLessThanOrEqual(before);
  await expect(foreman.getByText('No reports to review.')).toBeVisible();
  await allSent(foreman);
  await foreman.keyboard.press('u');
  await expect(foreman.getByText('Reports to review (1)')).toBeVisible();
});

test('a duplicate is joined, what is small is put off, and what a driver doubts is measured first', async ({
  browser,
  program,
}) => {
  const driver = await deviceOf(browser, program.url, 'driver');
  const report = async (choose: () => Promise<void>, words: string) => {
    await openTrailer(driver, 'H-14');
    await press(driver, 'Report a defect');
    await choose();
    await driver.getByLabel('Your own words').fill(words);
    await press(driver, 'Send report');
    await expect(driver.getByText(words).first()).toBeVisible();
  };
  const brake = async () => {
    await driver.getByRole('main').getByRole('button', { name: /^1R:/ }).last().click();
    await driver.getByRole('radio', { name: 'Brake' }).click();
    await driver.getByRole('radio', { name: 'Not sure' }).click();
  };
  const flap = async () => {
    await press(driver, 'Not at a wheel: lamps, body, coupling, air…');
    await driver.getByRole('radio', { name: 'Body, doors' }).click();
    await driver.getByRole('radio', { name: /flap/i }).first().click();
  };
  await report(brake, 'pulls a little');
  await report(brake, 'pulls more');
  await report(flap, 'a corner torn');
  await allSent(driver);
  const foreman = await deviceOf(browser, program.url, 'foreman');
  await shop(foreman);
  await press(foreman, 'Measure first. H-14 1R');
  await foreman.getByRole('button', { name: /^Merge with the existing report\. H-14 1R/ }).click();
  await press(foreman, 'Other decision…. H-14 Trailer');
  await press(foreman, 'Defer…');
  await foreman.getByLabel('Why can it wait?').fill('At its next visit');
  await press(foreman, 'Defer');
  await allSent(foreman);
  await expect(foreman.getByRole('button', { name: /^Other decision…\. H-14 (1R|Trailer)$/ })).toHaveCount(0);
  await openTrailer(driver, 'H-14');
  await driver.reload();
  await expect(driver.getByText('to be measured first', { exact: false })).toBeVisible();
  await expect(driver.getByText('deferred until', { exact: false }).first()).toBeVisible();
});

test('what was put off until the meter reads so much is back in the queue once a driver reads it', async ({
  browser,
  program,
}) => {
  const driver = await deviceOf(browser, program.url, 'driver');
  const readsAfterTrip = async (value: string) => {
    await openTrailer(driver, 'H-14');
    await press(driver, 'Before the trip');
    await driver.getByRole('radio', { name: 'After the trip' }).click();
    await driver.getByLabel('Odometer or hub meter').fill(value);
    const keep = driver.getByRole('button', { name: /^(Save|Meter reading is right)\. meter of H-14/ });
    await keep.click();
    await allSent(driver);
  };
  await reportFlap(driver, 'H-14');
  await readsAfterTrip('480,000 km');

  const foreman = await deviceOf(browser, program.url, 'foreman');
  await shop(foreman);
  const row = foreman.getByRole('button', { name: 'Other decision…. H-14 Trailer' });
  await row.click();
  await press(foreman, 'Defer…');
  await foreman.getByLabel('Or until meter reading', { exact: false }).fill('480,500 km');
  await foreman.getByLabel('Why can it wait?').fill('At its next service');
  await press(foreman, 'Defer');
  await allSent(foreman);
  await expect(row).toHaveCount(0);

  await readsAfterTrip('480,510 km');
  await foreman.reload();
  await expect(row).toBeVisible();
});
