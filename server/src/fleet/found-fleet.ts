import { randomInt } from 'node:crypto';
import { BOOK_IDS, CODE_LETTERS, INCH_UNITS, METRIC_UNITS, signInText, wordsText } from '@zealous-axle/core';
import { sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { codeHash, fleet, noPassword, person } from '../access';
import { connect } from '../store';

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

const CODE_DAYS = 7;
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

/** Makes an empty fleet with its first manager; null where a fleet of that short name is there already. Gives the manager's sign-in name and code. */
export async function foundFleet(
  ownerUrl: string,
  { name, slug, zone, book, units, manager }: Founding,
  now: Date,
): Promise<{ name: string; code: string } | null> {
  const owner = connect(ownerUrl);
  const passwordHash = await noPassword();
  try {
    return await owner.db.transaction(async (db) => {
      await db.execute(sql`select pg_advisory_xact_lock(6427503)`);
      const fleetId = uuidv7();
      await db.execute(sql`select set_config('za.slug', ${slug}, true), set_config('za.fleet', ${fleetId}, true)`);
      const { rows } = await db.execute<{ any: boolean }>(sql`select exists (select 1 from fleet) as any`);
      if (rows[0]?.any) return null;
      await db.insert(fleet).values({
        fleetId,
        slug,
        name,
        zone,
        book,
        units: units === 'inch' ? INCH_UNITS : METRIC_UNITS,
      });
      const code = `${four()}-${four()}-${four()}`;
      const signIn = signInOf(manager);
      await db.insert(person).values({
        fleetId,
        id: uuidv7(),
        signIn,
        name: manager,
        role: 'manager',
        passwordHash,
        inviteHash: codeHash(code),
        inviteUntil: new Date(now.getTime() + CODE_DAYS * 86_400_000),
      });
      return { name: `${signIn}@${slug}`, code };
    });
  } finally {
    await owner.pool.end();
  }
}
