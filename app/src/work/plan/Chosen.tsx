import type { Board, KeptSlot } from '@zealous-axle/core';
import type { Explanation } from '@zealous-axle/core/plan';
import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { clock } from '../../look/dates';
import { minutesWords } from '../../look/minutes';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { leavesWords } from '../../parts/leaves';
import { Text } from '../../parts/Text';
import type { Draft } from './useDraft';
import { bindingWords, type Names, waitsWords } from './words';

interface Props {
  board: Board;
  draft: Draft;
  slot: KeptSlot;
  names: Names;
  mayChange: boolean;
  onClose: () => void;
}

const QUARTER_MS = 15 * 60_000;

/** One job of the plan: where it stands and why, and what can be done with it without dragging. */
export function Chosen({ board, draft, slot, names, mayChange, onClose }: Props) {
  const job = board.jobs.find(({ id }) => id === slot.job);
  const [why, setWhy] = useState<Explanation | null>(null);
  const { explain } = draft;
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again when the slots change, not when the hook is drawn again.
  useEffect(() => {
    let still = true;
    void explain()
      ?.then((all) => still && setWhy(all.find((each) => each.job === slot.job) ?? null))
      .catch(() => undefined);
    return () => {
      still = false;
    };
  }, [slot, draft.slots]);
  if (!job) return null;
  const by = (minutes: number) => new Date(Date.parse(slot.start) + minutes).toISOString();
  const unitOf = (trailer: string) => board.jobs.find(({ unit }) => unit === trailer)?.number ?? 'another unit';
  const move = (more: Partial<Pick<KeptSlot, 'bay' | 'technicians' | 'start'>>) =>
    void draft.move(slot.job, { bay: slot.bay, technicians: slot.technicians, start: slot.start, ...more });
  return (
    <Card title={names.job(slot.job)}>
      <Text>{`${clock(slot.start, board.zone)} to ${clock(slot.end, board.zone)}`}</Text>
      <Text>{`${slot.bay ? names.bay(slot.bay) : 'No bay'} · ${slot.technicians.map(names.person).join(' and ')}`}</Text>
      {job.size ? <Text tone="soft">{`${job.number}: ${job.size}`}</Text> : null}
      {slot.setupMinutes ? <Text tone="soft">{`Includes ${minutesWords(slot.setupMinutes)} setup`}</Text> : null}
      {job.leaves ? (
        <Text tone={slot.end > job.leaves.at ? 'violation' : 'soft'}>{leavesWords(job.leaves, board.zone)}</Text>
      ) : null}
      {job.waits ? <Text tone="violation">{waitsWords(job)}</Text> : null}
      {job.begun ? (
        <Text tone="within">{`Started. It will not be moved. ${job.working.length ? `${job.working.map(names.person).join(' and ')} at work.` : 'No one is clocked in.'}`}</Text>
      ) : null}
      {why?.binding.map((each) => (
        <Text key={JSON.stringify(each)}>{bindingWords(each, names, unitOf)}</Text>
      ))}
      {why?.shares.length ? (
        <Text>{`Wheels come off once for this and ${why.shares.map(names.job).join(', ')}.`}</Text>
      ) : null}
      {mayChange && !job.begun ? (
        <View className="flex-row flex-wrap gap-2">
          <Button
            label="Earlier"
            hint="a quarter of an hour"
            disabled={draft.busy}
            onPress={() => move({ start: by(-QUARTER_MS) })}
          />
          <Button
            label="Later"
            hint="a quarter of an hour"
            disabled={draft.busy}
            onPress={() => move({ start: by(QUARTER_MS) })}
          />
          <Button label={slot.pinned ? 'Unpin' : 'Pin here'} onPress={() => draft.setPinned(slot.job, !slot.pinned)} />
        </View>
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        <Button label="Open the job" onPress={() => router.navigate(`/job/${slot.job}`)} />
        <Button look="bare" label="Close" onPress={onClose} />
      </View>
    </Card>
  );
}
