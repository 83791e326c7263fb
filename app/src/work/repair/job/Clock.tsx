import { CLOCK_REASONS, type ClockReason, type JobPage, LEFT_ON_HOURS } from '@zealous-axle/core';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../../device/outbox';
import { clock } from '../../../look/dates';
import { minutesWords } from '../../../look/minutes';
import { Button } from '../../../parts/Button';
import { Drawer } from '../../../parts/Drawer';
import { Notice } from '../../../parts/Notice';
import { Stepper } from '../../../parts/Stepper';
import { Text } from '../../../parts/Text';
import { useSession } from '../../../session/session';
import { usePending } from './pending';

const MINUTE_MS = 60_000;
const QUARTER = 15;
const ASKED: readonly ClockReason[] = CLOCK_REASONS.filter((each) => each !== 'another job' && each !== 'done');

/** This minute, told anew each minute. */
function useNow(): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), MINUTE_MS / 4);
    return () => clearInterval(timer);
  }, []);
  return now;
}

const minutesOf = ({ from, to }: JobPage['times'][number], now: number): number =>
  Math.max(0, Math.round(((to ? Date.parse(to) : now) - Date.parse(from)) / MINUTE_MS));

/** Time on a job, a person each: started, paused with why, and put right where it was left on. */
export function Clock({ page, may }: { page: JobPage; may: boolean }) {
  const { person, fleet } = useSession();
  const { job, times } = page;
  const now = useNow();
  const [asking, setAsking] = useState(false);
  const [quarters, setQuarters] = useState(4);
  const minutes = quarters * QUARTER;
  const starts = usePending(job.id, 'clock-on');
  const stops = usePending(job.id, 'clock-off').map(({ time }) => time);
  const running = times.find(({ person: who, to, id }) => who.id === person.id && to === null && !stops.includes(id));
  const begun = starts.filter(({ time }) => !stops.includes(time) && times.every(({ id }) => id !== time)).at(-1);
  const own = running?.id ?? begun?.time ?? null;
  const leftOn = running !== undefined && minutesOf(running, now) > LEFT_ON_HOURS * 60;
  const start = () => void send('clock-on', { job: job.id, time: uuidv7() }, `${job.unit.number}: clocked in`);
  const stop = (because: ClockReason) => {
    setAsking(false);
    if (own)
      void send(
        'clock-off',
        { job: job.id, time: own, because, ...(leftOn ? { minutes } : {}) },
        `${job.unit.number}: clocked out, ${because}`,
      );
  };
  const sum = times.reduce((all, time) => all + minutesOf(time, now), 0);
  if (!may && times.length === 0) return null;
  return (
    <View className="gap-2">
      <Text bold>{`Time on it: ${minutesWords(sum)}, planned ${minutesWords(job.minutes)}`}</Text>
      {times.map((time) => (
        <Text key={time.id} size="small" tone="soft">
          {`${time.person.name}: ${minutesWords(minutesOf(time, now))} from ${clock(time.from, fleet.zone)}${time.because ? `, ${time.because}` : ', running'}`}
        </Text>
      ))}
      {may && own ? <Button label="Stop my clock…" onPress={() => setAsking(true)} /> : null}
      {may && !own ? <Button label="Start my clock" onPress={start} /> : null}
      {asking ? (
        <Drawer title="Stop my clock" onClose={() => setAsking(false)}>
          {leftOn ? (
            <>
              <Notice look="ask">{`It has run for more than ${LEFT_ON_HOURS} hours. Enter how long you worked.`}</Notice>
              <Stepper
                label={`Time worked: ${minutesWords(minutes)}`}
                value={quarters}
                least={1}
                most={LEFT_ON_HOURS * 4}
                onChange={setQuarters}
              />
            </>
          ) : null}
          {ASKED.map((because) => (
            <Button
              key={because}
              tall
              label={because.charAt(0).toUpperCase() + because.slice(1)}
              onPress={() => stop(because)}
            />
          ))}
        </Drawer>
      ) : null}
    </View>
  );
}
