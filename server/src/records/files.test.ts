import { createHash } from 'node:crypto';
import { READING_COLUMNS } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { inspectAll } from '../testing/measure';
import { openWorld, type TestFleet, type World } from '../testing/world';

let world: World;
let fleet: TestFleet;
let count = 0;
const who = (role: string) => `${role}@${fleet.slug}`;
const header = READING_COLUMNS.join(',');
const LINE: Partial<Record<string, string>> = {
  unit: 'T-1',
  taken: '2026-02-01T09:00:00Z',
  by: 'Wyn',
  kind: 'lining',
  axle: '1',
  side: 'left',
};
const line = (value: string, more: Partial<Record<string, string>> = {}) =>
  READING_COLUMNS.map((name) => (({ ...LINE, value, ...more }) as typeof LINE)[name] ?? '').join(',');
const preview = async (csv: string) => (await world.post(who('foreman'), '/readings.csv/preview', { csv })).json();
const standing = async () => (await world.get(who('driver'), `/units/${fleet.unit}`)).body.standing;

beforeAll(async () => {
  world = await openWorld();
});
beforeEach(async () => {
  fleet = await world.makeFleet(`files${count++}`);
});
afterAll(() => world.close());

describe('readings.csv', () => {
  test('goes out with its header and comes back the same', async () => {
    await inspectAll(world, fleet);
    const out = await world.raw(who('manager'), '/readings.csv');
    expect(out.headers['content-type']).toMatch('text/csv');
    const lines = out.body.trim().split('\r\n');
    expect(lines[0]).toBe(header);
    expect(lines).toHaveLength(17);
    const other = await world.makeFleet(`copy${count}`);
    const done = await world.send(`foreman@${other.slug}`, 'import-readings', { csv: out.body, goodLinesOnly: false });
    expect(done.status).toBe(200);
    const again = await world.raw(`foreman@${other.slug}`, '/readings.csv');
    const without = (csv: string) => csv.replaceAll('The technician', '').replaceAll('The foreman', '');
    expect(without(again.body)).toBe(without(out.body));
  });

  test('a cell that a spreadsheet would run is written as words, and comes back as it was', async () => {
    const words = '=cmd|calc';
    await world.owner.pool.query(`update unit set body = $2 where fleet_id = $1`, [fleet.id, words]);
    const { body } = await world.raw(who('manager'), '/units.csv');
    expect(body).toContain(`'${words}`);
    const other = await world.makeFleet(`cells${count}`);
    const csv = body.replace('T-1', 'T-2');
    expect((await world.send(`foreman@${other.slug}`, 'import-units', { csv, goodLinesOnly: false })).status).toBe(200);
    const { rows } = await world.owner.pool.query(`select body from unit where fleet_id = $1 and number = 'T-2'`, [
      other.id,
    ]);
    expect(rows).toEqual([{ body: words }]);
  });

  test('a line that is no line of a list is refused before anything of the file is read', async () => {
    const wide = `${header}\n${','.repeat(1_000_000)}\n`;
    expect(await preview(wide)).toMatchObject({ good: 0, bad: [{ line: 2 }] });
  });

  test('a unit’s file is offered under its own name, whatever signs that has', async () => {
    await inspectAll(world, fleet);
    await world.owner.pool.query(`update unit set number = '车 1' where fleet_id = $1`, [fleet.id]);
    const { inspections } = (await world.get(who('driver'), `/units/${fleet.unit}`)).body;
    const file = await world.raw(who('driver'), `/inspections/${inspections[0].id}/inspection.json`);
    expect(file.statusCode).toBe(200);
    expect(file.headers['content-disposition']).toContain(encodeURIComponent('inspection-车-1.json'));
  });

  test('goes out unit after unit by number, oldest first in each', async () => {
    const unit = (id: string, number: string) =>
      world.owner.pool.query(
        `insert into unit (fleet_id, id, number, body, kind, axles)
         select fleet_id, $2, $3, body, kind, axles from unit where fleet_id = $1 and number = 'T-1'`,
        [fleet.id, id, number],
      );
    await unit(uuidv7(), 'A-2');
    await unit(uuidv7(), 'T-0');
    const taken = ['2026-02-03T09:00:00Z', '2026-01-01T09:00:00Z', '2026-02-02T09:00:00Z'];
    const rows = ['T-1', 'A-2', 'T-0'].flatMap((each) =>
      taken.map((at) => line('7/16 in', { unit: each, taken: at, side: 'left' })),
    );
    await world.done(who('foreman'), 'import-readings', { csv: [header, ...rows].join('\n'), goodLinesOnly: false });
    const out = await world.raw(who('manager'), '/readings.csv');
    const order = out.body
      .trim()
      .split('\r\n')
      .slice(1)
      .map((each: string) => each.split(',').slice(0, 2).join(' '));
    expect(order).toHaveLength(9);
    expect(order).toEqual([...order].sort());
    expect(order.filter((each: string) => each.startsWith('A-2'))).toHaveLength(3);
  });

  test('readings of one day of the shop are one inspection, whatever day that is elsewhere', async () => {
    // Chicago: ten in the morning and half past eleven at night of 1 March, and half past midnight of the 2nd.
    const rows = ['2026-03-01T16:00:00Z', '2026-03-02T05:30:00Z', '2026-03-02T06:30:00Z'].map((taken, nth) =>
      line('7/16 in', { taken, axle: nth === 1 ? '2' : '1' }),
    );
    await world.done(who('foreman'), 'import-readings', { csv: [header, ...rows].join('\n'), goodLinesOnly: false });
    const { body } = await world.get(who('manager'), `/units/${fleet.unit}`);
    expect(body.inspections.map(({ startedAt }: { startedAt: string }) => startedAt)).toEqual([
      '2026-03-02T06:30:00.000Z',
      '2026-03-01T16:00:00.000Z',
    ]);
  });

  test('every bad line is named, with its number and its reason', async () => {
    const csv = [
      header,
      line('7/16 in'),
      line('thick'),
      line('1/2 in', { unit: 'X-9' }),
      line('1/2 in', { axle: '7' }),
      line('1/2 in', { taken: 'then' }),
      line('1/2 in', { taken: '2030-01-01T00:00:00Z' }),
    ].join('\n');
    const said = await preview(csv);
    expect(said).toMatchObject({ lines: 6, good: 1, units: [{ number: 'T-1', readings: 1 }] });
    expect(said.bad.map(({ line: at }: { line: number }) => at)).toEqual([3, 4, 5, 6, 7]);
    expect(said.bad[0].message).toMatch('write a length');
  });

  test('stores nothing while a line is bad, unless the good ones are asked for', async () => {
    const csv = [header, line('7/16 in'), line('thick')].join('\n');
    const refused = await world.send(who('foreman'), 'import-readings', { csv, goodLinesOnly: false });
    expect(refused).toMatchObject({ status: 400, body: { errors: [{ path: 'line 3' }] } });
    expect(await standing()).toEqual([]);
    await world.done(who('foreman'), 'import-readings', { csv, goodLinesOnly: true });
    expect(await standing()).toMatchObject([{ key: 'lining@1L', verdict: 'within', value: { points: ['7/16 in'] } }]);
  });

  test('an older reading does not take the place of a newer one', async () => {
    await inspectAll(world, fleet);
    const csv = [header, line('3/16 in')].join('\n');
    await world.done(who('foreman'), 'import-readings', { csv, goodLinesOnly: false });
    const [now] = (await standing()).filter(({ key }: { key: string }) => key === 'lining@1L');
    expect(now.value.points).toEqual(['1/2 in']);
  });

  test('a file with other columns is refused', async () => {
    expect(await preview('a,b\n1,2')).toMatchObject({
      good: 0,
      bad: [{ line: 1, message: expect.stringMatching('Missing columns') }],
    });
  });
});

