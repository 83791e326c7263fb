import { deflateSync } from 'node:zlib';
import type { Page } from '@playwright/test';
import { sql, startProgram } from './cluster';
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

/** What a keyboard types for a good figure at each kind of step that is saved rather than answered in one tap. */
const GOOD: readonly [RegExp, string][] = [
  [/applied stroke$/, '1 3/4'],
  [/free stroke$/, '5/8'],
  [/lining$/, '7/16'],
  [/tire pressure$/, '100'],
  [/drum diameter$/, '16.55'],
  [/tread$/, '9'],
  [/bearing end play$/, '.003'],
  [/mud flap clearance$/, '7'],
  [/guard height$/, '21'],
];

async function enterFigures(page: Page, label: string): Promise<void> {
  const known = GOOD.find(([kind]) => kind.test(label));
  if (known) return page.keyboard.type(known[1]);
  if (/hub oil$/.test(label)) return page.keyboard.press('g');
  if (/kingpin$/.test(label)) {
    await page.keyboard.type('1.99');
    await page.keyboard.press('Enter');
    return page.keyboard.type('1.99');
  }
  if (/leak/.test(label)) {
    await page.keyboard.type('100');
    await press(page, 'Start the clock');
    await page.clock.fastForward(/suspension/.test(label) ? 300_000 : 60_000);
    await press(page, 'Stop the clock');
    return page.keyboard.type('99');
  }
  throw new Error(`no good figures for “${label}”`);
}

const ANSWERS =
  /^(Save |Good: |Open the verdict sheet$|Yes, it is correct$|95 psi$|Chocked, both ways$|Chocks out$|All \d+ pins are seated|\S+: all \d+ present|\S+: the tires do not)/;

/** What the pad asks for now, by the button that answers it; waits until that is another than `before`. */
async function nextAnswer(page: Page, before: string | null): Promise<string> {
  const found = await page.waitForFunction(
    ([pattern, last]) => {
      const labels = [...document.querySelectorAll('[role="button"], button')].map(
        (each) => each.getAttribute('aria-label') ?? '',
      );
      const answers = labels.filter((label) => new RegExp(pattern).test(label));
      // A question over the pad is answered first.
      const answer = answers.find((label) => label === 'Yes, it is correct') ?? answers[0];
      return answer && answer !== last ? answer : null;
    },
    [ANSWERS.source, before ?? ''] as const,
  );
  return (await found.jsonValue()) ?? '';
}

/** Walks the route to its end with everything good, by the keys; gives how many steps it had. */
async function walkAll(page: Page): Promise<number> {
  let steps = 0;
  for (let answer = await nextAnswer(page, null); answer !== 'Open the verdict sheet'; ) {
    if (['Chocked, both ways', 'Chocks out', '95 psi', 'Yes, it is correct'].includes(answer))
      await press(page, answer);
    else {
      steps++;
      if (answer.startsWith('Save ')) {
        await enterFigures(page, answer);
        // Enter belongs to whatever was touched last: the keys go back to the pad.
        await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
        await page.keyboard.press('Enter');
      } else await page.keyboard.press('g');
    }
    answer = await nextAnswer(page, answer);
  }
  return steps;
}

test('the full route on three axles with a lift axle and duals, to its paper', async ({
  browser,
  program,
  database,
}) => {
  test.setTimeout(600_000);
  const page = await deviceOf(browser, program.url, 'technician');
  await page.clock.install();
  await openTrailer(page, 'L-23');
  await begin(page, 'Full inspection');
  await expect(page.getByText('Chock before touching anything.', { exact: false })).toBeVisible();
  expect(await walkAll(page)).toBe(199);
  await press(page, 'Open the verdict sheet');
  await press(page, 'Close inspection');
  await allSent(page);
  const [stored] = await sql<{ readings: number; kinds: number; outcome: string; sections: number; verdict: string }>(
    database,
    `select count(*)::int as readings, count(distinct r.value->>'kind')::int as kinds, i.outcome, i.verdict,
       jsonb_array_length(i.sections) as sections
     from inspection i join reading r on r.inspection_id = i.id join unit u on u.id = i.unit_id
     where u.number = 'L-23' and i.route->>'id' = 'full' group by i.outcome, i.verdict, i.sections`,
  );
  expect(stored).toMatchObject({ readings: 199, kinds: 16, outcome: 'complete', verdict: 'within' });
  expect(stored?.sections).toBeGreaterThan(8);

  await page
    .getByRole('link', { name: /Full inspection/ })
    .first()
    .click();
  await press(page, 'Print');
  await expect(page.getByRole('heading', { name: /L-23 – Full inspection/ })).toBeVisible();
  await expect(page.getByText('Axle 1, lift')).toBeVisible();
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page\b/g)?.length ?? 0).toBeLessThanOrEqual(2);
});

