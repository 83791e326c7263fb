import {
  BENCH_KINDS,
  expectedReadings,
  type Finding,
  findingKey,
  holds,
  isOpenDefect,
  judge,
  PURPOSE_ROLES,
  placeCode,
  readingKey,
  type Step,
  seenDefects,
  stepKey,
  toRemeasure,
  tyresOf,
  type UnitReading,
  unsound,
  wheelEnd,
} from '@zealous-axle/core';
import { eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Actor } from '../access/actor';
import { KnownProblem } from '../http/problems';
import { defectViews } from '../store/defects';
import { findInspection, type InspectionRow, liveReadings } from '../store/inspections';
import { fleetBook } from '../store/rules';
import { defect, inspection, judgement, reading, skip } from '../store/schema';
import { findUnit, standingReadings, type UnitRow } from '../store/units';
import { type Changed, changed, type Doing, found, type Handler } from './doing';
import { placeHold } from './holds';
import { keepStanding } from './standing';

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
  if (row.startedBy !== person.id)
    throw new KnownProblem('not-allowed', { detail: 'A walk-round is finished by the driver who began it.' });
  if (BENCH_KINDS.includes(kind))
    throw new KnownProblem('not-allowed', { detail: 'Brakes, bearings and king pin are measured by the bench.' });
}

export const startInspection: Handler<'start-inspection'> = async ({ store, session, at, body }) => {
  if (!PURPOSE_ROLES[body.purpose].includes(session.person.role)) throw new KnownProblem('not-allowed');
  const unit = found(await findUnit(store, body.unit));
  const wrong = body.steps?.findIndex((step) => misplacedStep(step, unit)) ?? -1;
  if (wrong >= 0)
    throw new KnownProblem('invalid', {
      errors: [{ path: `body.steps.${wrong}`, message: `${unit.number} has no such place` }],
    });
  await store.insert(inspection).values({
    fleetId: session.fleet.id,
    id: body.inspection,
    unitId: body.unit,
    purpose: body.purpose,
    jobId: body.job ?? null,
    route: body.route ?? null,
    steps: body.steps ?? null,
    startedBy: session.person.id,
    startedAt: at,
  });
  return { unitId: body.unit, changed: [changed('inspection', body.inspection)] };
};

function openOrCorrecting(row: InspectionRow, supersedes: string | undefined): void {
  if (row.closedAt && !supersedes)
    throw new KnownProblem('not-now', {
      detail: 'This inspection is closed: only a correction of a reading may follow.',
    });
}

export const takeReading: Handler<'take-reading'> = async (doing) => {
  const { store, session, at, body } = doing;
  const row = found(await findInspection(store, body.inspection));
  mayGoOn(session, row, body.value.kind);
  const unit = found(await findUnit(store, row.unitId));
  openOrCorrecting(row, body.supersedes);
  const wrong = unsound(body.value, unit);
  const key = readingKey(body.value);
  if (wrong)
    throw new KnownProblem('invalid', { errors: [{ path: `body.value.${wrong.path}`, message: wrong.message }] });
  if (body.value.kind === 'defect')
    throw new KnownProblem('invalid', {
      errors: [{ path: 'body.value.kind', message: 'A defect is reported, or found by a check.' }],
    });
  if (body.supersedes) {
    const live = await liveReadings(store, row.id);
    if (!live.some((each) => each.id === body.supersedes && each.key === key))
      throw new KnownProblem('not-now', { detail: 'The reading to correct is not one that stands at this place.' });
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
  await keepStanding(doing, unit, {
    id: body.reading,
    inspection: row.id,
    value: body.value,
    at,
    supersedes: body.supersedes,
  });
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
    key: stepKey(body.step),
    reason: body.reason,
    skippedBy: session.person.id,
    skippedAt: at,
  });
  return { unitId: row.unitId, changed: [changed('skip', body.skip)] };
};

/** What is judged: a full inspection's own readings, or after a repair all that stand; and every open defect found by eye. */
async function judgedReadings({ store }: Inspecting, row: InspectionRow): Promise<UnitReading[]> {
  // What a check found elsewhere stands as its defect until that is repaired, not as the old look at it.
  const standing = async () =>
    (await standingReadings(store, row.unitId)).filter(({ kind, inspection: by }) => kind !== 'check' || by === row.id);
  const measured = row.purpose === 'full' ? await liveReadings(store, row.id) : await standing();
  const seen = seenDefects(await defectViews(store, { unitId: row.unitId }));
  return [...measured.map(({ value }) => value), ...seen].map((value) => ({ ...value, unit: row.unitId }));
}

