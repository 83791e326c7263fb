import {
  BENCH_KINDS,
  type Book,
  fittedSteps,
  judgedTogether,
  judgeTogether,
  keyOf,
  missingSteps,
  PURPOSE_ROLES,
  placeCode,
  type Reading,
  readFindings,
  readingKey,
  readingText,
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
import { bringBackMeasured, defectsOfJob, openDefects } from '../defects';
import { invalid, invalidWith, KnownProblem, notAllowed, notNow } from '../problem';
import { unitBook } from '../rules';
import { type Actor, type Changed, changed, found, type Handler } from '../run';
import type { FleetStore } from '../store';
import { findUnit, type UnitRow } from '../units';
import { findInspection, liveReadings, standingReadings } from './queries';
import { type InspectionRow, inspection, judgement, reading, skip } from './schema';
import { type Settling, settleUnit } from './settle';
import { keepStanding } from './standing';
import { keepSteps, stepsAsked } from './steps';

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
  if (row.droppedAt) throw notNow('dropped-inspection');
  if (row.closedAt && !supersedes) throw notNow('corrections-only');
}

/** The reading of an inspection that another is to take the place of. */
async function toCorrect(store: FleetStore, row: InspectionRow, supersedes: string | undefined, value: Reading) {
  if (!supersedes) return null;
  const key = readingKey(value);
  const was = (await liveReadings(store, row.id)).find((each) => each.id === supersedes && each.key === key);
  if (!was) throw notNow('not-standing');
  return was.value;
}

/** What a correction says of itself, beside what rested on the reading before it. */
const correctionWords = (was: Reading, value: Reading, { person }: Actor): string =>
  `Corrected by ${person.name}: ${readingText(was)} was ${readingText(value)}`;

export const takeReading: Handler<'take-reading'> = async (doing) => {
  const { store, session, when, now, body } = doing;
  const row = found(await findInspection(store, body.inspection));
  mayGoOn(session, row, body.value.kind);
  const unit = found(await findUnit(store, row.unitId));
  // Nothing is read before its inspection began.
  const at = later(when.at, row.startedAt);
  openOrCorrecting(row, body.supersedes);
  const wrong = unsound(body.value, unit);
  if (wrong) throw invalidWith(`body.value.${wrong.path}`, wrong.message);
  if (body.value.kind === 'defect') throw invalid('body.value.kind', 'not-a-reading');
  const was = await toCorrect(store, row, body.supersedes, body.value);
  await store.insert(reading).values({
    fleetId: session.fleet.id,
    id: body.reading,
    inspectionId: row.id,
    unitId: unit.id,
    key: readingKey(body.value),
    value: body.value,
    takenBy: session.person.id,
    takenAt: at,
    saidAt: when.said,
    recordedAt: now,
    supersedes: body.supersedes ?? null,
    gauge: body.gauge ?? null,
  });
  const made = [changed('reading', body.reading)];
  if (when.tooOld) return { unitId: unit.id, changed: made };
  const { reading: taken, value, supersedes } = body;
  const between = when.sure ? {} : { from: when.from, until: when.until };
  const book = await unitBook(store, session, unit);
  await keepStanding(doing, unit, book, [
    { id: taken, inspection: row.id, value, at, by: session.person.id, supersedes, ...between },
  ]);
  const own = { ...doing, at };
  if (row.closedAt) await judgeInspection(own, row, unit, book);
  const correcting = was && {
    inspection: row.id,
    was,
    reading: taken,
    because: correctionWords(was, value, session),
  };
  const settled = await settleUnit(own, unit, book, correcting ?? undefined);
  return { unitId: unit.id, changed: [...made, ...settled] };
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

/** Keeps how an inspection is judged now, beside how it was before. */
export async function judgeInspection({ store, session, at }: Settling, row: InspectionRow, unit: UnitRow, book: Book) {
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
  const answer = judgeTogether(book, unit, together);
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

/** What an inspection must have read to be whole: what its route asks of the unit, whatever the device says of it. */
async function stepsOf({ store }: Pick<Settling, 'store'>, row: InspectionRow, unit: UnitRow): Promise<Step[]> {
  const list = await stepsAsked(store, row);
  const asked = list && fittedSteps(unit, list);
  if (row.purpose === 'full' || (!asked && !row.jobId)) return wholeSteps(unit, asked ?? []);
  return asked ?? toRemeasure(unit, await defectsOfJob(store, row.jobId ?? ''));
}

/** Judges an inspection that is closed, and does what follows from how its unit then stands. */
export async function settleInspection(doing: Settling, row: InspectionRow, unit: UnitRow): Promise<Changed[]> {
  const book = await unitBook(doing.store, doing.session, unit);
  const { own } = await judgeInspection(doing, row, unit, book);
  const settled = await settleUnit(doing, unit, book);
  // By a driver's walk nothing is measured that only the bench can tell.
  const back = doing.session.person.role === 'driver' ? [] : await bringBackMeasured(doing, unit.id, own);
  return [...settled, ...back];
}

export const closeInspection: Handler<'close-inspection'> = async (doing) => {
  const { store, body } = doing;
  const row = found(await findInspection(store, body.inspection));
  mayGoOn(doing.session, row);
  const unit = found(await findUnit(store, row.unitId));
  if (row.droppedAt) throw notNow('dropped-inspection');
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

/** Ends an inspection that was begun by mistake. What it read stands: dropping it makes no unit better. */
export const dropInspection: Handler<'drop-inspection'> = async ({ store, session, at, body }) => {
  const row = found(await findInspection(store, body.inspection));
  mayGoOn(session, row);
  if (row.closedAt) throw notNow('closed-already');
  if (row.droppedAt) throw notNow('dropped-inspection');
  const [read] = await store.select({ id: reading.id }).from(reading).where(eq(reading.inspectionId, row.id)).limit(1);
  if (read && !body.because) throw invalid('body.because', 'why-dropped');
  await store
    .update(inspection)
    .set({ droppedAt: at, droppedBy: session.person.id, droppedBecause: read ? (body.because ?? null) : null })
    .where(eq(inspection.id, row.id));
  return { unitId: row.unitId, changed: [changed('inspection', row.id)] };
};
