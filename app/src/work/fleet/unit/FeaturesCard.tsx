import type { Features } from '@zealous-axle/core';
import { View } from 'react-native';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { TextField } from '../../../parts/TextField';
import { COUPLING_WORDS, DOOR_WORDS, optionsOf } from './words';

const YES_NO = [
  { value: 'yes', label: 'Fitted' },
  { value: 'no', label: 'Not fitted' },
] as const;
type Flag = 'abs' | 'autoInflation' | 'liftGate';
const FLAGS: Record<Flag, string> = { abs: 'ABS', autoInflation: 'Automatic tyre inflation', liftGate: 'Lift gate' };

interface Props {
  features: Features;
  yearWrong: string | null;
  onChange: (features: Features) => void;
}

/** What is fitted beside the running gear. What is left open is not known, and is asked for on the walk. */
export function FeaturesCard({ features, yearWrong, onChange }: Props) {
  const change = (some: Partial<Features>) => onChange({ ...features, ...some });
  const flag = (name: Flag) => (features[name] === undefined ? null : features[name] ? 'yes' : 'no');
  return (
    <Card title="What is fitted" note="Left open, it is not known and is asked for on the walk.">
      <View className="gap-4">
        <Choice
          label="Coupling"
          pairs
          options={optionsOf(COUPLING_WORDS)}
          value={features.coupling ?? null}
          onChange={(coupling) => change({ coupling })}
        />
        {(Object.keys(FLAGS) as Flag[]).map((name) => (
          <Choice
            key={name}
            label={FLAGS[name]}
            options={YES_NO}
            value={flag(name)}
            onChange={(answer) => change({ [name]: answer === 'yes' })}
          />
        ))}
        <Choice
          label="Rear doors"
          options={optionsOf(DOOR_WORDS)}
          value={features.doors ?? null}
          onChange={(doors) => change({ doors })}
        />
        <TextField
          label="Year built"
          inputMode="numeric"
          maxLength={4}
          value={features.yearBuilt === undefined ? '' : String(features.yearBuilt)}
          error={yearWrong}
          onChangeText={(text) => {
            const digits = text.replace(/\D/g, '');
            change({ yearBuilt: digits ? Number(digits) : undefined });
          }}
        />
      </View>
    </Card>
  );
}
