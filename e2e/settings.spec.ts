import type { Page } from '@playwright/test';
import { sql } from './cluster';
import { allSent, begin, deviceOf, enter, expect, openTrailer, press, stepTo, test } from './program';

test('a stricter limit is taken with its reason, a looser one is refused, and the pad judges by it', async ({
  browser,
  program,
  database,
}) => {
  const foreman = await deviceOf(browser, program.url, 'foreman');
  await foreman.goto(`${program.url}/book`);
  await press(foreman, /^Lining, /);
  await foreman.getByRole('button', { name: /^Tighten. Every other wheel/ }).click();
  await foreman.getByLabel('Our limit').fill('3/16 in');
  await expect(foreman.getByText('may be stricter, never looser')).toBeVisible();
  await foreman.getByLabel('Our limit').fill('3/4 in');
  await foreman.getByLabel('Why we are stricter').fill('Long hills to the mill');
  await press(foreman, 'Set this limit');
  await expect(foreman.getByText('Long hills to the mill', { exact: false }).first()).toBeVisible();

  const technician = await deviceOf(browser, program.url, 'technician');
  await openTrailer(technician, 'H-11');
  await begin(technician);
  await stepTo(technician, '1L Lining');
  await expect(technician.getByText('At least 3/4 in')).toBeVisible();
  await enter(technician, '1/2');
  await expect(technician.getByText('Shop limit').first()).toBeVisible();
  await press(technician, 'Why?');
  await expect(technician.getByText('3/4 in (the fleet), 1/4 in (the book)', { exact: false })).toBeVisible();

  await press(foreman, 'Withdraw. 3/4 in');
  const withdraw = foreman.getByRole('button', { name: 'Withdraw 3/4 in' });
  await expect(withdraw).toBeDisabled();
  await foreman.getByLabel('Reason').fill('The mill road is closed');
  await withdraw.click();
  await expect(foreman.getByText('Long hills to the mill', { exact: false })).toHaveCount(0);
  await allSent(foreman);
  const kept = await sql<{ reason: string }>(
    database,
    `select withdrawn_reason as reason from fleet_limit where reason = 'Long hills to the mill'`,
  );
  expect(kept).toEqual([{ reason: 'The mill road is closed' }]);
});

test('policies and units: the fleet’s, a person’s own, and two people at once', async ({ browser, program }) => {
  const foreman = await deviceOf(browser, program.url, 'foreman');
  const manager = await deviceOf(browser, program.url, 'manager');
  for (const page of [foreman, manager]) await page.goto(`${program.url}/rules`);
  const choose = async (page: typeof foreman, way: string) => {
    await page.getByRole('radio', { name: new RegExp(`^${way}`) }).click();
    await press(page, 'Save for the fleet');
  };
  await foreman.getByRole('radio', { name: 'Millimeters' }).click();
  await choose(foreman, 'At most 6 in');
  await allSent(foreman);
  await expect(manager.getByRole('radio', { name: /^At most 6 in/ })).toBeChecked();

  await manager.goto(`${program.url}/me`);
  await manager.getByRole('radio', { name: 'Inch fractions' }).click();
  await expect(manager.getByText('My own')).toBeVisible();
  await openTrailer(manager, 'L-22');
  await manager.getByRole('button', { name: /^2L:/ }).click();
  await expect(
    manager
      .getByText(/^2 3\/4 in, /)
      .or(manager.getByText(/2 3\/4 in, /))
      .first(),
  ).toBeVisible();
  await openTrailer(foreman, 'L-22');
  await foreman.getByRole('button', { name: /^2L:/ }).click();
  await expect(foreman.getByText(/69\.85 mm, /).first()).toBeVisible();
});

test('a shop makes a route its own and walks it', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'foreman');
  await page.goto(`${program.url}/routes`);
  await press(page, 'Copy. Four-point walk');
  await press(page, 'Change. Four-point walk, ours');
  await page.getByLabel('Name of the route').fill('Gate walk');
  for (const section of ['Parking lamps', 'Stop lamps and hazards', 'Air and roll'])
    await press(page, `Take out. ${section}`);
  await press(page, 'Add a step. Tires, hubs, seals');
  await press(page, 'Lug nuts Measured');
  await press(page, 'Save the route');
  await expect(page.getByRole('heading', { name: 'Gate walk' })).toBeVisible();
  await openTrailer(page, 'H-11');
  await begin(page, 'Gate walk');
  await expect(page.getByText('0 of 16', { exact: true })).toBeVisible();
  await stepTo(page, '1L Lug nuts');
  await enter(page, 'Stud 1: tight');
  await enter(page, 'Stud 2: tight');
  await expect(page.getByText('2 of them side by side', { exact: false })).toBeVisible();
  await expect(page.getByText('Out of service').first()).toBeVisible();
});