test('the quick walk: a lamp is out, something is noted out of order, and it closes only with its reason', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await openTrailer(page, 'H-11');
  await begin(page, 'Four-point walk');
  await press(page, 'Good: ABS lamp');
  await press(page, 'Good: Clearance lamps, front: amber');
  await page.getByRole('checkbox', { name: 'Out' }).click();
  await press(page, 'Save marker lamps');
  // Out of order: the far inner seal, then its neighbour, and the way back to the kept place.
  await stepTo(page, '2R Inner wheel seal');
  await page.getByRole('checkbox', { name: 'Inside of the wheel wet' }).click();
  await press(page, 'Save 2R inner wheel seal');
  await expect(page.getByRole('button', { name: 'Good: Tail lamps' })).toBeHidden();
  await press(page, 'Steps');
  await press(page, 'Back to your step');
  await expect(page.getByRole('button', { name: 'Good: Tail lamps' })).toBeVisible();
  await press(page, 'Sheet');
  await expect(
    page.getByText('Wheel seal', { exact: false }).or(page.getByText('Inner wheel seal')).first(),
  ).toBeVisible();
  await press(page, 'Close as incomplete');
  const close = page.getByRole('button', { name: 'Close as incomplete' }).last();
  await expect(close).toBeDisabled();
  await page.getByLabel('Because').fill('Called away');
  await close.click();
  await allSent(page);
  await page.reload();
  await expect(page.getByText('Side marker or clearance lamp out').first()).toBeVisible();
  await expect(page.getByText('Inside of the wheel wet with oil: inner seal').first()).toBeVisible();
  await expect(page.getByRole('link', { name: /Four-point walk, Tomas Rask · incomplete/ })).toBeVisible();
});

test('a double tap or a key held down answers the step that was looked at, and no other', async ({
  browser,
  program,
  database,
}) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await page.clock.install();
  await openTrailer(page, 'H-11');
  await begin(page, 'Four-point walk');
  await page.getByRole('button', { name: 'Good: ABS lamp' }).dblclick();
  await page.getByRole('button', { name: 'Good: Clearance lamps, front: amber' }).dblclick();
  await expect(page.getByRole('button', { name: 'Good: Marker lamps' })).toBeEnabled();
  for (let times = 0; times < 4; times++) await page.keyboard.down('g');
  await page.keyboard.up('g');
  await expect(page.getByRole('button', { name: 'Good: Tail lamps' })).toBeEnabled();
  await page.getByRole('checkbox', { name: 'Out' }).click();
  await page.getByRole('button', { name: 'Save tail lamps' }).dblclick();
  await expect(page.getByRole('button', { name: 'Good: Clearance lamps, rear: red' })).toBeEnabled();
  // A step that has only just come takes no answer yet.
  await page.clock.pauseAt(Date.now() + 10_000);
  await press(page, 'Good: Clearance lamps, rear: red');
  const next = page.getByRole('button', { name: 'Good: Identification lamps' });
  await expect(next).toBeDisabled();
  await next.click({ force: true });
  await page.clock.resume();
  await expect(next).toBeEnabled();
  await allSent(page);
  const [stored] = await sql<{ readings: number }>(
    database,
    `select count(*)::int as readings from reading r join unit u on u.id = r.unit_id
     where u.number = 'H-11' and r.taken_at > now() - interval '5 minutes'`,
  );
  expect(stored).toEqual({ readings: 5 });
});

