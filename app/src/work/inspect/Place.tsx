import { isMeasuredKind, type Step, stepKey, stepWords } from '@zealous-axle/core';
import { View } from 'react-native';
import type { Draft } from '../../data/draft';
import { useShown } from '../../data/rules';
import { useSession } from '../../data/session';
import { dayOf } from '../../look/dates';
import { endCode, RunningGear } from '../../parts/RunningGear';
import { T } from '../../parts/T';
import { VerdictBadge } from '../../parts/VerdictMark';
import { draftEnds } from './ends';
import { HowTo } from './HowTo';
import type { StepJudgement } from './judged';
import { howWords, limitWords, stepPlace } from './words';

/** Where the person is, what to look at and how, the limit, and what it read last time. */
export function Place({ draft, step, judged }: { draft: Draft; step: Step; judged: StepJudgement }) {
  const { fleet } = useSession();
  const { both } = useShown();
  const before = draft.previous[stepKey(step)];
  const atEnd = step.axle !== null && step.side !== null;
  return (
    <View className="flex-row items-center gap-4">
      {atEnd ? (
        <RunningGear
          unit={draft.unit}
          ends={draftEnds(draft)}
          size="small"
          selected={endCode({ axle: step.axle ?? 1, side: step.side ?? 'left' })}
        />
      ) : null}
      <View className="min-w-0 flex-1">
        <View className={`flex-row items-center justify-between gap-2 ${atEnd ? 'min-h-12' : ''}`}>
          {stepPlace(step) ? (
            <T bold size="title" className="shrink">
              {stepPlace(step)}
            </T>
          ) : null}
          {isMeasuredKind(step.kind) && step.kind !== 'hub-oil' ? (
            <HowTo kind={step.kind} />
          ) : step.kind === 'hub-oil' && judged.opinion ? (
            <VerdictBadge verdict={judged.opinion.verdict} />
          ) : null}
        </View>
        <T level={2} bold size={atEnd ? 'lead' : 'title'}>
          {stepWords(step)}
        </T>
        {judged.limit ? <T>{limitWords(judged.limit, both)}</T> : null}
        {step.kind === 'check' ? <T>{howWords(step)}</T> : null}
        <T size="small" tone="soft">
          {before
            ? `Last ${before.text}, ${dayOf(before.at, fleet.zone)}`
            : step.kind === 'check'
              ? 'Not seen before'
              : 'Not read before'}
        </T>
      </View>
    </View>
  );
}