describe('an inspection as a file', () => {
  test('PDF, JSON, and the schema the JSON keeps', async () => {
    const id = await inspectAll(world, fleet, [{ kind: 'lining', axle: 1, side: 'left', points: ['3/16 in'] }]);
    const pdf = await world.raw(who('driver'), `/inspections/${id}/inspection.pdf`);
    expect(pdf.headers['content-type']).toBe('application/pdf');
    expect(pdf.rawPayload.subarray(0, 5).toString()).toBe('%PDF-');
    const pages = pdf.rawPayload.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;
    expect([1, 2]).toContain(pages);
    const file = (await world.raw(who('driver'), `/inspections/${id}/inspection.json`)).json();
    expect(file).toMatchObject({ form: 'zealous-axle/inspection/1', id, judgement: { verdict: 'out-of-service' } });
    const { rows } = await world.owner.pool.query(
      `select encode(hash, 'hex') as hash from record_chain where fleet_id = $1 and nr = $2`,
      [fleet.id, file.sealed.nr],
    );
    expect(rows).toEqual([{ hash: file.sealed.hash }]);
    const schema = (await world.app.inject('/api/v1/schemas/inspection.json')).json();
    expect(Object.keys(file).sort()).toEqual(Object.keys(schema.properties).sort());
  });
});

