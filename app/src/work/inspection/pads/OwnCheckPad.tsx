import { ownCheckOf } from '@zealous-axle/core';
import { View } from 'react-native';
import { CheckPicture } from '../../../parts/CheckPicture';
import { PRESSES_WORDS } from '../../../parts/part-words';
import { Text } from '../../../parts/Text';
import { TextField } from '../../../parts/TextField';
import { Toggle } from '../../../parts/Toggle';
import type { PadProps } from '../kinds';

/** A check of the fleet's own: what good looks like, its signs, and its figure where it has one. */
export function OwnCheckPad({ draft, step, entry, note: change, type }: PadProps) {
  const asked = ownCheckOf(draft.rules.checks, step.item ?? '');
  if (!asked) return <Text>The shop no longer has this check. Skip it with a reason.</Text>;
  const found = entry.note.found ?? [];
  const toggle = (sign: string) => {
    const now = found.includes(sign) ? found.filter((each) => each !== sign) : [...found, sign];
    change({ found: now.length ? now : undefined, how: 'seen' });
  };
  return (
    <View className="gap-3 pt-1">
      <Text>{asked.good}</Text>
      <CheckPicture check={asked} />
      {asked.signs.length ? <Text bold>What is wrong, if anything</Text> : null}
      {asked.signs.map(({ sign, presses }) => (
        <View key={sign} className="gap-1">
          <Toggle label={sign} on={found.includes(sign)} onChange={() => toggle(sign)} />
          <Text size="small" tone="soft">
            {PRESSES_WORDS[presses]}
          </Text>
        </View>
      ))}
      {asked.figure ? (
        <TextField
          label={asked.figure.unit ? `How much (${asked.figure.unit})` : 'How many'}
          inputMode="decimal"
          maxLength={12}
          value={entry.texts.value ?? ''}
          onChangeText={(text) => type('value', text)}
        />
      ) : null}
      {found.length ? (
        <TextField
          label="Your own words (optional)"
          value={entry.note.words ?? ''}
          onChangeText={(words) => change({ words })}
          maxLength={300}
        />
      ) : null}
    </View>
  );
}
