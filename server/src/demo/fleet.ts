import type { Axle, Features, PersonWork, Role, Shift, UnitKind } from '@zealous-axle/core';

/** The made-up growers' cooperative: people, bays and units. */
export const FLEET = {
  id: '01900000-0000-7000-8000-00000000f1ee',
  slug: 'lowmarsh',
  name: 'Low Marsh Growers',
  zone: 'America/Chicago',
  book: 'na',
} as const;

export const DEMO_PASSWORD = 'walk-round';

const WEEK = [1, 2, 3, 4, 5];
const EARLY: Shift[] = [{ days: WEEK, from: '06:00', to: '14:00' }];
const LATE: Shift[] = [{ days: WEEK, from: '14:00', to: '22:00' }];
const SATURDAY: Shift = { days: [6], from: '06:00', to: '12:00' };

interface DemoWork {
  skills: string[];
  /** Each paper, and for how many days from now it stands: less than none where it has expired. */
  holds?: Record<string, number>;
  shifts: Shift[];
}

export const PEOPLE: readonly { signIn: string; name: string; role: Role; work?: DemoWork }[] = [
  { signIn: 'driver', name: 'Ines Dorval', role: 'driver' },
  {
    signIn: 'technician',
    name: 'Tomas Rask',
    role: 'technician',
    work: {
      skills: ['brakes', 'inspector'],
      holds: { 'Brake inspector': 410, 'Periodic inspector': 240 },
      shifts: [...EARLY, SATURDAY],
    },
  },
  { signIn: 'foreman', name: 'Berit Holloway', role: 'foreman' },
  { signIn: 'manager', name: 'Amadi Thorne', role: 'manager' },
  { signIn: 'pell', name: 'Pell Arkwright', role: 'driver' },
  { signIn: 'sunniva', name: 'Sunniva Moss', role: 'driver' },
  { signIn: 'corin', name: 'Corin Vale', role: 'driver' },
  { signIn: 'oda', name: 'Oda Fenn', role: 'driver' },
  {
    signIn: 'wyn',
    name: 'Wyn Castellan',
    role: 'technician',
    work: { skills: ['brakes', 'suspension'], holds: { 'Brake inspector': -12 }, shifts: LATE },
  },
  { signIn: 'marta', name: 'Marta Quill', role: 'technician', work: { skills: ['tyres'], shifts: EARLY } },
  {
    signIn: 'jory',
    name: 'Jory Lund',
    role: 'technician',
    work: { skills: ['electrical', 'air'], holds: { 'Refrigerant handler': 95 }, shifts: [...EARLY, SATURDAY] },
  },
  {
    signIn: 'edda',
    name: 'Edda Sorrel',
    role: 'technician',
    work: { skills: ['welding', 'body'], holds: { Welder: 150 }, shifts: LATE },
  },
  { signIn: 'hale', name: 'Hale Oyelaran', role: 'foreman' },
];

/** What a demo person can do, with its papers' days counted from today. */
export const workOf = ({ skills, holds = {}, shifts }: DemoWork, dayAhead: (days: number) => string): PersonWork => ({
  skills,
  qualifications: Object.entries(holds).map(([name, days]) => ({ name, until: dayAhead(days) })),
  shifts,
  away: [],
});

/** What its tyres ask for. */
const TYRE = { tyreSize: '11R22.5', target: '100 psi', sidewallMax: '120 psi' } as const;

const air = (change: Partial<Axle> = {}): Axle => ({
  brake: 's-cam',
  chamber: { type: 'clamp', size: '30', stroke: 'standard' },
  adjuster: 'automatic',
  tyres: 'dual',
  hub: 'oil',
  ...TYRE,
  ...change,
});
const long = (change: Partial<Axle> = {}) => air({ chamber: { type: 'clamp', size: '30', stroke: 'long' }, ...change });
const disc = () =>
  air({ brake: 'air-disc', chamber: { type: 'clamp', size: '24', stroke: 'long' }, tyres: 'dual', hub: 'sealed' });
const low = () =>
  air({ chamber: { type: 'clamp', size: '16', stroke: 'standard' }, hub: 'grease', suspension: 'spring' });

const tractorAxles = (): Axle[] => [
  air({
    chamber: { type: 'clamp', size: '20', stroke: 'standard' },
    tyres: 'single',
    steer: true,
    liningStyle: 'pads',
  }),
  air({ steer: false, hub: 'grease' }),
];