async function judgeInspection(doing: Inspecting, row: InspectionRow, unit: UnitRow) {
  const { store, session, at } = doing;
  const answer = judge(
    {
      book: session.fleet.book,
      units: [{ id: unit.id, kind: unit.kind, axles: unit.axles }],
      readings: await judgedReadings(doing, row),
    },
    { book: await fleetBook(store, session), expected: row.steps ?? [] },
  );
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
    judgedAt: at,
  });
  await store.update(inspection).set({ verdict: own.verdict }).where(eq(inspection.id, row.id));
  return made;
}

const failed = ({ verdict, kind }: Finding): boolean =>
  kind !== 'defect' && (holds(verdict) || verdict === 'shop-limit');

/** The code a finding is reported under: what a check by eye found, or the kind of the reading that failed. */
const codeOf = ({ kind, measured }: Finding): string => (kind.startsWith('check:') && measured ? measured : kind);

/** One defect for each failing finding at a place that has none open yet. */
async function reportFindings(doing: Inspecting, row: InspectionRow, findings: readonly Finding[]): Promise<Changed[]> {
  const { store, session, at } = doing;
  const open = (await defectViews(store, { unitId: row.unitId })).filter(({ state }) => isOpenDefect(state));
  const known = new Set(open.map((each) => `${each.code} ${each.axle} ${each.side} ${each.tyre}`));
  const fresh = findings
    .filter(failed)
    .filter((each) => !known.has(`${codeOf(each)} ${each.axle} ${each.side} ${each.tyre}`))
    .map((each) => ({
      fleetId: session.fleet.id,
      id: uuidv7(),
      unitId: row.unitId,
      code: codeOf(each),
      axle: each.axle,
      side: each.side,
      tyre: each.tyre,
      words: each.because,
      origin: session.person.role === 'driver' ? ('driver' as const) : ('inspection' as const),
      inspectionId: row.id,
      reportedBy: session.person.id,
      reportedAt: at,
      state: 'reported' as const,
      holds: holds(each.verdict),
    }));
  if (fresh.length) await store.insert(defect).values(fresh);
  return fresh.map(({ id }) => changed('defect', id, 1));
}

async function stepsOf({ store }: Inspecting, row: InspectionRow, unit: UnitRow): Promise<Step[]> {
  if (row.steps) return row.steps;
  if (row.purpose === 'full' || !row.jobId) return expectedReadings(unit);
  return toRemeasure(unit, await defectViews(store, { jobId: row.jobId }));
}

export const closeInspection: Handler<'close-inspection'> = async (doing) => {
  const { store, session, body, at } = doing;
  const row = found(await findInspection(store, body.inspection));
  mayGoOn(session, row);
  const unit = found(await findUnit(store, row.unitId));
  if (row.closedAt) throw new KnownProblem('not-now', { detail: 'This inspection is closed already.' });
  const read = new Set((await liveReadings(store, row.id)).map(({ key }) => key));
  const open = (await stepsOf(doing, row, unit)).filter((step) => !read.has(stepKey(step)));
  if (body.outcome === 'complete' && open.length)
    throw new KnownProblem('not-now', {
      detail: `${open.length} readings are still open, the first at ${placeCode(open[0] as Step)}: close it as incomplete, and say why.`,
    });
  if (body.outcome === 'incomplete' && !body.because)
    throw new KnownProblem('invalid', {
      errors: [{ path: 'body.because', message: 'Say why the inspection stays incomplete' }],
    });
  await store
    .update(inspection)
    .set({ closedAt: at, outcome: body.outcome, because: body.because ?? null, sections: body.sections ?? null })
    .where(eq(inspection.id, row.id));
  const made = await judgeInspection(doing, row, unit);
  const reported = await reportFindings(doing, row, made.findings);
  if (holds(made.verdict)) {
    const places = made.findings.filter(({ verdict }) => holds(verdict)).map(findingKey);
    await placeHold(
      doing,
      unit.id,
      `Inspection: ${made.verdict}, ${places.length} ${places.length === 1 ? 'finding' : 'findings'}`,
    );
  }
  return { unitId: unit.id, changed: [changed('inspection', row.id), ...reported] };
};
