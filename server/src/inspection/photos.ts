import type { Photo } from '@zealous-axle/core';
import { and, count, desc, eq, sql } from 'drizzle-orm';
import { person } from '../access';
import { type Key, pageOf } from '../http';
import { type FleetStore, prepared } from '../store';
import { photo } from './schema';

type Of = { unitId: string } | { inspectionId: string };

/** Photos without their pictures, newest first; those before a key of the page before. */
export async function photosBefore(store: FleetStore, of: Of, key: Key | null, size: number) {
  const { id, inspectionId, defectId, width, height, takenAt } = photo;
  const before = sql`(${takenAt}, ${id}) < (${sql.placeholder('at')}, ${sql.placeholder('id')})`;
  const by = 'unitId' in of ? photo.unitId : inspectionId;
  const asked = prepared(store, `photos by ${by.name} ${key ? 'before' : ''}`, () =>
    store
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
      .where(and(eq(by, sql.placeholder('of')), key ? before : undefined))
      .orderBy(desc(takenAt), desc(id))
      .limit(sql.placeholder('size')),
  );
  const rows = await asked.execute({
    of: 'unitId' in of ? of.unitId : of.inspectionId,
    size: size + 1,
    at: key?.[0],
    id: key?.[1],
  });
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
