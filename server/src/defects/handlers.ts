import {
  allSigns,
  type BookId,
  bookIdOf,
  byDaylight,
  cannotWait,
  catalogueEntry,
  dayIn,
  defectWords,
  holdsByLaw,
  holdsFromReport,
  isOpenDefect,
  onTheSpot,
  ownCheckOf,
  parseOwnCode,
  type Reading,
  readingPlace,
  type SignRules,
  wheelEnd,
} from '@zealous-axle/core';
import { eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { invalid, notNow } from '../problem';
import { type Changed, changed, type Doing, found, type Handler, sameVersion } from '../run';
import type { FleetStore } from '../store';
import { findUnit, holdFor, type UnitRow } from '../units';
import { aheadOfMeter } from './driven';
import { daylightUntil } from './dusk';
import { moveDefect } from './move';
import { type DefectRow, defectPlace, defectViews, findDefect, openDefects } from './queries';
import { acknowledgement, defect, reportNote } from './schema';

async function versioned(store: FleetStore, id: string, version: number): Promise<DefectRow> {
  const row = found(await findDefect(store, id));
  await sameVersion(row, version, async () => (await defectViews(store, { id }))[0]);
  return row;
}

/** What a unit's signs are weighed by: its fleet's book or its own, and what the fleet is stricter about. */
const signRules = ({ fleet }: Doing<'report-defect'>['session'], { features }: UnitRow): SignRules => ({
  book: bookIdOf(features, fleet),
  signs: allSigns(fleet),
});
const bookOf = ({ fleet }: Doing<'report-defect'>['session'], { features }: UnitRow): BookId =>
  bookIdOf(features, fleet);

const whyHeld = (row: Pick<DefectRow, 'code' | 'axle' | 'side' | 'tyre'>) =>
  `${defectPlace(row)}: ${defectWords(row.code)}`;

/** What has come back was certified, on this very unit. */
async function aRepairOf(store: FleetStore, id: string, unitId: string): Promise<void> {
  const before = found(await findDefect(store, id));
  if (before.unitId !== unitId) throw notNow('one-trailer');
  if (before.state !== 'certified' && before.state !== 'acknowledged') throw notNow('not-certified');
}

/** Whether a sign is of the unit as a whole: by the catalogue, or by the fleet's own check, which has to be there. */
function isOfUnit({ fleet }: Doing<'report-defect'>['session'], code: string): boolean {
  const own = parseOwnCode(code);
  if (!own) return catalogueEntry(code)?.where === 'unit';
  const check = ownCheckOf(fleet.checks, own.check);
  if (!check?.signs.some(({ sign }) => sign === own.sign)) throw invalid('body.code', 'no-check');
  return check.at !== 'end';
}

/** A report has the fate the same sign has when an inspection finds it: by the book's severity it holds at once. */
export const reportDefect: Handler<'report-defect'> = async (doing) => {
  const { store, session, at, when, body } = doing;
  const reported = found(await findUnit(store, body.unit));
  const { axle, side, tyre } = body.place;
  const ofUnit = isOfUnit(session, body.code);
  if (ofUnit ? axle !== null : axle === null || side === null)
    throw invalid('body.place', ofUnit ? 'whole-trailer' : 'which-end');
  if (axle !== null && !wheelEnd(reported, axle, side ?? 'left'))
    throw invalid('body.place.axle', 'no-axle', reported.number, reported.axles.length);
  if (body.comeBackOf) await aRepairOf(store, body.comeBackOf, body.unit);
  if (body.code.startsWith('other') && body.words === '') throw invalid('body.words', 'say-what');
  const holds = !when.tooOld && holdsFromReport(body.code, signRules(session, reported));
  await store.insert(defect).values({
    fleetId: session.fleet.id,
    id: body.defect,
    unitId: body.unit,
    code: body.code,
    axle,
    side,
    tyre,
    words: body.words,
    origin: 'driver',
    reportedBy: session.person.id,
    reportedAt: at,
    state: 'reported',
    holds,
    comeBackOf: body.comeBackOf ?? null,
  });
  if (holds) await holdFor(doing, body.unit, whyHeld({ code: body.code, axle, side, tyre }));
  return { unitId: body.unit, changed: [changed('defect', body.defect, 1)] };
};

/** The report stays as it was signed; this stands beside it. */
export const addToReport: Handler<'add-to-report'> = async ({ store, session, at, body }) => {
  const row = found(await findDefect(store, body.defect));
  await store.insert(reportNote).values({
    fleetId: session.fleet.id,
    id: body.note,
    defectId: row.id,
    words: body.words,
    addedBy: session.person.id,
    addedAt: at,
  });
  return { unitId: row.unitId, changed: [changed('defect', row.id, row.version)] };
};

export const triageDefect: Handler<'triage-defect'> = async (doing) => {
  const { store, session, body } = doing;
  const row = await versioned(store, body.defect, body.version);
  const unit = found(await findUnit(store, row.unitId));
  if (!body.holds && holdsByLaw(row.code, bookOf(session, unit))) throw notNow('holds-by-law', defectWords(row.code));
  const version = await moveDefect(doing, row, 'triage', { holds: body.holds, ...answeredNow(doing) });
  if (body.holds) await holdFor(doing, row.unitId, whyHeld(row));
  return { unitId: row.unitId, changed: [changed('defect', row.id, version)] };
};

const answeredNow = ({ at }: Pick<Doing<'triage-defect'>, 'at'>, reason: string | null = null) => ({
  answeredAt: at,
  reason,
});

type Answering = 'dismiss-defect' | 'find-no-fault';
/** It is no defect, or none was found: it holds no longer, and the reason stays with it. */
const ended = async (doing: Doing<Answering>, act: 'dismiss' | 'close as no fault found') => {
  const { store, body } = doing;
  const row = await versioned(store, body.defect, body.version);
  const more = { holds: false, ...answeredNow(doing, body.reason) };
  const version = await moveDefect(doing, row, act, more, { 'a reason': body.reason !== '' });
  return { unitId: row.unitId, changed: [changed('defect', row.id, version)] };
};
export const dismissDefect: Handler<'dismiss-defect'> = (doing) => ended(doing, 'dismiss');
export const findNoFault: Handler<'find-no-fault'> = (doing) => ended(doing, 'close as no fault found');

/** Tied up there and then, and seen on a photo: it is closed without a job. */
export const putRightHere: Handler<'put-right-here'> = async (doing) => {
  const { store, body } = doing;
  const row = await versioned(store, body.defect, body.version);
  const [view] = await defectViews(store, { id: row.id });
  const given = {
    'a reason': body.done !== '',
    'a photo': (view?.photos.length ?? 0) > 0,
    'a sign that is tied up on the spot': onTheSpot(row.code) && !row.holds,
  };
  const version = await moveDefect(doing, row, 'put right on the spot', answeredNow(doing, body.done), given);
  return { unitId: row.unitId, changed: [changed('defect', row.id, version)] };
};

export const measureDefect: Handler<'measure-defect'> = async (doing) => {
  const row = await versioned(doing.store, doing.body.defect, doing.body.version);
  const version = await moveDefect(doing, row, 'measure', { measuredAt: null, ...answeredNow(doing) });
  return { unitId: row.unitId, changed: [changed('defect', row.id, version)] };
};

export const deferDefect: Handler<'defer-defect'> = async (doing) => {
  const { store, session, now, body } = doing;
  const row = await versioned(store, body.defect, body.version);
  const unit = found(await findUnit(store, row.unitId));
  const bars = row.holds || cannotWait(row.code, signRules(session, unit));
  const given = {
    'a reason': body.reason !== '',
    'a day ahead': body.until > dayIn(session.fleet.zone, now),
    'a rule that lets it wait': !bars,
  };
  if (body.untilMeter) await aheadOfMeter(store, row.unitId, body.untilMeter);
  const wait = { until: body.until, untilMeter: body.untilMeter ?? null, dusk: null };
  const more = { ...wait, ...answeredNow(doing, body.reason) };
  const version = await moveDefect(doing, row, 'defer', more, given);
  return { unitId: row.unitId, changed: [changed('defect', row.id, version)] };
};

/** It may leave until dusk; the next driver sees that, and at dusk it waits for an answer again. */
export const runByDaylight: Handler<'run-by-daylight'> = async (doing) => {
  const { store, session, now, body } = doing;
  const row = await versioned(store, body.defect, body.version);
  const unit = found(await findUnit(store, row.unitId));
  const dusk = daylightUntil(session.fleet.zone, session.fleet.policies, now);
  const given = {
    'a reason': body.reason !== '',
    'a rule that lets it run by daylight': byDaylight(row.code, bookOf(session, unit)) && !row.holds,
    daylight: dusk !== null,
  };
  const more = { dusk, until: null, untilMeter: null, ...answeredNow(doing, body.reason) };
  const version = await moveDefect(doing, row, 'let run by daylight', more, given);
  return { unitId: row.unitId, changed: [changed('defect', row.id, version)] };
};

/** Both wordings stay; what holds goes over to the one that carries it. */
export const joinDefect: Handler<'join-defect'> = async (doing) => {
  const { store, body } = doing;
  const row = await versioned(store, body.defect, body.version);
  const carrier = found(await findDefect(store, body.with));
  if (carrier.unitId !== row.unitId) throw notNow('one-trailer');
  if (carrier.id === row.id || !isOpenDefect(carrier.state)) throw notNow('no-carrier');
  const version = await moveDefect(doing, row, 'join', { joinedTo: carrier.id, ...answeredNow(doing) });
  const changes = [changed('defect', row.id, version)];
  if (row.holds && !carrier.holds) {
    await store
      .update(defect)
      .set({ holds: true, version: carrier.version + 1 })
      .where(eq(defect.id, carrier.id));
    changes.push(changed('defect', carrier.id, carrier.version + 1));
  }
  return { unitId: row.unitId, changed: changes };
};

/** It waits for an answer again, and holds as its code does. */
export const takeBackAnswer: Handler<'take-back-answer'> = async (doing) => {
  const { store, session, body } = doing;
  const row = await versioned(store, body.defect, body.version);
  const unit = found(await findUnit(store, row.unitId));
  const holds = row.holds || holdsFromReport(row.code, signRules(session, unit));
  const fresh = { holds, joinedTo: null, until: null, untilMeter: null, dusk: null, reason: null, answeredAt: null };
  const version = await moveDefect(doing, row, 'undo the decision on', fresh);
  if (holds) await holdFor(doing, row.unitId, whyHeld(row));
  return { unitId: row.unitId, changed: [changed('defect', row.id, version)] };
};

export const acknowledgeRepair: Handler<'acknowledge-repair'> = async (doing) => {
  const { store, session, at, body } = doing;
  const row = await versioned(store, body.defect, body.version);
  const version = await moveDefect(doing, row, 'acknowledge');
  await store.insert(acknowledgement).values({
    fleetId: session.fleet.id,
    defectId: row.id,
    acknowledgedBy: session.person.id,
    acknowledgedAt: at,
  });
  return { unitId: row.unitId, changed: [changed('defect', row.id, version)] };
};

/** Reports that waited for a measurement wait for an answer again, once it was measured at their place. */
export async function bringBackMeasured(
  doing: Pick<Doing<'close-inspection'>, 'store' | 'session' | 'at'>,
  unitId: string,
  read: readonly Reading[],
): Promise<Changed[]> {
  const waiting = (await openDefects(doing.store, unitId)).filter(({ state }) => state === 'measuring');
  const back: Changed[] = [];
  for (const row of waiting) {
    const kinds = catalogueEntry(row.code)?.remeasure ?? [];
    const told = read.some((reading) => {
      const { axle, side } = readingPlace(reading);
      const here = row.axle === null || (axle === row.axle && side === row.side);
      return here && (kinds.length === 0 || kinds.includes(reading.kind));
    });
    if (told)
      back.push(changed('defect', row.id, await moveDefect(doing, row, 'bring back', { measuredAt: doing.at })));
  }
  return back;
}

/** Reports what was found while doing something else, as an inspection would: at its place, holding as the book says. */
export async function reportAsFound(
  doing: Pick<Doing<'report-defect'>, 'store' | 'session' | 'at'>,
  unitId: string,
  { code, axle, side }: Pick<DefectRow, 'code' | 'axle' | 'side'>,
  words: string,
): Promise<Changed> {
  const { store, session, at } = doing;
  const unit = found(await findUnit(store, unitId));
  const holds = holdsFromReport(code, signRules(session, unit));
  const id = uuidv7();
  await store.insert(defect).values({
    fleetId: session.fleet.id,
    id,
    unitId,
    code,
    axle,
    side,
    words,
    origin: session.person.role === 'driver' ? 'driver' : 'inspection',
    reportedBy: session.person.id,
    reportedAt: at,
    state: 'reported',
    holds,
  });
  if (holds) await holdFor(doing, unitId, whyHeld({ code, axle, side, tyre: null }));
  return changed('defect', id, 1);
}
