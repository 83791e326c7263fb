import { comeIn, countTaps, PASSWORD, startEmpty } from './empty-fleet';
import { allSent, asked, begin, chocked, deviceOf, expect, openTrailer, press, stepTo, test } from './program';

test('from an empty fleet to the first verdict of a two-axle trailer in at most forty taps', async ({ browser }) => {
  const program = await startEmpty();
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' });
  const page = await context.newPage();
  const taps = await countTaps(page);
  await comeIn(page, program.said);
  await press(page, 'Set up the fleet');
  await expect(page.getByText('Without a unit nothing can be measured.')).toBeVisible();
  await press(page, 'Set up a unit');
  await page.getByLabel('Number, as painted on it').fill('F-1');
  await press(page, 'Change. axle 1');
  await page.getByRole('radio', { name: /^30, / }).click();
  await press(page, 'Done. axle 1');
  await press(page, 'Same as axle 1. axle 2');
  await press(page, 'Add unit');
  await expect(page.getByRole('link', { name: /^F-1,/ })).toBeVisible();
  await openTrailer(page, 'F-1');
  await begin(page);
  await chocked(page);
  expect(await asked(page)).toEqual(['1L', 'applied stroke']);
  await press(page, '2 inches');
  await press(page, '1/8');
  await expect(page.getByText('Violation').first()).toBeVisible();
  await press(page, 'Save 1L applied stroke');
  await allSent(page);
  expect(await taps()).toBeLessThanOrEqual(40);
  await context.close();
  await program.stop();
});

test('the set-up says what is missing; somebody invited comes in by their code, leaves, and is let in again', async ({
  browser,
}) => {
  const program = await startEmpty();
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' });
  const page = await context.newPage();
  await comeIn(page, program.said);
  await press(page, 'Set up the fleet');
  await expect(page.getByText('Without a bay no job can be scheduled.')).toBeVisible();
  await press(page, 'Bays and days');
  await press(page, 'Add a bay');
  await page.getByLabel(/^Name, like/).fill('Pit');
  await press(page, 'Save');
  await expect(page.getByText('takes whatever comes')).toBeVisible();
  await press(page, 'Back');
  await expect(page.getByText('1 bay', { exact: true })).toBeVisible();
  await press(page, 'People');
  await press(page, 'Invite someone');
  await page.getByLabel('Name', { exact: true }).fill('Nell Reed');
  await page.getByLabel('Signs in as').fill('Nell Reed');
  await expect(page.getByText('Write small letters and digits', { exact: false })).toBeVisible();
  await page.getByLabel('Signs in as').fill('nell');
  await press(page, 'Invite');
  const code = (await page.getByText(/^[A-Z2-9]{4}-[A-Z2-9]{4}-[A-Z2-9]{4}$/).textContent()) ?? '';
  await allSent(page);
  await press(page, 'I have told them');
  await expect(page.getByText('Driver · nell@upperfold · invited')).toBeVisible();

  const nell = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
  const comes = async (with_: string) => {
    await nell.goto(program.url);
    await press(nell, 'I have an invite code');
    await nell.getByLabel('Name', { exact: true }).fill('nell@upperfold');
    await nell.getByLabel('Code').fill(with_.toLowerCase());
    await nell.getByLabel(/^Your own password/).fill(PASSWORD);
    await press(nell, 'Sign in');
  };
  await comes(code);
  await expect(nell.getByText('A foreman or manager adds them.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Driver · nell@upperfold', { exact: true })).toBeVisible();
  await press(page, 'Change. Nell Reed');
  await press(page, 'Has left. Nell Reed');
  await press(page, 'Nell Reed has left');
  await expect(page.getByText('Driver · nell@upperfold · has left')).toBeVisible();
  await nell.reload();
  await expect(nell.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await press(page, 'Change. Nell Reed');
  await press(page, 'Reactivate');
  await expect(page.getByText('Driver · nell@upperfold', { exact: true })).toBeVisible();
  await press(page, 'Change. Nell Reed');
  await press(page, 'New code (ends the password)');
  const again = (await page.getByText(/^[A-Z2-9]{4}-[A-Z2-9]{4}-[A-Z2-9]{4}$/).textContent()) ?? '';
  await allSent(page);
  await comes(code);
  await expect(nell.getByText('Wrong name or code', { exact: false })).toBeVisible();
  await comes(again);
  await expect(nell.getByText('A foreman or manager adds them.')).toBeVisible();
  await nell.context().close();
  await context.close();
  await program.stop();
});

test('a wrong chamber is put right at the pad, and its reading judged again', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await openTrailer(page, 'H-11');
  await begin(page);
  await chocked(page);
  await press(page, '2 inches');
  await press(page, '1/4');
  await expect(page.getByText('Violation').first()).toBeVisible();
  await press(page, '30 clamp chamber. Correct it');
  await page.getByRole('radio', { name: /^Long stroke/ }).click();
  await expect(page.getByRole('button', { name: 'Save chamber' })).toBeDisabled();
  await page.getByRole('radio', { name: 'Figure on the clamp ring' }).click();
  await press(page, 'It was recorded wrong');
  await press(page, 'Save chamber');
  await expect(page.getByRole('button', { name: '30 long stroke clamp chamber. Correct it' })).toBeVisible();
  await expect(page.getByText('Within limits').first()).toBeVisible();
  await allSent(page);
});