test('the sheet says where to look, with the readings it rests on and those before them', async ({
  browser,
  program,
}) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await openTrailer(page, 'R-32');
  await page
    .getByRole('link', { name: /Violation/ })
    .first()
    .click();
  await expect(
    page.getByText('Axle 1: Lining wore faster on one end of this axle since last time', { exact: false }),
  ).toBeVisible();
  await expect(page.getByText(/^Because: 1L Lining .+, 1R Lining /)).toBeVisible();
  await expect(page.getByText(/^Before, on .+: 1L Lining .+, 1R Lining /)).toBeVisible();
});

test('a driver walks round, and the foreman has what was found to answer', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'driver');
  await openTrailer(page, 'H-11');
  await press(page, 'Walk round');
  await expect(page.getByRole('button', { name: 'Full inspection' })).toHaveCount(0);
  await press(page, 'Trailer walk');
  await expect(page.getByRole('button', { name: 'Good: Stance' })).toBeVisible();
  await page.getByRole('checkbox', { name: /^Leans to one side/ }).click();
  await press(page, 'Save stance');
  expect(await walkAll(page)).toBeGreaterThan(30);
  await press(page, 'Open the verdict sheet');
  await expect(page.getByRole('button', { name: 'Hold trailer' })).toHaveCount(0);
  await press(page, 'Close inspection');
  await allSent(page);

  const foreman = await deviceOf(browser, program.url, 'foreman');
  await foreman.goto(`${program.url}/shop`);
  await expect(foreman.getByText('Reports to review', { exact: false })).toBeVisible();
  await expect(foreman.getByText('Leans to one side', { exact: false }).first()).toBeVisible();
});

/** A picture of one colour as PNG, made here. */
function png(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer): Buffer => {
    const body = Buffer.concat([Buffer.from(type), data]);
    const size = Buffer.alloc(4);
    size.writeUInt32BE(data.length);
    const sum = Buffer.alloc(4);
    sum.writeUInt32BE(crc(body));
    return Buffer.concat([size, body, sum]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 2, 0, 0, 0], 8);
  const row = Buffer.concat([Buffer.from([0]), Buffer.alloc(width * 3, 120)]);
  const pixels = deflateSync(Buffer.concat(Array.from({ length: height }, () => row)));
  const signature = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
  return Buffer.concat([signature, chunk('IHDR', head), chunk('IDAT', pixels), chunk('IEND', Buffer.alloc(0))]);
}
function crc(data: Buffer): number {
  let sum = ~0;
  for (const byte of data) {
    sum ^= byte;
    for (let bit = 0; bit < 8; bit++) sum = (sum >>> 1) ^ (sum & 1 ? 0xedb88320 : 0);
  }
  return ~sum >>> 0;
}

