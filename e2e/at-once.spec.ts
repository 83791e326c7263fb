import { sql } from './cluster';
import {
  allSent,
  begin,
  chocked,
  confirmIfAsked,
  deviceOf,
  enter,
  expect,
  openTrailer,
  press,
  stepTo,
  test,
} from './program';

test('what one saves and leaves holds at once for all: the driver cannot sign it away, the foreman sees why, and a wrong reading is taken back visibly', async ({
  browser,
  program,
}) => {
  test.slow();
  const technician = await deviceOf(browser, program.url, 'technician');
  const driver = await deviceOf(browser, program.url, 'driver');
  const foreman = await deviceOf(browser, program.url, 'foreman');
  await openTrailer(driver, 'H-11');
  await expect(driver.getByText('Within limits', { exact: true }).first()).toBeVisible();

  await openTrailer(technician, 'H-11');
  await begin(technician);
  await stepTo(technician, '1L Hub oil');
  await enter(technician, 'Level: Empty', 'Clear', 'Dry');
  await press(technician, 'Save 1L hub oil');
  await stepTo(technician, '1R Hub oil');
  await enter(technician, 'Level: Between', 'Clear', 'Leaking on lining');
  await press(technician, 'Save 1R hub oil');
  await press(technician, 'Leave');
  await allSent(technician);

  // The driver's page, open all the while, turns by itself.
  await expect(driver.getByText('Found, inspection still open').first()).toBeVisible();
  await expect(driver.getByText('Held', { exact: true }).first()).toBeVisible();
  await expect(driver.getByRole('button', { name: /nothing.* found/i })).toHaveCount(0);
  await press(driver, 'Before the trip');
  await expect(driver.getByText('Found, inspection still open.', { exact: false }).first()).toBeVisible();
  await expect(driver.getByRole('button', { name: /^Sign: nothing/ })).toHaveCount(0);
  await press(driver, 'I saw H-11 is on hold: not driving it');
  await allSent(driver);
  await driver.getByRole('button', { name: 'Back' }).click();
  await expect(driver.getByText(/^Saw that it is on hold: Ines Dorval/).first()).toBeVisible();

  await foreman.getByRole('navigation').getByRole('link', { name: 'Shop' }).click();
  await expect(foreman.getByRole('button', { name: 'Other decision…. H-11 1L' })).toBeVisible();
  await expect(foreman.getByText('inspection still open', { exact: false }).first()).toBeVisible();

  // The glass was read wrong at 1L: what that did is taken back, and is seen to have been; 1R stands.
  await press(technician, /^Continue, /);
  await stepTo(technician, '1L Hub oil');
  await enter(technician, 'Level: Between');
  await press(technician, 'Save 1L hub oil');
  await press(technician, 'Leave');
  await allSent(technician);
  await expect(technician.getByRole('heading', { name: 'Taken back' })).toBeVisible();
  await expect(technician.getByText('Corrected by Tomas Rask', { exact: false }).first()).toBeVisible();
  await expect(foreman.getByRole('button', { name: 'Other decision…. H-11 1L' })).toHaveCount(0);
  await expect(foreman.getByRole('button', { name: 'Other decision…. H-11 1R' })).toBeVisible();
  await expect(driver.getByText('Held', { exact: true }).first()).toBeVisible();
});

test('a fact of the unit changed at the pad has its reason, and stands where whoever decides sees it', async ({
  browser,
  program,
}) => {
  const technician = await deviceOf(browser, program.url, 'technician');
  const foreman = await deviceOf(browser, program.url, 'foreman');
  await openTrailer(technician, 'H-11');
  await begin(technician);
  await chocked(technician);
  await enter(technician, '2 inches', '1/4');
  await press(technician, 'Save 1L applied stroke');
  await confirmIfAsked(technician, '1L', 'applied stroke');
  await stepTo(technician, '1L Applied stroke');
  await press(technician, '30 clamp chamber. Correct it');
  await technician.getByRole('radio', { name: /^Long stroke/ }).click();
  await technician.getByRole('radio', { name: 'Figure on the clamp ring' }).click();
  await press(technician, 'It was recorded wrong');
  await press(technician, 'Save chamber');
  await press(technician, 'Sheet');
  await expect(technician.getByRole('heading', { name: 'Brake count' })).toBeVisible();
  await allSent(technician);

  await openTrailer(foreman, 'H-11');
  const history = foreman.getByText('It was recorded wrong', { exact: false });
  await expect(history.first()).toBeVisible();
  await expect(foreman.getByText('Tomas Rask', { exact: false }).first()).toBeVisible();
  // One end alone, and what it was.
  await expect(
    foreman.getByText('1L chamber: 30 clamp chamber, now 30 long stroke clamp chamber').first(),
  ).toBeVisible();
  await expect(foreman.getByText(/^1R Chamber/)).toHaveCount(0);
});

test('an inspection begun by mistake is dropped, and one wheel end is measured from its own page', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await openTrailer(page, 'H-11');
  await begin(page, 'Full inspection');
  await press(page, 'Sheet');
  await press(page, 'Discard it: started by mistake');
  await expect(page.getByText('Nothing was saved. It leaves no record.')).toBeVisible();
  await press(page, 'Drop it');
  await allSent(page);
  await expect(page.getByRole('button', { name: 'Inspect', exact: true })).toBeVisible();
  await expect(page.getByText('in progress', { exact: false })).toHaveCount(0);

  await page.getByRole('button', { name: /^2L: / }).click();
  await press(page, 'Measure 2L');
  await chocked(page);
  await expect(page.getByText('0 of 5')).toBeVisible();
  await enter(page, '5/8');
  await press(page, 'Save 2L applied stroke');
  await confirmIfAsked(page, '2L', 'applied stroke');
  await press(page, 'Sheet');
  await press(page, 'Discard it: started by mistake');
  await expect(page.getByText('1 reading was saved', { exact: false })).toBeVisible();
  await press(page, 'Called away');
  await allSent(page);
  await expect(page.getByText('dropped: Called away', { exact: false })).toBeVisible();
});

test('a closed sheet offers the correction, on whatever device it is opened', async ({
  browser,
  program,
  database,
}) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await openTrailer(page, 'H-11');
  await page
    .getByRole('link', { name: /2 Nov|Measured, Edda Sorrel/ })
    .first()
    .click();
  await press(page, 'Correct a reading');
  await page.getByRole('button', { name: /^Lining at 1L|^Lining, 1L/ }).click();
  await enter(page, '1/8');
  await press(page, 'Save 1L lining');
  await allSent(page);
  await press(page, 'Open the verdict sheet');
  // Judged anew, with the reading before beside it on the record.
  await expect(page.getByText('Violation', { exact: true }).first()).toBeVisible();
  const stood = await sql<{ points: string; corrected: boolean }>(
    database,
    `select r.value->'points'->>0 as points, exists (select from reading n where n.supersedes = r.id) as corrected
     from reading r where r.inspection_id = (select inspection_id from reading where supersedes is not null
       order by recorded_at desc limit 1) and r.key = 'lining@1L' order by r.recorded_at`,
  );
  expect(stood.map(({ corrected }) => corrected)).toEqual([true, false]);
  expect(stood.at(-1)?.points).toBe('1/8 in');
});
