import type { JobPage } from '@zealous-axle/core';
import { router } from 'expo-router';
import { Pressable, View } from 'react-native';
import { send } from '../../../device/outbox';
import { useOutbox } from '../../../device/useOutbox';
import { clock } from '../../../look/dates';
import { Button } from '../../../parts/Button';
import { Text } from '../../../parts/Text';
import { VerdictMark } from '../../../parts/VerdictMark';
import { useSession } from '../../../session/session';
import { usePending } from './pending';

/** The steps of a job as they stand on this device. */
export function useSteps({ job, work, ticks }: JobPage) {
  const { entries } = useOutbox();
  const pending = usePending(job.id, 'tick-step');
  return work.steps.map((step) => {
    const sent = ticks.find((tick) => tick.step === step.key);
    const own = pending.filter((tick) => tick.step === step.key).at(-1);
    return {
      ...step,
      done: own?.done ?? sent?.done ?? false,
      waits: entries.some(({ body }) => body === own),
      by: sent?.by,
      at: sent?.at,
    };
  });
}

/** What is to be done, step by step: ticked by whoever did it. */
export function Steps({ page, may }: { page: JobPage; may: boolean }) {
  const { fleet } = useSession();
  const { job } = page;
  const steps = useSteps(page);
  if (steps.length === 0) return null;
  const tick = (step: string, words: string, done: boolean) =>
    void send('tick-step', { job: job.id, step, done }, `${job.unit.number}: ${words}${done ? '' : ' – not done'}`);
  return (
    <View className="gap-1">
      <Text bold>{`Steps: ${steps.filter(({ done }) => done).length} of ${steps.length}`}</Text>
      {steps.map(({ key, words, look, done, waits, by, at }) => (
        <Pressable
          key={key}
          role="checkbox"
          aria-checked={done}
          aria-label={words}
          aria-disabled={!may}
          disabled={!may}
          onPress={() => tick(key, words, !done)}
          className="min-h-12 flex-row items-center gap-3 border-t border-line py-1"
        >
          <VerdictMark verdict={done ? 'within' : 'not-judged'} size={24} />
          <View className="min-w-0 flex-1">
            <Text bold={!done && !look}>{words}</Text>
            {waits ? (
              <Text size="small" tone="soft">
                Not sent yet
              </Text>
            ) : done && by && at ? (
              <Text size="small" tone="soft">{`${by}, ${clock(at, fleet.zone)}`}</Text>
            ) : null}
          </View>
        </Pressable>
      ))}
      {may ? (
        <Button label="Found more: report it" onPress={() => router.navigate(`/report/${job.unit.id}?job=${job.id}`)} />
      ) : null}
    </View>
  );
}