/** What a body is built on. */
export interface Body {
  body: string;
  kind: UnitKind;
  axles: () => Axle[];
}

/** What each kind of unit has beside its running gear. */
const FEATURES: Record<UnitKind, Features> = {
  semitrailer: {
    coupling: 'king-pin',
    abs: true,
    autoInflation: false,
    height: '13 ft 6 in',
    width: '102 in',
    grossWeight: '68,000 lb',
    airTanks: 2,
  },
  'full-trailer': { coupling: 'drawbar', abs: true, autoInflation: false, doors: 'none' },
  dolly: { coupling: 'fifth-wheel' },
  tractor: {
    coupling: 'fifth-wheel',
    abs: true,
    height: '11 ft 2 in',
    grossWeight: '50,000 lb',
    airTanks: 3,
    extinguisher: '10 B:C',
    alternator: 'belt',
    waterPump: 'belt',
    compressor: 'gear',
    steeringPump: 'gear',
    transmission: 'stick',
  },
  truck: { abs: true, doors: 'roll', liftGate: true },
  bus: { abs: true },
};

export const BODIES = {
  hopper: { body: 'Seed hopper', kind: 'semitrailer', axles: () => [air(), air()] },
  liveFloor: {
    body: 'Live-floor, chips',
    kind: 'semitrailer',
    axles: () => [long({ lift: true, tyres: 'single' }), long(), long()],
  },
  refrigerated: { body: 'Refrigerated, roots', kind: 'semitrailer', axles: () => [disc(), disc()] },
  dropDeck: { body: 'Drop-deck', kind: 'semitrailer', axles: () => [low(), low(), low()] },
  dolly: { body: 'Dolly', kind: 'dolly', axles: () => [air({ adjuster: 'manual' })] },
  truck: { body: 'Straight truck, feed', kind: 'truck', axles: tractorAxles },
  bus: { body: 'Pickers’ bus', kind: 'bus', axles: tractorAxles },
  rackTrailer: { body: 'Rack trailer', kind: 'full-trailer', axles: () => [air(), air()] },
  yardTractor: { body: 'Yard tractor', kind: 'tractor', axles: tractorAxles },
} as const satisfies Record<string, Body>;

export interface DemoUnit {
  number: string;
  body: string;
  kind: UnitKind;
  site: string;
  axles: Axle[];
  features: Features;
}

const several = (numbers: readonly string[], { body, kind, axles }: Body, site: string) =>
  numbers.map((number): DemoUnit => ({ number, body, kind, site, axles: axles(), features: FEATURES[kind] }));

const cooled = (unit: DemoUnit): DemoUnit => ({ ...unit, features: { ...unit.features, refrigeration: true } });

export const UNITS: readonly DemoUnit[] = [
  ...several(['H-11', 'H-12', 'H-13', 'H-14'], BODIES.hopper, 'Low Marsh'),
  ...several(['L-21', 'L-22', 'L-23', 'L-24'], BODIES.liveFloor, 'Chip wharf'),
  ...several(['R-31', 'R-32', 'R-33'], BODIES.refrigerated, 'Low Marsh').map(cooled),
  ...several(['D-41', 'D-42'], BODIES.dropDeck, 'Upper Fold'),
  ...several(['J-51'], BODIES.dolly, 'Low Marsh'),
  ...several(['Y-1', 'Y-2'], BODIES.yardTractor, 'Chip wharf'),
  ...several(['S-61'], BODIES.truck, 'Upper Fold'),
  ...several(['T-71'], BODIES.bus, 'Low Marsh'),
  ...several(['W-81'], BODIES.rackTrailer, 'Low Marsh'),
  ...several(['G-91'], BODIES.liveFloor, 'Over the water').map((each) => ({
    ...each,
    features: { ...each.features, book: 'gb' as const, yearBuilt: 2012 },
  })),
];

/** What stands before the shop, or leaves it soon. */
export const SHOP_UNITS: readonly DemoUnit[] = [
  ...several(['H-15', 'H-16', 'H-17', 'H-18'], BODIES.hopper, 'Low Marsh'),
  ...several(['L-25', 'L-26', 'L-27'], BODIES.liveFloor, 'Chip wharf'),
  ...several(['R-34', 'R-35'], BODIES.refrigerated, 'Low Marsh').map(cooled),
  ...several(['D-43'], BODIES.dropDeck, 'Upper Fold'),
];
