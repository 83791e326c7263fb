import type { BlankPart, DayOrder, LengthIn, Mapping, MeantIn, MoveField, MoveList, Role } from '@zealous-axle/core';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { Text } from '../../../parts/Text';
import { useSession } from '../../../session/session';
import { rolesFor } from '../../people/roles';

type Usual = MeantIn['usual'];

/** What whoever moves a list in said of all of it, as far as they said it: nothing is chosen for them. */
export interface Said extends Partial<Pick<MeantIn, 'days' | 'distance' | 'weight'>> {
  kind?: Usual['kind'];
  axles?: string;
  brake?: Usual['brake'];
  tyres?: Usual['tyres'];
  hub?: Usual['hub'];
  length?: LengthIn;
  blank?: BlankPart;
  leadDays?: string;
  role?: Role;
}

const KINDS = [
  { value: 'semitrailer', label: 'Semitrailer' },
  { value: 'full-trailer', label: 'Full trailer' },
  { value: 'dolly', label: 'Dolly' },
  { value: 'tractor', label: 'Tractor' },
  { value: 'truck', label: 'Truck' },
  { value: 'bus', label: 'Bus' },
] as const satisfies { value: Usual['kind']; label: string }[];
const BRAKES = [
  { value: 's-cam', label: 'S-cam drum' },
  { value: 'air-disc', label: 'Air disc' },
  { value: 'hydraulic-drum', label: 'Hydraulic drum' },
  { value: 'electric', label: 'Electric' },
] as const satisfies { value: Usual['brake']; label: string }[];
const TYRES = [
  { value: 'dual', label: 'Dual' },
  { value: 'single', label: 'Single' },
] as const satisfies { value: Usual['tyres']; label: string }[];
const HUBS = [
  { value: 'oil', label: 'Oil' },
  { value: 'grease', label: 'Grease' },
  { value: 'sealed', label: 'Sealed' },
] as const satisfies { value: Usual['hub']; label: string }[];
const AXLES = [
  { value: 'kind', label: 'Same as its kind' },
  ...['1', '2', '3', '4'].map((value) => ({ value, label: value })),
];
const ORDERS = [
  { value: 'mdy', label: 'Month first: 3/31/2027' },
  { value: 'dmy', label: 'Day first: 31/3/2027' },
] as const satisfies { value: DayOrder; label: string }[];
const METERS = [
  { value: 'mi', label: 'Miles' },
  { value: 'km', label: 'Kilometers' },
] as const;
const WEIGHTS = [
  { value: 'lb', label: 'Pounds' },
  { value: 'kg', label: 'Kilograms' },
] as const;
const LENGTHS = [
  { value: 'in', label: 'Inches, and thirty-seconds of tread' },
  { value: 'mm', label: 'Millimeters' },
] as const satisfies { value: LengthIn; label: string }[];
const BLANKS = [
  { value: 'wrong', label: 'Missing: enter it on its line' },
  { value: 'nothing', label: 'Is 0' },
] as const satisfies { value: BlankPart; label: string }[];
const LEADS = ['1', '3', '7', '14', '30'].map((value) => ({ value, label: value }));

/** What a list leaves open, by what it is of: each a field of what is said. */
function leavesOpen(list: MoveList, mapping: Mapping, asksOrder: boolean): (keyof Said)[] {
  const untold = <F extends MoveField & keyof Said>(...fields: F[]) => fields.filter((field) => !mapping[field]);
  const open: Record<MoveList, (keyof Said)[]> = {
    units: [
      ...untold('kind', 'axles', 'brake', 'tyres', 'hub'),
      ...(mapping.grossWeight || mapping.payload ? (['weight'] as const) : []),
    ],
    parts: ['blank', ...untold('leadDays')],
    people: untold('role'),
    repairs: [],
    readings: ['length'],
  };
  return [...(asksOrder ? (['days'] as const) : []), ...open[list], ...(mapping.meter ? (['distance'] as const) : [])];
}

/** What a list means, once everything it leaves open was said; null before. */
export function meantOf(
  list: MoveList,
  mapping: Mapping,
  said: Said,
  { told, asks, today }: { told: DayOrder | null; asks: boolean; today: string },
): MeantIn | null {
  if (leavesOpen(list, mapping, asks).some((each) => said[each] === undefined)) return null;
  // What is not asked for is told by a column: the word beside it is not looked at.
  const { kind = 'semitrailer', axles = 'kind', brake = 's-cam', tyres = 'dual', hub = 'oil' } = said;
  return {
    days: told ?? said.days ?? 'mdy',
    distance: said.distance ?? 'mi',
    weight: said.weight ?? 'lb',
    pressure: 'psi',
    usual: { kind, axles: axles === 'kind' ? null : Number(axles), brake, tyres, hub },
    length: said.length ?? 'in',
    role: said.role ?? 'driver',
    leadDays: Number(said.leadDays ?? 0),
    blank: said.blank ?? 'wrong',
    today,
  };
}

interface MeantProps {
  list: MoveList;
  mapping: Mapping;
  said: Said;
  /** Days that could be read either way, and nothing in the file tells. */
  asksOrder: boolean;
  onChange: (said: Said) => void;
}

type Asks = {
  [F in keyof Said]-?: {
    label: string;
    options: readonly { value: NonNullable<Said[F]>; label: string }[];
    pairs?: true;
    stacked?: true;
  };
};
const asksFor = (by: Role): Asks => ({
  days: { label: 'Dates are written', options: ORDERS, stacked: true },
  kind: { label: 'Kind', options: KINDS, pairs: true },
  axles: { label: 'Axles', options: AXLES },
  brake: { label: 'Brake', options: BRAKES, pairs: true },
  tyres: { label: 'Tires', options: TYRES },
  hub: { label: 'Hubs', options: HUBS },
  distance: { label: 'A meter without its unit is in', options: METERS },
  weight: { label: 'A weight without its unit is in', options: WEIGHTS },
  length: { label: 'A figure without its unit is in', options: LENGTHS, stacked: true },
  blank: { label: 'An empty price or count', options: BLANKS, stacked: true },
  leadDays: { label: 'Days to get a part', options: LEADS },
  role: { label: 'They are', options: rolesFor(by), pairs: true },
});

/** What the file does not tell: said for all of it, never assumed. */
export function Meant({ list, mapping, said, asksOrder, onChange }: MeantProps) {
  const asks = asksFor(useSession().person.role);
  const open = leavesOpen(list, mapping, asksOrder);
  const noChamber = list === 'units' && !mapping.chamber;
  if (open.length === 0 && !noChamber) return null;
  return (
    <Card
      title="What the list does not say"
      note="Applies to the whole list. Correct exceptions afterward, one by one."
    >
      {open.map((field) => (
        <Choice
          key={field}
          {...asks[field]}
          options={asks[field].options as readonly { value: string; label: string }[]}
          value={said[field] ?? null}
          onChange={(value) => onChange({ ...said, [field]: value })}
        />
      ))}
      {noChamber ? (
        <Text size="small">Chambers stay unknown: a stroke gets no verdict until they are entered.</Text>
      ) : null}
    </Card>
  );
}
