import fc from 'fast-check';
import { dayIn } from '../measure';
import { spansOf } from './hours';

const CHICAGO = 'America/Chicago';
const at = (text: string) => new Date(text);
const WEEK = [1, 2, 3, 4, 5, 6, 7];
const hoursOf = ([from, to]: [string, string]) => (Date.parse(to) - Date.parse(from)) / 3_600_000;

test('a week’s hours are spans in the shop’s zone, from the one that still runs', () => {
  const early = [{ days: [1, 2], from: '06:00', to: '14:00' }];
  // A Monday, at eight.
  expect(spansOf(CHICAGO, at('2026-03-02T14:00:00Z'), 7, { hours: early, away: [] })).toEqual([
    ['2026-03-02T12:00:00.000Z', '2026-03-02T20:00:00.000Z'],
    ['2026-03-03T12:00:00.000Z', '2026-03-03T20:00:00.000Z'],
    // The clocks went forward on the eighth.
    ['2026-03-09T11:00:00.000Z', '2026-03-09T19:00:00.000Z'],
  ]);
});

test('a night shift belongs to the day it begins on, and runs over midnight', () => {
  const night = [{ days: [7], from: '22:00', to: '06:00' }];
  const spans = spansOf(CHICAGO, at('2026-03-02T08:00:00Z'), 1, { hours: night, away: [] });
  // It is two in the morning of Monday: Sunday’s shift still runs.
  expect(spans).toEqual([['2026-03-02T04:00:00.000Z', '2026-03-02T12:00:00.000Z']]);
  expect(
    spansOf(CHICAGO, at('2026-03-02T08:00:00Z'), 1, {
      hours: night,
      away: [{ from: '2026-03-01', until: '2026-03-01' }],
    }),
  ).toEqual([]);
});

test('the nights on which clocks change are an hour shorter and longer', () => {
  const night = [{ days: [6], from: '22:00', to: '06:00' }];
  const on = (now: string) => spansOf(CHICAGO, at(now), 1, { hours: night, away: [] }).map(hoursOf);
  expect(on('2026-03-07T18:00:00Z')).toEqual([7]);
  expect(on('2026-10-31T18:00:00Z')).toEqual([9]);
  expect(on('2026-11-07T18:00:00Z')).toEqual([8]);
});

test('a day that is away has no span, and no other day loses one', () => {
  const anyDay = fc
    .integer({ min: 0, max: 13 })
    .map((days) => dayIn(CHICAGO, new Date(Date.UTC(2026, 9, 26 + days, 18))));
  fc.assert(
    fc.property(anyDay, anyDay, (one, other) => {
      const [from, until] = [one, other].sort() as [string, string];
      const week = { hours: [{ days: WEEK, from: '08:00', to: '16:00' }], away: [] };
      const now = at('2026-10-26T06:00:00Z');
      const days = (away: { from: string; until: string }[]) =>
        spansOf(CHICAGO, now, 14, { ...week, away }).map(([begin]) => dayIn(CHICAGO, begin));
      const all = days([]);
      expect(days([{ from, until }])).toEqual(all.filter((day) => day < from || day > until));
    }),
  );
});
