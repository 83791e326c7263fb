import { type AirTest, isAirTest, isLeakTest, type Limited, type Step } from '@zealous-axle/core';
import { AirPad } from '../pads/AirPad';
import { field, type KindPad, optionalField, type PadField, pick, valueField } from './kind';

const HOW: Record<AirTest, string> = {
  'leak-released': 'Engine off, brakes released, full pressure. Read the gauge, start the clock, read it again.',
  'leak-applied':
    'Engine off, full application held. After the first drop read the gauge, start the clock, read it again.',
  'low-air': 'Engine off, ignition on: pump the brake down slowly until the warning comes.',
  'spring-brake': 'Pump further down until the valves pop out and the spring brakes set.',
  governor: 'Engine running: note where the compressor stops, pump down, note where it starts again.',
  'build-up': 'Engine at working speed: start the clock at 85 psi, stop it at 100.',
  'suspension-leak': 'Air suspension charged, engine off: over five minutes.',
};

const FIELDS: Record<AirTest, readonly PadField[]> = {
  'leak-released': [field('start', 'At the start', 'pressure'), field('end', 'At the end', 'pressure')],
  'leak-applied': [field('start', 'At the start', 'pressure'), field('end', 'At the end', 'pressure')],
  'suspension-leak': [field('start', 'At the start', 'pressure'), field('end', 'At the end', 'pressure')],
  governor: [field('cutOut', 'Cuts out at', 'pressure'), field('cutIn', 'Cuts in at', 'pressure')],
  'build-up': [],
  'low-air': [valueField('Warning came at', 'pressure'), optionalField('cutOut', 'Cut-out', 'pressure')],
  'spring-brake': [valueField('Valves popped at', 'pressure')],
};

const testOf = ({ item = '' }: Step): AirTest | null => (isAirTest(item) ? item : null);

const body: KindPad['body'] = ({ draft, step, entry: { note } }, texts) => {
  const test = testOf(step);
  if (!test) return null;
  const vehicles = note.vehicles ?? draft.carried.vehicles ?? 'single';
  if (isLeakTest(test))
    return texts.start && texts.end && note.seconds
      ? { test, start: texts.start, end: texts.end, seconds: note.seconds, vehicles }
      : null;
  if (test === 'build-up') return note.seconds ? { test, seconds: note.seconds } : null;
  const given = pick(texts, 'value', 'cutIn', 'cutOut');
  const needed = test === 'governor' ? Object.keys(given).length > 0 : texts.value !== undefined;
  const maker = test === 'governor' ? draft.unit.features?.cutOut : undefined;
  return needed ? { test, ...given, ...(maker ? { maker } : {}) } : null;
};

export const airTest: KindPad = {
  how: (step) => HOW[testOf(step) ?? 'leak-released'],
  fields: ({ step }) => [...(FIELDS[testOf(step) ?? 'build-up'] ?? [])],
  body,
  limited: ({ draft, step, entry: { note } }) => {
    const test = testOf(step);
    if (!test || test === 'governor') return null;
    const vehicles = note.vehicles ?? draft.carried.vehicles ?? 'single';
    return { reading: test as Limited, asking: isLeakTest(test) ? { vehicles } : {} };
  },
  unruled: true,
  carry: ({ entry: { note } }) => (note.vehicles ? { vehicles: note.vehicles } : {}),
  Pad: AirPad,
};
