import { View } from 'react-native';
import { Choice } from '../../../parts/Choice';
import { Toggle } from '../../../parts/Toggle';
import { stepPlace } from '../words';
import { field, type KindPad, type PadProps, pair } from './kind';

const SIZES = [
  { value: 'small', label: '8.25 and smaller' },
  { value: 'large', label: '9.00 and larger' },
] as const;

function Options({ draft, entry: { note }, note: change }: PadProps) {
  return (
    <View className="gap-2">
      <View className="flex-row flex-wrap gap-2">
        <Toggle label="Not touching" on={note.touching === false} onChange={() => change({ touching: false })} />
        <Toggle label="They touch" on={note.touching === true} onChange={() => change({ touching: true })} />
      </View>
      <Choice
        label="Compare diameters, tire size"
        options={SIZES}
        value={note.size ?? draft.carried.size ?? null}
        onChange={(size) => change({ size })}
      />
    </View>
  );
}

export const dual: KindPad = {
  how: () => 'Look between the tires: they must not touch, loaded or not.',
  fields: ({ entry: { note } }) =>
    note.size ? [field('inner', 'Diameter, inner', 'tape'), field('outer', 'Diameter, outer', 'tape')] : [],
  body: ({ entry: { note } }, texts) => {
    const diameters = pair(texts, 'inner', 'outer');
    if (note.touching === undefined && !diameters) return null;
    return {
      ...(note.touching === undefined ? {} : { touching: note.touching }),
      ...(diameters && note.size ? { diameters, size: note.size } : {}),
    };
  },
  limited: ({ entry: { note } }) => (note.size ? { reading: 'dual-diameter', asking: { size: note.size } } : null),
  unruled: true,
  quick: ({ step, entry: { note } }) =>
    note.touching === undefined && !note.size
      ? { label: `${stepPlace(step)}: the tires do not touch`, note: { touching: false } }
      : null,
  carry: ({ entry: { note } }) => (note.size ? { size: note.size } : {}),
  Options,
};
