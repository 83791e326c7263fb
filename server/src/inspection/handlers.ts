import {
  BENCH_KINDS,
  expectedReadings,
  type Finding,
  foundDefects,
  holdReason,
  judgedTogether,
  judgeTogether,
  keyOf,
  missingSteps,
  PURPOSE_ROLES,
  placeCode,
  readFindings,
  readingKey,
  type Step,
  toRemeasure,
  tyresOf,
  unsound,
  wheelEnd,
} from '@zealous-axle/core';
import { eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { defect, defectsOfJob, openDefects } from '../defects';
import { findUnit, fleetBook, holdFor, type UnitRow } from '../fleet';
import { invalid, invalidWith, KnownProblem, notAllowed, notNow } from '../problem';
import { type Actor, type Changed, changed, type Doing, found, type Handler } from '../run';
import { findInspection, type InspectionRow, liveReadings, standingReadings } from './queries';
import { inspection, judgement, reading, skip } from './schema';
import { keepStanding } from './standing';
import { keepSteps, stepsAsked } from './steps';

type Inspecting = Pick<Doing<'close-inspection'>, 'store' | 'session' | 'at'>;

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
  const { store, session, at, body } = doing;
  const row = found(await findInspection(store, body.inspection));
  mayGoOn(session, row, body.value.kind);
  const unit = found(await findUnit(store, row.unitId));
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
    supersedes: body.supersedes ?? null,
    gauge: body.gauge ?? null,
  });
  const { reading: taken, value, supersedes } = body;
  await keepStanding(doing, unit, await fleetBook(store, session), [
    { id: taken, inspection: row.id, value, at, supersedes },
  ]);
  if (row.closedAt) await judgeInspection(doing, row, unit);
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

async function judgeInspection(doing: Inspecting, row: InspectionRow, unit: UnitRow) {
  const { store, session, at } = doing;
  const steps = (await stepsAsked(store, row)) ?? [];
  const together = {
    purpose: row.purpose,
    inspection: row.id,
    steps,
    own: (await liveReadings(store, row.id)).map(({ value }) => value),
    standing: await standingReadings(store, unit.id),
    defects: await openDefects(store, unit.id),
  };
  const answer = judgeTogether(await fleetBook(store, session), unit, together);
  const [own] = answer.units;
  if (!own) throw new KnownProblem('broken');
  const made = { verdict: own.verdict, complete: own.complete, brakes: own.brakes, findings: answer.findings };
  await store.insert(judgement).values({
    fleetId: session.fleet.id,
    id: uuidv7(),
    inspectionId: row.id,
    unitId: unit.id,
    book: answer.book.id,
    edition: answer.book.edition,
    ...made,
    findings: readFindings(unit, made.findings, judgedTogether(together), steps),
    judgedAt: at,
  });
  await store.update(inspection).set({ verdict: own.verdict }).where(eq(inspection.id, row.id));
  return made;
}

/** Reports what failed and is not reported yet. */
async function reportFindings(doing: Inspecting, row: InspectionRow, findings: readonly Finding[]): Promise<Changed[]> {
  const { store, session, at } = doing;
  const fresh = foundDefects(findings, await openDefects(store, row.unitId)).map((each) => ({
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
  return fresh.map(({ id }) => changed('defect', id, 1));
}

async function stepsOf({ store }: Inspecting, row: InspectionRow, unit: UnitRow): Promise<Step[]> {
  const asked = await stepsAsked(store, row);
  if (asked) return asked;
  if (row.purpose === 'full' || !row.jobId) return expectedReadings(unit);
  return toRemeasure(unit, await defectsOfJob(store, row.jobId));
}

export const closeInspection: Handler<'close-inspection'> = async (doing) => {
  const { store, session, body, at } = doing;
  const row = found(await findInspection(store, body.inspection));
  mayGoOn(session, row);
  const unit = found(await findUnit(store, row.unitId));
  if (row.closedAt) throw notNow('closed-already');
  const read = new Set<string>((await liveReadings(store, row.id)).map(({ key }) => key));
  const open = missingSteps(await stepsOf(doing, row, unit), read);
  const [first] = open;
  if (body.outcome === 'complete' && first) throw notNow('still-open', open.length, placeCode(first));
  if (body.outcome === 'incomplete' && !body.because) throw invalid('body.because', 'why-incomplete');
  await store
    .update(inspection)
    .set({ closedAt: at, outcome: body.outcome, because: body.because ?? null, sections: body.sections ?? null })
    .where(eq(inspection.id, row.id));
  const made = await judgeInspection(doing, row, unit);
  const reported = await reportFindings(doing, row, made.findings);
  const reason = holdReason(made);
  if (reason) await holdFor(doing, unit.id, reason);
  return { unitId: unit.id, changed: [changed('inspection', row.id), ...reported] };
};
