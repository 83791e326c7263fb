import type { Shop as ShopData } from '@zealous-axle/core';
import { View } from 'react-native';
import { dayName } from '../../look/dates';
import { useWide } from '../../look/wide';
import { Card } from '../../parts/Card';
import { Loaded } from '../../parts/Loaded';
import { Screen } from '../../parts/Screen';
import { useShop } from '../../server/queries';
import { useMaySend } from '../../session/session';
import { Board } from './Board';
import { ToRepair } from './MakeJob';
import { Triage } from './Triage';

function Parts({ shop }: { shop: ShopData }) {
  const may = useMaySend('triage-defect');
  const wide = useWide();
  const reported = shop.defects.filter(({ state }) => state === 'reported');
  const triaged = shop.defects.filter(({ state }) => state === 'triaged');
  const columns = [
    <Card key="triage" title={`Reports to answer (${reported.length})`}>
      <Triage defects={reported} mayTriage={may} />
    </Card>,
    <Card key="repair" title={`To be repaired (${triaged.length})`}>
      <ToRepair defects={triaged} mayPlan={may} />
    </Card>,
    <Card key="jobs" title={`Jobs (${shop.jobs.length})`}>
      <Board shop={shop} />
    </Card>,
  ];
  if (!wide) return <>{columns}</>;
  return (
    <View className="flex-row items-start gap-4">
      {columns.map((column) => (
        <View key={column.key} className="min-w-0 flex-1">
          {column}
        </View>
      ))}
    </View>
  );
}

/** What the shop has before it: reports to answer, defects without a job, jobs by day and bay. */
export function Shop() {
  const query = useShop();
  return (
    <Screen title="Shop" under={query.data ? dayName(query.data.today) : undefined}>
      <Loaded query={query}>{(shop) => <Parts shop={shop} />}</Loaded>
    </Screen>
  );
}
