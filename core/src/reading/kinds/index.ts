import { z } from 'zod';
import type { Part } from '../../catalogue';
import type { Comparison, Kind } from '../kind';
import { airTest } from './air-test';
import { check } from './check';
import { defect } from './defect';
import { drum } from './drum';
import { dual } from './dual';
import { endPlay } from './end-play';
import { guardHeight } from './guard-height';
import { hubOil } from './hub-oil';
import { kingPin } from './king-pin';
import { lining } from './lining';
import { mudFlap } from './mud-flap';
import { ownCheck } from './own-check';
import { pressure } from './pressure';
import { rotor } from './rotor';
import { scribeMarks } from './scribe-marks';
import { slackPull } from './slack-pull';
import { sliderPins } from './slider-pins';
import { strokeApplied } from './stroke-applied';
import { strokeFree } from './stroke-free';
import { tread } from './tread';
import { wheelNuts } from './wheel-nuts';
import { wheelPlay } from './wheel-play';
import { wheelTemperature } from './wheel-temperature';

/** What a step of a route may ask for, in the order of lists and print. */
const ASKED = {
  'stroke-applied': strokeApplied,
  'stroke-free': strokeFree,
  'slack-pull': slackPull,
  'scribe-marks': scribeMarks,
  lining,
  drum,
  rotor,
  tread,
  pressure,
  dual,
  'hub-oil': hubOil,
  'end-play': endPlay,
  'wheel-temperature': wheelTemperature,
  'wheel-nuts': wheelNuts,
  'king-pin': kingPin,
  'slider-pins': sliderPins,
  'mud-flap': mudFlap,
  'guard-height': guardHeight,
  'wheel-play': wheelPlay,
  'air-test': airTest,
  check,
  'own-check': ownCheck,
};

/** The four measured things every axle position is asked for. */
export const MEASURED_KINDS = [
  'stroke-applied',
  'lining',
  'tread',
  'hub-oil',
] as const satisfies (keyof typeof ASKED)[];

/**
 * Every kind of reading. A kind is added here; the compiler then asks for its rule in `judge`, and for its pad in the app.
 * What else there is to know of it – its part, its plausible range, its good example, which the demo and the practice yard
 * show where nobody says more – it tells itself.
 */
export const KINDS = { ...ASKED, defect };

type Kinds = typeof KINDS;
export type ReadingKind = keyof Kinds;
export type StepKind = keyof typeof ASKED;
export type MeasuredKind = (typeof MEASURED_KINDS)[number];
export type ReadingOf<K extends ReadingKind> = z.infer<Kinds[K]['schema']>;
/** One measurement at one place of a unit, as typed. The shapes of the published formats, less the unit it belongs to. */
export type Reading = { [K in ReadingKind]: ReadingOf<K> }[ReadingKind];

export const READING_KINDS = Object.keys(KINDS) as [ReadingKind, ...ReadingKind[]];
export const STEP_KINDS = Object.keys(ASKED) as [StepKind, ...StepKind[]];

export const isReadingKind = (kind: string): kind is ReadingKind => Object.hasOwn(KINDS, kind);
export const isStepKind = (kind: string): kind is StepKind => Object.hasOwn(ASKED, kind);
export const isMeasuredKind = (kind: string): kind is MeasuredKind =>
  (MEASURED_KINDS as readonly string[]).includes(kind);

/** A kind as what it has in common with every other: its functions take any reading, and are only given its own. */
export const kindAs = (kind: ReadingKind): Kind<ReadingKind, z.ZodObject> => KINDS[kind];

type Schemas = [Kinds[ReadingKind]['schema'], ...Kinds[ReadingKind]['schema'][]];
export const readingSchema = z.discriminatedUnion('kind', READING_KINDS.map((kind) => KINDS[kind].schema) as Schemas);

/** What comparing readings is found under, with the kind whose comparison it is. */
const comparisons = new Map(
  READING_KINDS.flatMap((kind) =>
    Object.entries(kindAs(kind).comparisons ?? {}).map(
      ([name, comparison]) => [name, { ...comparison, kind, rests: comparison.rests ?? [kind] }] as const,
    ),
  ),
);
export type Compared = Comparison & { kind: ReadingKind; rests: readonly string[] };
/** The comparison a finding is of; null where it is none. */
export const comparisonOf = (name: string): Compared | null => comparisons.get(name) ?? null;

/** The part a kind of reading, or what it is compared under, is of; null where it is neither. */
export function partRead(name: string): Part | null {
  const kind = isReadingKind(name) ? name : comparisonOf(name)?.kind;
  return kind ? kindAs(kind).part : null;
}
