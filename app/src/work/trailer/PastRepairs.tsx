import { View } from 'react-native';
import { moneyText } from '../../look/money';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Text } from '../../parts/Text';
import { pastRepairs, usePages } from '../../server/queries';

/** Repairs of before this program, as the shop's own list told them; nothing where no list did. */
export function PastRepairs({ unit }: { unit: string }) {
  const { data, hasNextPage, fetchNextPage } = usePages(['unit', unit, 'past-repairs'], (key) =>
    pastRepairs(unit, key),
  );
  const rows = data?.pages.flatMap(({ repairs }) => repairs) ?? [];
  if (rows.length === 0) return null;
  return (
    <Card title="Earlier repairs" note="As the shop’s own list has them: not measured or certified here.">
      {rows.map(({ id, day, work, by, meter, cost, list, movedBy }) => (
        <View key={id} className="gap-1 border-t border-line py-2">
          <Text bold>{`${day}  ${work}`}</Text>
          <Text size="small" tone="soft">
            {[by, meter, cost === null ? null : moneyText(cost), `${list}, moved in by ${movedBy}`]
              .filter(Boolean)
              .join(' · ')}
          </Text>
        </View>
      ))}
      {hasNextPage ? <Button label="Show older" onPress={() => void fetchNextPage()} /> : null}
    </Card>
  );
}
