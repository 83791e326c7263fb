import { isMeasuredKind, type Limit, type Step, stepWords, type Verdict } from '@zealous-axle/core';
import { memo } from 'react';
import { View } from 'react-native';
import type { Draft } from '../../data/draft';
import { useShown } from '../../data/rules';
import { useSession } from '../../data/session';
import { dayOf } from '../../look/dates';
import { type EndState, endCode, RunningGear } from '../../parts/RunningGear';
import { T } from '../../parts/T';
import { VerdictBadge } from '../../parts/VerdictMark';
import { HowTo } from './HowTo';
import { howWords, limitWords, stepPlace } from './words';

interface Props {
  unit: Draft['unit'];
  ends: Readonly<Record<string, EndState>>;
  step: Step;
  limit: Limit | null;
  before: { text: string; at: string } | undefined;
  /** Said in place of the drawing, where the step has none. */
  verdict: Verdict | null;
}

/** Where the person is, what to look at and how, the limit, and what it read last time. */
export const Place = memo(function Place({ unit, ends, step, limit, before, verdict }: Props) {
  const { fleet } = useSession();
  const { both } = useShown();
  const atEnd = step.axle !== null && step.side !== null;
  return (
    <View className="flex-row items-center gap-4">
      {atEnd ? (
        <RunningGear
          unit={unit}
          ends={ends}
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
          ) : step.kind === 'hub-oil' && verdict ? (
            <VerdictBadge verdict={verdict} />
          ) : null}
        </View>
        <T level={2} bold size={atEnd ? 'lead' : 'title'}>
          {stepWords(step)}
        </T>
        {limit ? <T>{limitWords(limit, both)}</T> : null}
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
});
