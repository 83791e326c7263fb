import { bookFor, causesOf, foundSince, judgeStanding, ownFindings, type Reading } from '@zealous-axle/core';
import fc from 'fast-check';
import { v7 as uuidv7 } from 'uuid';
import { inspectAll } from '../testing/measure';
import { BECAUSE } from '../testing/sample-bodies';
import { openWorld, type TestFleet, type World } from '../testing/world';
import { doJudgeAgain } from '../yard/judge-again';

let world: World;
let fleet: TestFleet;
let count = 0;
beforeAll(async () => {
  world = await openWorld();
});
beforeEach(async () => {
  fleet = await world.makeFleet(`once${count++}`);
});
afterAll(() => world.close());

const who = (role: string) => `${role}@${fleet.slug}`;
const page = async () => (await world.get(who('driver'), `/units/${fleet.unit}`)).body;
const row = async () => (await world.get(who('driver'), `/units/${fleet.unit}/row`)).body;
const end = { axle: 1, side: 'left' } as const;
const EMPTY_HUB = { kind: 'hub-oil', ...end, level: 'empty', condition: 'clear', leak: 'none' } as const;
const THIN = { kind: 'lining', ...end, points: ['1/8 in'] } as const satisfies Reading;
const THICK = { kind: 'lining', ...end, points: ['1/2 in'] } as const satisfies Reading;

async function begin(purpose: 'full' | 'walk' = 'full', role = 'technician') {
  const inspection = uuidv7();
  await world.done(who(role), 'start-inspection', { inspection, unit: fleet.unit, purpose });
  const take = async (value: Reading, supersedes?: string) => {
    const reading = uuidv7();
    await world.done(who(role), 'take-reading', {
      reading,
      inspection,
      value,
      ...(supersedes ? { supersedes } : {}),
    });
    return reading;
  };
  const close = () =>
    world.done(who(role), 'close-inspection', { inspection, outcome: 'incomplete', because: 'called away' });
  return { inspection, take, close };
}

describe('an inspection begun by mistake', () => {
  const drop = (inspection: string, because?: string, role = 'technician') =>
    world.send(who(role), 'drop-inspection', { inspection, ...(because ? { because } : {}) });

  test('leaves no trace where nothing was saved, and takes nothing more', async () => {
    const { inspection, close } = await begin();
    expect((await drop(inspection)).status).toBe(200);
    expect(await page()).toMatchObject({ inspecting: [], inspections: [], inspectionsTotal: 0 });
    const late = { reading: uuidv7(), inspection, value: THICK };
    expect((await world.send(who('technician'), 'take-reading', late)).body.detail).toContain('was discarded');
    await expect(close()).rejects.toThrow('was discarded');
    expect((await drop(inspection)).body.detail).toContain('was discarded');
  });

  test('is dropped with a reason where something was saved: what was read stands, and holds', async () => {
    const { inspection, take } = await begin();
    await take(EMPTY_HUB);
    expect((await drop(inspection)).body.errors[0].path).toBe('body.because');
    expect((await drop(inspection, 'The wrong route')).status).toBe(200);
    expect(await page()).toMatchObject({
      inspecting: [],
      inspections: [{ id: inspection, dropped: 'The wrong route' }],
      holds: [{ inspection: { open: false } }],
      standing: [{ key: 'hub-oil@1L' }],
    });
    expect(await row()).toMatchObject({ held: true, verdict: 'out-of-service', inspecting: null });
  });

  test('is dropped by whoever may go on with it, while it is open', async () => {
    const { inspection, close } = await begin();
    expect((await drop(inspection, undefined, 'driver')).status).toBe(403);
    await close();
    expect((await drop(inspection)).status).toBe(409);
  });
});

