import { type Board, type PlanRun, planDifference } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Notice } from '../../parts/Notice';
import { Some } from '../../parts/Some';
import { Text } from '../../parts/Text';
import { publishPlan } from './publish';
import { differenceWords, named, waitsWords } from './words';

const SEARCH_SECONDS = 5;
/** Lines of one kind that stand there at first. */
const SHOWN = 6;

/** What a foreman does with the plan on a phone: asks for one, and takes or puts aside what is proposed. */
export function OnPhone({ board }: { board: Board }) {
  const [sending, setSending] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const searching = board.runs.some(({ state }) => state === 'waiting' || state === 'searching');
  const asked = new Set(board.request.jobs.map(({ id }) => id));
  const planned = board.slots.filter(({ job }) => asked.has(job));
  const found = board.runs.find(({ answer, state }) => answer && state === 'found');
  const take = async ({ id, answer }: PlanRun) => {
    setSending(true);
    const pins = new Set(planned.filter(({ pinned }) => pinned).map(({ job }) => job));
    const slots = answer?.slots.map((slot) => ({ ...slot, pinned: pins.has(slot.job) })) ?? [];
    const done = await publishPlan({ version: board.version, slots, run: id });
    setProblem(done.how === 'published' ? null : named(done.words, board));
    setSending(false);
  };
  const placed = new Set(planned.map(({ job }) => job));
  const without = board.jobs.filter(({ id, begun }) => !begun && !placed.has(id));
  return (
    <Card title="The shop’s plan">
      <Some items={without} first={SHOWN} idOf={({ id }) => id} name="jobs without a place">
        {(job) => (
          <Text tone="violation">
            {[`${job.number}, ${job.title}: not scheduled`, waitsWords(job)].filter(Boolean).join(' · ')}
          </Text>
        )}
      </Some>
      <Some
        items={board.notes}
        first={SHOWN}
        idOf={({ job, message }) => `${job} ${message}`}
        name="what no longer stands"
      >
        {({ job, message }) => (
          <Text tone="violation">{`${board.jobs.find(({ id }) => id === job)?.number ?? ''}: ${named(message, board)}`}</Text>
        )}
      </Some>
      {problem ? <Notice look="stop">{problem}</Notice> : null}
      {found?.answer ? (
        <View className="gap-2">
          <Text bold>{found.because ?? 'A plan was found'}</Text>
          <Text>
            {differenceWords(
              planDifference(
                { slots: planned, objective: found.answer.objective },
                { ...found.answer, objective: found.answer.objective },
              ),
            )}
          </Text>
          {found.answer.slots
            .filter((slot) => planned.find(({ job }) => job === slot.job)?.start !== slot.start)
            .map((slot) => (
              <Text key={slot.job} tone="soft">
                {board.jobs.find(({ id }) => id === slot.job)?.number ?? ''}
              </Text>
            ))}
          <Button tall look="act" label="Use this plan" disabled={sending} onPress={() => void take(found)} />
          <Button
            look="bare"
            label="Dismiss"
            onPress={() => void send('put-plan-aside', { run: found.id }, 'Discard a proposal')}
          />
        </View>
      ) : null}
      <Button
        label={searching ? 'Searching…' : board.version ? 'Re-plan everything' : 'Make a plan'}
        disabled={searching}
        onPress={() =>
          void send('ask-plan', { run: uuidv7(), how: 'anew', seconds: SEARCH_SECONDS }, 'Re-plan everything')
        }
      />
    </Card>
  );
}
