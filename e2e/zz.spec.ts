import { deviceOf, expect, test } from './program';

test('look', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'foreman', { viewport: { width: 1280, height: 800 } });
  page.on('pageerror', (e) => console.log('ERR', e.message));
  await page.goto(`${program.url}/forecast`);
  await expect(page.getByText('Weeks ahead')).toBeVisible();
  await page.waitForTimeout(1500);
  await page.screenshot({ path: '/tmp/fc-wide.png' });
  await page.goto(`${program.url}/plan`);
  await expect(page.getByText('What presses')).toBeVisible();
  await page.waitForTimeout(1500);
  await page.screenshot({ path: '/tmp/plan-wide.png' });
  const phone = await deviceOf(browser, program.url, 'foreman');
  phone.on('pageerror', (e) => console.log('ERR', e.message));
  await phone.goto(`${program.url}/forecast`);
  await phone.waitForTimeout(1500);
  await phone.screenshot({ path: '/tmp/fc-phone.png' });
  const list = await phone.evaluate(() => fetch('/api/v1/forecast').then((r) => r.json()));
  console.log(list.total, list.known, list.units, JSON.stringify(list.rows.slice(0, 4)));
  const row =
    list.rows.find((r: any) => r.unit.number === 'H-16') ?? list.rows.find((r: any) => r.state === 'foreseen');
  await phone.goto(`${program.url}/wear/${row.unit.id}?key=${encodeURIComponent(row.key)}`);
  await phone.waitForTimeout(1500);
  await phone.screenshot({ path: '/tmp/wear-phone.png', fullPage: true });
});
