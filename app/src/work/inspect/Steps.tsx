import { readingWords, type Step, stepKey, stepWords, type Verdict } from '@zealous-axle/core';
import { Pressable, View } from 'react-native';
import { type Draft, entryOf, isDone } from '../../data/draft';
import { T } from '../../parts/T';
import { VerdictMark } from '../../parts/VerdictMark';
import { verdictOf } from './judged';
import { stepPlace } from './words';

function Row({ draft, step, index, onGo }: { draft: Draft; step: Step; index: number; onGo: (index: number) => void }) {
  const { saved, skipped } = entryOf(draft, step);
  const verdict: Verdict = saved ? verdictOf(draft, saved.value) : 'not-judged';
  const what = saved ? readingWords(saved.value) : skipped ? `skipped: ${skipped}` : 'open';
  const here = index === draft.cursor;
  const place = stepPlace(step);
  return (
    <Pressable
      role="button"
      aria-current={here ? 'step' : undefined}
      aria-label={`${[place, stepWords(step)].filter(Boolean).join(' ')}: ${what}`}
      onPress={() => onGo(index)}
      className={`min-h-12 flex-row items-center gap-3 border-b border-line px-3 py-1 ${here ? 'bg-raised' : ''}`}
    >
      <VerdictMark verdict={verdict} size={20} />
      {place ? (
        <View className="w-16">
          <T bold>{place}</T>
        </View>
      ) : null}
      <T className="flex-1" numberOfLines={1}>
        {stepWords(step)}
      </T>
      <T bold={saved !== null} tone={saved ? 'ink' : 'soft'} numberOfLines={1} className="max-w-[45%]">
        {what}
      </T>
    </Pressable>
  );
}

/** Every step of the route by section, with what was read: what is open is always in sight, and any step is one tap away. */
export function Steps({ draft, onGo }: { draft: Draft; onGo: (index: number) => void }) {
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
                <T level={3} bold>
                  {name}
                </T>
                <T size="small" tone={open ? 'soft' : 'within'}>
                  {open ? `${open} open` : 'done'}
                </T>
              </View>
            ) : null}
            {own.map(({ step, index }) => (
              <Row key={stepKey(step)} draft={draft} step={step} index={index} onGo={onGo} />
            ))}
          </View>
        );
      })}
    </View>
  );
}
