import {
  type Draft,
  entryOf,
  isDone,
  keyOf,
  readingText,
  type Step,
  subjectWords,
  type Verdict,
} from '@zealous-axle/core';
import { memo } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from '../../parts/Text';
import { VerdictMark } from '../../parts/VerdictMark';
import { useCurrent } from './current';
import { verdictOf } from './judged';
import { stepPlace } from './words';

interface RowProps {
  step: Step;
  index: number;
  verdict: Verdict;
  /** What was read, or why nothing was. */
  what: string;
  read: boolean;
  here: boolean;
  onGo: (index: number) => void;
}

const Row = memo(function Row({ step, index, verdict, what, read, here, onGo }: RowProps) {
  const place = stepPlace(step);
  return (
    <Pressable
      role="button"
      aria-current={here ? 'step' : undefined}
      aria-label={`${[place, subjectWords(step)].filter(Boolean).join(' ')}: ${what}`}
      onPress={() => onGo(index)}
      className={`min-h-12 flex-row items-center gap-3 border-b border-line px-3 py-1 ${here ? 'bg-raised' : ''}`}
    >
      <VerdictMark verdict={verdict} size={20} />
      {place ? (
        <View className="w-16">
          <Text bold>{place}</Text>
        </View>
      ) : null}
      <Text className="flex-1">{subjectWords(step)}</Text>
      <Text bold={read} tone={read ? 'ink' : 'soft'} className="max-w-[45%] text-right">
        {what}
      </Text>
    </Pressable>
  );
});

function rowOf(draft: Draft, step: Step): Pick<RowProps, 'verdict' | 'what' | 'read'> {
  const { saved, skipped } = entryOf(draft, step);
  if (saved) return { verdict: verdictOf(draft, saved.value), what: readingText(saved.value), read: true };
  return { verdict: 'not-judged', what: skipped ? `skipped: ${skipped}` : 'open', read: false };
}

/** Every step of the route by section, with what was read: what is open is always in sight, and any step is one tap away. */
export function Steps() {
  const { draft, onGo } = useCurrent();
  const sections = draft.route?.sections ?? [{ id: undefined, name: '' }];
  return (
    <View>
      {sections.map(({ id, name }) => {
        const own = draft.steps.flatMap((step, index) => (step.section === id || !id ? [{ step, index }] : []));
        if (own.length === 0) return null;
        const open = own.filter(({ step }) => !isDone(entryOf(draft, step))).length;
        return (
          <View key={id ?? 'all'}>
            {name ? (
              <View className="flex-row items-baseline justify-between border-b border-line bg-ground px-3 pb-1 pt-4">
                <Text level={3} bold>
                  {name}
                </Text>
                <Text size="small" tone={open ? 'soft' : 'within'}>
                  {open ? `${open} open` : 'done'}
                </Text>
              </View>
            ) : null}
            {own.map(({ step, index }) => (
              <Row
                key={keyOf(step)}
                step={step}
                index={index}
                here={index === draft.cursor}
                onGo={onGo}
                {...rowOf(draft, step)}
              />
            ))}
          </View>
        );
      })}
    </View>
  );
}
