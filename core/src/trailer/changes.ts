import { z } from 'zod';
import { SEEN_BY } from './correct';
import {
  type Chamber,
  chamberWords,
  MAKER_READINGS,
  type MakerLimit,
  SIDES,
  type Side,
  type WheelEnd,
  wheelEnds,
} from './gear';
import type { UnitForm } from './unit-form';

/** Facts of an axle end that are kept, apart from makers' limits. */
const END_FACTS = [
  'brake',
  'chamber',
  'adjuster',
  'tyres',
  'hub',
  'liningStyle',
  'suspension',
  'slack',
  'tyreSize',
  'target',
  'sidewallMax',
  'steer',
  'lift',
] as const;
const MAKER_FACTS = MAKER_READINGS.map((reading) => `maker.${reading}` as const);
const FEATURE_FACTS = [
  'book',
  'coupling',
  'abs',
  'autoInflation',
  'doors',
  'liftGate',
  'refrigeration',
  'yearBuilt',
  'grossWeight',
  'payload',
  'height',
  'width',
  'extinguisher',
  'airTanks',
  'alternator',
  'waterPump',
  'compressor',
  'steeringPump',
  'transmission',
  'cutOut',
] as const;
const UNIT_FACTS = ['number', 'body', 'kind', 'site', 'axles', 'state', 'fitted', 'renewed'] as const;
export const FACTS = [...END_FACTS, ...MAKER_FACTS, ...FEATURE_FACTS, ...UNIT_FACTS] as const;
export type Fact = (typeof FACTS)[number];

export const factChangeSchema = z.strictObject({
  fact: z.enum(FACTS),
  /** Where: the whole unit, an axle, or one end of it. */
  axle: z.int().nullable(),
  side: z.enum(SIDES).nullable(),
  /** What it was and what it is now, in words; null is not known, or none. */
  from: z.string().nullable(),
  to: z.string().nullable(),
});
export type FactChange = z.infer<typeof factChangeSchema>;

export const unitChangeSchema = z.strictObject({
  id: z.string(),
  at: z.string(),
  by: z.string(),
  facts: z.array(factChangeSchema),
  seen: z.enum(SEEN_BY).nullable(),
  reason: z.string(),
  photos: z.array(z.string()),
});
/** An act that changed what is kept of a unit: who, when, why, what it was seen by. `at` is an instant. */
export type UnitChange = z.infer<typeof unitChangeSchema>;

/** The key under which a photo is of a change. */
export const changePhotoKey = (change: string): string => `change:${change}`;

type Facts = Pick<UnitForm, 'number' | 'body' | 'kind' | 'site' | 'axles' | 'features'>;

function valueWords(value: unknown): string | null {
  if (value === undefined || value === null || value === '') return null;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return String(value);
}

const chamberText = (chamber: Chamber | null | undefined): string | null => (chamber ? chamberWords(chamber) : null);
const limitText = (limit: MakerLimit | undefined): string | null => (limit ? `${limit.value} (${limit.source})` : null);

function endText(end: WheelEnd, fact: (typeof END_FACTS)[number] | (typeof MAKER_FACTS)[number]): string | null {
  if (fact === 'chamber') return chamberText(end.chamber);
  if (fact.startsWith('maker.')) return limitText(end.maker?.[fact.slice(6) as keyof NonNullable<WheelEnd['maker']>]);
  return valueWords(end[fact as keyof WheelEnd]);
}

const endsOf = (form: Facts): WheelEnd[] => wheelEnds({ id: '', kind: form.kind, axles: form.axles });

/** What differs at the ends of an axle; where both differ alike it is said of the axle. */
function axleChanges(before: readonly WheelEnd[], after: readonly WheelEnd[], axle: number): FactChange[] {
  const at = (ends: readonly WheelEnd[], side: Side) => ends.find((end) => end.axle === axle && end.side === side);
  return [...END_FACTS, ...MAKER_FACTS].flatMap((fact) => {
    const changes = SIDES.flatMap((side): FactChange[] => {
      const [was, is] = [at(before, side), at(after, side)];
      if (!was || !is) return [];
      const [from, to] = [endText(was, fact), endText(is, fact)];
      return from === to ? [] : [{ fact, axle, side, from, to }];
    });
    const [left, right] = changes;
    const alike = left && right && left.from === right.from && left.to === right.to;
    return alike ? [{ ...left, side: null }] : changes;
  });
}

