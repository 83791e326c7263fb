import type { Route } from '../../inspection';
import type { KeptCheck } from '../../limits';
import { debrief, perfectWalk } from './debrief';
import { makeUp } from './make';
import { ownPress } from './own';

const kept = { version: 1, saved: { by: 'Foreman', at: '2026-03-02T12:00:00Z' } };
const AUGER: KeptCheck = {
  ...kept,
  name: 'Auger guard',
  part: 'body',
  at: 'unit',
  good: 'on, with four bolts',
  signs: [
    { sign: 'guard is off', presses: 'hold' },
    { sign: 'a bolt is out', presses: 'next-visit' },
  ],
};
const RIDE: KeptCheck = {
  ...kept,
  name: 'Ride height',
  part: 'suspension',
  at: 'axle',
  good: 'even',
  signs: [],
  figure: { unit: 'in', least: '8.5', most: '9.5', presses: 'before-use' },
};
const CHECKS = [AUGER, RIDE];
const ROUTE: Route = {
  id: 'own',
  name: 'Our walk',
  says: '',
  kinds: ['semitrailer'],
  sections: [
    { id: 'u', name: 'Unit', says: '', at: 'unit', asks: [{ kind: 'own-check', item: 'Auger guard' }] },
    { id: 'a', name: 'Axles', says: '', at: 'axles', asks: [{ kind: 'own-check', item: 'Ride height' }] },
  ],
};
const made = Array.from({ length: 60 }, (_, seed) => makeUp(seed, 2, ROUTE, 'trailer', CHECKS));

test('checks of the shop’s own are hidden in the practice yard, once on the unit and once at each axle', () => {
  const ids = new Set(made.flatMap(({ hidden }) => hidden.map(({ id }) => id)));
  expect(ids).toEqual(
    new Set(['own-check:Auger guard:guard is off', 'own-check:Auger guard:a bolt is out', 'own-check:Ride height']),
  );
  const at = made.flatMap(({ hidden }) =>
    hidden.flatMap(({ id, axle, side }) => (id.includes('Ride') ? [[axle, side]] : [])),
  );
  expect(at.every(([axle, side]) => axle !== null && side === null)).toBe(true);
});

test('whoever walks it as it is has every mark, and holds what the shop’s own check holds', () => {
  for (const each of made) {
    const done = debrief(each, perfectWalk(each));
    expect(done).toMatchObject({ marks: 100, missed: [], invented: [], decidedRight: true });
    if (each.hidden.some(({ id }) => id.endsWith('guard is off'))) expect(done.mayGo).toBe(false);
    if (each.hidden.every(({ id }) => id.endsWith('a bolt is out'))) expect(done.mayGo).toBe(true);
  }
});

test.each([
  ['8.5', null],
  ['8.4', 'before-use'],
  ['9.6', 'before-use'],
])('a ride height of %s presses %s', (value, presses) =>
  expect(ownPress(CHECKS, { kind: 'own-check', check: 'Ride height', axle: 1, found: [], value, unit: 'in' })).toBe(
    presses,
  ),
);
test('of several signs the gravest presses', () =>
  expect(ownPress(CHECKS, { kind: 'own-check', check: 'Auger guard', found: ['a bolt is out', 'guard is off'] })).toBe(
    'hold',
  ));
