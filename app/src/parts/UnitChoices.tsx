import type { DisplayUnits } from '@zealous-axle/core';
import { Choice } from './Choice';
import { Text } from './Text';

const LENGTHS = [
  { value: 'in', label: 'Inch fractions' },
  { value: 'mm', label: 'Millimeters' },
] as const;
const PRESSURES = [
  { value: 'psi', label: 'psi' },
  { value: 'bar', label: 'bar' },
  { value: 'kPa', label: 'kPa' },
] as const;
const DISTANCES = [
  { value: 'mi', label: 'Miles' },
  { value: 'km', label: 'Kilometers' },
] as const;
const TEMPERATURES = [
  { value: '°F', label: '°F' },
  { value: '°C', label: '°C' },
] as const;

/** Length, pressure, distance and temperature, each in one of the units in use. */
export function UnitChoices({
  units,
  onChange,
}: {
  units: DisplayUnits;
  onChange: ((units: DisplayUnits) => void) | null;
}) {
  if (!onChange) return <Text>{[units.length, units.pressure, units.distance, units.temperature].join(', ')}</Text>;
  return (
    <>
      <Choice
        label="Lengths"
        options={LENGTHS}
        value={units.length}
        onChange={(length) => onChange({ ...units, length })}
      />
      <Choice
        label="Pressures"
        options={PRESSURES}
        value={units.pressure}
        onChange={(pressure) => onChange({ ...units, pressure })}
      />
      <Choice
        label="Distances"
        options={DISTANCES}
        value={units.distance}
        onChange={(distance) => onChange({ ...units, distance })}
      />
      <Choice
        label="Temperatures"
        options={TEMPERATURES}
        value={units.temperature}
        onChange={(temperature) => onChange({ ...units, temperature })}
      />
    </>
  );
}
