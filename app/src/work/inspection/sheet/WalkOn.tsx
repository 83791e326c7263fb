import { useQueries } from '@tanstack/react-query';
import type { UnitPage } from '@zealous-axle/core';
import { View } from 'react-native';
import { clock } from '../../../look/dates';
import { Card } from '../../../parts/Card';
import { Text } from '../../../parts/Text';
import { unitQuery, useUnit } from '../../../server/queries';
import { useSession } from '../../../session/session';
import { InspectButton } from '../InspectButton';

/** Another unit of the combination, when it was walked last, and its own walk. */
function Other({ unit }: { unit: UnitPage }) {
  const { fleet } = useSession();
  const [last] = unit.inspections;
  return (
    <View className="flex-row flex-wrap items-center gap-2 border-t border-line pt-2">
      <View className="min-w-40 flex-1">
        <Text bold>{`${unit.number}  ${unit.body}`}</Text>
        <Text size="small" tone="soft">
          {last ? `Last started ${clock(last.startedAt, fleet.zone)} by ${last.by}` : 'Never inspected here'}
        </Text>
      </View>
      <InspectButton unit={unit} />
    </View>
  );
}

/** What the unit runs with: a walk goes round all of it. */
export function WalkOn({ unit: id }: { unit: string }) {
  const { data } = useUnit(id);
  const others = data?.combination.filter((each) => each.id !== id) ?? [];
  const queries = useQueries({ queries: others.map((each) => unitQuery(each.id)) });
  const units = queries.flatMap((query) => query.data ?? []);
  if (units.length === 0) return null;
  return (
    <Card title="The rest of the combination" note="A walk-around covers everything hooked together">
      {units.map((unit) => (
        <Other key={unit.id} unit={unit} />
      ))}
    </Card>
  );
}
