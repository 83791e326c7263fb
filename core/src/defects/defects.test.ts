import {
  CATALOGUE,
  CHECKS,
  catalogueAt,
  catalogueEntry,
  catalogueEntrySchema,
  checkSchema,
  severityOf,
} from '../catalogue';
import { mayAct, type Role } from '../life';
import { defectWords, isStepKind } from '../reading';
import { DEFECT_LIFE, isOpenDefect } from '.';

test('the catalog has the published shape, and no code twice', () => {
  for (const entry of CATALOGUE) expect(catalogueEntrySchema.parse(entry)).toEqual(entry);
  expect(new Set(CATALOGUE.map(({ code }) => code)).size).toBe(CATALOGUE.length);
});

test('only what concerns a brake takes a share in the brake count', () => {
  const others = CATALOGUE.filter(({ code, part }) => (severityOf(code, 'na')?.share ?? 0) > 0 && part !== 'brake');
  expect(others.map(({ code }) => code)).toEqual(['hub-seal-onto-lining']);
});

test('the checks have the published shape, and each sign leads to a defect of the same kind of place', () => {
  for (const check of CHECKS) {
    expect(checkSchema.parse(check)).toEqual(check);
    for (const { code } of check.signs)
      expect([check.id, catalogueEntry(code)?.where === 'unit']).toEqual([check.id, check.at === 'unit']);
  }
  expect(new Set(CHECKS.map(({ id }) => id)).size).toBe(CHECKS.length);
});

test('no code is the name of a reading: a failed reading is reported under its own', () => {
  expect(CATALOGUE.filter(({ code }) => isStepKind(code))).toEqual([]);
  expect(defectWords('wheel-nuts')).toBe('Lug nuts past their limit');
  expect(defectWords('mud-flap')).toBe('Mud flap clearance past its limit');
  expect(defectWords('air-test:low-air')).toBe('Low-air warning past its limit');
  expect(defectWords('dual-tread')).toMatch('too far apart');
});

test('an axle end offers its tires, the unit does not', () => {
  expect(catalogueAt('end').map(({ code }) => code)).toContain('tyre-bulge');
  expect(catalogueAt('unit').map(({ code }) => code)).not.toContain('tyre-bulge');
});

test('words for codes, failed readings, and codes of an older catalog', () => {
  expect(defectWords('chamber-leak')).toBe(catalogueEntry('chamber-leak')?.words);
  expect(defectWords('lining')).toBe('Lining past its limit');
  expect(defectWords('gone')).toBe('gone');
});

test('a defect goes from report to acknowledgement and no other way', () => {
  const path = [
    ['triage', 'foreman', 'reported', 'triaged'],
    ['plan', 'foreman', 'triaged', 'planned'],
    ['finish', 'technician', 'planned', 'done'],
    ['certify', 'technician', 'done', 'certified'],
    ['acknowledge', 'driver', 'certified', 'acknowledged'],
  ] as const;
  for (const [act, role, from, to] of path)
    expect(mayAct(DEFECT_LIFE, 'a defect', from, act, role)).toEqual({ ok: true, to });
  expect(mayAct(DEFECT_LIFE, 'a defect', 'reported', 'certify', 'technician')).toMatchObject({ because: 'state' });
  expect(mayAct(DEFECT_LIFE, 'a defect', 'acknowledged', 'acknowledge', 'driver')).toMatchObject({ ok: false });
});

test.each<[Role, boolean]>([
  ['driver', false],
  ['technician', false],
  ['foreman', true],
  ['manager', true],
])('triage by a %s: %s', (role, may) => {
  expect(mayAct(DEFECT_LIFE, 'a defect', 'reported', 'triage', role).ok).toBe(may);
});

test('dismissing needs a reason', () => {
  expect(mayAct(DEFECT_LIFE, 'a defect', 'reported', 'dismiss', 'foreman')).toMatchObject({ missing: ['a reason'] });
  expect(mayAct(DEFECT_LIFE, 'a defect', 'reported', 'dismiss', 'foreman', { 'a reason': true }).ok).toBe(true);
});

test('a defect is open until it is certified or dismissed', () => {
  expect((['reported', 'triaged', 'planned', 'done'] as const).every(isOpenDefect)).toBe(true);
  expect((['certified', 'acknowledged', 'dismissed'] as const).some(isOpenDefect)).toBe(false);
});
