import { withText } from '@zealous-axle/core';
import { begun } from '../../testing/inspection';
import { asksChocks, asksChocksOut } from './chocks';
import { composed } from './compose';

const at = (kind: 'stroke-applied' | 'lining' | 'slack-pull') => ({ kind, axle: 1, side: 'left', tyre: null }) as const;

test('chocks are asked for once, before the first brake is let go, and are kept with what is then read', () => {
  const [stroke, lining] = [at('stroke-applied'), at('lining')];
  const draft = begun({ steps: [stroke, lining], reservoir: '95' });
  expect([asksChocks(draft, stroke), asksChocks(draft, lining), asksChocks(draft, at('slack-pull'))]).toEqual([
    true,
    false,
    true,
  ]);
  const chocked = { ...draft, chocked: true as const };
  expect(asksChocks(chocked, stroke)).toBe(false);
  expect(composed(withText(chocked, stroke, 'value', '1 3/4'), stroke)).toMatchObject({ value: { chocked: true } });
  expect(composed(withText(draft, stroke, 'value', '1 3/4'), stroke)).not.toMatchObject({ value: { chocked: true } });
});

test('of the air tests only the one with the brakes released asks for them', () => {
  const air = (item: string) => ({ kind: 'air-test', axle: null, side: null, tyre: null, item }) as const;
  const draft = begun({ steps: [air('leak-released')] });
  expect(asksChocks(draft, air('leak-released'))).toBe(true);
  expect(asksChocks(draft, air('leak-applied'))).toBe(false);
});

test('before it is moved the chocks come out, once; a brake let go after that asks for them again', () => {
  const look = (item: string) => ({ kind: 'check', item, axle: null, side: null, tyre: null }) as const;
  const draft = begun({ steps: [look('roll'), look('listen'), at('stroke-applied')] });
  expect(['roll', 'parking-brake', 'listen'].map((item) => asksChocksOut(draft, look(item)))).toEqual([
    true,
    true,
    false,
  ]);
  expect(asksChocksOut({ ...draft, chocked: true }, look('roll'))).toBe(true);
  const out = { ...draft, chocked: false };
  expect([asksChocksOut(out, look('roll')), asksChocks(out, at('stroke-applied'))]).toEqual([false, true]);
  expect(asksChocksOut({ ...draft, closed: true }, look('roll'))).toBe(false);
});

test('who corrects a closed inspection measures nothing, and is not asked', () => {
  const draft = begun({ steps: [at('stroke-applied')], closed: true });
  expect(asksChocks(draft, at('stroke-applied'))).toBe(false);
});