test('fifty units come from a file, and three bad lines are told', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'foreman');
  await page.goto(`${program.url}/unit-files`);
  const line = (number: string) =>
    `${number},semitrailer,Hopper,North,abs,"s-cam; clamp 30; automatic; dual; oil | same"`;
  const good = Array.from({ length: 50 }, (_, index) => line(`F-${index + 1}`));
  const bad = [line('F-1'), line('H-11'), line('F-60').replace('s-cam', 'square')];
  const csv = ['number,kind,body,site,fitted,axles', ...good, ...bad].join('\n');
  const chooser = page.waitForEvent('filechooser');
  await press(page, 'Choose a file');
  await (await chooser).setFiles({ name: 'units.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByText('53 lines: 50 good, 3 bad')).toBeVisible();
  await expect(page.getByText('F-1 is in this file twice.')).toBeVisible();
  await expect(page.getByText('Unit H-11 already exists.')).toBeVisible();
  await expect(page.getByText('“square” is not understood', { exact: false })).toBeVisible();
  await press(page, 'Import only the 50 good lines');
  await allSent(page);
  await page.goto(program.url);
  await expect(page.getByText('80 units', { exact: false })).toBeVisible();
});

test('a sold unit is on a list of its own with its records, and comes back from there', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'foreman');
  await openTrailer(page, 'H-14');
  await press(page, 'Sold or scrapped…');
  await page.getByRole('textbox').fill('Sold to a neighbour');
  await press(page, 'It is sold');
  await expect(page.getByText('H-14 is sold', { exact: false })).toBeVisible();
  const gone = async () => {
    await page.getByRole('navigation').getByRole('link', { name: 'Me' }).click();
    await press(page, 'Fleet setup');
    await press(page, 'Sold and scrapped');
  };
  await gone();
  await expect(page.getByText('Sold to a neighbour', { exact: false })).toBeVisible();
  await page.getByLabel('Search').fill('H-14');
  await page.getByRole('link', { name: /^H-14/ }).click();
  await expect(page.getByText('H-14 is sold', { exact: false })).toBeVisible();
  await press(page, 'Back in use');
  await allSent(page);
  await page.goBack();
  await gone();
  await expect(page.getByText('No unit sold or scrapped yet.')).toBeVisible();
});

test('a unit under other law is judged by its own book, in its words', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await openTrailer(page, 'G-91');
  await page
    .getByRole('link', { name: /Measured/ })
    .first()
    .click();
  await expect(page.getByText('Limit book Great Britain', { exact: false })).toBeVisible();
  await page.goBack();
  await begin(page);
  await stepTo(page, '1L Tread');
  await press(page, /^1 thirty-second/);
  await expect(page.getByText('Fail', { exact: false }).first()).toBeVisible();
});

test('a number that is taken is said in the form, and nothing of it is lost', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'foreman');
  await page.goto(`${program.url}/unit/new`);
  await page.getByLabel('Number, as painted on it').fill('H-11');
  await page.getByLabel('Location').fill('Behind the barn');
  await press(page, 'Add unit');
  await expect(page.getByText('Unit H-11 already exists.')).toBeVisible();
  await expect(page.getByLabel('Location')).toHaveValue('Behind the barn');
  await page.getByLabel('Number, as painted on it').fill('H-19');
  await press(page, 'Add unit');
  await expect(page.getByText('31 units', { exact: false })).toBeVisible();
});
