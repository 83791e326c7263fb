import { changeWords, SEEN_WORDS, type UnitChange } from '@zealous-axle/core';
import { View } from 'react-native';
import { clock } from '../look/dates';
import { useSession } from '../session/session';
import { PhotoStrip } from './PhotoStrip';
import { Text } from './Text';

/** A change of what a unit is: from what to what, who, when, why, and what it was seen by. */
export function ChangeRow({ change }: { change: UnitChange }) {
  const { fleet } = useSession();
  const { facts, reason, seen, photos, by, at } = change;
  const why = [
    reason,
    seen ? `seen by: ${SEEN_WORDS[seen].toLowerCase()}` : '',
    photos.length || !seen ? '' : 'no photo',
  ];
  return (
    <View className="gap-1 border-t border-line py-2">
      {facts.map((fact) => (
        <Text key={changeWords(fact)} bold>
          {changeWords(fact)}
        </Text>
      ))}
      {seen || reason ? <Text>{why.filter(Boolean).join(', ')}</Text> : null}
      <Text size="small" tone="soft">{`${by}, ${clock(at, fleet.zone)}`}</Text>
      {photos.length ? (
        <PhotoStrip
          pictures={photos.map((id) => ({ id, source: `/api/v1/photos/${id}`, words: `Photo of the change, ${by}` }))}
        />
      ) : null}
    </View>
  );
}

/** Facts of a unit that were changed, for whoever decides by what is judged by them; nothing where none were. */
export function ChangeList({ changes, says }: { changes: readonly UnitChange[]; says: string }) {
  if (changes.length === 0) return null;
  return (
    <View className="gap-1 rounded-xl border-2 border-edge bg-raised p-3">
      <Text bold>{says}</Text>
      {changes.map((change) => (
        <ChangeRow key={change.id} change={change} />
      ))}
    </View>
  );
}