test('a route changed by two: what one had not saved stands, through a reload, and is not laid over the other’s', async ({
  browser,
  program,
}) => {
  const foreman = await deviceOf(browser, program.url, 'foreman');
  await foreman.goto(`${program.url}/routes`);
  await press(foreman, 'Copy. Four-point walk');
  await press(foreman, 'Change. Four-point walk, ours');
  await foreman.getByLabel('Name of the route').fill('Gate walk');
  await foreman.reload();
  await expect(foreman.getByLabel('Name of the route')).toHaveValue('Gate walk');

  const manager = await deviceOf(browser, program.url, 'manager');
  await manager.goto(`${program.url}/routes`);
  await press(manager, 'Change. Four-point walk, ours');
  await manager.getByLabel('Name of the route').fill('Yard walk');
  await press(manager, 'Save the route');
  await expect(manager.getByRole('heading', { name: 'Yard walk' })).toBeVisible();

  await expect(foreman.getByText('Someone else saved this route', { exact: false })).toBeVisible();
  await expect(foreman.getByLabel('Name of the route')).toHaveValue('Gate walk');
  await press(foreman, 'Save the route');
  await press(foreman, '1 entry refused. See why');
  await expect(foreman.getByText('Someone else changed this first', { exact: false })).toBeVisible();
  await press(foreman, 'Discard');
  await foreman.goto(`${program.url}/routes`);
  await press(foreman, 'Change. Yard walk');
  await expect(foreman.getByLabel('Name of the route')).toHaveValue('Yard walk');
  await foreman.getByLabel('Name of the route').fill('Far walk');
  await press(foreman, 'Undo. Far walk');
  await press(foreman, 'Discard my changes');
  await expect(foreman.getByLabel('Name of the route')).toHaveValue('Yard walk');
});

test('a trailer behind a tractor is counted as a whole', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'foreman');
  await openTrailer(page, 'L-22');
  await press(page, 'What if it ran with other units…');
  await expect(page.getByText('Out of service at 20 % of 6 brakes')).toBeVisible();
  await press(page, 'Add a unit');
  await press(page, /^Y-1, /);
  await expect(page.getByText('Out of service at 20 % of 10 brakes')).toBeVisible();
  await press(page, 'Good brakes on units not listed: one more');
  await press(page, 'Good brakes on units not listed: one more');
  await expect(page.getByText('Out of service at 20 % of 12 brakes')).toBeVisible();
  await expect(
    page.getByText(/^Less than 3: by the \d+ of 12 brakes measured, not out of service by brake count\.$/),
  ).toBeVisible();
});

test('what if: a longer stroke turns the verdict, more air takes it back', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'driver');
  await page.goto(`${program.url}/book`);
  await expect(page.getByText('is no more than 2 in', { exact: false })).toBeVisible();
  await page.getByLabel('Stroke', { exact: true }).fill('72');
  await expect(page.getByText('2 1/4 in is more than 2 in, by 1/4 in', { exact: false })).toBeVisible();
  await page.getByLabel('Reservoir').fill('110');
  await expect(page.getByText('reservoir pressure was too high', { exact: false })).toBeVisible();
});

