import {
  type Draft,
  isByEye,
  type Limit,
  limitWords,
  type PartLife,
  type Step,
  subjectWords,
  type Verdict,
} from '@zealous-axle/core';
import { memo } from 'react';
import { View } from 'react-native';
import { dayOf } from '../../look/dates';
import { type EndState, endCode, RunningGear } from '../../parts/RunningGear';
import { Text } from '../../parts/Text';
import { VerdictBadge } from '../../parts/VerdictMark';
import { useShown } from '../../session/rules';
import { useSession } from '../../session/session';
import { HowTo } from './HowTo';
import { padOf } from './kinds';
import { sentenceCase, stepPlace } from './words';

interface Props {
  unit: Draft['unit'];
  policies: Draft['rules']['policies'];
  ends: Readonly<Record<string, EndState>>;
  step: Step;
  limit: Limit | null;
  otherSide: Limit | null;
  before: { text: string; at: string } | undefined;
  /** The life of the part read here, where it was fitted new. */
  life: PartLife | null;
  /** Said in place of the drawing, where the step has none. */
  verdict: Verdict | null;
}

/** Where the person is, what to look at and how, the limit, and what it read last time. */
export const Place = memo(function Place({
  unit,
  policies,
  ends,
  step,
  limit,
  otherSide,
  before,
  life,
  verdict,
}: Props) {
  const { fleet } = useSession();
  const { both, shown, words } = useShown();
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
            <Text bold size="title" className="shrink">
              {stepPlace(step)}
            </Text>
          ) : null}
          {verdict ? <VerdictBadge verdict={verdict} /> : <HowTo kind={step.kind} />}
        </View>
        <Text level={2} bold size={atEnd ? 'lead' : 'title'}>
          {subjectWords(step)}
        </Text>
        {limit ? (
          <Text>
            {[limit, otherSide]
              .flatMap((each, index) =>
                each ? [index ? limitWords(each, both) : sentenceCase(limitWords(each, both))] : [],
              )
              .join(', ')}
          </Text>
        ) : null}
        {step.kind === 'check' ? <Text>{words(padOf(step.kind).how(step, policies, unit.features))}</Text> : null}
        {life ? (
          <Text size="small">
            {`${life.job === null ? 'Found replaced' : 'Fitted new'} ${dayOf(life.since, fleet.zone)}${life.number ? `, ${life.number}` : ', number not noted'}${life.limit ? `: its limit ${shown(life.limit)}` : ''}`}
          </Text>
        ) : null}
        <Text size="small" tone="soft">
          {before
            ? `Last ${shown(before.text)}, ${dayOf(before.at, fleet.zone)}`
            : life
              ? 'Not measured since'
              : isByEye(step.kind)
                ? 'Not seen before'
                : 'Not measured before'}
        </Text>
      </View>
    </View>
  );
});