describe('what is saved in an inspection that is still open', () => {
  test('holds at once what is out of service, on the unit and in the yard', async () => {
    const { inspection, take } = await begin();
    await take(EMPTY_HUB);
    expect(await page()).toMatchObject({
      holds: [{ reason: expect.stringContaining('1L'), inspection: { id: inspection, open: true } }],
      defects: [{ code: 'hub-oil', holds: true, inspection: { id: inspection, open: true } }],
      inspecting: [{ id: inspection, by: 'The technician', read: 1 }],
    });
    expect(await row()).toMatchObject({
      held: true,
      verdict: 'out-of-service',
      inspecting: { by: 'The technician' },
    });
    const { groups } = (await world.get(who('foreman'), '/triage')).body;
    expect(groups).toMatchObject([{ held: true, reports: [{ defect: { code: 'hub-oil' } }] }]);
  });

  test('a hot hub holds by practice, though no law names it', async () => {
    const { take } = await begin();
    await take({ kind: 'hub-oil', ...end, level: 'between', condition: 'clear', leak: 'none', heat: 'hot' });
    expect(await page()).toMatchObject({ holds: [{}], defects: [{ code: 'hub-oil', holds: true }] });
  });

  test('reports a violation, and a limit of the shop only once it is closed', async () => {
    const { take, close } = await begin();
    await take(THIN);
    await take({ kind: 'hub-oil', ...end, level: 'at-add', condition: 'clear', leak: 'none' });
    expect((await page()).defects.map(({ code }: { code: string }) => code)).toEqual(['lining']);
    await close();
    const closed = await page();
    expect(closed.defects.map(({ code }: { code: string }) => code).sort()).toEqual(['hub-oil', 'lining']);
    expect(closed.holds).toMatchObject([{ inspection: { open: false } }]);
    expect(closed.inspecting).toEqual([]);
  });

  test('is reported once, however it goes on', async () => {
    const { take, close } = await begin();
    await take(THIN);
    const [defect] = (await page()).defects;
    await world.done(who('foreman'), 'dismiss-defect', { defect: defect.id, version: 1, reason: 'seen by me' });
    await take({ kind: 'hub-oil', ...end, level: 'between', condition: 'clear', leak: 'none' });
    await close();
    expect((await page()).defects).toEqual([]);
  });

  test('a driver’s walk is that driver’s report', async () => {
    const { take } = await begin('walk', 'driver');
    await take({ kind: 'check', check: 'inner-seal', ...end, found: ['hub-seal-onto-lining'], how: 'seen' });
    expect(await page()).toMatchObject({ holds: [{}], defects: [{ origin: 'driver', holds: true }] });
  });
});

describe('a wrong reading taken back', () => {
  test('takes back what it did, and is seen to have done so', async () => {
    const { take } = await begin();
    const first = await take(THIN);
    await take(THICK, first);
    const unit = await page();
    expect(unit).toMatchObject({ holds: [], defects: [] });
    expect(unit.takenBack).toMatchObject([
      { code: 'lining', ...end, reason: 'Corrected by The technician: 1/8 in was 1/2 in' },
    ]);
    expect(await row()).toMatchObject({ held: false, openDefects: 0 });
  });

  test('takes nothing back that somebody answered: they are told', async () => {
    const { take } = await begin();
    const first = await take(THIN);
    const [defect] = (await page()).defects;
    await world.done(who('foreman'), 'triage-defect', { defect: defect.id, version: 1, holds: true });
    await take(THICK, first);
    const unit = await page();
    expect(unit.holds.length).toBeGreaterThan(0);
    expect(unit.defects).toMatchObject([
      { state: 'triaged', added: [{ words: expect.stringContaining('Corrected by') }] },
    ]);
  });

  test('leaves what another reading found', async () => {
    const { take } = await begin();
    await take(EMPTY_HUB);
    const thin = await take(THIN);
    await take(THICK, thin);
    expect(await page()).toMatchObject({ holds: [{}], defects: [{ code: 'hub-oil', holds: true }] });
  });
});

describe('a driver’s signature', () => {
  const sign = (name: 'report-nothing' | 'see-held' = 'report-nothing') =>
    world.send(who('driver'), name, { report: uuidv7(), unit: fleet.unit });

  test('that nothing was found is refused of a unit that is held', async () => {
    const { take } = await begin();
    await take(EMPTY_HUB);
    expect(await sign()).toMatchObject({ status: 409, body: { detail: expect.stringContaining('on hold') } });
    expect((await sign('see-held')).status).toBe(200);
    expect((await page()).signed).toMatchObject({ by: 'The driver', says: 'held', known: 1 });
    expect((await row()).walked).toBeNull();
  });

  test('stands with how many defects were known, and before what was found since', async () => {
    await world.done(who('driver'), 'report-defect', {
      defect: uuidv7(),
      unit: fleet.unit,
      code: 'mud-flap-torn',
      place: { axle: null, side: null, tyre: null },
      words: '',
    });
    world.later(1);
    expect((await sign()).status).toBe(200);
    const before = await page();
    expect(before.signed).toMatchObject({ says: 'nothing-found', known: 1 });
    expect(foundSince(before.signed, before)).toBe(false);
    expect((await row()).walked).toMatchObject({ by: 'The driver' });
    const { take } = await begin();
    await take(EMPTY_HUB);
    const after = await page();
    expect(foundSince(after.signed, after)).toBe(true);
  });
});

describe('a correction of a closed inspection', () => {
  const correct = async (inspection: string, value: Reading) => {
    const sheet = (await world.get(who('technician'), `/inspections/${inspection}`)).body;
    const was = sheet.readings.find(
      ({ value: each, supersededBy }: { value: Reading & typeof end; supersededBy: string | null }) =>
        each.kind === value.kind && each.axle === 1 && each.side === 'left' && !supersededBy,
    );
    await world.done(who('technician'), 'take-reading', {
      reading: uuidv7(),
      inspection,
      supersedes: was.id,
      value,
    });
  };

  test('reports and holds what it condemns', async () => {
    const inspection = await inspectAll(world, fleet);
    await correct(inspection, THIN);
    expect(await page()).toMatchObject({ holds: [{}], defects: [{ code: 'lining', holds: true }] });
    expect(await row()).toMatchObject({ held: true, verdict: 'out-of-service' });
  });

  test('takes back what it acquits', async () => {
    const inspection = await inspectAll(world, fleet, [THIN]);
    expect((await page()).holds).toHaveLength(1);
    await correct(inspection, THICK);
    expect(await page()).toMatchObject({ holds: [], defects: [], takenBack: [{ code: 'lining' }] });
    expect(await row()).toMatchObject({ held: false, verdict: 'within' });
  });
});

