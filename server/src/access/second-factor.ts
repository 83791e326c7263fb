import { randomInt } from 'node:crypto';
import { CODE_LETTERS, type FactorOffer } from '@zealous-axle/core';
import { and, eq, lt, sql } from 'drizzle-orm';
import { Secret, TOTP } from 'otpauth';
import type { Actor } from '../run';
import type { FleetStore } from '../store';
import { passwordFits, secretHash } from './passwords';
import { person } from './schema';

const STEP_S = 30;
const KEPT_CODES = 8;
type Row = typeof person.$inferSelect;

const device = (secret: string, label = '') =>
  new TOTP({ issuer: 'Zealous Axle', label, secret: Secret.fromBase32(secret), period: STEP_S });

const own = async (store: FleetStore, actor: Actor): Promise<Row | undefined> =>
  (await store.select().from(person).where(eq(person.id, actor.person.id)))[0];

/** A secret for one's own device, not asked for until a code of it was given; null when the password is wrong. */
export async function offerFactor(store: FleetStore, actor: Actor, current: string): Promise<FactorOffer | null> {
  const row = await own(store, actor);
  if (!row || row.factorOn || !(await passwordFits(row.passwordHash, current))) return null;
  const secret = new Secret({ size: 20 }).base32;
  await store.update(person).set({ factorSecret: secret, factorStep: 0 }).where(eq(person.id, row.id));
  return { secret, address: device(secret, `${row.signIn} · ${actor.fleet.name}`).toString() };
}

const four = () => Array.from({ length: 4 }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('');
const keptCode = () => [four(), four(), four()].join('-');

/** From now on the code is asked for: the codes to keep on paper, or null when this one is not the device's. */
export async function confirmFactor(
  store: FleetStore,
  actor: Actor,
  code: string,
  now: Date,
): Promise<string[] | null> {
  const row = await own(store, actor);
  if (!row?.factorSecret || row.factorOn || !(await stepFits(store, row, code, now))) return null;
  const codes = Array.from({ length: KEPT_CODES }, keptCode);
  await store
    .update(person)
    .set({ factorOn: true, factorKept: codes.map(secretHash) })
    .where(eq(person.id, row.id));
  return codes;
}

/** Without a second factor again; false when the password or the code is wrong. */
export async function endFactor(
  store: FleetStore,
  actor: Actor,
  { current, code }: { current: string; code: string },
  now: Date,
): Promise<boolean> {
  const row = await own(store, actor);
  if (!row?.factorOn || !(await passwordFits(row.passwordHash, current)) || !(await factorFits(store, row, code, now)))
    return false;
  await store.update(person).set(NO_FACTOR).where(eq(person.id, row.id));
  return true;
}

export const NO_FACTOR = { factorOn: false, factorSecret: null, factorStep: 0, factorKept: [] };

/** Whether it is a code of this half minute or its neighbours, later than the last one used; uses it up. */
async function stepFits(store: FleetStore, { id, factorSecret }: Row, code: string, now: Date): Promise<boolean> {
  const off = factorSecret ? device(factorSecret).validate({ token: code, timestamp: now.getTime(), window: 1 }) : null;
  if (off === null) return false;
  const step = Math.floor(now.getTime() / (STEP_S * 1000)) + off;
  const used = await store
    .update(person)
    .set({ factorStep: step })
    .where(and(eq(person.id, id), lt(person.factorStep, step)))
    .returning({ id: person.id });
  return used.length > 0;
}

/** Whether a code opens the door beside the password: the device's of the moment, or one kept on paper, once. */
export async function factorFits(store: FleetStore, row: Row, code: string, now: Date): Promise<boolean> {
  if (/^\d+$/.test(code)) return stepFits(store, row, code, now);
  const hash = secretHash(code);
  const used = await store
    .update(person)
    .set({ factorKept: sql`array_remove(${person.factorKept}, ${hash})` })
    .where(and(eq(person.id, row.id), sql`${hash} = any(${person.factorKept})`))
    .returning({ id: person.id });
  return used.length > 0;
}
