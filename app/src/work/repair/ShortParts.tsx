import { View } from 'react-native';
import { dayName } from '../../look/dates';
import { Card } from '../../parts/Card';
import { LinkRow } from '../../parts/LinkRow';
import { Text } from '../../parts/Text';
import { useShortParts } from '../../server/queries';

/** The order list: what open jobs need beyond what is there or ordered, and when it would be here. */
export function ShortParts() {
  const { data } = useShortParts();
  if (!data?.short.length) return null;
  return (
    <Card
      title="To be ordered"
      note="What open jobs need beyond what is there or on its way; the most pressing job has the stock."
    >
      {data.short.map(({ part, name, missing, jobs, on }) => (
        <View key={part} className="gap-1 border-t border-line pt-2">
          <Text bold>{`${missing} × ${name}`}</Text>
          <Text size="small" tone={on ? 'soft' : 'violation'}>
            {on
              ? `Ordered today it is here ${dayName(on)}`
              : 'The parts room does not know it: nobody knows when it comes'}
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