test('readings.csv: every bad line is named, and the good ones alone may be taken', async ({
  browser,
  program,
  database,
}) => {
  const page = await deviceOf(browser, program.url, 'foreman');
  await page.goto(`${program.url}/files`);
  const csv = [
    'unit,taken,by,kind,item,axle,side,tyre,value,detail',
    'H-11,2026-01-05T09:00:00Z,Wyn,lining,,1,left,,7/16 in,',
    'H-11,2026-01-05T09:00:00Z,Wyn,lining,,9,left,,7/16 in,',
    'X-99,2026-01-05T09:00:00Z,Wyn,lining,,1,left,,7/16 in,',
  ].join('\n');
  const chooser = page.waitForEvent('filechooser');
  await press(page, 'Choose a file');
  await (await chooser).setFiles({ name: 'old.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByText('3 lines: 1 good, 2 bad')).toBeVisible();
  await expect(page.getByText('Line 3')).toBeVisible();
  await expect(page.getByText('There is no unit “X-99”.')).toBeVisible();
  await press(page, 'Import only the 1 good lines');
  await allSent(page);
  const rows = await sql(
    database,
    `select r.key from reading r join inspection i on i.id = r.inspection_id where i.purpose = 'import'`,
  );
  expect(rows).toEqual([{ key: 'lining@1L' }]);
});

test('a check of the shop’s own: made in ten taps, asked by its route, found on the walk, and it holds', async ({
  browser,
  program,
}) => {
  const manager = await deviceOf(browser, program.url, 'manager');
  await manager.goto(`${program.url}/own-checks`);
  let taps = 0;
  const tap = async (name: string | RegExp) => {
    taps++;
    await press(manager, name);
  };
  await tap('Add a check');
  await manager.getByLabel('What to check').fill('Winch straps');
  await manager.getByLabel('What good looks like').fill('Whole, dry, rolled up');
  await manager.getByRole('textbox', { name: 'Sign 1' }).fill('Torn through');
  taps += 3;
  await manager.getByRole('radio', { name: /^Holds the unit/ }).click();
  taps++;
  await tap('Save the check');
  await expect(manager.getByText('Torn through: holds the unit')).toBeVisible();
  expect(taps).toBeLessThanOrEqual(10);
  await allSent(manager);

  await manager.goto(`${program.url}/routes`);
  await press(manager, 'Copy. Four-point walk');
  await press(manager, 'Change. Four-point walk, ours');
  await press(manager, 'Add: once on the unit');
  await manager
    .getByRole('button', { name: /^Add a step/ })
    .last()
    .click();
  await press(manager, /^Winch straps/);
  await press(manager, 'Save the route');
  await allSent(manager);

  const driver = await deviceOf(browser, program.url, 'driver');
  await openTrailer(driver, 'W-81');
  await press(driver, 'Walk round');
  await press(driver, 'Four-point walk, ours');
  await stepTo(driver, 'Winch straps');
  await expect(driver.getByText('Whole, dry, rolled up').first()).toBeVisible();
  await driver.getByText('Torn through', { exact: true }).click();
  await press(driver, /^Save/);
  await allSent(driver);

  await openTrailer(manager, 'W-81');
  await expect(manager.getByText('Winch straps: Torn through', { exact: false }).first()).toBeVisible();
  await expect(manager.getByText('unit on hold for this', { exact: false }).first()).toBeVisible();
});

test('a check of the shop’s own with a figure and a picture of what good looks like, once at each axle', async ({
  browser,
  program,
}) => {
  const manager = await deviceOf(browser, program.url, 'manager');
  await manager.goto(`${program.url}/own-checks`);
  await press(manager, 'Add a check');
  await manager.getByLabel('What to check').fill('Ride height');
  await manager.getByLabel('What good looks like').fill('Even, left and right');
  const [chooser] = await Promise.all([manager.waitForEvent('filechooser'), press(manager, 'Picture of it when good')]);
  await chooser.setFiles({ name: 'even.png', mimeType: 'image/png', buffer: await manager.screenshot() });
  await expect(manager.getByText('Picture saved.')).toBeVisible();
  await manager.getByRole('radio', { name: 'Once at each axle' }).click();
  await press(manager, 'Take off. sign 1');
  await press(manager, 'Also a count or a measurement');
  await manager.getByLabel('Unit, empty for a count').fill('in');
  await manager.getByLabel('At least').fill('8.5');
  await manager.getByRole('radio', { name: /^Holds the unit/ }).click();
  await press(manager, 'Save the check');
  await allSent(manager);
  await expect(manager.getByRole('button', { name: 'Photo: Ride height: what good looks like' })).toBeVisible();

  await manager.goto(`${program.url}/routes`);
  await press(manager, 'Copy. Four-point walk');
  await press(manager, 'Change. Four-point walk, ours');
  await press(manager, 'Add: once at each axle');
  await manager
    .getByRole('button', { name: /^Add a step/ })
    .last()
    .click();
  await press(manager, /^Ride height/);
  await press(manager, 'Save the route');
  await allSent(manager);

  const driver = await deviceOf(browser, program.url, 'driver');
  await openTrailer(driver, 'W-81');
  await press(driver, 'Walk round');
  await press(driver, 'Four-point walk, ours');
  await stepTo(driver, 'Axle 2 Ride height');
  await expect(driver.getByRole('button', { name: 'Photo: Ride height: what good looks like' })).toBeVisible();
  await driver.getByLabel('How much (in)').fill('8.4');
  await press(driver, /^Save/);
  await allSent(driver);
  await openTrailer(manager, 'W-81');
  await expect(manager.getByText('Axle 2', { exact: false }).first()).toBeVisible();
});

test('a sign the shop is stricter about holds, with its reason, until it goes by the book again', async ({
  browser,
  program,
}) => {
  const foreman = await deviceOf(browser, program.url, 'foreman');
  await foreman.goto(`${program.url}/book`);
  await press(foreman, 'Add a stricter sign');
  await foreman.getByLabel('Search').last().fill('mud flap');
  await press(foreman, 'Mud flap torn or missing');
  await foreman.getByRole('radio', { name: /^Holds the unit/ }).click();
  await foreman.getByLabel('Why we are stricter').fill('Stones on the mill road');
  await press(foreman, 'Set this rule');
  await expect(foreman.getByText('Mud flap torn or missing: holds the unit')).toBeVisible();
  await allSent(foreman);
  await press(foreman, 'By the book again. Mud flap torn or missing');
  await foreman.getByLabel('Reason').fill('The road is tarred');
  await foreman.getByRole('button', { name: 'By the book again', exact: true }).last().click();
  await expect(foreman.getByText('Mud flap torn or missing: holds the unit')).toHaveCount(0);
  await allSent(foreman);
});

/** Chooses a list of a kind on the page that moves lists in. */
async function chooseList(page: Page, of: string, name: string, lines: readonly string[]): Promise<void> {
  await page.getByRole('radio', { name: new RegExp(`^${of}`) }).click();
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), press(page, 'Choose a file')]);
  await chooser.setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(lines.join('\n')) });
}

