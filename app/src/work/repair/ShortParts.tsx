import type { PartsNeeded } from '@zealous-axle/core';
import { View } from 'react-native';
import { send } from '../../device/outbox';
import { dayName } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { LinkRow } from '../../parts/LinkRow';
import { Text } from '../../parts/Text';
import { useShortParts } from '../../server/queries';
import { useMaySend } from '../../session/may';
import { usePending } from './job/pending';

/** The order list: what open jobs need beyond what is there or ordered, and when it would be here. */
function ToOrder({ short }: Pick<PartsNeeded, 'short'>) {
  return (
    <Card title="To be ordered" note="Needed by open jobs beyond stock and orders. The most urgent job gets the stock.">
      {short.map(({ part, name, missing, jobs, on }) => (
        <View key={part} className="gap-1 border-t border-line pt-2">
          <Text bold>{`${missing} × ${name}`}</Text>
          <Text size="small" tone={on ? 'soft' : 'violation'}>
            {on ? `If ordered today, here ${dayName(on)}` : 'Not in the parts list: no lead time known'}
          </Text>
          {jobs.map(({ id, number }) => (
            <LinkRow key={id} href={`/job/${id}`} className="min-h-11 justify-center active:opacity-70">
              <Text tone="act">{`For ${number}: order it on the job’s page`}</Text>
            </LinkRow>
          ))}
        </View>
      ))}
    </Card>
  );
}

function OnItsWay({ coming }: { coming: PartsNeeded['coming'][number] }) {
  const { order, job, name, count, due, by, number, over } = coming;
  const mayReceive = useMaySend('receive-part');
  const came = usePending(job, 'receive-part').some((each) => each.order === order);
  if (came) return null;
  return (
    <View className="min-h-12 flex-row items-center gap-2 border-t border-line py-1">
      <View className="min-w-0 flex-1">
        <Text bold>{`${count} × ${name}`}</Text>
        <Text size="small" tone="soft">{`Expected ${dayName(due)}, ordered by ${by} for ${number}`}</Text>
        {over ? (
          <Text size="small" tone="violation">
            That job is closed. It goes to stock for the next job that needs it
          </Text>
        ) : null}
      </View>
      {mayReceive ? (
        <Button
          label="It is here"
          hint={`${name} for ${number}`}
          onPress={() => void send('receive-part', { job, order }, `${number}: ${count} × ${name} came`)}
        />
      ) : null}
    </View>
  );
}

/** What the parts room lacks, and what is on its way to it. */
export function ShortParts() {
  const { data } = useShortParts();
  return (
    <>
      {data?.short.length ? <ToOrder short={data.short} /> : null}
      {data?.coming.length ? (
        <Card title="On its way" note="Ordered and not here yet, the earliest first.">
          {data.coming.map((each) => (
            <OnItsWay key={each.order} coming={each} />
          ))}
        </Card>
      ) : null}
    </>
  );
}
