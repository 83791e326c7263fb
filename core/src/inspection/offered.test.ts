import { CATALOGUE } from '../catalogue';
import { type Axle, BRAKE_KINDS, UNIT_KINDS, type Unit, type UnitKind } from '../trailer';
import { codesOffered } from './offered';

const axle: Axle = { brake: 's-cam', tyres: 'dual', hub: 'oil', suspension: 'air' };
const unit = (kind: UnitKind, more: Partial<Unit> = {}): Unit => ({ id: 'u', kind, axles: [axle, axle], ...more });
const LEFT = { axle: 1, side: 'left' } as const;
const codes = (of: Unit, at: typeof LEFT | null = null) => codesOffered(of, at).map(({ code }) => code);

test('a trailer has no engine bay, no steering and no passengers; a bus has them, and no kingpin', () => {
  const trailer = codesOffered(unit('semitrailer'), null).map(({ part }) => part);
  for (const part of ['engine', 'steering', 'bus']) expect(trailer).not.toContain(part);
  expect(codes(unit('semitrailer'))).toEqual(expect.arrayContaining(['king-pin-worn', 'landing-gear', 'load-loose']));
  expect(codes(unit('bus'))).toEqual(expect.arrayContaining(['steering-play', 'bus-door', 'exit-blocked']));
  expect(codes(unit('bus'))).not.toContain('king-pin-worn');
});

test('a dolly has a drawbar and chains, a full trailer a turntable and no kingpin', () => {
  for (const kind of ['dolly', 'full-trailer'] as const)
    expect(codes(unit(kind))).toEqual(expect.arrayContaining(['drawbar-eye', 'safety-chain']));
  expect(codes(unit('full-trailer'))).toContain('turntable');
  expect(codes(unit('full-trailer'))).not.toContain('king-pin-worn');
});

test('air suspension has no leaves, a drum no caliper, a disc no drum', () => {
  expect(codes(unit('semitrailer'), LEFT)).not.toContain('leaf-broken');
  expect(codes(unit('semitrailer'), LEFT)).not.toContain('caliper-seized');
  const sprung = unit('semitrailer', { axles: [{ ...axle, suspension: 'spring', brake: 'air-disc' }] });
  expect(codes(sprung, LEFT)).toEqual(expect.arrayContaining(['leaf-broken', 'caliper-seized']));
});

test('what a unit is known to lack is not offered, and what nobody knows of is', () => {
  expect(codes(unit('semitrailer'))).toContain('lift-gate-latch');
  expect(codes(unit('semitrailer', { features: { liftGate: false } }))).not.toContain('lift-gate-latch');
  expect(codes(unit('semitrailer', { features: { abs: false } }))).not.toContain('abs-lamp-on');
});

test('that somebody is not sure, or sees something else, may be said of every unit', () => {
  for (const kind of UNIT_KINDS)
    for (const brake of BRAKE_KINDS)
      for (const at of [LEFT, null]) {
        const of = unit(kind, { axles: [{ ...axle, brake }] });
        const vague = CATALOGUE.filter(
          ({ code, where }) => /^(unsure|other)/.test(code) && (where === 'unit') === (at === null),
        );
        expect(codes(of, at)).toEqual(expect.arrayContaining(vague.map(({ code }) => code)));
      }
});
