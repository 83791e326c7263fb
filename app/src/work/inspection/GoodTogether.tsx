import { checkEntry, type Step } from '@zealous-axle/core';
import { View } from 'react-native';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { useShown } from '../../session/rules';
import { goodTogether, namesByLooks, sameAsOtherEnd } from './allGood';
import { useCurrent } from './current';
import { QuickAnswer } from './QuickAnswer';

/** What can hurt whoever looks at one of several things; that of the step itself stands at its pad. */
const cautions = (good: readonly { step: Step }[]): string[] =>
  good.slice(1).flatMap(({ step }) => (step.kind === 'check' && checkEntry(step.item ?? '')?.caution) || []);

/** One tap for everything left to look at where one stands, and what good looks like: the tap stays where the thumb found it. */
export function GoodTogether() {
  const { draft, inspecting } = useCurrent();
  const { words } = useShown();
  const mirrored = sameAsOtherEnd(draft);
  const good = mirrored.length ? mirrored : goodTogether(draft);
  if (good.length === 0) return null;
  return (
    <View className="gap-2 rounded-xl border border-line bg-card p-3">
      {cautions(good).map((caution) => (
        <Notice key={caution} look="ask">
          {words(caution)}
        </Notice>
      ))}
      <View className="flex-row">
        <QuickAnswer
          key={draft.cursor}
          label={mirrored.length ? `All ${good.length} same as the other end` : `Checked all ${good.length}: all good`}
          onPress={() => inspecting.takeTogether(good)}
        />
      </View>
      {namesByLooks(good).map(({ looks, names }) => (
        <Text key={looks} size="small">
          {`${names}: `}
          <Text bold size="small">
            {words(looks)}
          </Text>
        </Text>
      ))}
    </View>
  );
}
