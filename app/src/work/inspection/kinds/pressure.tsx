import { bookOf } from '@zealous-axle/core';
import { View } from 'react-native';
import { Choice } from '../../../parts/Choice';
import { Toggle } from '../../../parts/Toggle';
import { useShown } from '../../../session/rules';
import { PressureHere } from '../pads/PressureHere';
import { type KindPad, optionalField, type PadProps, pick, valueField } from './kind';

/** Whether a tyre was read hot, and which allowance it then takes. */
function Options(pad: PadProps) {
  const {
    draft,
    entry: { note },
    note: change,
  } = pad;
  const { shown } = useShown();
  const { hotAfterAnHourAt, heavyAbove } = bookOf(draft).inflation;
  const [from = '', to = ''] = hotAfterAnHourAt.map(shown);
  const ratings = [
    { value: 'yes', label: `Rated above ${heavyAbove}` },
    { value: 'no', label: `Rated to ${heavyAbove}` },
  ] as const;
  return (
    <View className="gap-2">
      <PressureHere {...pad} />
      <View className="flex-row flex-wrap gap-2">
        <Toggle
          label={`Hot: ran ${from.replace(/ \D+$/, '')} to ${to} in the past hour`}
          on={note.hot ?? false}
          onChange={(hot) => change({ hot })}
        />
      </View>
      {note.hot ? (
        <Choice
          label="Load rating"
          hideLabel
          options={ratings}
          value={note.heavy === undefined ? null : note.heavy ? 'yes' : 'no'}
          onChange={(rated) => change({ heavy: rated === 'yes' })}
        />
      ) : null}
    </View>
  );
}

export const pressure: KindPad = {
  how: () => 'With a gauge, cold. A hot reading is corrected. Never bleed a hot tire.',
  fields: ({ entry: { note } }) => [
    valueField('Pressure', 'pressure'),
    ...(note.hot
      ? [
          optionalField('temperature', 'Temperature now', 'temperature'),
          optionalField('coldTemperature', 'Cold is', 'temperature'),
        ]
      : []),
  ],
  body: ({ entry: { note } }, texts) =>
    texts.value
      ? {
          ...pick(texts, 'value', 'temperature', 'coldTemperature'),
          ...(note.hot ? { hot: true, ...(note.heavy === undefined ? {} : { heavy: note.heavy }) } : {}),
        }
      : null,
  unruled: true,
  Options,
};
