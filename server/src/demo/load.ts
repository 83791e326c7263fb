import {
  chosen,
  dayAfter,
  dayIn,
  INCH_UNITS,
  NO_WORK,
  OUTSIDE_THINGS,
  type Random,
  type Role,
  randomOf,
  type Unit,
} from '@zealous-axle/core';
import { sql } from 'drizzle-orm';
import { hashPassword } from '../access/passwords';
import { fleet, person } from '../access/schema';
import { keepForecasts } from '../forecast/keep';
import { currentReading, inspection, judgement, reading } from '../inspection/schema';
import { outside } from '../outside/schema';
import { bay } from '../people/schema';
import { shopPlanOf } from '../plan/first-plan';
import { part } from '../repair/schema';
import type { Actor } from '../run/actor';
import { asTask } from '../run/seal';
import { connect, inFleet } from '../store/connect';
import type { FleetStore } from '../store/fleet-store';
import { meter, paper, unit } from '../units/schema';
import { rebuildYard } from '../yard/keep';
import { DEMO_PASSWORD, FLEET, PEOPLE, SHOP_UNITS, UNITS, workOf } from './fleet';
import { wornReadings } from './history';
import PARTS from './parts.json';
import { pastInspection, standing } from './past';
import { tellPractice } from './practice';
import { seededId } from './seeded-id';
import { BAYS, HOLIDAY, tellShop } from './shop';
import { type DemoTrailer, tellStory } from './story';
import { type DemoPerson, teller } from './teller';

const SEED = 20260104;
const DAY_MS = 86_400_000;
const YEAR = 365;
const BATCH = 500;
/** Units whose hub meter is read. */
const METRED = ['H-15', 'H-16', 'H-17', 'H-18', 'L-25', 'L-26', 'L-27'];
/** Steps of the search for the demo’s plan. */
const PLAN_STEPS = 1_500;

async function insertAll<T>(rows: readonly T[], insert: (batch: T[]) => Promise<unknown>): Promise<void> {
  for (let from = 0; from < rows.length; from += BATCH) await insert(rows.slice(from, from + BATCH));
}

/** Days before today on which a unit was inspected, oldest first. */
function inspectionDays(random: Random): number[] {
  const days: number[] = [];
  for (let ago = YEAR - random.below(20); ago > 8; ago -= 42 + random.below(28)) days.push(ago);
  return days;
}

/** Hub meters read at each inspection: so much a day, more in some weeks than in others. */
function metersOf(
  inspections: readonly (typeof inspection.$inferInsert)[],
  random: Random,
  now: Date,
): (typeof meter.$inferInsert)[] {
  let miles = 40_000 + random.below(60_000);
  return inspections.map(({ fleetId, unitId, startedAt, startedBy }, index) => {
    const before = inspections[index - 1]?.startedAt ?? startedAt;
    miles += Math.round(((startedAt.getTime() - before.getTime()) / DAY_MS) * (90 + random.next() * 60));
    return { fleetId, id: seededId(random, now), unitId, value: `${miles} mi`, readBy: startedBy, readAt: startedAt };
  });
}

async function loadHistory(
  db: FleetStore,
  kept: Unit,
  by: readonly string[],
  random: Random,
  now: Date,
  metred: boolean,
): Promise<DemoTrailer> {
  const days = inspectionDays(random);
  const values = wornReadings(
    kept,
    days.map((ago) => YEAR - ago),
    random,
  );
  const past = values.map((taken, index) => {
    const at = new Date(now.getTime() - (days[index] ?? 0) * DAY_MS - random.below(5) * 3_600_000);
    return pastInspection({ fleetId: FLEET.id, unit: kept, values: taken, by: chosen(random, by), at }, random);
  });
  await insertAll(
    past.map((each) => each.inspection),
    (rows) => db.insert(inspection).values(rows),
  );
  await insertAll(
    past.flatMap((each) => each.readings),
    (rows) => db.insert(reading).values(rows),
  );
  await insertAll(
    past.map((each) => each.judgement),
    (rows) => db.insert(judgement).values(rows),
  );
  if (metred)
    await db.insert(meter).values(
      metersOf(
        past.map((each) => each.inspection),
        random,
        now,
      ),
    );
  const latest = past.at(-1)?.readings ?? [];
  await db.insert(currentReading).values(standing(kept, latest));
  return { unit: kept, last: latest.map(({ value }) => value) };
}

