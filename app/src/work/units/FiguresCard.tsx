import type { Features } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Notice } from '../../parts/Notice';
import { TextField } from '../../parts/TextField';
import { DRIVE_WORDS, FLUID_WORDS, optionsOf } from './words';

type Written = 'grossWeight' | 'payload' | 'height' | 'width' | 'extinguisher' | 'airTanks' | 'cutOut';
const ON_ANY: Partial<Record<Written, string>> = {
  grossWeight: 'Gross weight rating, like 80,000 lb',
  payload: 'Payload, like 45,000 lb',
  height: 'Height, like 13 ft 6 in',
  width: 'Width, like 102 in',
  airTanks: 'Air tanks, how many',
};
const ON_POWER: Partial<Record<Written, string>> = {
  extinguisher: 'Extinguisher class, like 10 B:C',
  cutOut: 'Governor cut-out, maker’s maximum, like 130 psi',
};

type Driven = 'alternator' | 'waterPump' | 'compressor' | 'steeringPump';
const DRIVEN: Record<Driven, string> = {
  alternator: 'Alternator driven by',
  waterPump: 'Water pump driven by',
  compressor: 'Air compressor driven by',
  steeringPump: 'Steering pump driven by',
};
const UNKNOWN = { value: 'unknown', label: 'Not known' } as const;

interface Props {
  features: Features;
  /** It moves itself: it has an engine. */
  power: boolean;
  /** What the form says is wrong with a field. */
  wrong: (name: keyof Features) => string | null;
  onChange: (features: Features) => void;
}

/** How big and heavy it is, and what its engine has: each left empty is not known. */
export function FiguresCard({ features, power, wrong, onChange }: Props) {
  const [open, setOpen] = useState(false);
  const labels: Partial<Record<Written, string>> = power ? { ...ON_ANY, ...ON_POWER } : ON_ANY;
  const names = Object.keys(labels) as Written[];
  const problems = names.flatMap((name) => wrong(name) ?? []);
  const put = (name: keyof Features, value: unknown) => onChange({ ...features, [name]: value });
  const kept = [...names, ...(power ? (Object.keys(DRIVEN) as Driven[]) : [])];
  const known = kept.filter((name) => features[name] !== undefined).length;
  return (
    <Card
      title={power ? 'Size, weight and engine' : 'Size and weight'}
      note={known ? `${known} of ${kept.length} known` : 'Checks, cards and the plan use what is known.'}
      right={
        <Button look="bare" label={open ? 'Done' : 'Change'} hint="size and weight" onPress={() => setOpen(!open)} />
      }
    >
      {problems.length && !open ? <Notice look="stop">{problems.join(' ')}</Notice> : null}
      {open ? (
        <View className="gap-4">
          {names.map((name) => (
            <TextField
              key={name}
              label={labels[name] ?? ''}
              maxLength={name === 'extinguisher' ? 20 : 40}
              inputMode={name === 'airTanks' ? 'numeric' : 'text'}
              value={features[name] === undefined ? '' : String(features[name])}
              error={wrong(name)}
              onChangeText={(text) => {
                const digits = text.replace(/\D/g, '');
                if (name === 'airTanks') put(name, digits ? Number(digits) : undefined);
                else put(name, text === '' ? undefined : text);
              }}
            />
          ))}
          {power ? (
            <>
              {(Object.keys(DRIVEN) as Driven[]).map((name) => (
                <Choice
                  key={name}
                  label={DRIVEN[name]}
                  options={[...optionsOf(DRIVE_WORDS), UNKNOWN]}
                  value={features[name] ?? 'unknown'}
                  onChange={(by) => put(name, by === 'unknown' ? undefined : by)}
                />
              ))}
              <Choice
                label="Transmission fluid checked by"
                pairs
                options={[...optionsOf(FLUID_WORDS), UNKNOWN]}
                value={features.transmission ?? 'unknown'}
                onChange={(by) => put('transmission', by === 'unknown' ? undefined : by)}
              />
            </>
          ) : null}
        </View>
      ) : null}
    </Card>
  );
}
