import type { Draft, YardRow } from '@zealous-axle/core';
import { type DBSchema, type IDBPDatabase, type IDBPTransaction, openDB } from 'idb';
import { v7 as uuidv7 } from 'uuid';
import { offerTaken } from './newer';
import type { OwnKey } from './signing';
import { draftFromV1, draftFromV3, waitingFromV3 } from './upgrades';
import type { Waiting } from './waiting';

/** What the device keeps: commands that wait, inspections in progress, the last known answers, and forms begun. */
export interface DeviceStore extends DBSchema {
  outbox: { key: number; value: Waiting };
  drafts: { key: string; value: Draft; indexes: { unit: string } };
  answers: { key: string; value: unknown };
  typed: { key: string; value: unknown };
  /** Rows of the yard as they were seen. */
  rows: { key: string; value: YardRow };
  /** What is practised: of no real unit, and apart from everything that is. */
  practice: { key: string; value: unknown };
  /** What it is itself: its id, under which it counts its acts. */
  own: { key: 'id'; value: string };
  /** Keys by which people sign here, by person: none can be read out. */
  keys: { key: string; value: OwnKey };
}

type Upgrade = IDBPTransaction<
  DeviceStore,
  ('outbox' | 'drafts' | 'answers' | 'typed' | 'rows' | 'practice' | 'own' | 'keys')[],
  'versionchange'
>;

/** One step per version; a stored shape is only ever changed by a new step here. */
const STEPS: ((db: IDBPDatabase<DeviceStore>, upgrade: Upgrade) => Promise<void> | void)[] = [
  (db) => {
    db.createObjectStore('outbox', { keyPath: 'seq', autoIncrement: true });
    db.createObjectStore('drafts', { keyPath: 'inspection' }).createIndex('unit', 'unit.id');
    db.createObjectStore('answers');
  },
  // Drafts hold every kind of reading, their route, and the fleet's rules.
  async (_, upgrade) => {
    const drafts = upgrade.objectStore('drafts');
    for (const old of await drafts.getAll()) await drafts.put(draftFromV1(old) as Draft);
  },
  // Forms begun; and each answer stands by itself, where all of a person's were one.
  async (db, upgrade) => {
    db.createObjectStore('typed');
    await upgrade.objectStore('answers').clear();
  },
  // Policies, spots and the step to return to, where older words stood; rows of the yard; answers are asked for anew.
  async (db, upgrade) => {
    db.createObjectStore('rows', { keyPath: 'id' });
    const drafts = upgrade.objectStore('drafts');
    for (const old of await drafts.getAll()) await drafts.put(draftFromV3(old));
    const outbox = upgrade.objectStore('outbox');
    for (const entry of await outbox.getAll()) await outbox.put(waitingFromV3(entry));
    await upgrade.objectStore('answers').clear();
  },
  (db) => {
    db.createObjectStore('practice');
  },
  // The numbers of the outbox count what is done on this device; with its id, the server knows their order.
  async (db, upgrade) => {
    db.createObjectStore('own');
    await upgrade.objectStore('own').put(uuidv7(), 'id');
  },
  // A unit says what of it was looked at, when and by whom: rows that do not are seen anew.
  async (_, upgrade) => {
    await upgrade.objectStore('rows').clear();
    await upgrade.objectStore('answers').clear();
  },
  (db) => {
    db.createObjectStore('keys');
  },
];
export const DEVICE_VERSION = STEPS.length;

/** Brings a database of any earlier version to the current shape. */
export async function upgradeDevice(db: IDBPDatabase<DeviceStore>, from: number, upgrade: Upgrade): Promise<void> {
  for (const step of STEPS.slice(from)) await step(db, upgrade);
}

let opened: Promise<IDBPDatabase<DeviceStore>> | undefined;

/** The device's own database. */
export function device(): Promise<IDBPDatabase<DeviceStore>> {
  opened ??= openDB<DeviceStore>('zealous-axle', DEVICE_VERSION, {
    upgrade: (db, from, _, upgrade) => upgradeDevice(db, from, upgrade),
    // A newer program in another window waits for this database: it has it once this page is loaded anew.
    blocking: () => offerTaken(() => void opened?.then((db) => db.close())),
  });
  return opened;
}
