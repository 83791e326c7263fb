import { webcrypto } from 'node:crypto';
import { type CommandBody, type CommandName, readCode, readSigned, signedText } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { openWorld, type TestFleet, type World } from '../testing/world';
import { checkFleet } from './check';

let world: World;
let fleet: TestFleet;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  fleet = await world.makeFleet(`signed${count++}`);
});

const ECDSA = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };
const who = (role: string) => `${role}@${fleet.slug}`;

/** A key of a device, taken up for whoever is signed in on it. */
async function keyOf(role: string) {
  const pair = await webcrypto.subtle.generateKey(ECDSA, false, ['sign', 'verify']);
  const { x = '', y = '' } = await webcrypto.subtle.exportKey('jwk', pair.publicKey);
  const enrol = async () => (await world.post(who(role), '/session/key', { x, y })).json();
  const { id } = await enrol();
  return { id: id as string, pair, enrol };
}
type Key = Awaited<ReturnType<typeof keyOf>>;

/** Sends a command as a device does that holds a key; `change` tampers with what is signed or sent. */
async function sendSigned<N extends CommandName>(
  role: string,
  key: Key,
  name: N,
  body: CommandBody<N>,
  change: { text?: (text: string) => string; key?: string } = {},
) {
  const [id, at] = [uuidv7(), world.now().toISOString()];
  const act = { name, id, at, person: `The ${role}`, fleet: fleet.slug, label: 'T-1', body };
  const text = signedText(act);
  const value = Buffer.from(await webcrypto.subtle.sign(ECDSA, key.pair.privateKey, Buffer.from(text)));
  const signature = {
    key: change.key ?? key.id,
    text: change.text?.(text) ?? text,
    value: value.toString('base64url'),
  };
  return world.app.inject({
    method: 'POST',
    url: `/api/v1/commands/${name}`,
    headers: { cookie: await world.cookie(who(role)) },
    payload: { id, at, body, signature },
  });
}

async function doneJob(): Promise<string> {
  const [defect, job] = [uuidv7(), uuidv7()];
  const place = { axle: null, side: null, tyre: null };
  await world.done(who('driver'), 'report-defect', { defect, unit: fleet.unit, code: 'lamp-out', place, words: '' });
  const defects = [{ defect, version: 1 }];
  const made = { job, unit: fleet.unit, title: 'Lamp', defects, minutes: 30, wheelsOff: false };
  await world.done(who('foreman'), 'make-job', made);
  await world.done(who('foreman'), 'place-job', { job, version: 1, bay: fleet.bay, day: '2026-03-03' });
  await world.done(who('technician'), 'start-job', { job, version: 2 });
  await world.done(who('technician'), 'finish-job', { job, version: 3, done: 'Lamp renewed' });
  return job;
}

test('a certificate that was signed by a device’s key is known from its code alone, and stands in the chain', async () => {
  const job = await doneJob();
  const key = await keyOf('technician');
  const answer = await sendSigned('technician', key, 'certify-job', { job, version: 4, statement: 'Repaired' });
  expect(answer.statusCode).toBe(200);
  const { body } = await world.get(who('driver'), `/jobs/${job}`);
  const proven = readCode(body.code);
  if (!proven) throw new Error('no code');
  expect(readSigned(proven.text)).toMatchObject({
    name: 'certify-job',
    person: 'The technician',
    body: { job, statement: 'Repaired' },
  });
  const read = await webcrypto.subtle.importKey(
    'jwk',
    { kty: 'EC', crv: 'P-256', x: proven.x, y: proven.y },
    ECDSA,
    false,
    ['verify'],
  );
  const fits = (text: string) =>
    webcrypto.subtle.verify(ECDSA, read, Buffer.from(proven.value, 'base64url'), Buffer.from(text));
  expect([await fits(proven.text), await fits(proven.text.replace('Repaired', 'repaired'))]).toEqual([true, false]);
  expect((await checkFleet(world.db, fleet.id)).problems).toEqual([]);
  const paper = await world.raw(who('driver'), `/jobs/${job}/certificate.pdf`);
  expect([paper.statusCode, paper.headers['content-type']]).toEqual([200, 'application/pdf']);
});

test('what says another thing, is by another’s key, by none that is known, or by one that was revoked is refused', async () => {
  const key = await keyOf('technician');
  const report = () => ({ report: uuidv7(), unit: fleet.unit });
  const refused = { status: 401, type: 'urn:zealous-axle:problem:wrong-key' };
  const other = (text: string) => text.replace('report-nothing', 'see-held');
  expect((await sendSigned('technician', key, 'report-nothing', report(), { text: other })).json()).toMatchObject(
    refused,
  );
  expect(
    (await sendSigned('technician', key, 'report-nothing', report(), { text: (text) => `${text} ` })).json(),
  ).toMatchObject(refused);
  expect((await sendSigned('foreman', key, 'report-nothing', report())).json()).toMatchObject(refused);
  expect((await sendSigned('technician', key, 'report-nothing', report(), { key: uuidv7() })).json()).toMatchObject(
    refused,
  );
  expect((await sendSigned('technician', key, 'report-nothing', report())).statusCode).toBe(200);
  expect((await key.enrol()).id).toBe(key.id);

  const { rows } = await world.owner.pool.query(
    `select id from person where fleet_id = $1 and sign_in = 'technician'`,
    [fleet.id],
  );
  await world.done(who('manager'), 'set-person-left', { person: rows[0].id, version: 1, left: true });
  const held = await world.owner.pool.query('select revoked_at from person_key where id = $1', [key.id]);
  expect(held.rows[0].revoked_at).not.toBeNull();
});

test('papers its signer held at that time stand beside it', async () => {
  const key = await keyOf('technician');
  const qualifications = [
    { name: 'Brake inspector', until: '2026-12-31' },
    { name: 'Inspector', until: '2026-01-31' },
  ];
  await world.owner.pool.query(
    `update person set work = jsonb_set(work, '{qualifications}', $2) where fleet_id = $1 and sign_in = 'technician'`,
    [fleet.id, JSON.stringify(qualifications)],
  );
  await sendSigned('technician', key, 'report-nothing', { report: uuidv7(), unit: fleet.unit });
  const { rows } = await world.owner.pool.query('select role, papers from signature where fleet_id = $1', [fleet.id]);
  expect(rows).toEqual([{ role: 'technician', papers: 'Brake inspector until 2026-12-31' }]);
});