describe('whatever the order', () => {
  const lining = (text: string): Reading => ({ ...THICK, points: [text] });
  type Act = { act: 'save' | 'correct' | 'close' | 'report' | 'limit' | 'chamber'; n: number };
  const acts = fc.array(
    fc.record({
      act: fc.constantFrom<Act['act']>('save', 'save', 'correct', 'close', 'report', 'limit', 'chamber'),
      n: fc.nat(5),
    }),
    { minLength: 3, maxLength: 9 },
  );
  const LININGS = ['1/2 in', '1/8 in', '5/16 in', '3/16 in', '3/8 in', '7/16 in'];

  /** Does one act of somebody, on the inspection that is open or a new one; what is refused changes nothing. */
  async function act(state: { inspection: string | null; reading: string | null }, { act: what, n }: Act) {
    const at = { axle: 1 + (n % 2), side: 'left' } as const;
    if (what === 'save' || what === 'correct') {
      if (!state.inspection) {
        if (what === 'correct') return;
        state.inspection = uuidv7();
        await world.done(who('technician'), 'start-inspection', {
          inspection: state.inspection,
          unit: fleet.unit,
          purpose: 'walk',
        });
      }
      if (what === 'correct' && !state.reading) return;
      const reading = uuidv7();
      const value =
        n === 5 && what === 'save' ? ({ ...EMPTY_HUB, ...at } as Reading) : { ...lining(LININGS[n] ?? ''), axle: 1 };
      const body = { reading, inspection: state.inspection, value: value as Reading };
      const corrects = what === 'correct' && state.reading ? { supersedes: state.reading } : {};
      const { status } = await world.send(who('technician'), 'take-reading', { ...body, ...corrects });
      if (status === 200 && value.kind === 'lining') state.reading = reading;
    } else if (what === 'close' && state.inspection) {
      const closing = { inspection: state.inspection, outcome: 'incomplete', because: 'rain' } as const;
      await world.send(who('technician'), 'close-inspection', closing);
      if (n % 2) Object.assign(state, { inspection: null, reading: null });
    } else if (what === 'report') {
      const place = { ...at, tyre: null };
      const code = ['chamber-leak', 'drum-blue', 'unsure-brake'][n % 3] ?? '';
      await world.done(who('driver'), 'report-defect', { defect: uuidv7(), unit: fleet.unit, code, place, words: '' });
    } else if (what === 'limit') {
      const limit = {
        limit: uuidv7(),
        tightens: 'lining.drum',
        value: ['9/16 in', '3/8 in'][n % 2] ?? '',
        reason: 'x',
      };
      await world.send(who('manager'), 'add-fleet-limit', limit);
    } else if (what === 'chamber') {
      const chamber = { type: 'clamp', size: n % 2 ? '24' : '30', stroke: 'standard' } as const;
      await world.send(who('technician'), 'correct-ends', {
        change: uuidv7(),
        unit: fleet.unit,
        ends: [{ axle: 1, side: 'left' }],
        facts: { chamber },
        because: BECAUSE,
      });
    }
  }

  test('a unit is no greener than its standing facts judged at once', async () => {
    await fc.assert(
      fc.asyncProperty(acts, async (done) => {
        fleet = await world.makeFleet(`once${count++}`);
        const state = { inspection: null, reading: null };
        for (const each of done) await act(state, each);
        await doJudgeAgain(
          { db: world.db, now: world.now },
          { fleet: fleet.id, person: null },
          new AbortController().signal,
        );
        const unit = await page();
        const { limits } = (await world.get(who('manager'), '/session')).body.fleet;
        const book = bookFor({ book: 'na', policies: {}, limits });
        const judged = judgeStanding(book, unit, { standing: unit.standing, defects: unit.defects });
        const verdict = judged.units[0]?.verdict ?? 'not-judged';
        const known = await row();
        expect(known.verdict ?? 'not-judged').toBe(verdict);
        expect(known.judging).toBe(false);
        if (verdict === 'out-of-service' || verdict === 'violation') expect(known.held).toBe(true);
        // A limit of the shop waits for the end of its inspection, and for nothing else.
        const open = new Set(unit.inspecting.map(({ id }: { id: string }) => id));
        const own = unit.standing.filter(({ inspection }: { inspection: string }) => !open.has(inspection));
        const causes = causesOf(
          ownFindings(
            judged.findings,
            own.map(({ value }: { value: Reading }) => value),
          ),
          unit.defects,
        );
        expect(causes).toEqual([]);
      }),
      { numRuns: Number(process.env.ZA_RUNS ?? 12) },
    );
  });
});
