import { sql } from './cluster';
import { allSent, deviceOf, expect, openTrailer, press, reportFlap, test } from './program';

test('a combination is hooked without a signal, walked as one, and a hold on one says what the others may do', async ({
  browser,
  program,
}) => {
  const driver = await deviceOf(browser, program.url, 'driver', { keeps: true });
  await openTrailer(driver, 'Y-1');
  await press(driver, 'Add a unit behind Y-1…');
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
  await press(driver, 'Save. meter of Y-1');
  await meter.fill('48,200 mi');
  await expect(driver.getByText('A meter does not run backward', { exact: false })).toBeVisible();
  await meter.fill('48,300 mi');
  await press(driver, 'Save. meter of Y-1');
  await allSent(driver);

  await driver.getByRole('button', { name: 'Back' }).click();
  await press(driver, 'Drop. H-13');
  await allSent(driver);
  await press(driver, 'Add a unit behind Y-1…');
  await driver.getByRole('dialog').getByLabel('Search').fill('H-12');
  await driver.getByRole('button', { name: 'H-12, Seed hopper' }).click();
  await expect(driver.getByText('H-12 is on hold. Do not move this combination.', { exact: false })).toBeVisible();
});

test('on the road: the ways stand beside each other by the shop’s figures, and the service is asked for', async ({
  browser,
  program,
}) => {
  const foreman = await deviceOf(browser, program.url, 'foreman');
  await openTrailer(foreman, 'H-12');
  await press(foreman, 'Roadside: call service or drive in…');
  await expect(foreman.getByText('The shop has not entered its figures yet.')).toBeVisible();
  await expect(foreman.getByText('On hold. Do not move it', { exact: false })).toBeVisible();
  await press(foreman, 'The shop’s figures');
  for (const [label, value] of [
    ['Call-out of the road service', '185'],
    ['One hour of its work', '120.00'],
    ['One hour of a waiting load', '90'],
    ['Fine, if it is found on the road', '600'],
    ['Points, if it is found on the road', '6'],
  ] as const)
    await foreman.getByLabel(label).fill(value);
  await press(foreman, 'Save');
  await expect(foreman.getByText('485.00')).toBeVisible();
  // What is held is not driven: no price stands for it.
  await expect(foreman.getByText('On hold: driving is not an option', { exact: false })).toBeVisible();
  await expect(foreman.getByText('735.00')).toBeHidden();
  await press(foreman, 'Ask for road service');
  await foreman.getByLabel('Where is it?').fill('Mile 12, northbound');
  await press(foreman, 'Ask for it');
  await allSent(foreman);
  await expect(foreman.getByText('Mile 12, northbound: not answered yet')).toBeVisible();
});

test('a driver on the road says where it drives to, asks for service, and its report becomes a job', async ({
  browser,
  program,
  database,
}) => {
  const driver = await deviceOf(browser, program.url, 'driver');
  await reportFlap(driver, 'H-14');
  await openTrailer(driver, 'H-14');
  await press(driver, 'Before the trip');
  await press(driver, 'On the road…. H-14');
  await press(driver, 'It drives to a named place…');
  await driver.getByLabel('Where is it now, and where is it driving to?').fill('Mile 12, on to the East gate');
  await press(driver, 'Tell the shop');
  await allSent(driver);
  await expect(driver.getByText('On the road: Mile 12, on to the East gate', { exact: false })).toBeVisible();
  await press(driver, 'Ask for road service');
  await driver.getByLabel('Where is it?').fill('Mile 14');
  await press(driver, 'Ask for it');
  await allSent(driver);

  const foreman = await deviceOf(browser, program.url, 'foreman');
  await foreman.goto(driver.url());
  await expect(foreman.getByText('Made up: a stand-in plays the road service. No one was called.')).toBeVisible();
  // The stand-in takes its time: what it says next is wished for now.
  const sooner = `update graphile_worker._private_jobs set run_at = now() where run_at > now() and task_id =
    (select id from graphile_worker._private_tasks where identifier = 'make-up-road') returning id`;
  const reported = async () => {
    await sql(database, sooner);
    return foreman.getByText('Mile 14: has reported back (made up)').isVisible();
  };
  await expect.poll(reported).toBe(true);
  await press(foreman, 'Create a job from its report');
  await allSent(foreman);
  await press(foreman, 'Open its job');
  await expect(foreman.getByText('Road service', { exact: false }).first()).toBeVisible();
});
