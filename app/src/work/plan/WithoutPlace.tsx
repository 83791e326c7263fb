import type { Board, KeptSlot } from '@zealous-axle/core';
import { View } from 'react-native';
import { LinkRow } from '../../parts/LinkRow';
import { Text } from '../../parts/Text';
import { named, waitsWords } from './words';

interface Props {
  board: Board;
  slots: readonly KeptSlot[];
  unplaced: readonly { job: string; reason: string }[];
}

/** Jobs that stand nowhere in the plan, and why where a search said so: they are never left out in silence. */
export function WithoutPlace({ board, slots, unplaced }: Props) {
  const placed = new Set(slots.map(({ job }) => job));
  const jobs = board.jobs.filter(({ id }) => !placed.has(id));
  if (jobs.length === 0) return null;
  return (
    <View className="max-h-40 gap-1 border-t border-line bg-card px-3 py-2">
      <Text bold>{`No place in the plan (${jobs.length})`}</Text>
      {jobs.map((job) => {
        const { id, number, title } = job;
        const why = unplaced.find(({ job }) => job === id)?.reason;
        return (
          <LinkRow key={id} href={`/job/${id}`} className="min-h-11 justify-center active:opacity-70">
            <Text>
              <Text bold>{number}</Text>
              {`  ${title}`}
              <Text tone="violation">
                {[why && named(why, board), waitsWords(job)]
                  .filter(Boolean)
                  .map((words) => ` · ${words}`)
                  .join('')}
              </Text>
            </Text>
          </LinkRow>
        );
      })}
    </View>
  );
}
