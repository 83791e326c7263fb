import { randomInt } from 'node:crypto';
import { BOOK_IDS, CODE_LETTERS, INCH_UNITS, METRIC_UNITS, signInText, wordsText } from '@zealous-axle/core';
import { eq, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { fleet, inviteBy, noPassword, person } from '../access';
import { connect, type FleetStore } from '../store';

const isZone = (zone: string): boolean => {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: zone }).format(0) !== '';
  } catch {
    return false;
  }
};

/** What a fleet begins with, as `./start --own` asks for it or the environment says. */
export const foundingSchema = z.object({
  name: wordsText(80),
  slug: z
    .string()
    .trim()
    .regex(/^[a-z0-9][a-z0-9-]{1,30}$/, 'write small letters and digits, like northfield'),
  zone: z.string().refine(isZone, 'write a time zone like America/Chicago or Europe/London'),
  book: z.enum(BOOK_IDS),
  units: z.enum(['inch', 'metric']),
  manager: wordsText(60),
});
export type Founding = z.infer<typeof foundingSchema>;

const four = () => Array.from({ length: 4 }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('');

/** A sign-in name made of a person's own: `Wyn Castellan` is `wyn.castellan`. */
const signInOf = (name: string): string => {
  const plain = name
    .normalize('NFD')
    .replace(/[^A-Za-z0-9 .-]/g, '')
    .trim()
    .toLowerCase()
    .replace(/\s+/g, '.');
  return signInText.safeParse(plain).data ?? 'manager';
};

const onceCode = () => `${four()}-${four()}-${four()}`;

/** A new code for the first manager of a fleet in which nobody has come in yet: the one before may be lost or too old. */
async function codeAgain(db: FleetStore, fleetId: string, slug: string, now: Date) {
  await db.execute(sql`select set_config('za.fleet', ${fleetId}, true)`);
  const people = await db.select().from(person);
  const [first] = people;
  if (people.length !== 1 || !first?.inviteUntil) return null;
  const code = onceCode();
  await db.update(person).set(inviteBy(code, now)).where(eq(person.id, first.id));
  return { name: `${first.signIn}@${slug}`, code };
}

/**
 * Makes an empty fleet with its first manager, and gives the name and code they come in by. Where a fleet of that short
 * name is there already: a new code while nobody has come in yet, else null.
 */
export async function foundFleet(
  ownerUrl: string,
  { name, slug, zone, book, units, manager }: Founding,
  now: Date,
): Promise<{ name: string; code: string } | null> {
  const owner = connect(ownerUrl);
  const passwordHash = await noPassword();
  try {
    return await owner.db.transaction(async (db) => {
      await db.execute(sql`select pg_advisory_xact_lock(6427503), set_config('za.slug', ${slug}, true)`);
      const [there] = await db.select({ id: fleet.fleetId }).from(fleet).where(eq(fleet.slug, slug));
      if (there) return codeAgain(db, there.id, slug, now);
      const fleetId = uuidv7();
      await db.execute(sql`select set_config('za.fleet', ${fleetId}, true)`);
      const measures = units === 'inch' ? INCH_UNITS : METRIC_UNITS;
      await db.insert(fleet).values({ fleetId, slug, name, zone, book, units: measures });
      const code = onceCode();
      const signIn = signInOf(manager);
      const own = { fleetId, id: uuidv7(), signIn, name: manager, role: 'manager' as const };
      await db.insert(person).values({ ...own, passwordHash, ...inviteBy(code, now) });
      return { name: `${signIn}@${slug}`, code };
    });
  } finally {
    await owner.pool.end();
  }
}
