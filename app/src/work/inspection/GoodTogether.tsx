import { View } from 'react-native';
import { Text } from '../../parts/Text';
import { goodTogether, namesByLooks, sameAsOtherEnd } from './allGood';
import { useCurrent } from './current';
import { QuickAnswer } from './QuickAnswer';

/** Everything left to look at where one stands, what good looks like, and one tap for all of it. */
export function GoodTogether() {
  const { draft, inspecting } = useCurrent();
  const mirrored = sameAsOtherEnd(draft);
  const good = mirrored.length ? mirrored : goodTogether(draft);
  if (good.length === 0) return null;
  return (
    <View className="gap-2 rounded-xl border border-line bg-card p-3">
      {namesByLooks(good).map(({ looks, names }) => (
        <Text key={looks} size="small">
          {`${names}: `}
          <Text bold size="small">
            {looks}
          </Text>
        </Text>
      ))}
      <View className="flex-row">
        <QuickAnswer
          key={draft.cursor}
          label={mirrored.length ? `All ${good.length} as at the other end` : `Looked at all ${good.length}: all good`}
          onPress={() => inspecting.takeTogether(good)}
        />
      </View>
    </View>
  );
}
