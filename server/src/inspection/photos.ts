import type { Photo } from '@zealous-axle/core';
import { and, count, desc, eq, sql } from 'drizzle-orm';
import { person } from '../access';
import { type Key, pageOf } from '../http';
import type { FleetStore } from '../store';
import { photo } from './schema';

type Of = { unitId: string } | { inspectionId: string };
const ofWhat = (of: Of) => ('unitId' in of ? eq(photo.unitId, of.unitId) : eq(photo.inspectionId, of.inspectionId));

/** Photos without their pictures, newest first; those before a key of the page before. */
export async function photosBefore(store: FleetStore, of: Of, key: Key | null, size: number) {
  const { id, inspectionId, defectId, width, height, takenAt } = photo;
  const rows = await store
    .select({
      id,
      inspection: inspectionId,
      defect: defectId,
      key: photo.key,
      width,
      height,
      by: person.name,
      at: takenAt,
    })
    .from(photo)
    .innerJoin(person, and(eq(person.fleetId, photo.fleetId), eq(person.id, photo.takenBy)))
    .where(and(ofWhat(of), key ? sql`(${takenAt}, ${id}) < (${key[0]}, ${key[1]})` : undefined))
    .orderBy(desc(takenAt), desc(id))
    .limit(size + 1);
  const views = rows.map((row): Photo => ({ ...row, at: row.at.toISOString() }));
  return pageOf(views, size, (row) => [row.at, row.id]);
}

/** Every photo of an inspection, oldest first: no more than it has steps. */
export async function photosOf(store: FleetStore, inspectionId: string): Promise<Photo[]> {
  const { rows } = await photosBefore(store, { inspectionId }, null, Number.MAX_SAFE_INTEGER - 1);
  return rows.reverse();
}

export async function countPhotos(store: FleetStore, unitId: string): Promise<number> {
  const [row] = await store.select({ n: count() }).from(photo).where(eq(photo.unitId, unitId));
  return row?.n ?? 0;
}

/** One picture as JPEG; null when the fleet has no such photo. */
export async function pictureOf(store: FleetStore, id: string): Promise<Buffer | null> {
  const [row] = await store.select({ jpeg: photo.jpeg }).from(photo).where(eq(photo.id, id));
  return row?.jpeg ?? null;
}
