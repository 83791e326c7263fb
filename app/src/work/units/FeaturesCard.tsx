import { BOOK_IDS, BOOKS, type BookId, type Features } from '@zealous-axle/core';
import { View } from 'react-native';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { TextField } from '../../parts/TextField';
import { useSession } from '../../session/session';
import { COUPLING_WORDS, DOOR_WORDS, optionsOf } from './words';

const UNKNOWN = { value: 'unknown', label: 'Not known' } as const;
const YES_NO = [{ value: 'yes', label: 'Fitted' }, { value: 'no', label: 'Not fitted' }, UNKNOWN] as const;
/** What was chosen; nothing where it is not known. */
const known = <V extends string>(value: V | 'unknown'): V | undefined => (value === 'unknown' ? undefined : value);
type Flag = 'abs' | 'autoInflation' | 'liftGate' | 'refrigeration';
const FLAGS: Record<Flag, string> = {
  abs: 'ABS',
  autoInflation: 'Automatic tire inflation',
  liftGate: 'Liftgate',
  refrigeration: 'Reefer unit',
};

interface Props {
  features: Features;
  yearWrong: string | null;
  onChange: (features: Features) => void;
}

/** What is fitted beside the running gear. What is not known is asked for on the walk. */
export function FeaturesCard({ features, yearWrong, onChange }: Props) {
  const { fleet } = useSession();
  const change = (some: Partial<Features>) => onChange({ ...features, ...some });
  const flag = (name: Flag) => (features[name] === undefined ? 'unknown' : features[name] ? 'yes' : 'no');
  return (
    <Card title="What is fitted" note="What is not known comes up during the walk-around.">
      <View className="gap-4">
        <Choice
          label="Judged by"
          stacked
          options={[
            { value: 'fleet', label: 'The fleet’s limit book' },
            ...BOOK_IDS.filter((id) => id !== fleet.book).map((value) => ({ value, label: BOOKS[value].name })),
          ]}
          value={features.book ?? 'fleet'}
          onChange={(book) => change({ book: book === 'fleet' ? undefined : (book as BookId) })}
        />
        <Choice
          label="Coupling"
          pairs
          options={[...optionsOf(COUPLING_WORDS), UNKNOWN]}
          value={features.coupling ?? 'unknown'}
          onChange={(coupling) => change({ coupling: known(coupling) })}
        />
        {(Object.keys(FLAGS) as Flag[]).map((name) => (
          <Choice
            key={name}
            label={FLAGS[name]}
            options={YES_NO}
            value={flag(name)}
            onChange={(answer) => change({ [name]: answer === 'unknown' ? undefined : answer === 'yes' })}
          />
        ))}
        <Choice
          label="Rear doors"
          options={[...optionsOf(DOOR_WORDS), UNKNOWN]}
          value={features.doors ?? 'unknown'}
          onChange={(doors) => change({ doors: known(doors) })}
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
