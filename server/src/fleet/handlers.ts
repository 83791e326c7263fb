import {
  type Axle,
  bookFor,
  type CommandBody,
  checkEntry,
  fleetLimitRefusal,
  isStepKind,
  keyWords,
  type MakerLimit,
  type MakerReading,
  mayLack,
  parseKey,
} from '@zealous-axle/core';
import { and, eq, isNull } from 'drizzle-orm';
import { fleet, person } from '../access';
import { invalid, invalidWith } from '../problem';
import { changed, type Doing, found, type Handler, sameVersion } from '../run';
import { noteChange, noteFacts } from './changes';
import { fleetLimit, unit } from './schema';
import { findUnit, type UnitRow } from './units';

/** The book, policies and units a fleet works by. */
export const setFleetRules: Handler<'set-fleet-rules'> = async ({ store, session, body }) => {
  const [row] = await store.select().from(fleet).where(eq(fleet.fleetId, session.fleet.id)).for('update');
  const now = found(row);
  await sameVersion(now, body.version, async () => ({
    version: now.version,
    book: now.book,
    policies: now.policies,
    units: now.units,
  }));
  const version = now.version + 1;
  const { book, policies, units } = body;
  await store.update(fleet).set({ book, policies, units, version }).where(eq(fleet.fleetId, now.fleetId));
  return { unitId: null, changed: [changed('fleet', now.fleetId, version)] };
};

export const setOwnUnits: Handler<'set-own-units'> = async ({ store, session, body }) => {
  await store.update(person).set({ units: body.units }).where(eq(person.id, session.person.id));
  return { unitId: null, changed: [changed('person', session.person.id)] };
};

/** A fleet's own limit: stricter than the book's, or refused with the reason. */
export const addFleetLimit: Handler<'add-fleet-limit'> = async ({ store, session, at, body }) => {
  const book = bookFor({ book: session.fleet.book, policies: session.fleet.policies, limits: [] });
  const refusal = fleetLimitRefusal(book, body.tightens, body.value);
  if (refusal) throw invalidWith('body.value', refusal);
  await store.insert(fleetLimit).values({
    fleetId: session.fleet.id,
    id: body.limit,
    tightens: body.tightens,
    value: body.value,
    reason: body.reason,
    addedBy: session.person.id,
    addedAt: at,
  });
  return { unitId: null, changed: [changed('fleet-limit', body.limit)] };
};

export const withdrawFleetLimit: Handler<'withdraw-fleet-limit'> = async ({ store, session, at, body }) => {
  const gone = await store
    .update(fleetLimit)
    .set({ withdrawnBy: session.person.id, withdrawnAt: at, withdrawnReason: body.reason })
    .where(and(eq(fleetLimit.id, body.limit), isNull(fleetLimit.withdrawnAt)))
    .returning({ id: fleetLimit.id });
  found(gone[0]);
  return { unitId: null, changed: [changed('fleet-limit', body.limit)] };
};

type Fitted = Pick<Axle, 'maker'>;
function withMaker<T extends Fitted>(part: T, reading: MakerReading, limit: MakerLimit | null): T {
  const { [reading]: _, ...others } = part.maker ?? {};
  return { ...part, maker: limit ? { ...others, [reading]: limit } : others };
}

/** What a unit was found to have or to lack. The four measured things are always there. */
export const setFitted: Handler<'set-fitted'> = async (doing) => {
  const { store, body } = doing;
  const row = found(await findUnit(store, body.unit));
  const { kind, item } = parseKey(body.key);
  if (!isStepKind(kind) || !mayLack({ kind })) throw invalid('body.key', 'no-check');
  if (kind === 'check' && !checkEntry(item ?? '')) throw invalid('body.key', 'no-check');
  const others = row.notFitted.filter((key) => key !== body.key);
  const words = keyWords(body.key);
  const fact = { fact: 'fitted' as const, axle: null, side: null };
  if (body.fitted !== row.notFitted.includes(body.key)) return { unitId: row.id, changed: [] };
  await noteFacts(doing, row.id, [{ ...fact, from: body.fitted ? null : words, to: body.fitted ? words : null }], {
    seen: 'counted',
    reason: '',
  });
  await store
    .update(unit)
    .set({ notFitted: body.fitted ? others : [...others, body.key], version: row.version + 1 })
    .where(eq(unit.id, row.id));
  return { unitId: row.id, changed: [changed('unit', row.id)] };
};

/** Sets a maker's limit for what is fitted at an axle, or at one end of it; null takes it back. */
export async function limitAt(
  doing: Pick<Doing<'set-maker-limit'>, 'store' | 'session' | 'at' | 'now'>,
  row: UnitRow,
  { axle: number, side, reading, limit, reason }: Omit<CommandBody<'set-maker-limit'>, 'unit'>,
): Promise<void> {
  const { store } = doing;
  const axle = row.axles[number - 1];
  if (!axle) throw invalid('body.axle', 'no-axle', row.number, row.axles.length);
  const fitted: Axle = side
    ? { ...axle, ends: { ...axle.ends, [side]: withMaker(axle.ends?.[side] ?? {}, reading, limit) } }
    : withMaker(axle, reading, limit);
  const axles = row.axles.map((each, index) => (index === number - 1 ? fitted : each));
  // Where it is written says why it is set; that it is taken back is said in words.
  const why = limit ? limit.source : reason;
  if (!why) throw invalid('body.reason', 'reason-needed');
  await noteChange(doing, row, { ...row, axles }, { reason: why });
  await store
    .update(unit)
    .set({ axles, version: row.version + 1 })
    .where(eq(unit.id, row.id));
}
