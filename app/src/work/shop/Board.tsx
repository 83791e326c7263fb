import type { JobView, Shop } from '@zealous-axle/core';
import { View } from 'react-native';
import { dayName } from '../../look/dates';
import { T } from '../../parts/T';
import { To } from '../../parts/To';
import { minutesWords } from './MakeJob';

const STATE_WORDS: Record<JobView['state'], string> = {
  open: 'not placed',
  placed: 'planned',
  started: 'being done',
  done: 'to certify',
  certified: 'certified',
  cancelled: 'cancelled',
};

function JobRow({ job }: { job: JobView }) {
  return (
    <To
      href={`/job/${job.id}`}
      className="min-h-14 justify-center gap-0.5 rounded-xl border border-line bg-raised px-3 py-2 active:opacity-70"
    >
      <T bold>
        <T bold>{job.unit.number}</T>
        {`  ${job.title}`}
      </T>
      <T size="small" tone="soft">
        {`${STATE_WORDS[job.state]} · ${minutesWords(job.minutes)}${job.wheelsOff ? ' · wheels off' : ''}`}
      </T>
    </To>
  );
}

/** Jobs by day and bay, the unplaced ones first. */
export function Board({ shop }: { shop: Shop }) {
  const unplaced = shop.jobs.filter(({ day }) => day === null);
  const days = [...new Set(shop.jobs.flatMap(({ day }) => day ?? []))].sort();
  return (
    <View className="gap-4">
      {shop.jobs.length === 0 ? <T tone="soft">No job is open.</T> : null}
      {unplaced.length ? (
        <View className="gap-2">
          <T bold tone="violation">
            Not on a day yet
          </T>
          {unplaced.map((job) => (
            <JobRow key={job.id} job={job} />
          ))}
        </View>
      ) : null}
      {days.map((day) => (
        <View key={day} className="gap-2">
          <T level={3} bold>
            {day === shop.today ? `Today, ${dayName(day)}` : day < shop.today ? `${dayName(day)}, past` : dayName(day)}
          </T>
          {shop.bays
            .map((bay) => ({ bay, jobs: shop.jobs.filter((job) => job.day === day && job.bay?.id === bay.id) }))
            .filter(({ jobs }) => jobs.length)
            .map(({ bay, jobs }) => (
              <View key={bay.id} className="gap-1 border-l-4 border-act pl-3">
                <View className="flex-row justify-between">
                  <T size="small" bold>
                    {bay.name}
                  </T>
                  <T size="small" tone="soft">
                    {minutesWords(jobs.reduce((sum, { minutes }) => sum + minutes, 0))}
                  </T>
                </View>
                {jobs.map((job) => (
                  <JobRow key={job.id} job={job} />
                ))}
              </View>
            ))}
        </View>
      ))}
    </View>
  );
}