test('a shop’s own list moves in by its own heads; a wrong line is put right in place, and all of it is taken back', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'manager');
  await page.goto(`${program.url}/move-in`);
  await chooseList(page, 'Units', 'our list.csv', [
    'Fleet list;;;',
    'Trailer #;Type;Cans;Annual due',
    'M-101;Hopper;T30 LS;3/31/2027',
    'M-102;boat;30/30;12/25/2026',
    'Total;;2;',
  ]);
  // What the list does not tell is said by whoever moves it in: nothing is chosen for them.
  await expect(page.getByText('First enter what it does not say', { exact: false })).toBeVisible();
  for (const [group, answer] of [
    ['Axles', 'Same as its kind'],
    ['Brake', 'S-cam drum'],
    ['Tires', 'Dual'],
    ['Hubs', 'Grease'],
  ] as const)
    await page.getByRole('radiogroup', { name: group }).getByRole('radio', { name: answer }).click();
  await expect(page.getByText('1 good, 1 not understood')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Move 1 unit in/ })).toBeDisabled();
  await page.getByLabel('Kind, line 4').fill('semi');
  // What was put right is kept, however the page is left.
  await page.reload();
  await expect(page.getByText('2 good, 0 not understood')).toBeVisible();
  await press(page, 'Move 2 units in');
  await allSent(page);
  await expect(page.getByText('2 units, ', { exact: false })).toBeVisible();
  await openTrailer(page, 'M-102');
  await page.goto(`${program.url}/move-in`);
  await press(page, 'Undo the move. our list.csv');
  await press(page, 'Remove all 2 again');
  await allSent(page);
  await expect(page.getByText('taken back', { exact: false }).first()).toBeVisible();
});

test('parts, people, repairs of before and last readings move in after their units', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'manager');
  await page.goto(`${program.url}/move-in`);
  await chooseList(page, 'Parts and stock', 'parts.csv', ['Item,On hand,Unit cost', 'Wiper blade,4,$12.50', 'Lens,,']);
  await page
    .getByRole('radiogroup', { name: 'Days to get a part' })
    .getByRole('radio', { name: '3', exact: true })
    .click();
  await page.getByRole('radio', { name: 'Missing: enter it on its line' }).click();
  await press(page, 'Leave it out. line 3');
  await press(page, 'Move 1 part in');
  await allSent(page);
  await chooseList(page, 'People', 'people.csv', ['Employee,Job title,CDL exp', 'Nell Wetherby,Mechanic,5/31/2027']);
  await press(page, 'Move 1 person in');
  await expect(page.getByText('nell.wetherby@', { exact: false })).toBeVisible();
  await expect(page.getByText(/^[A-Z2-9]{4}-[A-Z2-9]{4}-[A-Z2-9]{4}$/)).toBeVisible();
  await press(page, 'I have told them');
  await allSent(page);
  await chooseList(page, 'Past repairs', 'repairs.csv', [
    'Trailer,Date,Work done,Mechanic',
    'H-11,25.3.2025,Relined axle 2,Oda',
    'H-999,25.3.2025,Relined,Oda',
  ]);
  await expect(page.getByText('The fleet has no unit H-999.')).toBeVisible();
  await press(page, 'Leave it out. line 3');
  await page.getByRole('button', { name: 'Move 1 repair in', exact: true }).dblclick();
  await allSent(page);
  await chooseList(page, 'Last readings', 'last.csv', ['Trailer,Date,1L lining,1R lining', 'H-11,2026-01-05,7/16,1/2']);
  await page.getByRole('radio', { name: 'Inches, and thirty-seconds of tread' }).click();
  await press(page, 'Move 1 line of readings in');
  await allSent(page);
  await openTrailer(page, 'H-11');
  await expect(page.getByText('2025-03-25 Relined axle 2')).toHaveCount(1);
});
