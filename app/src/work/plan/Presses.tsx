import type { Board, KeptSlot } from '@zealous-axle/core';
import type { Gain } from '@zealous-axle/core/plan';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { clock } from '../../look/dates';
import { minutesWords } from '../../look/minutes';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Some } from '../../parts/Some';
import { Text } from '../../parts/Text';
import { loadOf } from './load';
import type { Draft } from './useDraft';
import { type Names, named } from './words';

interface Props {
  board: Board;
  draft: Draft;
  names: Names;
  onChoose: (job: string) => void;
}

const last = (slots: readonly KeptSlot[]): string | null =>
  slots
    .map(({ end }) => end)
    .sort()
    .at(-1) ?? null;

/** Lines of one kind that stand there at first. */
const SHOWN = 10;

/** One line of what presses; pressed, it shows the job. */
const Line = ({ words, tone, onPress }: { words: string; tone: 'out' | 'violation'; onPress: () => void }) => (
  <Pressable role="button" onPress={onPress} className="min-h-11 justify-center border-t border-line active:opacity-70">
    <Text tone={tone}>{words}</Text>
  </Pressable>
);

/** What may not move, what leaves late if nothing is done, what has no place, and what would help most. */
export function Presses({ board, draft, names, onChoose }: Props) {
  const { zone } = board;
  const all = [...draft.begun, ...draft.slots];
  const [gains, setGains] = useState<readonly Gain[] | null>(null);
  const [asking, setAsking] = useState(false);
  const of = (unit: string) => {
    const ids = new Set(board.jobs.filter((job) => job.unit === unit).map(({ id }) => id));
    return all.filter(({ job }) => ids.has(job));
  };
  const held = [...new Map(board.jobs.filter((job) => job.held).map((job) => [job.unit, job])).values()];
  const late = board.jobs.filter((job) => {
    const until = last(all.filter((slot) => slot.job === job.id));
    return job.leaves !== null && (until === null || until > job.leaves.at);
  });
  const helps = async () => {
    setAsking(true);
    setGains((await draft.gains()?.catch(() => [])) ?? []);
    setAsking(false);
  };
  return (
    <Card title="Needs attention">
      <Some items={held} first={SHOWN} idOf={({ unit }) => unit} name="held units">
        {(job) => {
          const until = last(of(job.unit));
          const words = `${job.number} is held: ${until ? `its work ends ${clock(until, zone)}` : 'not scheduled yet'}`;
          return <Line tone="out" words={words} onPress={() => onChoose(job.id)} />;
        }}
      </Some>
      <Some items={late} first={SHOWN} idOf={({ id }) => id} name="units that leave late">
        {(job) => {
          const until = last(all.filter((slot) => slot.job === job.id));
          const done = until ? `and is done ${clock(until, zone)}` : 'and is not scheduled';
          const words = `${job.number} leaves ${clock(job.leaves?.at ?? '', zone)}${job.leaves?.madeUp ? ' (made up)' : ''}, ${done}`;
          return <Line tone="violation" words={words} onPress={() => onChoose(job.id)} />;
        }}
      </Some>
      <Some
        items={board.notes}
        first={SHOWN}
        idOf={({ job, message }) => `${job} ${message}`}
        name="what no longer stands"
      >
        {({ job, message }) => (
          <Line tone="violation" words={`${names.job(job)}: ${named(message, board)}`} onPress={() => onChoose(job)} />
        )}
      </Some>
      {held.length + late.length + board.notes.length === 0 ? (
        <Text tone="soft">Nothing is on hold or late, and the whole plan still works.</Text>
      ) : null}
      {draft.slots.length ? (
        <Button
          label={asking ? 'Planning again with one more hour…' : 'What would help most?'}
          disabled={asking}
          onPress={() => void helps()}
        />
      ) : null}
      <Some
        items={gains ?? []}
        first={SHOWN}
        idOf={({ of: whose }) => JSON.stringify(whose)}
        name="hours that would help"
      >
        {(gain) => (
          <Text>
            {`One hour more of ${'bay' in gain.of ? names.bay(gain.of.bay) : names.person(gain.of.technician)}: ${gainWords(gain)}`}
          </Text>
        )}
      </Some>
      {gains?.length === 0 ? <Text tone="soft">One more hour of any person or bay would not help.</Text> : null}
    </Card>
  );
}

const gainWords = ({ terms }: Gain): string => {
  const less = (minutes: number, words: string) =>
    minutes > 0 ? [`${minutesWords(Math.round(minutes))} less ${words}`] : [];
  const all = [
    ...less(terms.heldMinutes, 'held'),
    ...less(terms.weightedLateness, 'late'),
    ...less(terms.makespanMinutes, 'until all done'),
  ];
  return all.join(', ') || 'a little less setup';
};

/** How full each bay and person is today and tomorrow. */
export function Load({ board, slots }: { board: Board; slots: readonly KeptSlot[] }) {
  const rows = loadOf(board, slots);
  return (
    <Card title="Load, today and tomorrow">
      {rows.map(({ id, name, days }) => (
        <View key={id} className="flex-row items-center gap-2">
          <Text size="small" className="w-32" numberOfLines={1}>
            {name}
          </Text>
          {days.map(({ day, booked, open }) => (
            <View
              key={day}
              role="img"
              aria-label={`${name}, ${day}: ${minutesWords(booked)} of ${minutesWords(open)}`}
              className="h-6 min-w-0 flex-1 justify-center overflow-hidden rounded border border-line bg-raised"
            >
              <View
                className={`absolute inset-y-0 left-0 ${booked > open ? 'bg-out-tint' : 'bg-within-tint'}`}
                style={{ width: `${open ? Math.min(100, (booked / open) * 100) : 0}%` }}
              />
              <Text size="small" className="px-1" numberOfLines={1}>
                {open ? `${hours(booked)} of ${hours(open)}` : 'not there'}
              </Text>
            </View>
          ))}
        </View>
      ))}
    </Card>
  );
}

const hours = (minutes: number): string => `${(minutes / 60).toFixed(1).replace('.0', '')} h`;
