import { type Axle, jobOf, type Template, templateFor } from '@zealous-axle/core';
import { inArray } from 'drizzle-orm';
import { defect, defectPlace, defectViews, moveDefect } from '../defects';
import { notNow } from '../problem';
import { type Changed, changed, found, type Handler, sameVersion } from '../run';
import { unit } from '../units';
import { job } from './schema';
import { templatesOf } from './shop-data';

type Row = typeof defect.$inferSelect;

interface Group {
  job: string;
  unit: string;
  template: Template;
  rows: Row[];
}

/** Defects of one trailer that the same kind of work repairs. */
function groupsOf(
  rows: readonly Row[],
  axlesOf: ReadonlyMap<string, readonly Axle[]>,
  templates: readonly Template[],
  jobOfDefect: ReadonlyMap<string, string>,
): Group[] {
  const groups = new Map<string, Group>();
  for (const row of rows) {
    const template = templateFor(templates, row.code, axlesOf.get(row.unitId)?.[(row.axle ?? 0) - 1]);
    if (!template) continue;
    const key = `${row.unitId} ${template.id}`;
    const known = groups.get(key);
    if (known) known.rows.push(row);
    else groups.set(key, { job: jobOfDefect.get(row.id) ?? '', unit: row.unitId, template, rows: [row] });
  }
  return [...groups.values()];
}

const titleOf = ({ template, rows }: Group): string => {
  const places = [...new Set(rows.filter(({ axle }) => axle !== null).map(defectPlace))].join(', ');
  return `${template.name}${places ? ` ${places}` : ''}`.slice(0, 120);
};

/** Makes jobs of many defects by their templates. Defects that no template names stay as they are. */
export const makeJobs: Handler<'make-jobs'> = async (doing) => {
  const { store, session, body } = doing;
  const asked = new Map(body.defects.map((each) => [each.defect, each]));
  const rows = await store
    .select()
    .from(defect)
    .where(inArray(defect.id, [...asked.keys()]))
    .orderBy(defect.id);
  for (const id of asked.keys()) found(rows.find((row) => row.id === id));
  for (const row of rows)
    await sameVersion(row, asked.get(row.id)?.version ?? 0, async () => (await defectViews(store, { id: row.id }))[0]);
  const units = await store
    .select({ id: unit.id, axles: unit.axles })
    .from(unit)
    .where(inArray(unit.id, [...new Set(rows.map(({ unitId }) => unitId))]));
  const axlesOf = new Map(units.map(({ id, axles }) => [id, axles]));
  const templates = (await templatesOf(store)).map(({ definition }) => definition);
  const jobs = new Map(body.defects.map((each) => [each.defect, each.job]));
  const groups = groupsOf(rows, axlesOf, templates, jobs);
  if (groups.length === 0) throw notNow('no-template-for-any');
  const out: Changed[] = [];
  for (const group of groups) {
    const ends = group.rows.flatMap(({ axle, side }) => (axle && side ? [{ axle, side }] : []));
    const work = jobOf([{ template: group.template, ends }], axlesOf.get(group.unit) ?? []);
    await store.insert(job).values({
      fleetId: session.fleet.id,
      id: group.job,
      unitId: group.unit,
      title: titleOf(group),
      state: 'open',
      minutes: Math.max(5, work.minutes),
      wheelsOff: work.wheels.length > 0,
      work,
    });
    out.push(changed('job', group.job, 1));
    for (const row of group.rows)
      out.push(changed('defect', row.id, await moveDefect(doing, row, 'plan', { jobId: group.job })));
  }
  return { unitId: null, unitIds: groups.map((group) => group.unit), changed: out };
};
