import { and, asc, eq, gt } from 'drizzle-orm';
import { actorFor } from '../access';
import { judgedAgain } from '../inspection';
import { holdRules } from '../rules';
import { asTask, tellLive } from '../run';
import { addTask, type Database, type FleetStore, inFleet, type Tasks } from '../store';
import { takeUnit } from '../units';
import { keepYard } from './keep';
import { yardRow } from './schema';

/** Units asked for at once. */
const BATCH = 200;
/** Of them so many judged at once: while the database writes one, another is judged. */
const LANES = 2;
/** How often those who look at the yard are told, while many units are judged. */
const TELL_MS = 3_000;

/** One fleet's units are judged by one worker. */
const queueOf = (fleet: string): string => `judge ${fleet}`;

/** Asks for what is marked to be judged; who made it so reports what it comes to. */
export const wishJudged = (store: FleetStore, fleet: string, person: string | null): Promise<unknown> =>
  addTask(store, 'judge-again', { fleet, person }, `${fleet} ${person ?? ''}`, { queue: queueOf(fleet) });

/** The rules changed: everything that stands is judged anew, and marked until it is. */
export async function judgeAllAgain(store: FleetStore, fleet: string, person: string): Promise<void> {
  await store.update(yardRow).set({ judging: true }).where(eq(yardRow.judging, false));
  await wishJudged(store, fleet, person);
}

/** Units that wait to be judged, after one of them in the order of their ids. */
async function waitingAfter(store: FleetStore, after: string | null): Promise<string[]> {
  const rows = await store
    .select({ unit: yardRow.unitId })
    .from(yardRow)
    .where(and(eq(yardRow.judging, true), after ? gt(yardRow.unitId, after) : undefined))
    .orderBy(asc(yardRow.unitId))
    .limit(BATCH);
  return rows.map(({ unit }) => unit);
}

/** Judges one unit by the rules of now, which stay as they are meanwhile, and does what follows. */
async function judgeOne(store: FleetStore, fleet: string, person: string | null, id: string, now: Date): Promise<void> {
  await holdRules(store);
  const row = await takeUnit(store, id);
  await asTask(store, fleet, 'judge-again', async () => {
    if (row) await judgedAgain({ store, session: await actorFor(store, person), at: now, now }, row);
  });
  await keepYard(store, [id]);
  await store.update(yardRow).set({ judging: false }).where(eq(yardRow.unitId, id));
}

type Judging = { db: Database; now: () => Date };

/** Does some units beside each other. Gives what went wrong; what did stays marked. */
async function lanes({ db, now }: Judging, { fleet, person }: Tasks['judge-again'], ids: readonly string[]) {
  const wrong: unknown[] = [];
  const lane = async (from: number) => {
    for (let nth = from; nth < ids.length; nth += LANES)
      await inFleet(db, fleet, (store) => judgeOne(store, fleet, person, ids[nth] ?? '', now())).catch(
        (error: unknown) => wrong.push(error),
      );
  };
  await Promise.all(Array.from({ length: LANES }, (_, nth) => lane(nth)));
  return wrong;
}

/** The task: judges what is marked, unit after unit, and does what follows. What fails is tried again later. */
export async function doJudgeAgain(judging: Judging, asked: Tasks['judge-again'], closing: AbortSignal): Promise<void> {
  const { db, now } = judging;
  const { fleet, person } = asked;
  const tell = () => inFleet(db, fleet, (store) => tellLive(store, fleet, 'read-again'));
  let told = now().getTime();
  const wrong: unknown[] = [];
  for (let after: string | null = null; ; ) {
    const from: string | null = after;
    const ids: string[] = await inFleet(db, fleet, (store) => waitingAfter(store, from));
    wrong.push(...(await lanes(judging, asked, ids)));
    after = ids.at(-1) ?? null;
    if (ids.length < BATCH) break;
    if (now().getTime() - told >= TELL_MS) {
      await tell();
      told = now().getTime();
    }
    // The process ends: what is still marked is asked for again.
    if (closing.aborted) return void (await inFleet(db, fleet, (store) => wishJudged(store, fleet, person)));
  }
  await tell();
  if (wrong.length) throw wrong[0];
}
