import { v7 as uuidv7 } from 'uuid';
import { FORM, openWorld, type World } from '../testing/world';

let world: World;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

async function begin() {
  const fleet = await world.makeFleet(`together-${count++}`);
  const who = (role: string) => `${role}@${fleet.slug}`;
  const add = async (number: string, kind: 'tractor' | 'semitrailer' | 'dolly' | 'full-trailer') => {
    const unit = uuidv7();
    await world.done(who('foreman'), 'add-unit', { unit, form: { ...FORM, number, kind } });
    return unit;
  };
  const hook = async (unit: string, pulled: string, coupling = uuidv7()) => ({
    coupling,
    ...(await world.send(who('driver'), 'hook', { coupling, unit, pulled, place: 'yard' })),
  });
  const runs = async (unit: string): Promise<string[]> =>
    (await world.get(who('driver'), `/units/${unit}`)).body.combination.map(({ number }: { number: string }) => number);
  return { fleet, who, add, hook, runs };
}

test('a chain is the same from each of its units, front to rear, and is told from all of them', async () => {
  const { fleet, add, hook, runs } = await begin();
  const [tractor, dolly, rear] = [
    await add('Y-9', 'tractor'),
    await add('J-9', 'dolly'),
    await add('W-9', 'semitrailer'),
  ];
  expect(await runs(tractor)).toEqual([]);
  await hook(dolly, rear);
  await hook(fleet.unit, dolly);
  await hook(tractor, fleet.unit);
  for (const unit of [tractor, fleet.unit, dolly, rear]) expect(await runs(unit)).toEqual(['Y-9', 'T-1', 'J-9', 'W-9']);
});

test('what cannot be is refused with why: wrong kinds, taken units, circles', async () => {
  const { fleet, add, hook } = await begin();
  const [tractor, other, dolly] = [await add('Y-9', 'tractor'), await add('Y-8', 'tractor'), await add('J-9', 'dolly')];
  expect((await hook(fleet.unit, tractor)).body.errors[0].message).toContain('moves itself');
  expect((await hook(fleet.unit, fleet.unit)).status).toBe(400);
  await hook(tractor, fleet.unit);
  expect((await hook(other, fleet.unit)).body.detail).toBe('T-1 is hooked behind Y-9. Drop it first.');
  const second = await add('T-2', 'semitrailer');
  expect((await hook(tractor, second)).body.detail).toBe('Y-9 has T-1 hooked behind it. Drop that first.');
  await hook(fleet.unit, dolly);
  await hook(dolly, second);
  const circle = await hook(second, dolly);
  expect(circle.status).toBe(409);
});

test('two drivers hook one trailer: one has it', async () => {
  const { fleet, who, add } = await begin();
  const pullers = [await add('Y-9', 'tractor'), await add('Y-8', 'tractor')];
  const answers = await Promise.all(
    pullers.map((unit, n) =>
      world.send(who(n ? 'driver' : 'foreman'), 'hook', {
        coupling: uuidv7(),
        unit,
        pulled: fleet.unit,
        place: '',
      }),
    ),
  );
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
});

test('dropped, it stands alone, and is proposed behind what pulled it last', async () => {
  const { fleet, who, add, hook, runs } = await begin();
  const tractor = await add('Y-9', 'tractor');
  const { coupling } = await hook(tractor, fleet.unit);
  const drop = () => world.send(who('driver'), 'drop', { coupling, unit: tractor, pulled: fleet.unit, place: 'wharf' });
  expect((await drop()).status).toBe(200);
  expect((await drop()).status).toBe(409);
  expect(await runs(fleet.unit)).toEqual([]);
  const page = async () => (await world.get(who('driver'), `/units/${fleet.unit}`)).body;
  expect((await page()).lastBehind).toMatchObject({ id: tractor, number: 'Y-9' });
  world.later(20 * 24 * 60);
  expect((await page()).lastBehind).toBeNull();
});

test('a meter is kept with who read it, the last one shown', async () => {
  const { fleet, who } = await begin();
  const read = (value: string) =>
    world.send(who('driver'), 'record-meter', { meter: uuidv7(), unit: fleet.unit, value });
  expect((await read('far')).status).toBe(400);
  await read('48,210 mi');
  await read('48,420 mi');
  expect((await world.get(who('foreman'), `/units/${fleet.unit}`)).body.meter).toMatchObject({
    value: '48,420 mi',
    by: 'The driver',
  });
});
