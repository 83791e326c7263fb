import { parse, TYPE } from '@formatjs/icu-messageformat-parser';
import fc from 'fast-check';
import { inBoth, METRIC_UNITS } from '../measure';
import { type Arg, asWritten, figure, listed, type Said, said, saidSchema } from '../said';
import { sentences } from '.';
import EN_US from './en-US.json';

/** The arguments a message asks for, and of each the words it chooses by, or that it is a count. */
function asksFor(message: string): Map<string, string[] | 'count'> {
  const found = new Map<string, string[] | 'count'>();
  const visit = (elements: ReturnType<typeof parse>): void => {
    for (const each of elements) {
      if (each.type === TYPE.argument) found.set(each.value, found.get(each.value) ?? []);
      if (each.type === TYPE.plural) found.set(each.value, 'count');
      if (each.type !== TYPE.select) continue;
      found.set(each.value, [...(found.get(each.value) ?? []), ...Object.keys(each.options)]);
      for (const { value } of Object.values(each.options)) visit(value);
    }
  };
  visit(parse(message));
  return found;
}

const MESSAGES = Object.entries(EN_US as Record<string, string>);
test('every code with any arguments is a sentence or a clause: whole, without a gap', () => {
  const plain: fc.Arbitrary<Arg> = fc.oneof(
    fc.integer({ min: 0, max: 500 }),
    fc.constantFrom('Coupling', '4, 5', '3/4'),
    fc.constantFrom('2 1/8 in', '95 psi', '12 mm').map(figure),
    fc.constant(said('pressure-low')),
    fc.constant(listed([said('hub-level'), said('hub-leaks')], 'semicolon')),
  );
  for (const [code, message] of MESSAGES) {
    const args = [...asksFor(message)].map(([name, words]) => {
      if (words === 'count') return [name, fc.integer({ min: 0, max: 500 })];
      return [name, words.length ? fc.oneof(fc.constantFrom(...words), plain) : plain];
    });
    fc.assert(
      fc.property(fc.record(Object.fromEntries(args) as Record<string, fc.Arbitrary<Arg>>), (given) => {
        const words = sentences([{ code, args: given }]);
        expect(words).not.toMatch(/undefined|[{}]| {2}|\[object/);
        expect(words.trim()).toBe(words);
        expect(words.length).toBeGreaterThan(0);
      }),
      { numRuns: 20 },
    );
  }
});

test('a sentence begins large and ends; a list stands in its place', () => {
  const parts = listed([said('hub-level'), said('hub-leaks')], 'semicolon');
  expect(sentences([said('sentence', { said: parts })])).toBe(
    'The level was not noted: look through the glass; leaks were not looked at: look round the hub and inside of the wheel.',
  );
});

test('a quantity is shown as whoever reads it asks, and never read out of the words', () => {
  const sum: Said = said('pressure-rose', { by: figure('5 psi') });
  expect(sentences([sum], { shown: (text) => inBoth(text, METRIC_UNITS) })).toBe(
    'The pressure rose by 0.34 bar (5 psi): is the engine off?',
  );
  const note = asWritten('Source says 5 psi.');
  expect(sentences([note], { shown: () => 'changed' })).toBe('Source says 5 psi.');
});

test('what was kept before there were codes keeps its words; a code of a newer program is named', () => {
  expect(sentences([asWritten('Past its limit.'), { code: 'made-later' }])).toBe('Past its limit. made-later');
});

test('what is said goes over the wire and comes back the same', () => {
  const whole = said('but-open', {
    sum: said('compared', {
      measured: figure('2 in'),
      is: 'atMost',
      limit: figure('2 in'),
      spare: 'none',
      apart: figure('0 in'),
    }),
    open: said('pressure-low'),
    again: said('measure-again-at', { from: figure('90 psi'), to: figure('100 psi') }),
  });
  expect(saidSchema.parse(JSON.parse(JSON.stringify(whole)))).toEqual(whole);
  expect(saidSchema.safeParse({ code: 'sentence', args: { said: { list: [], by: 'nothing' } } }).success).toBe(false);
});
