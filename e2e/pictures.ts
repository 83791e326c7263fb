// Remakes the pictures in docs/screenshots from the demo: `npm run pictures` after `./start` or `./test` has built.
import { join } from 'node:path';
import { type Browser, chromium, type Page } from '@playwright/test';
import { copyDemo, postgres, startProgram } from './cluster';
import { CHROMIUM_ARGS } from './playwright.config';
import { begin, chocked, deviceOf, enter, measure, openTrailer, press, stepTo, type Who } from './program';

const FOLDER = join(__dirname, '../docs/screenshots');
const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };

/** A picture once nothing is loading any more. */
async function picture(page: Page, name: string): Promise<void> {
  await page.waitForFunction(() => document.fonts.status === 'loaded' && !document.querySelector('[role=progressbar]'));
  await page.screenshot({ path: join(FOLDER, `${name}.png`) });
}

async function take(browser: Browser, url: string): Promise<void> {
  const as = (who: Who, size = PHONE) => deviceOf(browser, url, who, { viewport: size });

  const driver = await as('driver');
  await picture(driver, 'yard');
  await openTrailer(driver, 'L-22');
  await driver.getByRole('heading', { name: 'Open defects' }).waitFor();
  await picture(driver, 'trailer');
  await openTrailer(driver, 'H-11');
  await press(driver, 'Report a defect');
  await driver.getByRole('button', { name: /^2L:/ }).click();
  await driver.getByRole('radio', { name: 'Brake' }).click();
  await driver.getByRole('radio', { name: 'Hisses at the wheel' }).click();
  await picture(driver, 'report');

  await press(driver, 'Send report');
  await driver.getByText('H-11', { exact: false }).first().waitFor();
  await driver.getByRole('navigation').getByRole('link', { name: 'Yard' }).click();
  await openTrailer(driver, 'Y-1');
  await press(driver, 'Add a unit behind Y-1…');
  await driver.getByRole('dialog').getByLabel('Search').fill('H-13');
  await press(driver, 'H-13, Seed hopper');
  await press(driver, 'Before the trip');
  await driver.getByText('Y-1 – H-13').waitFor();
  await driver.getByText('Sign: nothing found on Y-1, H-13').waitFor();
  await picture(driver, 'trip');

  const technician = await as('technician');
  await openTrailer(technician, 'H-12');
  await begin(technician);
  await chocked(technician);
  await measure(technician, {}, 2);
  await press(technician, '2 inches');
  await press(technician, '1/8');
  await picture(technician, 'pad');
  await press(technician, 'Leave');
  await openTrailer(technician, 'L-22');
  await technician
    .getByRole('link', { name: /Out of service/ })
    .first()
    .click();
  await technician.getByText('Findings, worst first').waitFor();
  await picture(technician, 'sheet');

  await press(technician, 'Back');
  await openTrailer(technician, 'L-23');
  await begin(technician, 'Full inspection');
  await stepTo(technician, '2L Spring and hanger');
  await technician.getByRole('checkbox', { name: 'Leaves shifted sideways' }).click();
  await stepTo(technician, '2R Lug nuts');
  await enter(technician, 'Stud 3: tight', 'Stud 4: tight');
  await technician.clock.install();
  await stepTo(technician, 'Leak-down, brakes released');
  await press(technician, 'Chocked, both ways');
  await enter(technician, '1', '0', '0', 'Start the clock');
  await technician.clock.fastForward(60_000);
  await enter(technician, 'Stop the clock', '9', '7');
  await technician.getByRole('timer').scrollIntoViewIfNeeded();
  await picture(technician, 'air');

  const day = await as('technician');
  await day.goto(`${url}/plan`);
  await day.getByText('Parts ready').first().waitFor();
  await picture(day, 'day');

  const wide = await as('technician', WIDE);
  await openTrailer(wide, 'L-22');
  await wide.getByRole('heading', { name: 'Open defects' }).waitFor();
  await picture(wide, 'wide-yard');
  await wide
    .getByRole('link', { name: /Out of service/ })
    .first()
    .click();
  await wide.getByText('Findings, worst first').waitFor();
  await press(wide, 'Back');
  await begin(wide);
  await chocked(wide);
  await measure(wide, {}, 7);
  await press(wide, '6 thirty-seconds');
  await picture(wide, 'wide-pad');

  const foreman = await as('foreman', WIDE);
  await foreman.getByRole('navigation').getByRole('link', { name: 'Shop' }).click();
  await foreman.getByText('Reports to review', { exact: false }).waitFor();
  await picture(foreman, 'wide-shop');
  await foreman.goto(`${url}/plan`);
  await foreman.getByRole('heading', { name: 'Needs attention' }).waitFor();
  await foreman.getByRole('button', { name: /, Frame crack at the neck, / }).click();
  await foreman.getByRole('button', { name: 'Pin here' }).waitFor();
  await picture(foreman, 'wide-plan');
  await foreman.goto(`${url}/book`);
  await press(foreman, /^Applied stroke, /);
  await foreman.getByLabel('Stroke', { exact: true }).fill('68');
  await picture(foreman, 'wide-book');

  const phone = await as('foreman');
  await phone.getByRole('navigation').getByRole('link', { name: 'Shop' }).click();
  await press(phone, 'Create a job for R-32');
  await press(phone, 'Create this job');
  await press(phone, 'Schedule');
  await press(phone, 'Start work');
  await phone.getByText(/^Steps: /).waitFor();
  for (let n = 0; n < 5; n++) await phone.getByRole('checkbox', { checked: false }).first().click();
  await phone.getByText(/^Steps: /).scrollIntoViewIfNeeded();
  await picture(phone, 'job');
  await phone
    .getByRole('button', { name: /^Torque\. / })
    .first()
    .click();
  await phone.getByText('First snug each nut', { exact: false }).waitFor();
  await press(phone, 'Close');
  await phone.goto(url);
  await openTrailer(phone, 'R-33');
  await phone
    .getByRole('link', { name: /Full inspection/ })
    .first()
    .click();
  await press(phone, 'Print');
  await phone.getByRole('heading', { name: 'Findings, worst first' }).waitFor();
  await picture(phone, 'paper');
  const row = await phone.evaluate(async () => {
    const { rows } = await fetch('/api/v1/forecast?kind=lining').then((answer) => answer.json());
    return rows.find(({ state }: { state: string }) => state === 'foreseen');
  });
  await phone.goto(`${url}/wear/${row.unit.id}?key=${encodeURIComponent(row.key)}`);
  await phone.getByText(/^Reaches /).waitFor();
  await picture(phone, 'wear');

  const learner = await as('technician');
  await learner.goto(`${url}/practice`);
  await press(learner, 'Do it. Brakes that deceive');
  await press(learner, 'Set the chocks');
  await press(learner, '95 psi');
  await press(learner, 'Apply the brake');
  await press(learner, '1 inches');
  await press(learner, '7/16');
  await picture(learner, 'practice');
  await foreman.goto(`${url}/practice/class`);
  await foreman.getByText('Missed most').waitFor();
  await picture(foreman, 'wide-class');

  const dark = await browser.newPage({ viewport: PHONE, colorScheme: 'dark' });
  await dark.goto(url);
  await dark.getByLabel('Name').fill('manager@lowmarsh');
  await dark.getByLabel('Password').fill('walk-round');
  await press(dark, 'Sign in');
  await openTrailer(dark, 'R-32');
  await dark.getByRole('heading', { name: 'Open defects' }).waitFor();
  await picture(dark, 'dark-trailer');
}

async function main(): Promise<void> {
  postgres('destroy');
  process.env.E2E_CLUSTER_URL = postgres('start');
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_ARGS });
  try {
    await (await startProgram(process.env.E2E_CLUSTER_URL)).stop();
    const program = await startProgram(await copyDemo('pictures'));
    await take(browser, program.url);
    await program.stop();
  } finally {
    await browser.close();
    postgres('destroy');
  }
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
