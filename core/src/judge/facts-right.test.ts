import { checkEntry, severityOf } from '../catalogue';
import { ROUTES, routeSteps } from '../inspection/route';
import { BOOKS } from '../limits';
import type { Reading } from '../reading';
import { first } from '../testing/judging';
import { sentences } from '../words';
import { reservoirSays } from './stroke';

const stroke = (reservoir?: string): Reading => ({
  kind: 'stroke-applied',
  axle: 1,
  side: 'left',
  value: '1 1/2 in',
  ...(reservoir ? { reservoir } : {}),
});

test.each([
  [['95 psi'], /^Strokes read at 95 psi in the reservoir: the roadside inspection’s 90 psi to 100 psi\.$/],
  [['85 psi'], /periodic inspection’s 80 psi to 90 psi\.$/],
  [['90 psi'], /periodic inspection’s .*, and the roadside inspection’s/],
  [['85 psi', '95 psi'], /^Strokes read at 85 psi, 95 psi .*periodic.*roadside/],
] as const)('strokes at %j say whose range of pressure that is', (noted, words) => {
  const said = reservoirSays(BOOKS.na, noted.map(stroke));
  expect(sentences(said ? [said] : [])).toMatch(words);
});

test('where no pressure was noted, or no range is meant, nothing is said', () => {
  expect(reservoirSays(BOOKS.na, [stroke()])).toBeNull();
  expect(reservoirSays(BOOKS.na, [stroke('60 psi')])).toBeNull();
  expect(reservoirSays(BOOKS.gb, [stroke('95 psi')])).toBeNull();
});

test.each([
  ['128 psi', undefined, 'shop-limit'],
  ['128 psi', '130 psi', 'within'],
  ['131 psi', '130 psi', 'shop-limit'],
  ['122 psi', '120 psi', 'shop-limit'],
])('a governor that cuts out at %s, by its maker at %s: %s', (cutOut, maker, verdict) =>
  expect(
    first({ kind: 'air-test', test: 'governor', cutIn: '103 psi', cutOut, ...(maker ? { maker } : {}) }).verdict,
  ).toBe(verdict),
);

test('a recapped front tire is law on a bus, and the shop’s own on a tractor', () => {
  const asked = (kind: 'bus' | 'tractor') => {
    const unit = { id: 'u', kind, axles: [{ brake: 's-cam', tyres: 'single', hub: 'oil' }] } as const;
    const steps = ROUTES.filter(({ kinds }) => kinds.includes(kind)).flatMap((route) =>
      routeSteps(route, { ...unit, axles: [...unit.axles] }),
    );
    const items = new Set(steps.flatMap(({ item }) => (item?.endsWith('steer-tyre') ? [item] : [])));
    return [...items].flatMap((item) => checkEntry(item)?.signs.map(({ code }) => severityOf(code, 'na')?.verdict));
  };
  expect(asked('bus')).toEqual(['violation']);
  expect(asked('tractor')).toContain('shop-limit');
});
