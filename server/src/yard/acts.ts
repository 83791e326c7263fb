import type { UnitAct } from '@zealous-axle/core';
import { walksBefore } from '../defects';
import { type Key, pageOf } from '../http';
import type { FleetStore } from '../store';
import { changesBefore } from '../units';

/** A page of what was signed on walks and changed in what a unit is, the newest first. */
export async function actsBefore(store: FleetStore, unitId: string, key: Key | null, size: number) {
  const before = key ? { at: String(key[0]), id: String(key[1]) } : null;
  const [walks, changes] = await Promise.all([
    walksBefore(store, unitId, before, size + 1),
    changesBefore(store, unitId, before, size + 1),
  ]);
  const acts = [
    ...walks.map(({ view, recordedAt }) => ({ act: { act: 'walk', ...view } as UnitAct, recordedAt })),
    ...changes.map(({ view, recordedAt }) => ({ act: { act: 'change', ...view } as UnitAct, recordedAt })),
  ].sort((a, b) => b.recordedAt.getTime() - a.recordedAt.getTime() || (a.act.id < b.act.id ? 1 : -1));
  const { rows, next } = pageOf(acts, size, ({ recordedAt, act }) => [recordedAt.toISOString(), act.id]);
  return { acts: rows.map(({ act }) => act), next };
}
