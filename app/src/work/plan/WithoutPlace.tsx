import type { Board, KeptSlot } from '@zealous-axle/core';
import { ScrollView } from 'react-native';
import { dayName } from '../../look/dates';
import { LinkRow } from '../../parts/LinkRow';
import { Some } from '../../parts/Some';
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
  const without = board.jobs.filter(({ id }) => !placed.has(id));
  const [put, jobs] = [without.filter(({ putOn }) => putOn), without.filter(({ putOn }) => !putOn)];
  if (without.length === 0) return null;
  const bayOf = (id: string) => board.bays.find((bay) => bay.id === id)?.name ?? 'a bay that is gone';
  return (
    <ScrollView
      className="max-h-44 shrink-0 grow-0 border-t border-line bg-card"
      contentContainerClassName="gap-1 px-3 py-2"
    >
      {put.length ? (
        <>
          <Text bold>{`On a day by hand, no hour yet (${put.length})`}</Text>
          <Some items={put} first={12} idOf={({ id }) => id} name="jobs put on a day by hand">
            {({ id, number, title, putOn }) => (
              <LinkRow href={`/job/${id}`} className="min-h-11 justify-center active:opacity-70">
                <Text>
                  <Text bold>{number}</Text>
                  {`  ${title} · ${putOn ? `${bayOf(putOn.bay)}, ${dayName(putOn.day)}` : ''}`}
                </Text>
              </LinkRow>
            )}
          </Some>
        </>
      ) : null}
      {jobs.length ? <Text bold>{`Not scheduled (${jobs.length})`}</Text> : null}
      <Some items={jobs} first={12} idOf={({ id }) => id} name="jobs without a place">
        {(job) => {
          const why = unplaced.find((each) => each.job === job.id)?.reason;
          const notes = [why && named(why, board), waitsWords(job)].filter(Boolean).map((words) => ` · ${words}`);
          return (
            <LinkRow href={`/job/${job.id}`} className="min-h-11 justify-center active:opacity-70">
              <Text>
                <Text bold>{job.number}</Text>
                {`  ${job.title}`}
                <Text tone="violation">{notes.join('')}</Text>
              </Text>
            </LinkRow>
          );
        }}
      </Some>
    </ScrollView>
  );
}
