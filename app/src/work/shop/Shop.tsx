import type { RoadState, Shop as ShopData } from '@zealous-axle/core';
import { router } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { clock, dayName } from '../../look/dates';
import { useWide } from '../../look/wide';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { LinkRow } from '../../parts/LinkRow';
import { Loaded } from '../../parts/Loaded';
import { Notice } from '../../parts/Notice';
import { Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { useDefectPages, useJobPages, useLapsed, useShop, useTriagePages } from '../../server/queries';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { Triage } from '../defects/triage/Triage';
import { Board } from '../repair/Board';
import { ToRepair } from '../repair/MakeJob';
import { LapsedRetorques } from '../repair/Retorques';
import { ToMeasure } from '../repair/ToMeasure';

const HELP_WORDS: Record<RoadState, string> = {
  asked: 'not answered yet',
  accepted: 'on its way',
  arrived: 'at work',
  done: 'has reported back',
  refused: 'refused',
  cancelled: 'no longer needed',
};

type Pages = ReturnType<typeof useTriagePages> | ReturnType<typeof useDefectPages> | ReturnType<typeof useJobPages>;

/** A list of the shop with how many there are, and the next page of it. */
function Column({
  title,
  total,
  pages,
  children,
}: {
  title: string;
  total: number;
  pages: Pages;
  children: ReactNode;
}) {
  return (
    <Card title={`${title} (${total})`}>
      {children}
      {pages.hasNextPage ? (
        <Button
          label={pages.isFetchingNextPage ? 'Reading…' : 'Show more'}
          disabled={pages.isFetchingNextPage}
          onPress={() => void pages.fetchNextPage()}
        />
      ) : null}
    </Card>
  );
}

/** Calls for help that are not over: those that nobody answered stand out. */
function Help({ shop: { help } }: { shop: ShopData }) {
  const { fleet } = useSession();
  if (help.length === 0) return null;
  return (
    <Card title={`Roadside calls (${help.length})`}>
      {help.map(({ id, unit, place, asked, state, way }) => {
        const words = `${unit.number}, ${place}: ${HELP_WORDS[state]}${way === 'made-up' ? ' (made up)' : ''}. Asked by ${asked.by}, ${clock(asked.at, fleet.zone)}`;
        return (
          <LinkRow key={id} href={`/road/${unit.id}`} className="min-h-11 justify-center border-t border-line">
            {state === 'asked' ? <Notice look="stop">{words}</Notice> : <Text>{words}</Text>}
          </LinkRow>
        );
      })}
    </Card>
  );
}

/** The questions whose answers stand one below the other. */
const useColumns = () => ({
  reported: useTriagePages(),
  lapsed: useLapsed(),
  measuring: useDefectPages('measuring'),
  triaged: useDefectPages('triaged'),
  jobs: useJobPages(),
});

function Columns({
  shop,
  columns: { reported, triaged, jobs },
}: {
  shop: ShopData;
  columns: ReturnType<typeof useColumns>;
}) {
  const may = useMaySend('triage-defect');
  const wide = useWide();
  const { totals } = shop;
  const drawn = [
    <Column key="triage" title="Reports to review" total={totals.reported} pages={reported}>
      <LapsedRetorques may={may} />
      <Loaded query={reported}>
        {({ pages }) => <Triage groups={pages.flatMap(({ groups }) => groups)} may={may} today={shop.today} />}
      </Loaded>
      <ToMeasure />
    </Column>,
    <Column key="repair" title="Needs a job" total={totals.triaged} pages={triaged}>
      <Loaded query={triaged}>
        {({ pages }) => <ToRepair defects={pages.flatMap(({ defects }) => defects)} mayPlan={may} />}
      </Loaded>
    </Column>,
    <Column key="jobs" title="Jobs" total={totals.jobs} pages={jobs}>
      <Loaded query={jobs}>
        {({ pages }) => <Board bays={shop.bays} today={shop.today} jobs={pages.flatMap((page) => page.jobs)} />}
      </Loaded>
    </Column>,
  ];
  if (!wide)
    return (
      <>
        <Help shop={shop} />
        {drawn}
      </>
    );
  return (
    <>
      <Help shop={shop} />
      <View className="flex-row items-start gap-4">
        {drawn.map((column) => (
          <View key={column.key} className="min-w-0 flex-1">
            {column}
          </View>
        ))}
      </View>
    </>
  );
}

/** What the shop has before it: reports to answer, defects without a job, jobs by day and bay. */
export function Shop() {
  const query = useShop();
  const columns = useColumns();
  return (
    <Screen
      title="Shop"
      under={query.data ? dayName(query.data.today) : undefined}
      right={
        <>
          <Button look="bare" label="Forecast" onPress={() => router.navigate('/forecast')} />
          <Button look="bare" label="Plan" onPress={() => router.navigate('/plan')} />
          <Button look="bare" label="Search" hint="repairs" onPress={() => router.navigate('/repairs')} />
        </>
      }
    >
      <Loaded query={query} beside={Object.values(columns)}>
        {(shop) => <Columns shop={shop} columns={columns} />}
      </Loaded>
    </Screen>
  );
}