describe('the sum of a file', () => {
  const sumOf = (text: string) => createHash('sha256').update(text).digest('hex');

  test('that left stands in the security log, where it was written whole', async () => {
    for (const [who_, path] of [
      ['manager', 'readings.csv'],
      ['manager', 'units.csv'],
    ] as const) {
      const { body } = await world.raw(who(who_), `/${path}`);
      const { entries } = (await world.get(who('manager'), '/security-log')).body;
      const told = entries.filter(({ kind }: { kind: string }) => kind === 'exported');
      expect(told.map(({ what }: { what: string }) => what).join('\n')).toContain(`SHA-256 ${sumOf(body)}`);
    }
  });

  test('that was read in stands in its event, which the chain covers', async () => {
    const csv = [
      'unit,taken,by,kind,item,axle,side,tyre,value,detail',
      'T-1,2026-03-01T00:00:00Z,,lining,,1,left,,1/2 in,',
    ].join('\n');
    await world.done(who('foreman'), 'import-readings', { csv, goodLinesOnly: false });
    const { rows } = await world.owner.pool.query(
      `select e.body from event e join record_chain c on c.fleet_id = e.fleet_id and c.event_id = e.id
       where e.fleet_id = $1 and e.type = 'import-readings' order by e.id desc limit 1`,
      [fleet.id],
    );
    expect(rows[0].body.sha256).toBe(sumOf(csv));
  });
});

describe('the gauges of a stand-in', () => {
  beforeEach(() =>
    world.done(who('manager'), 'set-outside', {
      thing: 'gauges',
      version: 0,
      form: { way: 'made-up', phone: '', url: '' },
    }),
  );
  test('a press is one line of the protocol, and sent again it is the same frame', async () => {
    const press = async (more = {}) =>
      (await world.post(who('technician'), '/gauges/press', { kind: 'stroke', value: '41.25 mm', ...more })).json()
        .line;
    const first = await press();
    expect(first).toMatch(/^ZG1 stroke MADE-UP-1 \d{6} 41\.25 mm\*[0-9A-F]{2}$/);
    expect(await press({ again: true })).toBe(first);
    expect(await press()).not.toBe(first);
  });
  test('need a sign-in, and a length', async () => {
    expect(
      (
        await world.app.inject({
          method: 'POST',
          url: '/api/v1/gauges/press',
          payload: { kind: 'stroke', value: '1 in' },
        })
      ).statusCode,
    ).toBe(401);
    expect((await world.post(who('technician'), '/gauges/press', { kind: 'stroke', value: 'long' })).statusCode).toBe(
      400,
    );
  });
});
