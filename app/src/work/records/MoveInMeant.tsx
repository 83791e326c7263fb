import type { DayOrder, Mapping, MeantIn, UnitField } from '@zealous-axle/core';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Text } from '../../parts/Text';

type Usual = MeantIn['usual'];

/** What whoever moves a list in said of all of it, as far as they said it: nothing is chosen for them. */
export interface Said extends Partial<Pick<MeantIn, 'days' | 'distance' | 'weight'>> {
  kind?: Usual['kind'];
  axles?: string;
  brake?: Usual['brake'];
  tyres?: Usual['tyres'];
  hub?: Usual['hub'];
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
  { value: 'kind', label: 'As its kind has' },
  ...['1', '2', '3', '4'].map((value) => ({ value, label: value })),
];
const ORDERS = [
  { value: 'mdy', label: 'Month first: 3/31/2027' },
  { value: 'dmy', label: 'Day first: 31/3/2027' },
] as const satisfies { value: DayOrder; label: string }[];

/** What is asked of a list and was not said yet. */
function isUnsaid(mapping: Mapping, said: Said, asksOrder: boolean): boolean {
  const usual = (['kind', 'axles', 'brake', 'tyres', 'hub'] as const satisfies UnitField[]).some(
    (field) => !mapping[field] && said[field] === undefined,
  );
  const weighs = Boolean(mapping.grossWeight || mapping.payload);
  return usual || (asksOrder && !said.days) || (Boolean(mapping.meter) && !said.distance) || (weighs && !said.weight);
}

/** What a list means, once everything it leaves open was said; null before. */
export function meantBy(mapping: Mapping, said: Said, told: DayOrder | null, asksOrder: boolean): MeantIn | null {
  if (isUnsaid(mapping, said, asksOrder)) return null;
  // What a column tells is never asked for here: the word beside it is not looked at.
  const { kind = 'semitrailer', axles = 'kind', brake = 's-cam', tyres = 'dual', hub = 'oil' } = said;
  return {
    days: told ?? said.days ?? 'mdy',
    distance: said.distance ?? 'mi',
    weight: said.weight ?? 'lb',
    pressure: 'psi',
    usual: { kind, axles: axles === 'kind' ? null : Number(axles), brake, tyres, hub },
  };
}

interface MeantProps {
  mapping: Mapping;
  said: Said;
  /** Days that could be read either way, and nothing in the file tells. */
  asksOrder: boolean;
  onChange: (said: Said) => void;
}

/** What the file does not tell: said for all of it, never assumed. */
export function MoveInMeant({ mapping, said, asksOrder, onChange }: MeantProps) {
  const put = (some: Said) => onChange({ ...said, ...some });
  return (
    <Card title="What the list does not tell" note="Said for every unit of it. What differs is put right on the unit.">
      {asksOrder ? (
        <Choice
          stacked
          label="Days are written"
          options={ORDERS}
          value={said.days ?? null}
          onChange={(days) => put({ days })}
        />
      ) : null}
      {mapping.kind ? null : (
        <Choice label="Kind" pairs options={KINDS} value={said.kind ?? null} onChange={(kind) => put({ kind })} />
      )}
      {mapping.axles ? null : (
        <Choice label="Axles" options={AXLES} value={said.axles ?? null} onChange={(axles) => put({ axles })} />
      )}
      {mapping.brake ? null : (
        <Choice label="Brake" pairs options={BRAKES} value={said.brake ?? null} onChange={(brake) => put({ brake })} />
      )}
      {mapping.tyres ? null : (
        <Choice label="Tyres" options={TYRES} value={said.tyres ?? null} onChange={(tyres) => put({ tyres })} />
      )}
      {mapping.hub ? null : (
        <Choice label="Hubs" options={HUBS} value={said.hub ?? null} onChange={(hub) => put({ hub })} />
      )}
      {mapping.meter ? (
        <Choice
          label="A meter without its unit is in"
          options={[
            { value: 'mi', label: 'Miles' },
            { value: 'km', label: 'Kilometres' },
          ]}
          value={said.distance ?? null}
          onChange={(distance) => put({ distance })}
        />
      ) : null}
      {mapping.grossWeight || mapping.payload ? (
        <Choice
          label="A weight without its unit is in"
          options={[
            { value: 'lb', label: 'Pounds' },
            { value: 'kg', label: 'Kilograms' },
          ]}
          value={said.weight ?? null}
          onChange={(weight) => put({ weight })}
        />
      ) : null}
      {mapping.chamber ? null : (
        <Text size="small">Chambers are not known then: a stroke has no verdict until they are.</Text>
      )}
    </Card>
  );
}
