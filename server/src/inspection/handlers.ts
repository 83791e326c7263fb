import {
  BENCH_KINDS,
  fittedSteps,
  foundDefects,
  holdReason,
  holds,
  judgedTogether,
  judgeTogether,
  keyOf,
  missingSteps,
  ownFindings,
  PURPOSE_ROLES,
  placeCode,
  type Reading,
  readFindings,
  readingKey,
  type Standing,
  type Step,
  toRemeasure,
  tyresOf,
  unsound,
  wheelEnd,
  wholeSteps,
} from '@zealous-axle/core';
import { eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { bringBackMeasured, defect, defectsOfJob, openDefects } from '../defects';
import { findUnit, holdFor, type UnitRow, unitBook } from '../fleet';
import { invalid, invalidWith, KnownProblem, notAllowed, notNow } from '../problem';
import { type Actor, type Changed, changed, type Doing, found, type Handler } from '../run';
import type { FleetStore } from '../store';
import { findInspection, type InspectionRow, liveReadings, standingReadings } from './queries';
import { inspection, judgement, reading, skip } from './schema';
import { keepStanding } from './standing';
import { keepSteps, stepsAsked } from './steps';

type Inspecting = Pick<Doing<'close-inspection'>, 'store' | 'session' | 'at'>;

const later = (a: Date, b: Date): Date => (a > b ? a : b);
/** How much earlier than its beginning an end may be said to lie: clocks are put right to about this. */
const CLOCK_MS = 2 * 60_000;

function misplacedStep(step: Step, unit: UnitRow): boolean {
  if (step.axle === null) return false;
  const end = wheelEnd(unit, step.axle, step.side ?? 'left');
  return !end || (step.tyre !== null && !tyresOf(end).includes(step.tyre));
}

/** Whoever does not measure finishes only a walk-round of their own, and reads nothing that takes the bench. */
function mayGoOn({ person }: Actor, row: InspectionRow, kind = ''): void {
  if (!PURPOSE_ROLES[row.purpose].includes(person.role)) throw new KnownProblem('not-allowed');
  if (PURPOSE_ROLES.full.includes(person.role)) return;
  if (row.startedBy !== person.id) throw notAllowed('own-walk');
  if (BENCH_KINDS.includes(kind)) throw notAllowed('bench-only');
}

export const startInspection: Handler<'start-inspection'> = async ({ store, session, at, body }) => {
  if (!PURPOSE_ROLES[body.purpose].includes(session.person.role)) throw new KnownProblem('not-allowed');
  const unit = found(await findUnit(store, body.unit));
  if (body.job) {
    const about = await defectsOfJob(store, body.job);
    if (about.length === 0) throw new KnownProblem('not-found');
    if (about.some(({ unitId }) => unitId !== unit.id)) throw notNow('one-trailer');
  }
  if (unit.state !== 'in-use') throw notNow('not-in-use', unit.number, unit.state);
  const wrong = body.steps?.findIndex((step) => misplacedStep(step, unit)) ?? -1;
  if (wrong >= 0) throw invalid(`body.steps.${wrong}`, 'no-place', unit.number);
  await store.insert(inspection).values({
    fleetId: session.fleet.id,
    id: body.inspection,
    unitId: body.unit,
    purpose: body.purpose,
    jobId: body.job ?? null,
    route: body.route ?? null,
    stepsHash: body.steps ? await keepSteps(store, session.fleet.id, body.steps) : null,
    startedBy: session.person.id,
    startedAt: at,
  });
  return { unitId: body.unit, changed: [changed('inspection', body.inspection)] };
};

function openOrCorrecting(row: InspectionRow, supersedes: string | undefined): void {
  if (row.closedAt && !supersedes) throw notNow('corrections-only');
}

export const takeReading: Handler<'take-reading'> = async (doing) => {
  const { store, session, when, now, body } = doing;
  const row = found(await findInspection(store, body.inspection));
  mayGoOn(session, row, body.value.kind);
  const unit = found(await findUnit(store, row.unitId));
  // Nothing is read before its inspection began.
  const at = later(when.at, row.startedAt);
  openOrCorrecting(row, body.supersedes);
  const wrong = unsound(body.value, unit);
  const key = readingKey(body.value);
  if (wrong) throw invalidWith(`body.value.${wrong.path}`, wrong.message);
  if (body.value.kind === 'defect') throw invalid('body.value.kind', 'not-a-reading');
  if (body.supersedes) {
    const live = await liveReadings(store, row.id);
    if (!live.some((each) => each.id === body.supersedes && each.key === key)) throw notNow('not-standing');
  }
  await store.insert(reading).values({
    fleetId: session.fleet.id,
    id: body.reading,
    inspectionId: row.id,
    unitId: unit.id,
    key,
    value: body.value,
    takenBy: session.person.id,
    takenAt: at,
    saidAt: when.said,
    recordedAt: now,
    supersedes: body.supersedes ?? null,
    gauge: body.gauge ?? null,
  });
  const { reading: taken, value, supersedes } = body;
  if (!when.tooOld)
    await keepStanding(doing, unit, await unitBook(store, session, unit), [
      { id: taken, inspection: row.id, value, at, by: session.person.id, supersedes, sure: when.sure },
    ]);
  if (row.closedAt && !when.tooOld) await judgeInspection(doing, row, unit);
  return { unitId: unit.id, changed: [changed('reading', body.reading)] };
};

export const skipReading: Handler<'skip-reading'> = async ({ store, session, at, body }) => {
  const row = found(await findInspection(store, body.inspection));
  mayGoOn(session, row);
  openOrCorrecting(row, undefined);
  await store.insert(skip).values({
    fleetId: session.fleet.id,
    id: body.skip,
    inspectionId: row.id,
    key: keyOf(body.step),
    reason: body.reason,
    skippedBy: session.person.id,
    skippedAt: at,
  });
  return { unitId: row.unitId, changed: [changed('skip', body.skip)] };
};

/** An inspection's own readings; of a file, which may tell of long ago, those that stand. */
async function ownReadings(store: FleetStore, row: InspectionRow, standing: readonly Standing[]): Promise<Reading[]> {
  if (row.purpose === 'import') return standing.filter(({ inspection: by }) => by === row.id).map(({ value }) => value);
  return (await liveReadings(store, row.id)).map(({ value }) => value);
}

async function judgeInspection(doing: Inspecting, row: InspectionRow, unit: UnitRow) {
  const { store, session, at } = doing;
  const steps = fittedSteps(unit, (await stepsAsked(store, row)) ?? []);
  const standing = await standingReadings(store, unit.id);
  const own = await ownReadings(store, row, standing);
  const together = {
    purpose: row.purpose,
    inspection: row.id,
    steps,
    own,
    standing,
    defects: await openDefects(store, unit.id),
  };
  const answer = judgeTogether(await unitBook(store, session, unit), unit, together);
  const [judged] = answer.units;
  if (!judged) throw new KnownProblem('broken');
  const { verdict, complete, brakes } = judged;
  const made = { verdict, complete, brakes, findings: answer.findings, own };
  await store.insert(judgement).values({
    fleetId: session.fleet.id,
    id: uuidv7(),
    inspectionId: row.id,
    unitId: unit.id,
    book: answer.book.id,
    edition: answer.book.edition,
    verdict,
    complete,
    brakes,
    findings: readFindings(unit, made.findings, judgedTogether(together), steps),
    judgedAt: at,
  });
  await store.update(inspection).set({ verdict }).where(eq(inspection.id, row.id));
  return made;
}

type Judged = Awaited<ReturnType<typeof judgeInspection>>;

/** How an inspection was judged before, where it is judged again. */
export type JudgedBefore = Pick<typeof judgement.$inferSelect, 'verdict' | 'findings'>;

/** Reports what failed of what it read itself, and is not reported yet; of one judged again, only what it condemns anew. */
async function reportFindings(
  doing: Inspecting,
  row: InspectionRow,
  { findings, own }: Judged,
  before: JudgedBefore | null,
): Promise<(typeof defect.$inferInsert)[]> {
  const { store, session, at } = doing;
  const known = [...(await openDefects(store, row.unitId)), ...foundDefects(before?.findings ?? [], [])];
  const fresh = foundDefects(ownFindings(findings, own), known).map((each) => ({
    ...each,
    fleetId: session.fleet.id,
    id: uuidv7(),
    unitId: row.unitId,
    origin: session.person.role === 'driver' ? ('driver' as const) : ('inspection' as const),
    inspectionId: row.id,
    reportedBy: session.person.id,
    reportedAt: at,
    state: 'reported' as const,
  }));
  if (fresh.length) await store.insert(defect).values(fresh);
  return fresh;
}

/** What an inspection must have read to be whole: what its route asks of the unit, whatever the device says of it. */
async function stepsOf({ store }: Inspecting, row: InspectionRow, unit: UnitRow): Promise<Step[]> {
  const list = await stepsAsked(store, row);
  const asked = list && fittedSteps(unit, list);
  if (row.purpose === 'full' || (!asked && !row.jobId)) return wholeSteps(unit, asked ?? []);
  return asked ?? toRemeasure(unit, await defectsOfJob(store, row.jobId ?? ''));
}

/**
 * Judges an inspection, reports what failed, and holds the unit where the verdict says so. One that was judged before
 * reports and holds what it condemns anew: what was answered, repaired or released since stays so.
 */
export async function settleInspection(
  doing: Inspecting,
  row: InspectionRow,
  unit: UnitRow,
  before: JudgedBefore | null = null,
): Promise<Changed[]> {
  const made = await judgeInspection(doing, row, unit);
  const fresh = await reportFindings(doing, row, made, before);
  const reason = holdReason(made);
  const anew = !before || !holds(before.verdict) || fresh.some((each) => each.holds);
  if (reason && anew) await holdFor(doing, unit.id, reason);
  // By a driver's walk nothing is measured that only the bench can tell.
  const back = doing.session.person.role === 'driver' ? [] : await bringBackMeasured(doing, unit.id, made.own);
  return [...fresh.map(({ id }) => changed('defect', id, 1)), ...back];
}

export const closeInspection: Handler<'close-inspection'> = async (doing) => {
  const { store, body } = doing;
  const row = found(await findInspection(store, body.inspection));
  mayGoOn(doing.session, row);
  const unit = found(await findUnit(store, row.unitId));
  if (row.closedAt) throw notNow('closed-already');
  if (doing.at.getTime() < row.startedAt.getTime() - CLOCK_MS) throw notNow('before-start');
  const at = later(doing.at, row.startedAt);
  const read = new Set<string>((await liveReadings(store, row.id)).map(({ key }) => key));
  const open = missingSteps(await stepsOf(doing, row, unit), read);
  const [first] = open;
  if (body.outcome === 'complete' && first) throw notNow('still-open', open.length, placeCode(first));
  if (body.outcome === 'incomplete' && !body.because) throw invalid('body.because', 'why-incomplete');
  await store
    .update(inspection)
    .set({ closedAt: at, outcome: body.outcome, because: body.because ?? null, sections: body.sections ?? null })
    .where(eq(inspection.id, row.id));
  if (doing.when.tooOld) return { unitId: unit.id, changed: [changed('inspection', row.id)] };
  const reported = await settleInspection({ ...doing, at }, row, unit);
  return { unitId: unit.id, changed: [changed('inspection', row.id), ...reported] };
};
