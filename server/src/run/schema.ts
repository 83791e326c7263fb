import type { CommandAnswer, SecurityKind } from '@zealous-axle/core';
import { sql } from 'drizzle-orm';
import { bigint, boolean, index, jsonb, pgTable, primaryKey, text, unique, uuid } from 'drizzle-orm/pg-core';
import { at, fleetId, id, recordedAt, shape } from '../store';

/** What happened, in the order it was committed. */
export const event = pgTable(
  'event',
  {
    fleetId,
    id: bigint('id', { mode: 'number' }).generatedAlwaysAsIdentity(),
    type: text('type').notNull(),
    unitId: uuid('unit_id'),
    personId: uuid('person_id').notNull(),
    commandId: uuid('command_id').notNull(),
    body: jsonb('body').notNull(),
    shape: shape(1),
    at: at('at').notNull(),
    /** What the device's clock said, where that differs. */
    saidAt: at('said_at'),
    /** Older than a device may go without us: it decided nothing. */
    tooOld: boolean('too_old').notNull().default(false),
    /** The device that did it, and which of its acts it was; null where it does not count. */
    deviceId: uuid('device_id'),
    deviceCount: bigint('device_count', { mode: 'number' }),
    recordedAt,
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    index('event_device').on(t.fleetId, t.deviceId, t.deviceCount).where(sql`${t.deviceId} is not null`),
  ],
);

/** Every command done, with the hash of its body and its answer: sent again, it answers the same. */
export const command = pgTable(
  'command',
  {
    fleetId,
    id,
    name: text('name').notNull(),
    hash: text('hash').notNull(),
    personId: uuid('person_id').notNull(),
    answer: jsonb('answer').$type<CommandAnswer>().notNull(),
    shape: shape(1),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] })],
);

/** Who came in, who was refused, and who changed what others may do. Written, never changed. */
export const securityEntry = pgTable(
  'security_entry',
  {
    fleetId,
    id: bigint('id', { mode: 'number' }).generatedAlwaysAsIdentity(),
    at: at('at').notNull().defaultNow(),
    kind: text('kind').$type<SecurityKind>().notNull(),
    /** Null where nobody of the fleet, or the program itself. */
    personId: uuid('person_id'),
    what: text('what'),
    address: text('address'),
  },
  (t) => [
    primaryKey({ columns: [t.fleetId, t.id] }),
    index('security_entry_kind').on(t.fleetId, t.kind, t.id.desc()),
    index('security_entry_person').on(t.fleetId, t.personId, t.id.desc()),
  ],
);

/** Keys by which people sign on their devices. */
export const personKey = pgTable(
  'person_key',
  {
    fleetId,
    id,
    personId: uuid('person_id').notNull(),
    x: text('x').notNull(),
    y: text('y').notNull(),
    enrolledAt: at('enrolled_at').notNull(),
    revokedAt: at('revoked_at'),
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.id] }), unique('person_key_once').on(t.fleetId, t.personId, t.x, t.y)],
);

/** What was signed by such a key: word by word, with its key and what its signer held papers for. */
export const signature = pgTable(
  'signature',
  {
    fleetId,
    act: uuid('act').notNull(),
    keyId: uuid('key_id').notNull(),
    personId: uuid('person_id').notNull(),
    role: text('role').notNull(),
    papers: text('papers').notNull(),
    text: text('text').notNull(),
    value: text('value').notNull(),
    x: text('x').notNull(),
    y: text('y').notNull(),
    recordedAt,
  },
  (t) => [primaryKey({ columns: [t.fleetId, t.act] })],
);
