import {
  type Book,
  bookFor,
  DEFAULT_BOOK,
  type Features,
  type FleetLimit,
  rulesFor,
  type Session,
} from '@zealous-axle/core';
import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import { fleet, person } from '../access';
import type { Actor } from '../run';
import type { FleetStore } from '../store';
import { fleetLimit, fleetRoute } from './schema';

/** The fleet's own limits that stand. */
export async function fleetLimits(store: FleetStore): Promise<FleetLimit[]> {
  const rows = await store
    .select({ limit: fleetLimit, by: person.name })
    .from(fleetLimit)
    .innerJoin(person, and(eq(person.fleetId, fleetLimit.fleetId), eq(person.id, fleetLimit.addedBy)))
    .where(isNull(fleetLimit.withdrawnAt))
    .orderBy(asc(fleetLimit.addedAt));
  return rows.map(({ limit: { id, tightens, value, reason, addedAt }, by }) => ({
    id,
    tightens,
    value,
    reason,
    by,
    at: addedAt.toISOString(),
  }));
}

/** The routes the fleet made its own. */
export async function fleetRoutes(store: FleetStore): Promise<Session['fleet']['routes']> {
  const rows = await store
    .select({ version: fleetRoute.version, definition: fleetRoute.definition })
    .from(fleetRoute)
    .where(eq(fleetRoute.removed, false))
    .orderBy(asc(fleetRoute.savedAt));
  return rows;
}

/** What the fleet judges by, beside its own limits. */
export async function fleetRules(
  store: FleetStore,
): Promise<Pick<Actor['fleet'], 'book' | 'policies' | 'signs' | 'checks'>> {
  const [ours] = await store
    .select({ book: fleet.book, policies: fleet.policies, signs: fleet.signs, checks: fleet.checks })
    .from(fleet);
  return ours ?? { book: DEFAULT_BOOK, policies: {}, signs: [], checks: [] };
}

/** Keeps the fleet's rules as they are until the transaction ends. */
export const holdRules = (store: FleetStore): Promise<unknown> =>
  store.execute(sql`select fleet_id from fleet for share`).execute();

/** The book of each unit of a fleet, its own limits read once: for work on many of them. */
export async function fleetBooks(
  store: FleetStore,
  { book, policies, signs, checks }: Pick<Actor['fleet'], 'book' | 'policies' | 'signs' | 'checks'>,
): Promise<(unit: { features: Features }) => Book> {
  const limits = await fleetLimits(store);
  const known = new Map<string, Book>();
  return ({ features }) => {
    const rules = rulesFor({ book, policies, limits, signs, checks }, features);
    const made = known.get(rules.book) ?? bookFor(rules);
    known.set(rules.book, made);
    return made;
  };
}

/** The book a unit is judged by: the fleet's, or its own, with the fleet's policies and own limits on top. */
export const unitBook = async (
  store: FleetStore,
  { fleet }: Actor,
  { features }: { features: Features },
): Promise<Book> =>
  bookFor(
    rulesFor(
      {
        book: fleet.book,
        policies: fleet.policies,
        limits: await fleetLimits(store),
        signs: fleet.signs,
        checks: fleet.checks,
      },
      features,
    ),
  );
