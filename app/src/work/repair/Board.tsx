import type { JobView, Shop } from '@zealous-axle/core';
import { View } from 'react-native';
import { dayName } from '../../look/dates';
import { minutesWords } from '../../look/minutes';
import { LinkRow } from '../../parts/LinkRow';
import { Text } from '../../parts/Text';
import { onHoldWords } from './words';

const STATE_WORDS: Record<JobView['state'], string> = {
  open: 'not scheduled',
  placed: 'planned',
  started: 'being done',
  done: 'to certify',
  certified: 'certified',
  cancelled: 'cancelled',
};

function JobRow({ job }: { job: JobView }) {
  return (
    <LinkRow
      href={`/job/${job.id}`}
      className="min-h-14 justify-center gap-0.5 rounded-xl border border-line bg-raised px-3 py-2 active:opacity-70"
    >
      <Text bold>
        <Text bold>{job.unit.number}</Text>
        {`  ${job.title}`}
      </Text>
      <Text size="small" tone="soft">
        {`${STATE_WORDS[job.state]} · ${minutesWords(job.minutes)}${job.wheelsOff ? ' · wheels off' : ''}`}
      </Text>
      {job.waits.length ? (
        <Text size="small" tone="violation">
          {onHoldWords(job)}
        </Text>
      ) : null}
    </LinkRow>
  );
}

/** Jobs by day and bay, the unplaced ones first. */
export function Board({ bays, today, jobs }: { bays: Shop['bays']; today: string; jobs: readonly JobView[] }) {
  const unplaced = jobs.filter(({ day }) => day === null);
  const days = [...new Set(jobs.flatMap(({ day }) => day ?? []))].sort();
  return (
    <View className="gap-4">
      {jobs.length === 0 ? <Text tone="soft">No open jobs.</Text> : null}
      {unplaced.length ? (
        <View className="gap-2">
          <Text bold tone="violation">
            Not scheduled yet
          </Text>
          {unplaced.map((job) => (
            <JobRow key={job.id} job={job} />
          ))}
        </View>
      ) : null}
      {days.map((day) => (
        <View key={day} className="gap-2">
          <Text level={3} bold>
            {day === today ? `Today, ${dayName(day)}` : day < today ? `${dayName(day)}, past` : dayName(day)}
          </Text>
          {bays
            .map((bay) => ({ bay, here: jobs.filter((job) => job.day === day && job.bay?.id === bay.id) }))
            .filter(({ here }) => here.length)
            .map(({ bay, here }) => (
              <View key={bay.id} className="gap-1 border-l-4 border-act pl-3">
                <View className="flex-row justify-between">
                  <Text size="small" bold>
                    {bay.name}
                  </Text>
                  <Text size="small" tone="soft">
                    {minutesWords(here.reduce((sum, { minutes }) => sum + minutes, 0))}
                  </Text>
                </View>
                {here.map((job) => (
                  <JobRow key={job.id} job={job} />
                ))}
              </View>
            ))}
        </View>
      ))}
    </View>
  );
}
