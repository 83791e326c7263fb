import { catalogueEntry, type UnitPage } from '@zealous-axle/core';
import { aboutOf, codeOf, EMPTY, type Filled, lampsOf, reportedAlready, reportSchema, WHOLE } from './filled';

const axle = { brake: 's-cam', tyres: 'dual', hub: 'oil' };
const report = (code: string, more: object = {}) => ({
  id: code,
  code,
  axle: 1,
  side: 'right',
  tyre: null,
  state: 'reported',
  ...more,
});
const unit = {
  id: 'u',
  kind: 'semitrailer',
  axles: [axle, axle],
  features: {},
  notFitted: [],
  defects: [report('hub-leak'), report('tyre-cut', { tyre: 'inner', state: 'certified' })],
} as unknown as UnitPage;
const filled = (more: Partial<Filled>): Filled => ({ ...EMPTY, place: '1R', ...more });

test('a lamp that was named is reported as that lamp', () => {
  const entry = catalogueEntry('lamp-out') as never;
  expect(lampsOf(entry, unit)).toEqual(expect.arrayContaining(['Stop lamps', 'Left turn lamps', 'Tail lamps']));
  expect(codeOf(entry, { lamp: 'Stop lamps', on: 'left' })).toBe('lamp-stop-out');
  expect(codeOf(entry, { lamp: 'Stop lamps', on: 'both' })).toBe('lamp-stop-none');
  expect(codeOf(entry, { lamp: 'Tail lamps', on: 'both' })).toBe('lamp-tail-out');
  expect(codeOf(entry, { lamp: 'Left turn lamps', on: null })).toBe('lamp-turn-out');
  expect(codeOf(entry, { lamp: null, on: null })).toBe('lamp-out');
});

test('a trailer has no head lamps to report, a tractor has', () => {
  const entry = catalogueEntry('lamp-out') as never;
  const heads = (kind: 'semitrailer' | 'tractor') =>
    lampsOf(entry, { ...unit, kind }).filter((name) => /Head/.test(name));
  expect([heads('semitrailer').length, heads('tractor').length > 0]).toEqual([0, true]);
});

test('who is not sure is asked no further: neither which tire nor which lamp', () => {
  expect(aboutOf(unit, filled({ code: 'tyre-cut' })).needsTyre).toBe(true);
  expect(aboutOf(unit, filled({ code: 'unsure-tyre' })).needsTyre).toBe(false);
  expect(lampsOf(catalogueEntry('unsure-lamps'), unit)).toEqual([]);
  expect(reportSchema(unit).safeParse(filled({ code: 'unsure-tyre' })).success).toBe(true);
});

test('the same at the same place is known to be reported, and nothing else', () => {
  const [open] = unit.defects;
  if (!open) throw new Error('no report');
  expect(reportedAlready(unit, filled({ code: open.code }))?.id).toBe(open.id);
  expect(reportedAlready(unit, filled({ code: 'unsure-hub' }))?.id).toBe(open.id);
  expect(reportedAlready(unit, filled({ code: open.code, place: '1L' }))).toBeNull();
  expect(reportedAlready(unit, filled({ code: 'lamp-out', place: WHOLE }))).toBeNull();
  // What is repaired stands no more.
  expect(reportedAlready(unit, filled({ code: 'tyre-cut', tyre: 'inner' }))).toBeNull();
});
