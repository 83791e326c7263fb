import type { YardRow } from '@zealous-axle/core';
import { searchHere } from './yard';

const row = (number: string, change: Partial<YardRow> = {}): YardRow => ({
  id: number,
  number,
  body: 'Seed hopper',
  kind: 'semitrailer',
  site: 'North yard',
  held: false,
  openDefects: 0,
  toAcknowledge: 0,
  lastMeasured: null,
  verdict: null,
  due: null,
  looked: [],
  walked: null,
  inspecting: null,
  helpSince: null,
  judging: false,
  ...change,
});
const ROWS = [
  row('H-12'),
  row('H-11', { openDefects: 1, verdict: 'violation' }),
  row('L-21', { body: 'Live-floor', held: true, site: 'South yard' }),
  row('H-13', { due: { paper: 'Periodic inspection', on: '2026-03-10' }, toAcknowledge: 1 }),
];
const found = (asked: Parameters<typeof searchHere>[1]) =>
  searchHere(ROWS, asked, '2026-03-02').map(({ number }) => number);

test.each([
  [{}, ['L-21', 'H-11', 'H-12', 'H-13']],
  [{ text: 'h-1' }, ['H-11', 'H-12', 'H-13']],
  [{ text: ' FLOOR ' }, ['L-21']],
  [{ show: 'held' }, ['L-21']],
  [{ show: 'defects' }, ['H-11', 'H-13']],
  [{ show: 'due' }, ['H-13']],
  [{ verdict: 'violation' }, ['H-11']],
  [{ site: 'South yard' }, ['L-21']],
  [{ body: 'Seed hopper', text: '3' }, ['H-13']],
] as const)('of what the device has seen, %j finds %j', (asked, numbers) => expect(found(asked)).toEqual(numbers));