/** Every fact that two states of a unit differ in, in words. */
export function changedFacts(before: Facts, after: Facts): FactChange[] {
  const whole = (fact: Fact, from: unknown, to: unknown): FactChange[] => {
    const [was, is] = [valueWords(from), valueWords(to)];
    return was === is ? [] : [{ fact, axle: null, side: null, from: was, to: is }];
  };
  const [was, is] = [endsOf(before), endsOf(after)];
  const axles = Math.min(before.axles.length, after.axles.length);
  return [
    ...(['number', 'body', 'kind', 'site'] as const).flatMap((fact) => whole(fact, before[fact], after[fact])),
    ...whole('axles', before.axles.length, after.axles.length),
    ...FEATURE_FACTS.flatMap((fact) => whole(fact, before.features[fact], after.features[fact])),
    ...Array.from({ length: axles }, (_, index) => axleChanges(was, is, index + 1)).flat(),
  ];
}

const JUDGED: ReadonlySet<Fact> = new Set<Fact>([...END_FACTS, ...MAKER_FACTS, 'book', 'kind', 'axles', 'yearBuilt']);

/** Whether something is judged by one of these facts. */
export const isJudgedBy = (facts: readonly FactChange[]): boolean => facts.some(({ fact }) => JUDGED.has(fact));

const FACT_WORDS: Record<Fact, string> = {
  brake: 'Brake',
  chamber: 'Chamber',
  adjuster: 'Adjuster',
  tyres: 'Tires',
  hub: 'Hub',
  liningStyle: 'Lining',
  suspension: 'Suspension',
  slack: 'Slack adjuster length',
  tyreSize: 'Tire size',
  target: 'Cold pressure',
  sidewallMax: 'Sidewall maximum',
  steer: 'Steered',
  lift: 'Lift axle',
  'maker.stroke-applied': 'Maker’s limit of applied stroke',
  'maker.lining': 'Maker’s limit of lining',
  'maker.drum': 'Maker’s limit of the drum',
  'maker.rotor': 'Maker’s limit of the rotor',
  'maker.tread': 'Maker’s limit of tread',
  book: 'Limit book',
  coupling: 'Coupling',
  abs: 'ABS',
  autoInflation: 'Automatic tire inflation',
  doors: 'Doors',
  liftGate: 'Liftgate',
  refrigeration: 'Reefer unit',
  yearBuilt: 'Year built',
  grossWeight: 'Gross weight rating',
  payload: 'Payload',
  height: 'Height',
  width: 'Width',
  extinguisher: 'Extinguisher class',
  airTanks: 'Air tanks',
  alternator: 'Alternator driven by',
  waterPump: 'Water pump driven by',
  compressor: 'Air compressor driven by',
  steeringPump: 'Steering pump driven by',
  transmission: 'Transmission fluid checked by',
  cutOut: 'Governor cut-out, maker’s',
  number: 'Number',
  body: 'Body',
  kind: 'Kind',
  site: 'Where it stands',
  axles: 'Axles',
  state: 'In use',
  fitted: 'Fitted',
  renewed: 'Renewed',
};

const placeOf = ({ axle, side }: FactChange): string =>
  axle && side ? `${axle}${side === 'left' ? 'L' : 'R'} ` : axle ? `Axle ${axle} ` : '';

/** A change in words: `1L Chamber: 30 clamp chamber, now 30 long stroke clamp chamber`. */
export function changeWords(change: FactChange): string {
  if (change.fact === 'fitted') return change.to ? `${change.to}: fitted` : `${change.from}: not fitted`;
  if (change.fact === 'renewed') return `${placeOf(change)}${change.to}: found renewed`;
  return `${placeOf(change)}${FACT_WORDS[change.fact]}: ${change.from ?? 'not known'}, now ${change.to ?? 'not known'}`;
}