test('a photo taken without a server is shrunk, kept, shown, and sent once', async ({ browser, database }) => {
  const first = await startProgram(database);
  const port = Number(new URL(first.url).port);
  const page = await deviceOf(browser, first.url, 'technician', { keeps: true });
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await openTrailer(page, 'H-11');
  await begin(page, 'Four-point walk');
  await allSent(page);
  await first.stop();

  const take = async (file: { name: string; mimeType: string; buffer: Buffer }) => {
    const chooser = page.waitForEvent('filechooser');
    await press(page, /^Photo/);
    await (await chooser).setFiles(file);
  };
  await take({ name: 'note.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByText('not a picture', { exact: false })).toBeVisible();
  await take({ name: 'lamp.png', mimeType: 'image/png', buffer: png(2_400, 1_600) });
  await expect(page.getByRole('button', { name: 'Photo (1)' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Photo (1)' })).toBeVisible();
  await press(page, 'Sheet');
  await expect(page.getByRole('button', { name: /waits to be sent/ })).toBeVisible();

  const second = await startProgram(database, port);
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await allSent(page);
  const rows = await sql<{ width: number; height: number; key: string }>(
    database,
    'select width, height, key from photo',
  );
  expect(rows).toEqual([{ width: 1_280, height: 853, key: 'check:abs-lamp@unit' }]);
  await second.stop();
});

test('gauges: a press fills the figure and goes on; a wrong, damaged, doubled or lost one does not', async ({
  browser,
  program,
  database,
}) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await page.evaluate(() => localStorage.setItem('za-gauge', 'on'));
  await openTrailer(page, 'J-51');
  await begin(page);
  await expect(page.getByText('Gauge: listening')).toBeVisible();
  const post = (path: string, body: object) =>
    page.evaluate(
      ([url, json]) =>
        fetch(`/api/v1/gauges/${url}`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: json,
        }).then(({ ok }) => ok),
      [path, JSON.stringify(body)] as const,
    );
  const said = (words: string | RegExp) => expect(page.getByRole('status').filter({ hasText: words })).toBeVisible();

  await post('press', { kind: 'stroke', value: '41.00 mm' });
  await said('First chock the wheels, both ways, and confirm it.');
  await chocked(page);
  await expect(page.getByRole('button', { name: 'Save 1L applied stroke' })).toBeVisible();
  await post('press', { kind: 'lining', value: '11.00 mm' });
  await said('lining gauge: it does not measure this');
  await post('fault', { fault: 'noise' });
  await said('cannot read');
  await post('press', { kind: 'stroke', value: '180.00 mm' });
  await said('more than a stroke gauge can measure');
  await expect(page.getByRole('button', { name: 'Save 1L applied stroke' })).toBeVisible();

  await post('press', { kind: 'stroke', value: '41.50 mm' });
  await confirmIfAsked(page, '1L', 'applied stroke');
  await said('1L applied stroke: 41.50 mm from gauge MADE-UP-1');
  await expect(page.getByRole('button', { name: 'Save 1R applied stroke' })).toBeVisible();
  await post('press', { kind: 'stroke', value: '41.50 mm', again: true });
  await post('fault', { fault: 'noise' });
  await said('cannot read');
  await expect(page.getByRole('button', { name: 'Save 1R applied stroke' })).toBeVisible();

  await post('fault', { fault: 'cut' });
  await said('Gauge lost');
  await press(page, '5/8');
  await press(page, 'Save 1R applied stroke');
  await confirmIfAsked(page, '1R', 'applied stroke');
  await said('Gauge: listening');
  await allSent(page);
  const rows = await sql<{ gauge: { serial: string } | null }>(
    database,
    `select gauge from reading where taken_at > now() - interval '1 hour' and value->>'kind' = 'stroke-applied'
       and unit_id = (select id from unit where number = 'J-51') order by taken_at, id`,
  );
  expect(rows.map(({ gauge }) => gauge?.serial ?? null)).toEqual(['MADE-UP-1', null]);
});

test('a whole check and a grid of grooves from the keyboard alone', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'technician', { viewport: { width: 1280, height: 800 } });
  await openTrailer(page, 'H-11');
  await begin(page, 'Full inspection');
  const now = (label: string | RegExp) => expect(page.getByRole('button', { name: label }).first()).toBeVisible();
  await now('Good: Stance');
  await page.keyboard.press('g');
  await now('Good: Under the unit');
  await page.keyboard.press('1');
  await now('Save under the unit');
  await page.keyboard.press('Enter');
  await now('Good: Header board');
  await page.keyboard.press('ArrowLeft');
  await now('Save under the unit');
  await page.keyboard.press('k');
  await page.getByRole('button', { name: 'Covered in mud or ice' }).press('Enter');
  await now('Good: Header board');
  await stepTo(page, 'Kingpin');
  await page.keyboard.type('1.99');
  await page.keyboard.press('Enter');
  await page.keyboard.type('1.98');
  await now('Save kingpin');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Kingpin: 1.98 in' })).toBeVisible();
});

test('an air test goes on over a reload, and says what a minute loses', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'technician');
  await page.clock.install();
  await openTrailer(page, 'H-11');
  await begin(page, 'Full inspection');
  await stepTo(page, 'Leak-down, brakes released');
  await press(page, 'Chocked, both ways');
  await enter(page, '1', '0', '0', 'Start the clock');
  await page.clock.fastForward(20_000);
  await page.reload();
  await expect(page.getByRole('timer')).toBeVisible();
  await page.clock.fastForward(100_000);
  await expect(page.getByRole('timer')).toContainText('2:0');
  await press(page, 'Stop the clock');
  await enter(page, '9', '4');
  await expect(page.getByText(/6 psi in 12\d s: (3|2\.9) psi a minute/)).toBeVisible();
  await expect(page.getByText('Violation').first()).toBeVisible();
  await page.getByRole('radio', { name: 'Two or more trailers' }).click();
  await expect(page.getByText('Less than 3 psi a minute')).toBeVisible();
});
