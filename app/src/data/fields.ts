import { type AirTest, hasBrake, isLeakTest, type Step, type StepKind, wheelEnd } from '@zealous-axle/core';
import { type Draft, type Entry, entryOf } from './draft';

/** Something to type at a step, and with which keys. */
export interface Field {
  id: string;
  label: string;
  keys: 'fraction' | '32nds' | 'decimal' | 'pressure' | 'temperature';
  optional?: boolean;
}

export const DEFAULT_PLACES = 3;
export const DEFAULT_GROOVES = 3;

const value = (label: string, keys: Field['keys']): Field => ({ id: 'value', label, keys });
const optional = (id: string, label: string, keys: Field['keys']): Field => ({ id, label, keys, optional: true });

const DRUM_POINTS = [
  'Upper shoe, outer end',
  'Upper shoe, inner end',
  'Lower shoe, outer end',
  'Lower shoe, inner end',
];
const DISC_POINTS = ['Outer pad', 'Inner pad'];

function liningFields(draft: Draft, step: Step, { note }: Entry): Field[] {
  if (!note.several) return [value('Thinnest point', 'fraction')];
  const end = step.axle && step.side ? wheelEnd(draft.unit, step.axle, step.side) : null;
  const points = end && hasBrake(end) && end.brake.endsWith('disc') ? DISC_POINTS : DRUM_POINTS;
  return points.map((label, index) => ({ id: `p${index}`, label, keys: 'fraction' }));
}

/** The id of a groove's field: place and groove, from 0. */
export const grooveField = (place: number, groove: number): string => `g${place}-${groove}`;

function treadFields({ note }: Entry): Field[] {
  if (!note.several) return [value('Smallest groove', '32nds')];
  const grooves = note.grooves ?? DEFAULT_GROOVES;
  return Array.from({ length: (note.places ?? DEFAULT_PLACES) * grooves }, (_, index) => ({
    id: grooveField(Math.floor(index / grooves), index % grooves),
    label: `Place ${Math.floor(index / grooves) + 1}, groove ${(index % grooves) + 1}`,
    keys: '32nds' as const,
  }));
}

function airFields(test: AirTest): Field[] {
  if (isLeakTest(test))
    return [
      { id: 'start', label: 'At the start', keys: 'pressure' },
      { id: 'end', label: 'At the end', keys: 'pressure' },
    ];
  if (test === 'governor')
    return [
      { id: 'cutOut', label: 'Cuts out at', keys: 'pressure' },
      { id: 'cutIn', label: 'Cuts in at', keys: 'pressure' },
    ];
  if (test === 'build-up') return [];
  if (test === 'low-air') return [value('Warning came at', 'pressure'), optional('cutOut', 'Cut-out', 'pressure')];
  return [value('Valves popped at', 'pressure')];
}

const FIELDS: Partial<Record<StepKind, (draft: Draft, step: Step, entry: Entry) => Field[]>> = {
  'stroke-applied': (_, __, { note }) =>
    note.method === 'pin-distance'
      ? [
          { id: 'released', label: 'Face to pin, released', keys: 'fraction' },
          { id: 'applied', label: 'Face to pin, applied', keys: 'fraction' },
        ]
      : [value('Stroke', 'fraction')],
  'stroke-free': () => [value('Free stroke', 'fraction')],
  lining: liningFields,
  drum: () => [value('Diameter', 'decimal'), optional('marked', 'Discard, as marked', 'decimal')],
  rotor: () => [value('Thickness', 'decimal'), optional('marked', 'Discard, as marked', 'decimal')],
  tread: (_, __, entry) => treadFields(entry),
  pressure: (_, __, { note }) => [
    value('Pressure', 'pressure'),
    { id: 'target', label: 'Target, cold', keys: 'pressure', optional: true },
    optional('sidewallMax', 'Sidewall maximum', 'pressure'),
    ...(note.hot
      ? [
          optional('temperature', 'Temperature now', 'temperature'),
          optional('coldTemperature', 'Cold is', 'temperature'),
        ]
      : []),
  ],
  dual: (_, __, { note }) =>
    note.size
      ? [
          { id: 'inner', label: 'Diameter, inner', keys: 'fraction' },
          { id: 'outer', label: 'Diameter, outer', keys: 'fraction' },
        ]
      : [],
  'end-play': () => [value('End play', 'decimal')],
  'king-pin': () => [
    { id: 'pin0', label: 'Pin, lengthwise', keys: 'decimal' },
    { id: 'pin1', label: 'Pin, crosswise', keys: 'decimal' },
    optional('collar0', 'Collar, lengthwise', 'decimal'),
    optional('collar1', 'Collar, crosswise', 'decimal'),
  ],
  'mud-flap': () => [value('Ground to flap', 'fraction')],
  'air-test': (_, { item }) => airFields(item as AirTest),
};

/** What is typed at a step now, in order. */
export const fieldsOf = (draft: Draft, step: Step): Field[] =>
  FIELDS[step.kind]?.(draft, step, entryOf(draft, step)) ?? [];

/** What stands in a field: typed here, or carried along from the step before. */
export const textOf = (draft: Draft, step: Step, field: string): string =>
  entryOf(draft, step).texts[field] ?? draft.carried.texts?.[field] ?? '';

/** The field being typed into: the chosen one, else the first needed one that is empty, else the first. */
export function currentField(draft: Draft, step: Step): Field | null {
  const fields = fieldsOf(draft, step);
  const chosen = fields.find(({ id }) => id === entryOf(draft, step).field);
  return chosen ?? fields.find(({ id, optional: may }) => !may && textOf(draft, step, id) === '') ?? fields[0] ?? null;
}

/** The next needed field that is empty after the current one; null when none is. */
export function nextEmptyField(draft: Draft, step: Step): Field | null {
  const fields = fieldsOf(draft, step);
  const at = fields.findIndex(({ id }) => id === currentField(draft, step)?.id);
  const order = [...fields.slice(at + 1), ...fields.slice(0, at)];
  return order.find(({ id, optional: may }) => !may && textOf(draft, step, id) === '') ?? null;
}
