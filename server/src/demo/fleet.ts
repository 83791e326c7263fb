import type { Axle, Role, UnitKind } from '@zealous-axle/core';

/** The made-up growers' cooperative: people, bays and units. */
export const FLEET = {
  id: '01900000-0000-7000-8000-00000000f1ee',
  slug: 'lowmarsh',
  name: 'Low Marsh Growers',
  zone: 'America/Chicago',
  book: 'na',
} as const;

export const DEMO_PASSWORD = 'walk-round';

export const PEOPLE: readonly { signIn: string; name: string; role: Role }[] = [
  { signIn: 'driver', name: 'Ines Dorval', role: 'driver' },
  { signIn: 'technician', name: 'Tomas Rask', role: 'technician' },
  { signIn: 'foreman', name: 'Berit Holloway', role: 'foreman' },
  { signIn: 'manager', name: 'Amadi Thorne', role: 'manager' },
  { signIn: 'pell', name: 'Pell Arkwright', role: 'driver' },
  { signIn: 'sunniva', name: 'Sunniva Moss', role: 'driver' },
  { signIn: 'corin', name: 'Corin Vale', role: 'driver' },
  { signIn: 'oda', name: 'Oda Fenn', role: 'driver' },
  { signIn: 'wyn', name: 'Wyn Castellan', role: 'technician' },
  { signIn: 'marta', name: 'Marta Quill', role: 'technician' },
  { signIn: 'jory', name: 'Jory Lund', role: 'technician' },
  { signIn: 'hale', name: 'Hale Oyelaran', role: 'foreman' },
];

export const BAYS = ['Bay 1 – lift', 'Bay 2 – lift', 'Bay 3 – long', 'Wash and yard'] as const;

const air = (change: Partial<Axle> = {}): Axle => ({
  brake: 's-cam',
  chamber: { type: 'clamp', size: '30', stroke: 'standard' },
  adjuster: 'automatic',
  tyres: 'dual',
  hub: 'oil',
  ...change,
});
const long = (change: Partial<Axle> = {}) => air({ chamber: { type: 'clamp', size: '30', stroke: 'long' }, ...change });
const disc = () =>
  air({ brake: 'air-disc', chamber: { type: 'clamp', size: '24', stroke: 'long' }, tyres: 'dual', hub: 'sealed' });
const low = () => air({ chamber: { type: 'clamp', size: '16', stroke: 'standard' }, hub: 'grease' });

const tractorAxles = (): Axle[] => [
  air({
    chamber: { type: 'clamp', size: '20', stroke: 'standard' },
    tyres: 'single',
    steer: true,
    liningStyle: 'pads',
  }),
  air({ steer: false, hub: 'grease' }),
];

export interface DemoUnit {
  number: string;
  body: string;
  kind: UnitKind;
  axles: Axle[];
}

const several = (numbers: readonly string[], body: string, axles: () => Axle[], kind: UnitKind = 'semitrailer') =>
  numbers.map((number): DemoUnit => ({ number, body, kind, axles: axles() }));

export const UNITS: readonly DemoUnit[] = [
  ...several(['H-11', 'H-12', 'H-13', 'H-14'], 'Seed hopper', () => [air(), air()]),
  ...several(['L-21', 'L-22', 'L-23', 'L-24'], 'Live-floor, chips', () => [
    long({ lift: true, tyres: 'single' }),
    long(),
    long(),
  ]),
  ...several(['R-31', 'R-32', 'R-33'], 'Refrigerated, roots', () => [disc(), disc()]),
  ...several(['D-41', 'D-42'], 'Drop-deck', () => [low(), low(), low()]),
  ...several(['J-51'], 'Dolly', () => [air({ adjuster: 'manual' })], 'dolly'),
  ...several(['Y-1', 'Y-2'], 'Yard tractor', tractorAxles, 'tractor'),
];