/** Loads the demo fleet, unless any fleet is there already. Says whether it did. */
export async function loadDemo(ownerUrl: string, serverUrl: string, now: Date): Promise<boolean> {
  const owner = connect(ownerUrl);
  const server = connect(serverUrl);
  try {
    // Another process may be starting on the same database: the second waits, then finds a fleet.
    return await owner.db
      .transaction(async (db) => {
        await db.execute(sql`select pg_advisory_xact_lock(6427503)`);
        await db.execute(sql`select set_config('za.fleet', ${FLEET.id}, true)`);
        const { rows } = await db.execute<{ any: boolean }>(sql`select exists (select 1 from fleet) as any`);
        if (rows[0]?.any) return null;
        return asTask(db, FLEET.id, 'made-up history', () => loadFleet(db, now));
      })
      .then(async (loaded) => {
        if (!loaded) return false;
        const today = (days: number) => dayAfter(dayIn(FLEET.zone, now), days);
        const narrator = teller(server.db, loaded.sessions, loaded.random, now);
        const byNumber = (number: string) => {
          const known = loaded.trailers.get(number);
          if (!known) throw new Error(`no demo unit ${number}`);
          return known;
        };
        const scene = { narrator, trailer: byNumber, bays: loaded.bays, dayAhead: today };
        await tellStory(scene);
        const planned = () => inFleet(server.db, FLEET.id, (store) => shopPlanOf(store, now, PLAN_STEPS));
        await tellShop({ ...scene, now, planned });
        await tellPractice(narrator, today(0));
        const units = [...loaded.trailers.values()].map((each) => each.unit.id);
        await inFleet(server.db, FLEET.id, (store) => keepForecasts(store, FLEET.id, units, now));
        return true;
      });
  } finally {
    await owner.pool.end();
    await server.pool.end();
  }
}

/** The demo plays everything outside by stand-ins, as its manager chose. */
async function chooseStandIns(db: FleetStore, people: readonly { id: string; role: Role }[], now: Date): Promise<void> {
  const manager = people.find(({ role }) => role === 'manager');
  if (!manager) throw new Error('the demo has no manager');
  const chosen = { fleetId: FLEET.id, way: 'made-up' as const, setBy: manager.id, setAt: now };
  await db.insert(outside).values(OUTSIDE_THINGS.map((thing) => ({ ...chosen, thing })));
}

/** Sessions of those who tell the story. */
function sessionsOf(people: readonly { id: string; signIn: string; name: string; role: Role }[]) {
  const session = (signIn: DemoPerson): Actor => {
    const who = people.find((each) => each.signIn === signIn);
    if (!who) throw new Error(`no demo person ${signIn}`);
    return {
      person: { id: who.id, name: who.name, role: who.role, secondFactor: false, units: null },
      fleet: {
        id: FLEET.id,
        name: FLEET.name,
        zone: FLEET.zone,
        book: FLEET.book,
        policies: {},
        signs: [],
        checks: [],
        phrases: {},
        units: INCH_UNITS,
        version: 1,
      },
    };
  };
  return { driver: session('driver'), technician: session('technician'), foreman: session('foreman') };
}

async function loadFleet(db: FleetStore, now: Date) {
  const random = randomOf(SEED);
  const id = () => seededId(random, now);
  const today = dayIn(FLEET.zone, now);
  const holidays = [{ day: dayAfter(today, HOLIDAY.inDays), name: HOLIDAY.name }];
  await db
    .insert(fleet)
    .values({ fleetId: FLEET.id, slug: FLEET.slug, name: FLEET.name, zone: FLEET.zone, book: FLEET.book, holidays });
  const passwordHash = await hashPassword(DEMO_PASSWORD);
  const people = PEOPLE.map(({ work, ...each }) => ({
    fleetId: FLEET.id,
    id: id(),
    ...each,
    passwordHash,
    work: work ? workOf(work, (days) => dayAfter(today, days)) : NO_WORK,
  }));
  await db.insert(person).values(people);
  await chooseStandIns(db, people, now);
  const bays = BAYS.map((each, rank) => ({ fleetId: FLEET.id, id: id(), ...each, rank }));
  await db.insert(bay).values(bays);
  await db.insert(part).values(PARTS.map((each) => ({ fleetId: FLEET.id, ...each })));
  // Chance of their own: what the others have behind them does not change with how many stand before the shop.
  const shopRandom = randomOf(SEED + 1);
  const own = (each: (typeof UNITS)[number], chance: Random) => ({
    fleetId: FLEET.id,
    id: seededId(chance, now),
    ...each,
  });
  const units = [...UNITS.map((each) => own(each, random)), ...SHOP_UNITS.map((each) => own(each, shopRandom))];
  const chanceOf = (index: number): Random => (index < UNITS.length ? random : shopRandom);
  await db.insert(unit).values(units);
  const papers = units.map((each, index) => ({
    fleetId: FLEET.id,
    id: seededId(chanceOf(index), now),
    unitId: each.id,
    paper: 'Periodic inspection',
    // Spread over the year, the second one overdue.
    dueOn: new Date(now.getTime() + (index === 1 ? -6 : 9 + ((index * 67) % 330)) * DAY_MS).toISOString().slice(0, 10),
  }));
  await db.insert(paper).values(papers);
  const technicians = people.filter(({ role }) => role === 'technician').map((each) => each.id);
  const trailers = new Map<string, DemoTrailer>();
  for (const [index, each] of units.entries()) {
    const kept: Unit = { id: each.id, kind: each.kind, axles: each.axles, features: each.features };
    trailers.set(
      each.number,
      await loadHistory(db, kept, technicians, chanceOf(index), now, METRED.includes(each.number)),
    );
  }
  await rebuildYard(db, FLEET.id);
  const sessions = sessionsOf(people);
  return { random, trailers, sessions, bays: bays.map((each) => each.id) };
}
