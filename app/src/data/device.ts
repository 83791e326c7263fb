import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Draft } from './draft';
import type { Waiting } from './outbox';

/** What the device keeps: commands that wait, inspections in progress, and the last known answers. */
interface DeviceStore extends DBSchema {
  outbox: { key: number; value: Waiting };
  drafts: { key: string; value: Draft; indexes: { unit: string } };
  answers: { key: string; value: unknown };
}

export const DEVICE_VERSION = 1;

/** One step per version; a stored shape is only ever changed by a new step here. */
const STEPS: ((db: IDBPDatabase<DeviceStore>) => void)[] = [
  (db) => {
    db.createObjectStore('outbox', { keyPath: 'seq', autoIncrement: true });
    db.createObjectStore('drafts', { keyPath: 'inspection' }).createIndex('unit', 'unit.id');
    db.createObjectStore('answers');
  },
];

let opened: Promise<IDBPDatabase<DeviceStore>> | undefined;

/** The device's own database. */
export function device(): Promise<IDBPDatabase<DeviceStore>> {
  opened ??= openDB<DeviceStore>('zealous-axle', DEVICE_VERSION, {
    upgrade(db, from) {
      for (const step of STEPS.slice(from)) step(db);
    },
  });
  return opened;
}
