import { checkEntry, goodOf } from '.';

const good = (id: string, features = {}) => {
  const entry = checkEntry(id);
  return entry && goodOf(entry, {}, features);
};

test.each([
  ['alternator', { alternator: 'belt' }, 'Belt-driven here'],
  ['compressor', { compressor: 'gear' }, 'Gear-driven here'],
  ['transmission-fluid', { transmission: 'sealed' }, 'Sealed: no level is read'],
  ['extinguisher', { extinguisher: '10 B:C' }, 'This unit carries class 10 B:C'],
  ['air-tanks', { airTanks: 3 }, 'This unit has 3'],
  ['height-known', { height: '13 ft 6 in', grossWeight: '80,000 lb' }, '13 ft 6 in high, 80,000 lb gross'],
  ['load', { payload: '45,000 lb' }, 'Payload 45,000 lb'],
])(
  'what good looks like at %s quotes what is kept of the unit, and nothing where it is not known',
  (id, kept, said) => {
    expect(good(id, kept)).toBe(`${good(id)}. ${said}`);
    expect(good(id)).not.toContain('undefined');
  },
);

test('a policy is quoted as the fleet chose it', () =>
  expect(goodOf(checkEntry('belts') as never, { 'belt-play': '3/4' })).toContain('at most 3/4 in'));
