import { MEASURED_WORDS, positionCode, type Verdict } from '@zealous-axle/core';
import { Pressable, View } from 'react-native';
import { type Draft, entryOf, shortReading } from '../../data/draft';
import { T } from '../../parts/T';
import { VerdictMark } from '../../parts/VerdictMark';
import { verdictOf } from './judged';

/** Every step of the route with what was read: what is open is always in sight, and any step is one tap away. */
export function Steps({ draft, onGo }: { draft: Draft; onGo: (index: number) => void }) {
  return (
    <View>
      {draft.steps.map((step, index) => {
        const { saved, skipped } = entryOf(draft, step);
        const verdict: Verdict = saved ? verdictOf(draft, saved.value) : 'not-judged';
        const what = saved ? shortReading(saved.value) : skipped ? `skipped: ${skipped}` : 'open';
        const here = index === draft.cursor;
        return (
          <Pressable
            key={`${step.kind} ${positionCode(step)}`}
            role="button"
            aria-current={here ? 'step' : undefined}
            aria-label={`${positionCode(step)} ${MEASURED_WORDS[step.kind]}: ${what}`}
            onPress={() => onGo(index)}
            className={`min-h-12 flex-row items-center gap-3 border-b border-line px-3 py-1 ${here ? 'bg-raised' : ''}`}
          >
            <VerdictMark verdict={verdict} size={20} />
            <View className="w-16">
              <T bold>{positionCode(step)}</T>
            </View>
            <T className="flex-1" numberOfLines={1}>
              {MEASURED_WORDS[step.kind]}
            </T>
            <T bold={saved !== null} tone={saved ? 'ink' : 'soft'} numberOfLines={1} className="max-w-[45%]">
              {what}
            </T>
          </Pressable>
        );
      })}
    </View>
  );
}
