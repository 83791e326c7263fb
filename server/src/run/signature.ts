import { webcrypto } from 'node:crypto';
import { type CommandName, commandSchema, type Proven, readSigned, type Signature } from '@zealous-axle/core';
import { and, eq, isNull, sql } from 'drizzle-orm';
import { KnownProblem } from '../problem';
import type { FleetStore } from '../store';
import type { Actor } from './actor';
import { personKey, signature } from './schema';

const ECDSA = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };

async function isBy({ text, value, x, y }: Proven): Promise<boolean> {
  const jwk = { kty: 'EC', crv: 'P-256', x, y };
  try {
    const key = await webcrypto.subtle.importKey('jwk', jwk, ECDSA, false, ['verify']);
    return await webcrypto.subtle.verify(ECDSA, key, Buffer.from(value, 'base64url'), Buffer.from(text));
  } catch {
    return false;
  }
}

/** Whether a signed text says this very command: what a device signed is what it sent. */
function says(text: string, name: CommandName, sent: { id: string; at: string; body: unknown }): boolean {
  const act = readSigned(text);
  if (act?.name !== name || act.id !== sent.id || act.at !== sent.at) return false;
  // As the server reads it: a sign that is written otherwise there is the same here.
  const read = commandSchema(name).safeParse({ id: act.id, at: act.at, body: act.body });
  return read.success && JSON.stringify(read.data.body) === JSON.stringify(sent.body);
}

/** What somebody holds papers for on a day, as one line. */
async function papersOf(store: FleetStore, person: string, day: string): Promise<string> {
  const { rows } = await store.execute<{ words: string | null }>(sql`
    select string_agg(q ->> 'name' || coalesce(' until ' || (q ->> 'until'), ''), '; ' order by q ->> 'name') as words
    from person p, jsonb_array_elements(p.work -> 'qualifications') q
    where p.id = ${person} and coalesce(q ->> 'until', '9999') >= ${day}`);
  return rows[0]?.words ?? '';
}

/**
 * Keeps a command's signature, in the transaction that does it. Refused where the key is not one of its person's that holds, where
 * the text says something else than the command, or where it is not by that key.
 */
export async function keepSignature(
  store: FleetStore,
  { fleet, person }: Actor,
  name: CommandName,
  sent: { id: string; at: string; body: unknown; signature?: Signature | undefined },
  now: Date,
): Promise<void> {
  const given = sent.signature;
  if (!given) return;
  const [key] = await store
    .select()
    .from(personKey)
    .where(and(eq(personKey.id, given.key), eq(personKey.personId, person.id), isNull(personKey.revokedAt)));
  const { text, value } = given;
  if (!key || !says(text, name, sent) || !(await isBy({ text, value, x: key.x, y: key.y })))
    throw new KnownProblem('wrong-key');
  await store.insert(signature).values({
    fleetId: fleet.id,
    act: sent.id,
    keyId: key.id,
    personId: person.id,
    role: person.role,
    papers: await papersOf(store, person.id, now.toISOString().slice(0, 10)),
    text,
    value,
    x: key.x,
    y: key.y,
  });
}

/** What was signed of a row of a fact, by its act; null where nobody's key did. */
export async function signatureOf(store: FleetStore, tab: string, key: string): Promise<Proven | null> {
  const { rows } = await store.execute<{ text: string; value: string; x: string; y: string }>(sql`
    select s.text, s.value, s.x, s.y from record_row k join signature s on s.fleet_id = k.fleet_id and s.act = k.act
    where k.tab = ${tab} and k.row_key = ${key}`);
  const [row] = rows;
  return row ? { text: row.text, value: row.value, x: row.x, y: row.y } : null;
}
