import { sql, startProgram } from './cluster';
import { allSent, asked, begin, chocked, deviceOf, expect, measure, openTrailer, press, test } from './program';

test('half an inspection, server stopped, reload, finished offline, server back: everything stored once', async ({
  browser,
  database,
}) => {
  const first = await startProgram(database);
  const port = Number(new URL(first.url).port);
  const page = await deviceOf(browser, first.url, 'technician', { keeps: true });
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await openTrailer(page, 'J-51');
  await begin(page);
  await chocked(page);
  expect(await measure(page, {}, 4)).toBe(4);
  await allSent(page);

  await first.stop();
  const before = await asked(page);
  await press(page, '9 thirty-seconds');
  await page.reload();
  expect(await asked(page)).toEqual(before);
  await expect(page.getByRole('button', { name: '9 thirty-seconds', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  expect(await measure(page)).toBe(6);
  await press(page, 'Open the verdict sheet');
  await press(page, 'Close inspection');
  await expect(page.getByRole('button', { name: /kept on this device/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /kept on this device/ })).toBeVisible();

  const second = await startProgram(database, port);
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await allSent(page);
  await expect(page.getByRole('button', { name: /kept on this device/ })).toBeHidden();
  const [stored] = await sql<{ readings: number; places: number; closed: number }>(
    database,
    `select count(*)::int as readings, count(distinct r.key)::int as places,
       (select count(*)::int from event e where e.type = 'close-inspection' and e.unit_id = u.id) as closed
     from reading r join unit u on u.id = r.unit_id join inspection i on i.id = r.inspection_id
     where u.number = 'J-51' and i.started_at > now() - interval '1 hour' group by u.id`,
  );
  expect(stored).toEqual({ readings: 10, places: 10, closed: 1 });
  await second.stop();
});

test('a report made without a server is kept, and refused commands say why', async ({ browser, database }) => {
  const first = await startProgram(database);
  const port = Number(new URL(first.url).port);
  const foreman = await deviceOf(browser, first.url, 'foreman', { keeps: true });
  const manager = await deviceOf(browser, first.url, 'manager', { keeps: true });
  for (const page of [foreman, manager]) {
    await page.getByRole('navigation').getByRole('link', { name: 'Shop' }).click();
    await expect(page.getByRole('button', { name: 'Other decision…. H-12 2L' })).toBeVisible();
  }
  await first.stop();
  for (const page of [foreman, manager]) {
    await press(page, 'Other decision…. H-12 2L');
    await press(page, 'To be repaired');
    await expect(page.getByRole('button', { name: /kept on this device/ })).toBeVisible();
  }
  // The foreman is the first to be back.
  await manager.context().setOffline(true);
  const second = await startProgram(database, port);
  await foreman.evaluate(() => window.dispatchEvent(new Event('online')));
  await allSent(foreman);
  await manager.context().setOffline(false);
  await press(manager, '1 entry refused. See why');
  await expect(manager.getByText('Someone else changed this first', { exact: false })).toBeVisible();
  await expect(manager.getByText('Current status: triaged.')).toBeVisible();
  await press(manager, 'Discard');
  await expect(manager.getByText('Everything is sent.')).toBeVisible();
  await second.stop();
});

test('every screen is on the device before it is opened', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'technician');
  const came = (name: string) =>
    page.evaluate(
      (part) => performance.getEntriesByType('resource').some((entry) => entry.name.includes(`/js/web/${part}-`)),
      name,
    );
  await expect.poll(() => came('program')).toBe(true);
  await page.context().route('**/_expo/**', (route) => route.abort());
  await openTrailer(page, 'H-11');
  await begin(page);
  await chocked(page);
  await press(page, 'Sheet');
  await expect(page.getByRole('heading', { name: 'H-11 – verdict sheet' })).toBeVisible();
});

test('a report begun and not sent stands after a reload, photo and all, and is gone once sent', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'driver');
  await openTrailer(page, 'H-11');
  await press(page, 'Report a defect');
  await page.getByRole('button', { name: /^2L:/ }).click();
  await page.getByRole('radio', { name: 'Brake', exact: true }).click();
  await page.getByRole('radio', { name: 'Hisses at the wheel' }).click();
  await page.getByLabel('Your own words').fill('Hisses with the brake applied');
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), press(page, 'Add a photo')]);
  await chooser.setFiles({ name: 'here.png', mimeType: 'image/png', buffer: await page.screenshot() });
  await expect(page.getByRole('button', { name: 'Another photo (1 taken)' })).toBeVisible();
  await page.reload();
  await expect(page.getByText('Unsent report from earlier', { exact: false })).toBeVisible();
  await expect(page.getByText('At 2L')).toBeVisible();
  await expect(page.getByRole('radio', { name: 'Hisses at the wheel' })).toBeChecked();
  await expect(page.getByLabel('Your own words')).toHaveValue('Hisses with the brake applied');
  await press(page, 'Begin anew. H-11');
  await press(page, 'Cancel. H-11');
  await press(page, 'Send report');
  await expect(page.getByText('Hisses with the brake applied')).toBeVisible();
  await press(page, 'Report a defect');
  await expect(page.getByText('Where is it?')).toBeVisible();
  await expect(page.getByText('Unsent report', { exact: false })).toBeHidden();
});
