import type { Browser, Page } from '@playwright/test';
import { allSent, begin, chocked, deviceOf, expect, measure, openTrailer, press, test } from './program';

interface Size {
  width: number;
  height: number;
}

/** Opens a trailer's defect form, touches the place and sends the report. */
async function report(driver: Page): Promise<void> {
  await openTrailer(driver, 'H-11');
  await press(driver, 'Report a defect');
  await driver.getByRole('main').getByRole('button', { name: /^1R:/ }).last().click();
  await driver.getByRole('radio', { name: 'Brake' }).click();
  await driver.getByRole('radio', { name: 'Hisses at the wheel' }).click();
  await driver.getByLabel('Your own words').fill('Hisses when held');
  await press(driver, 'Send report');
  await expect(driver.getByText('Hisses when held')).toBeVisible();
}

async function answer(foreman: Page, place: string): Promise<void> {
  await foreman.getByRole('navigation').getByRole('link', { name: 'Shop' }).click();
  await press(foreman, `Other decision…. H-11 ${place}`);
  await press(foreman, 'To be repaired');
  await expect(foreman.getByRole('button', { name: `Other decision…. H-11 ${place}` })).toBeHidden();
}

async function roundTrip(browser: Browser, url: string, size: Size): Promise<void> {
  const driver = await deviceOf(browser, url, 'driver', { viewport: size });
  await report(driver);

  const foreman = await deviceOf(browser, url, 'foreman', { viewport: size });
  await answer(foreman, '1R');

  const technician = await deviceOf(browser, url, 'technician', { viewport: size });
  await openTrailer(technician, 'H-11');
  await expect(technician.getByText('Held', { exact: true }).first()).toBeVisible();
  await begin(technician);
  await chocked(technician);
  expect(await measure(technician, { '1L applied stroke': ['2 inches', '1/4'] })).toBe(20);
  await press(technician, 'Open the verdict sheet');
  await expect(technician.getByText('Out of service', { exact: true }).first()).toBeVisible();
  await expect(technician.getByText('limit 2 in, margin -1/4 in')).toBeVisible();
  await expect(technician.getByText('2 is at or over 1: out of service by brake count.')).toBeVisible();
  await press(technician, 'Close inspection');
  await expect(technician.getByText('1L: Applied stroke past its limit').first()).toBeVisible();

  await answer(foreman, '1L');
  await press(foreman, 'Create a job for H-11');
  // A job of one's own words, without a template.
  await press(foreman, 'Take off. Chamber');
  await press(foreman, 'Take off. Adjuster');
  await foreman.getByLabel('What is to be done').fill('Chamber 1R, slack adjuster 1L');
  await foreman.getByRole('radio', { name: 'Wheels off' }).click();
  await press(foreman, 'Create this job');
  await foreman.getByRole('radio', { name: 'Bay 2 – lift' }).click();
  await press(foreman, 'Schedule');
  await expect(foreman.getByText('Bay 2 – lift', { exact: false }).first()).toBeVisible();

  await technician.getByRole('link', { name: /Chamber 1R, slack adjuster 1L/ }).click();
  await press(technician, 'Start work');
  await technician.getByLabel('What was done').fill('Diaphragm renewed, clevis pin freed');
  await technician.getByLabel('Torque', { exact: true }).fill('hand tight');
  await technician.getByLabel('Set with').fill('Wrench 4');
  await expect(technician.getByText('Write a torque like')).toBeVisible();
  await expect(technician.getByRole('button', { name: 'Repair is done' })).toBeDisabled();
  await technician.getByLabel('Torque', { exact: true }).fill('475');
  await press(technician, 'Repair is done');
  await technician.getByLabel('Statement').fill('Repaired and measured again');
  await expect(technician.getByRole('button', { name: 'Sign and certify' })).toBeDisabled();
  await press(technician, 'Measure again, 2 readings');
  await chocked(technician);
  expect(await measure(technician)).toBe(2);
  await press(technician, 'Close inspection');
  await technician.getByLabel('Statement').fill('Repaired and measured again');
  await press(technician, 'Sign and certify');
  await press(technician, 'Open H-11');
  await press(technician, 'Release trailer');
  await technician.getByLabel('Statement').fill('Both brakes repaired, nothing else found');
  await press(technician, 'Sign and release');
  await allSent(technician);

  await openTrailer(driver, 'H-11');
  await press(driver, 'I have seen these 2 repairs');
  await expect(driver.getByRole('button', { name: 'I have seen these 2 repairs' })).toBeHidden();
  await allSent(driver);
  await expect(driver.getByRole('heading', { name: 'Held' })).toHaveCount(0);
  await expect(driver.getByText('None reported.')).toBeVisible();
}

test('from the driver’s report to the acknowledged repair, on phones', async ({ browser, program }) => {
  await roundTrip(browser, program.url, { width: 390, height: 844 });
});

test('the same on wide screens', async ({ browser, program }) => {
  await roundTrip(browser, program.url, { width: 1280, height: 800 });
});
