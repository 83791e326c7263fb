import type { YardRow } from '@zealous-axle/core';
import { Redirect, useLocalSearchParams } from 'expo-router';
import { type ComponentType, useEffect, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { dayOf, daysBetween, dueWords } from '../../look/dates';
import { useWide } from '../../look/wide';
import { Choice } from '../../parts/Choice';
import { LinkRow } from '../../parts/LinkRow';
import { Loaded } from '../../parts/Loaded';
import { Screen } from '../../parts/Screen';
import { Search } from '../../parts/Search';
import { Text } from '../../parts/Text';
import { VerdictBadge, VerdictMark } from '../../parts/VerdictMark';
import { readAhead, useYard, type Yard as YardData } from '../../server/queries';
import { useSession } from '../../session/session';

const FILTERS = [
  { value: 'all', label: 'All' },
  { value: 'held', label: 'Held' },
  { value: 'defects', label: 'Defects' },
  { value: 'due', label: 'Due' },
] as const;
type Filter = (typeof FILTERS)[number]['value'];

const DUE_SOON_DAYS = 14;
const isDue = (row: YardRow, today: string) => row.due !== null && daysBetween(today, row.due.on) <= DUE_SOON_DAYS;
const KEEPS: Record<Filter, (row: YardRow, today: string) => boolean> = {
  all: () => true,
  held: (row) => row.held,
  defects: (row) => row.openDefects > 0 || row.toAcknowledge > 0,
  due: isDue,
};

const found = (row: YardRow, text: string) =>
  `${row.number} ${row.body}`.toLowerCase().includes(text.trim().toLowerCase());
/** Held first, then what has defects, then by number. */
const rank = (row: YardRow) => (row.held ? 0 : row.openDefects ? 1 : 2);

function Row({ row, today, chosen }: { row: YardRow; today: string; chosen: boolean }) {
  const wide = useWide();
  const { fleet } = useSession();
  const facts = [
    row.openDefects ? `${row.openDefects} open ${row.openDefects === 1 ? 'defect' : 'defects'}` : '',
    row.toAcknowledge ? `${row.toAcknowledge} ${row.toAcknowledge === 1 ? 'repair' : 'repairs'} to acknowledge` : '',
    row.lastMeasured ? `Measured ${dayOf(row.lastMeasured, fleet.zone)}` : 'Never measured',
    row.due && isDue(row, today) ? `${row.due.paper} ${dueWords(today, row.due.on)}` : '',
  ].filter(Boolean);
  return (
    <LinkRow
      aria-label={`${row.number}, ${row.body}${row.held ? ', held' : ''}. ${facts.join('. ')}`}
      aria-current={chosen ? 'true' : undefined}
      href={wide ? `/?unit=${row.id}` : `/trailer/${row.id}`}
      className={`min-h-16 flex-row flex-wrap items-center gap-3 border-b border-line px-4 py-3 active:opacity-70 ${chosen ? 'bg-raised' : 'bg-card'}`}
    >
      <VerdictMark verdict={row.verdict ?? 'not-judged'} size={30} />
      <View className="min-w-[9rem] flex-1">
        <View className="flex-row flex-wrap items-baseline gap-x-2">
          <Text bold size="lead">
            {row.number}
          </Text>
          <Text tone="soft">{row.body}</Text>
        </View>
        <Text size="small" tone={row.openDefects ? 'ink' : 'soft'}>
          {facts.join('\u00a0· ')}
        </Text>
      </View>
      {row.held ? <VerdictBadge verdict="out-of-service" word="Held" /> : null}
    </LinkRow>
  );
}

function Rows({ yard, chosen }: { yard: YardData; chosen: string | null }) {
  const [text, setText] = useState('');
  const [filter, setFilter] = useState<Filter>('all');
  const rows = useMemo(
    () =>
      yard.units
        .filter((row) => found(row, text) && KEEPS[filter](row, yard.today))
        .sort((a, b) => rank(a) - rank(b) || a.number.localeCompare(b.number)),
    [yard, text, filter],
  );
  return (
    <>
      <View className="gap-2 border-b border-line bg-ground p-3">
        <Search hint="Search by number or kind" text={text} onChange={setText} />
        <Choice label="Show" hideLabel options={FILTERS} value={filter} onChange={setFilter} />
      </View>
      <ScrollView className="min-h-0 flex-1">
        {rows.map((row) => (
          <Row key={row.id} row={row} today={yard.today} chosen={row.id === chosen} />
        ))}
        {rows.length === 0 ? (
          <Text tone="soft" className="p-6">
            {yard.units.length === 0 ? 'No trailers yet.' : 'No trailer fits. Clear the search, or show all.'}
          </Text>
        ) : null}
      </ScrollView>
    </>
  );
}

/** Every trailer with its state. Wide, the chosen trailer stands beside the list. */
export function Yard({ Panel }: { Panel: ComponentType<{ id: string }> }) {
  const wide = useWide();
  const yard = useYard();
  const { fleet } = useSession();
  const { unit } = useLocalSearchParams<{ unit?: string }>();
  const units = yard.data?.units;
  const chosen = unit ?? null;

  useEffect(() => {
    if (units) void readAhead(units);
  }, [units]);

  if (chosen && !wide) return <Redirect href={`/trailer/${chosen}`} />;
  const held = units?.filter((row) => row.held).length ?? 0;
  const under = units ? `${units.length} units, ${held} held` : fleet.name;
  return (
    <Screen title="Yard" under={`${fleet.name} – ${under}`} fixed>
      <Loaded query={yard}>
        {(data) => (
          <View className="min-h-0 flex-1 flex-row">
            <View className={`min-h-0 ${wide ? 'w-[400px] border-r border-line' : 'flex-1'}`}>
              <Rows yard={data} chosen={chosen} />
            </View>
            {wide ? (
              <View className="min-h-0 min-w-0 flex-1">
                {chosen ? (
                  <Panel key={chosen} id={chosen} />
                ) : (
                  <Text tone="soft" className="p-8">
                    Choose a trailer to see where it stands.
                  </Text>
                )}
              </View>
            ) : null}
          </View>
        )}
      </Loaded>
    </Screen>
  );
}
