import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import pg from 'pg';
import { sql } from './cluster';
import { allSent, deviceOf, expect, openTrailer, press, test } from './program';

/** What the owner of a database does past the program. */
async function past(database: string, sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: database });
  await client.connect();
  await client.query('set session_replication_role = replica');
  await client.query(sql);
  await client.end();
}

test('a manager has the records checked, and reads what was changed past the program, and who came in', async ({
  browser,
  program,
  database,
}) => {
  const page = await deviceOf(browser, program.url, 'manager');
  const refused: string[] = [];
  page.on('console', (message) => {
    if (message.text().includes('Content Security Policy')) refused.push(message.text());
  });
  await page.goto(`${program.url}/set-up`);
  await press(page, 'Records');
  await expect(page.getByText('Never checked yet.')).toBeVisible();
  await press(page, 'Check the records now');
  await expect(page.getByText(/^\d+ entries and \d+ rows are as they were written\.$/)).toBeVisible();
  await past(database, `update reading set key = 'tread@9L' where id = (select id from reading order by id limit 1)`);
  await press(page, 'Check the records now');
  await expect(page.getByText('1 thing is not as written.')).toBeVisible();
  await expect(page.getByText(/^Row reading .* was changed outside the program\.$/)).toBeVisible();
  await press(page, 'Open the security log');
  await expect(page.getByText('Signed in: manager@lowmarsh').first()).toBeVisible();
  expect(refused).toEqual([]);
});

test('records are kept for no less than the law has it, and a legal hold is placed and lifted', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'manager');
  await page.goto(`${program.url}/records`);
  await page.getByLabel('Closed inspections').fill('6');
  await expect(page.getByText('At least 14 months.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save. How long records are kept' })).toBeDisabled();
  await page.getByLabel('Closed inspections').fill('24');
  await press(page, 'Save. How long records are kept');
  await expect(page.getByRole('button', { name: 'Save. How long records are kept' })).toBeDisabled();
  await press(page, 'Hold all records');
  await page.getByLabel('Reason for holding every unit').fill('A claim is open');
  await press(page, 'Place the hold');
  await expect(page.getByText('Every unit', { exact: true })).toBeVisible();
  await press(page, 'Lift…. Legal hold of every unit');
  await page.getByLabel('Reason for lifting it').fill('Settled');
  await press(page, 'Lift it');
  await expect(page.getByText('Every unit', { exact: true })).toBeHidden();
});

test('a unit’s history that was saved is checked by one page, without the program', async ({
  browser,
  program,
}, info) => {
  const page = await deviceOf(browser, program.url, 'foreman');
  const { units } = await (await page.request.get(`${program.url}/api/v1/units?text=H-15`)).json();
  const answer = await page.request.get(`${program.url}/api/v1/units/${units[0].id}/history.json`);
  expect(answer.ok()).toBe(true);
  const text = await answer.text();
  const [whole, changed] = [info.outputPath('history.json'), info.outputPath('changed.json')];
  await writeFile(whole, text);
  const own = text.lastIndexOf('unit_id');
  await writeFile(changed, `${text.slice(0, own)}unit_ix${text.slice(own + 7)}`);
  await page.goto(`file://${join(__dirname, '../app/dist/check-history.html')}`);
  await page.getByLabel('History file').setInputFiles(whole);
  await expect(page.getByText(/^\d+ entries hold together\.$/)).toBeVisible();
  await page.getByLabel('History file').setInputFiles(changed);
  await expect(page.getByText('It is NOT as it was written.')).toBeVisible();
});

test('what a driver signs is signed with the key of their device, and says what was done', async ({
  browser,
  program,
  database,
}) => {
  const driver = await deviceOf(browser, program.url, 'driver');
  await openTrailer(driver, 'H-11');
  await expect.poll(() => sql(database, 'select id from person_key')).toHaveLength(1);
  await press(driver, 'Nothing found');
  await press(driver, 'Sign: nothing found on H-11');
  await allSent(driver);
  const [signed] = await sql<{ text: string }>(database, 'select text from signature');
  expect(signed?.text.split('\n').slice(0, 2)).toEqual(['zealous-axle/signed/1', 'report-nothing']);
  expect(signed?.text).toContain('Ines Dorval');
  // The same device signs with the same key after it was loaded anew.
  await driver.reload();
  await expect(driver.getByText('Walked around, no defects found', { exact: false }).first()).toBeVisible();
  expect(await sql(database, 'select id from person_key')).toHaveLength(1);
});

test('whoever left loses their name on the manager’s word, and a system that hears of events is connected', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'manager');
  await page.goto(`${program.url}/people`);
  await press(page, 'Change. Wyn Castellan');
  await press(page, 'Has left. Wyn Castellan');
  await press(page, 'Wyn Castellan has left');
  await allSent(page);
  await press(page, 'Change. Wyn Castellan');
  await press(page, 'Remove the name. Wyn Castellan');
  await press(page, 'Remove Wyn Castellan from the records');
  await allSent(page);
  await expect(page.getByText('Wyn Castellan')).toHaveCount(0);
  await expect(page.getByText(/^Former technician /)).toBeVisible();

  await page.goto(`${program.url}/records`);
  await press(page, 'Connect a system');
  await page.getByLabel('Its address').fill('ftp://example.org');
  await expect(page.getByText('Write an address like https://example.org/events')).toBeVisible();
  await page.getByLabel('Its address').fill('http://127.0.0.1:9/events');
  await page.context().setOffline(true);
  await press(page, 'Connect');
  await expect(page.getByText('The secret appears when the server has it.')).toBeVisible();
  await page.context().setOffline(false);
  await expect(page.getByText('Give this secret to the other system. Shown only once.')).toBeVisible();
  await expect(page.getByText('http://127.0.0.1:9/events')).toBeVisible();
});
