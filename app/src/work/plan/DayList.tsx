import { type Board, type BoardJob, dayIn, type KeptSlot } from '@zealous-axle/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { clock, dayName } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { LinkRow } from '../../parts/LinkRow';
import { leavesWords } from '../../parts/leaves';
import { Text } from '../../parts/Text';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { type Names, namesOf, waitsWords } from './words';

interface Item {
  job: BoardJob;
  slot: KeptSlot;
}

const hour = (instant: string, zone: string): string => clock(instant, zone).split(', ')[1] ?? '';

/** A job of the day: when, where, with whom, whether its parts are ready; begun, paused and finished from here. */
function DayItem({
  item: { job, slot },
  board,
  names,
  next,
}: {
  item: Item;
  board: Board;
  names: Names;
  next: boolean;
}) {
  const { person } = useSession();
  const may = useMaySend('start-job');
  const mine = job.working.includes(person.id);
  const with_ = slot.technicians.filter((id) => id !== person.id).map(names.person);
  const label = `${job.number}, ${job.title}`;
  const [sent, setSent] = useState(false);
  const begin = () => {
    if (sent) return;
    setSent(true);
    void send('clock-on', { job: job.id, time: uuidv7() }, `Work on ${label}`);
  };
  return (
    <View className={`gap-2 rounded-xl border bg-raised p-3 ${next ? 'border-2 border-act' : 'border-line'}`}>
      <LinkRow href={`/job/${job.id}`} className="min-h-12 gap-0.5 active:opacity-70">
        <View className="flex-row items-baseline justify-between gap-2">
          <Text reading bold size="lead">
            {`${hour(slot.start, board.zone)}–${hour(slot.end, board.zone)}`}
          </Text>
          <Text tone={job.begun ? 'within' : job.held ? 'out' : 'soft'} bold={job.begun || job.held}>
            {job.begun ? 'at work' : job.held ? 'held' : next ? 'next' : ''}
          </Text>
        </View>
        <Text bold>{label}</Text>
        <Text tone="soft">
          {[slot.bay ? names.bay(slot.bay) : 'no bay', with_.length ? `with ${with_.join(' and ')}` : '']
            .filter(Boolean)
            .join(' · ')}
        </Text>
        <Text tone={job.waits ? 'violation' : 'within'}>{waitsWords(job) ?? 'Parts ready'}</Text>
        {job.leaves ? (
          <Text tone={slot.end > job.leaves.at ? 'violation' : 'soft'}>{leavesWords(job.leaves, board.zone)}</Text>
        ) : null}
      </LinkRow>
      {may && (next || job.begun) ? (
        <View className="flex-row gap-2">
          {job.begun && !mine ? (
            <Button tall className="grow" look="act" label="Clock on" hint={label} disabled={sent} onPress={begin} />
          ) : null}
          <LinkRow
            href={`/job/${job.id}`}
            className="min-h-14 grow items-center justify-center rounded-xl border-2 border-act bg-card px-3"
          >
            <Text bold tone="act">
              {job.begun ? 'Pause or finish' : 'Begin'}
            </Text>
          </LinkRow>
        </View>
      ) : null}
    </View>
  );
}

/** The plan day by day, on a phone: one's own jobs first, everybody's for whoever leads. */
export function DayList({ board }: { board: Board }) {
  const { person } = useSession();
  const names = useMemo(() => namesOf(board), [board]);
  const planned = board.people.some(({ id }) => id === person.id);
  const [whose, setWhose] = useState<'mine' | 'all'>(planned ? 'mine' : 'all');
  const items = useMemo(() => {
    const jobs = new Map(board.jobs.map((job) => [job.id, job]));
    return board.slots
      .flatMap((slot): Item[] => {
        const job = jobs.get(slot.job);
        return job ? [{ job, slot }] : [];
      })
      .sort((a, b) => (a.slot.start < b.slot.start ? -1 : 1));
  }, [board]);
  const here = whose === 'mine' ? items.filter(({ slot }) => slot.technicians.includes(person.id)) : items;
  const next = here.find(({ job }) => !job.begun)?.job.id;
  const days = [...new Set(here.map(({ slot }) => dayIn(board.zone, slot.start)))];
  const today = dayIn(board.zone, board.now);
  return (
    <>
      {planned ? (
        <Choice
          hideLabel
          label="Whose jobs"
          options={[
            { value: 'mine', label: 'My day' },
            { value: 'all', label: 'Everybody’s' },
          ]}
          value={whose}
          onChange={setWhose}
        />
      ) : null}
      {here.length === 0 ? (
        <Card>
          <Text tone="soft">
            {board.version === 0
              ? 'No plan yet. The foreman makes it on a wide screen, or here with “Make a plan”.'
              : whose === 'mine'
                ? 'Nothing is planned for you. See everyone’s jobs alongside.'
                : 'Nothing is planned.'}
          </Text>
        </Card>
      ) : null}
      {days.map((day) => (
        <Card key={day} title={day === today ? `Today, ${dayName(day)}` : dayName(day)}>
          {here
            .filter(({ slot }) => dayIn(board.zone, slot.start) === day)
            .map((item) => (
              <DayItem key={item.job.id} item={item} board={board} names={names} next={item.job.id === next} />
            ))}
        </Card>
      ))}
    </>
  );
}
