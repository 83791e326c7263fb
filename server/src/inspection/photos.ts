import type { Photo } from '@zealous-axle/core';
import { and, asc, eq, type SQL } from 'drizzle-orm';
import { person } from '../access';
import type { FleetStore } from '../store';
import { photo } from './schema';

const MOST = 100;

/** Photos without their pictures, oldest first. */
export async function photoViews(store: FleetStore, where: SQL): Promise<Photo[]> {
  const { id, inspectionId, defectId, key, width, height, takenAt } = photo;
  const rows = await store
    .select({ id, inspection: inspectionId, defect: defectId, key, width, height, by: person.name, at: takenAt })
    .from(photo)
    .innerJoin(person, and(eq(person.fleetId, photo.fleetId), eq(person.id, photo.takenBy)))
    .where(where)
    .orderBy(asc(photo.takenAt))
    .limit(MOST);
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
}

/** One picture as JPEG; null when the fleet has no such photo. */
export async function pictureOf(store: FleetStore, id: string): Promise<Buffer | null> {
  const [row] = await store.select({ jpeg: photo.jpeg }).from(photo).where(eq(photo.id, id));
  return row?.jpeg ?? null;
}
