import type { Page } from '@playwright/test';
import { Secret, TOTP } from 'otpauth';
import { allSent, deviceOf, expect, press, test } from './program';

const DEMO = 'walk-round';
const me = (page: Page) => page.getByRole('navigation').getByRole('link', { name: 'Me' }).click();

test('a technician’s skills, papers and shifts are written down, and what has expired is said', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'foreman');
  await page.goto(`${program.url}/people`);
  await expect(page.getByText('brakes · suspension', { exact: true })).toBeVisible();
  await expect(page.getByText(/^Brake inspector until .*: expired$/)).toBeVisible();
  await press(page, 'Change. Wyn Castellan');
  await page.getByRole('checkbox', { name: 'air', exact: true }).click();
  await page.getByLabel('Brake inspector, until').fill('30.6.2099');
  await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeDisabled();
  await page.getByLabel('Brake inspector, until').fill('2099-06-30');
  await press(page, 'Add a shift');
  await page.getByLabel('From').last().fill('22:00');
  await page.getByLabel('To', { exact: true }).last().fill('6');
  await expect(page.getByText('Write an hour like 06:00', { exact: false })).toBeVisible();
  await page.getByLabel('To', { exact: true }).last().fill('06:00');
  await press(page, 'Save');
  await allSent(page);
  await expect(page.getByText('Mon–Fri 14:00–22:00 · Mon–Fri 22:00–06:00')).toBeVisible();
  await expect(page.getByText('brakes · suspension · air', { exact: true })).toBeVisible();
  await expect(page.getByText(/^Brake inspector until .* 2099$/)).toBeVisible();
});

test('on a shared device a PIN changes the person, and what the one before did is theirs', async ({
  browser,
  program,
}) => {
  const own = await deviceOf(browser, program.url, 'technician');
  await me(own);
  await press(own, 'A PIN for shared devices');
  await own.getByLabel('Password', { exact: true }).fill(DEMO);
  await own.getByLabel('Six digits').fill('2406');
  await expect(own.getByText('A PIN has six digits.')).toBeVisible();
  await own.getByLabel('Six digits').fill('240680');
  await press(own, 'Set it');
  await expect(own.getByText('PIN saved.')).toBeVisible();

  const shop = await deviceOf(browser, program.url, 'foreman');
  await me(shop);
  await press(shop, 'Change person');
  await press(shop, 'Tomas Rask');
  await shop.getByLabel('PIN of Tomas Rask').fill('000000');
  await press(shop, 'Take over');
  await expect(shop.getByText('Wrong PIN.', { exact: false })).toBeVisible();
  await shop.getByLabel('PIN of Tomas Rask').fill('240680');
  await press(shop, 'Take over');
  await expect(shop.getByText('technician at Low Marsh Growers')).toBeVisible();
  await expect(shop.getByRole('button', { name: 'Fleet setup' })).toBeHidden();
  await shop.reload();
  await expect(shop.getByText('technician at Low Marsh Growers')).toBeVisible();
});

test('a manager’s sign-in asks for a second factor, and a kept code opens where the device is lost', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'manager');
  await me(page);
  await press(page, 'Two-step sign-in');
  await page.getByLabel('Password', { exact: true }).fill(DEMO);
  await press(page, 'Begin');
  const secret = (await page.getByText(/^([A-Z2-7]{4} ){7}[A-Z2-7]{4}$/).textContent()) ?? '';
  const device = new TOTP({ secret: Secret.fromBase32(secret.replaceAll(' ', '')) });
  await page.getByLabel('The six digits it shows now').fill(device.generate());
  await press(page, 'Turn on');
  const kept =
    (await page
      .getByText(/^([A-Z2-9]{4}-){2}[A-Z2-9]{4}$/)
      .first()
      .textContent()) ?? '';
  await press(page, 'I saved them');
  await expect(page.getByRole('button', { name: 'Two-step sign-in: on' })).toBeVisible();
  await press(page, 'Sign out');
  await page.getByLabel('Name').fill('manager@lowmarsh');
  await page.getByLabel('Password').fill(DEMO);
  await press(page, 'Sign in');
  const code = page.getByLabel('The six digits on your device', { exact: false });
  await code.fill('000000');
  await press(page, 'Sign in');
  await expect(page.getByText('The code is wrong', { exact: false })).toBeVisible();
  await code.fill(kept);
  await press(page, 'Sign in');
  await expect(page.getByRole('heading', { name: 'Yard' })).toBeVisible();
});

test('a manager clears a foreman’s second factor with a new code', async ({ browser, program }) => {
  const foreman = await deviceOf(browser, program.url, 'foreman');
  await me(foreman);
  await press(foreman, 'Two-step sign-in');
  await foreman.getByLabel('Password', { exact: true }).fill(DEMO);
  await press(foreman, 'Begin');
  const secret = (await foreman.getByText(/^([A-Z2-7]{4} ){7}[A-Z2-7]{4}$/).textContent()) ?? '';
  const device = new TOTP({ secret: Secret.fromBase32(secret.replaceAll(' ', '')) });
  await foreman.getByLabel('The six digits it shows now').fill(device.generate());
  await press(foreman, 'Turn on');
  await press(foreman, 'I saved them');
  const manager = await deviceOf(browser, program.url, 'manager');
  await manager.goto(`${program.url}/people`);
  await press(manager, 'Change. Berit Holloway');
  await press(manager, 'New code (ends password and two-step sign-in)');
  const code = (await manager.getByText(/^([A-Z2-9]{4}-){2}[A-Z2-9]{4}$/).textContent()) ?? '';
  await allSent(manager);
  await foreman.goto(`${program.url}/`);
  await press(foreman, 'I have an invite code');
  await foreman.getByLabel('Name', { exact: true }).fill('foreman@lowmarsh');
  await foreman.getByLabel('Code').fill(code);
  await foreman.getByLabel(/^Your own password/).fill('a password of my own');
  await press(foreman, 'Sign in');
  await expect(foreman.getByRole('heading', { name: 'Yard' })).toBeVisible();
});
