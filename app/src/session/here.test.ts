import {
  type CommandName,
  type Draft,
  INCH_UNITS,
  type Reading,
  readingKey,
  type Session,
  type Step,
  withEntry,
} from '@zealous-axle/core';
import type { Waiting } from '../device/waiting';
import { begun } from '../testing/inspection';
import { beside, hereOf, NOTHING_HERE } from './here';

const session: Session = {
  person: { id: 'ada', name: 'Ada', role: 'technician', secondFactor: false, units: null },
  fleet: {
    id: 'f',
    name: 'Fleet',
    zone: 'UTC',
    book: 'na',
    policies: {},
    signs: [],
    checks: [],
    phrases: {},
    units: INCH_UNITS,
    version: 1,
    limits: [],
    routes: [],
  },
};
const unit = { id: 'u', features: {} };
const at = { axle: 1, side: 'left' } as const;
const waits = (name: CommandName, body: object, more: Partial<Waiting> = {}): Waiting => ({
  id: `${name} ${JSON.stringify(body)}`,
  person: 'ada',
  name,
  at: '2026-07-01T08:10:00Z',
  body,
  label: name,
  ...more,
});

/** An inspection of this device in which these readings were taken, and what waits of it. */
function inspected(readings: readonly Reading[], more: Partial<Draft> = {}) {
  const steps = readings.map(({ kind }): Step => ({ kind: kind as Step['kind'], ...at, tyre: null }));
  const draft = readings.reduce(
    (before, value, nth) => withEntry(before, steps[nth] as Step, { saved: { reading: `r${nth}`, value } }),
    begun({ steps, ...more }),
  );
  const entries = readings.map((value, nth) => waits('take-reading', { inspection: 'i', reading: `r${nth}`, value }));
  return { drafts: [draft], entries };
}

const worn: Reading = { kind: 'lining', ...at, points: ['1/8 in'] };
const good: Reading = { kind: 'lining', ...at, points: ['1/2 in'] };

test('a device that holds nothing of a unit says nothing of it', () => {
  expect(hereOf(unit, { session, entries: [], drafts: [] })).toBe(NOTHING_HERE);
  const other = inspected([worn], { unit: { ...begun().unit, id: 'another' } });
  expect(hereOf(unit, { session, ...other })).toBe(NOTHING_HERE);
});

test('what was read here and not sent stands here, and holds what it condemns', () => {
  const here = hereOf(unit, { session, ...inspected([worn]) });
  expect(here.standing).toMatchObject([{ key: readingKey(worn), verdict: 'violation', by: 'ada' }]);
  expect(here.found).toMatchObject([{ code: 'lining', axle: 1, side: 'left', holds: true }]);
  expect(here.holds).toBe(true);
  expect(hereOf(unit, { session, ...inspected([good]) })).toMatchObject({ found: [], holds: false });
});

test('a report that waits holds where such a report does, before anybody answered it', () => {
  const report = (code: string) => ({
    session,
    drafts: [],
    entries: [waits('report-defect', { unit: 'u', code, place: { ...at, tyre: null } })],
  });
  expect(hereOf(unit, report('brake-dragging'))).toMatchObject({ holds: true, holdsByReport: true });
  expect(hereOf(unit, report('lamp-out'))).toMatchObject({ holds: false, reports: [{ code: 'lamp-out' }] });
});

test('what the server refused is not held to be so', () => {
  const { drafts, entries } = inspected([worn]);
  const refused = entries.map((entry) => ({ ...entry, refused: { title: 'no' } as never }));
  expect(hereOf(unit, { session, drafts, entries: refused }).standing).toEqual([]);
});

test('what the server tells of already is not said twice, and a hold of a report stays', () => {
  const here = hereOf(unit, { session, ...inspected([worn]) });
  const told = { ...here.found[0] } as never;
  expect(beside(here, { defects: [told] })).toMatchObject({ found: [], holds: false });
  expect(beside({ ...here, holdsByReport: true }, { defects: [told] }).holds).toBe(true);
});
