import {
  countText,
  SHOP,
  YARD_FILTERS,
  type YardAsked,
  type YardFilter,
  type YardOrder,
  type YardRow,
} from '@zealous-axle/core';
import { Redirect, router, useLocalSearchParams } from 'expo-router';
import ListFilter from 'lucide-react-native/icons/list-filter';
import Plus from 'lucide-react-native/icons/plus';
import { type ComponentType, useCallback, useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';
import { useWide } from '../../look/wide';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { Loaded } from '../../parts/Loaded';
import { Notice } from '../../parts/Notice';
import { Screen } from '../../parts/Screen';
import { Search } from '../../parts/Search';
import { Text } from '../../parts/Text';
import { VirtualList } from '../../parts/VirtualList';
import { useYard, useYardTotal } from '../../server/yard';
import { useHereAll } from '../../session/here';
import { useMay, useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { DayBeside } from './Day';
import { Filters } from './Filters';
import { useReadAhead } from './useReadAhead';
import { YardLine } from './YardLine';

const FILTER_WORDS: Record<YardFilter, string> = { all: 'All', held: 'Held', defects: 'Defects', due: 'Due' };
const FILTERS = YARD_FILTERS.map((value) => ({ value, label: FILTER_WORDS[value] }));
const ROW_PX = 76;
const idOf = ({ id }: YardRow) => id;
const things = (count: number) => `${countText(count)} ${count === 1 ? 'unit' : 'units'}`;

/** An empty list says why, and what to do. */
function Nothing({ narrowed }: { narrowed: boolean }) {
  const maySetUp = useMaySend('add-unit');
  if (narrowed)
    return (
      <Text tone="soft" className="p-6">
        No match. Clear the search or show all.
      </Text>
    );
  return (
    <View className="gap-3 p-6">
      <Text bold size="lead">
        No units yet.
      </Text>
      {maySetUp ? (
        <Button tall look="act" label="Set up the fleet" onPress={() => router.navigate('/set-up')} />
      ) : (
        <Text>A foreman or manager adds them.</Text>
      )}
    </View>
  );
}

/** Beside the yard while no unit is chosen: what the shop has before it, for whoever runs it. */
function Beside() {
  const runsShop = useMay(SHOP);
  if (runsShop) return <DayBeside />;
  return (
    <Text tone="soft" className="p-8">
      Choose a unit to see its status.
    </Text>
  );
}

interface ListProps {
  asked: YardAsked;
  order: YardOrder;
  chosen: string | null;
}

/** The rows of what is asked for: as many pages as were scrolled through. */
function Rows({ asked, order, chosen }: ListProps) {
  const { fleet } = useSession();
  const yard = useYard(asked, order, fleet.zone);
  const { seen } = useReadAhead();
  const here = useHereAll();
  const rows = useMemo(() => yard.data?.pages.flatMap(({ units }) => units) ?? [], [yard.data]);
  const first = yard.data?.pages[0];
  const today = first?.today ?? '';
  const { hasNextPage, fetchNextPage, isFetchingNextPage } = yard;
  const more = useCallback(() => {
    if (hasNextPage && !isFetchingNextPage) void fetchNextPage();
  }, [hasNextPage, isFetchingNextPage, fetchNextPage]);
  return (
    <Loaded query={yard}>
      {() => (
        <>
          {first?.here ? (
            <View className="p-3">
              <Notice look="ask">{`No signal. Searching only the ${things(rows.length)} saved on this device.`}</Notice>
            </View>
          ) : null}
          {rows.length === 0 ? (
            <Nothing narrowed={Object.values(asked).some((each) => each && each !== 'all')} />
          ) : (
            <VirtualList
              label="Units"
              rows={rows}
              rowPx={ROW_PX}
              keyOf={idOf}
              onEnd={more}
              onSeen={seen}
              line={(row) => <YardLine row={row} today={today} chosen={row.id === chosen} here={here.get(row.id)} />}
            />
          )}
        </>
      )}
    </Loaded>
  );
}

function Finder({ chosen }: { chosen: string | null }) {
  const [text, setText] = useState('');
  const [show, setShow] = useState<YardFilter>('all');
  const [order, setOrder] = useState<YardOrder>('urgency');
  const [narrowed, setNarrowed] = useState<YardAsked>({});
  const [choosing, setChoosing] = useState(false);
  const typed = useDeferredValue(text);
  const asked = useMemo<YardAsked>(
    () => ({
      ...narrowed,
      ...(typed.trim() ? { text: typed.trim() } : {}),
      ...(show === 'all' ? {} : { show }),
    }),
    [narrowed, typed, show],
  );
  const total = useYardTotal(asked);
  const changed = Object.keys(narrowed).length + (order === 'urgency' ? 0 : 1);
  const any = Object.keys(asked).length > 0;
  return (
    <>
      <View className="gap-2 border-b border-line bg-ground p-3">
        <View className="flex-row gap-2">
          <View className="min-w-0 flex-1">
            <Search hint="Search by number or kind" text={text} onChange={setText} />
          </View>
          <Button
            icon={ListFilter}
            label={changed ? String(changed) : ''}
            name={changed ? `Filter and order, ${changed} chosen` : 'Filter and order'}
            onPress={() => setChoosing(true)}
          />
        </View>
        <Choice label="Show" hideLabel options={FILTERS} value={show} onChange={setShow} />
        {any && total.data ? (
          <Text size="small" tone="soft" role="status">
            {`${countText(total.data.asked)} of ${things(total.data.units)}`}
          </Text>
        ) : null}
      </View>
      <Rows asked={asked} order={order} chosen={chosen} />
      {choosing ? (
        <Filters
          narrowed={narrowed}
          order={order}
          sites={total.data?.sites ?? []}
          bodies={total.data?.bodies ?? []}
          onNarrow={setNarrowed}
          onOrder={setOrder}
          onClose={() => setChoosing(false)}
        />
      ) : null}
    </>
  );
}

const WHOLE: YardAsked = {};

/** Every trailer with its state. Wide, the chosen trailer stands beside the list. */
export function Yard({ Panel }: { Panel: ComponentType<{ id: string }> }) {
  const wide = useWide();
  const { fleet } = useSession();
  const total = useYardTotal(WHOLE);
  const mayAdd = useMaySend('add-unit');
  const { unit } = useLocalSearchParams<{ unit?: string }>();
  const chosen = unit ?? null;
  if (chosen && !wide) return <Redirect href={`/trailer/${chosen}`} />;
  const under = total.data ? ` – ${things(total.data.units)}, ${total.data.held} held` : '';
  return (
    <Screen
      title="Yard"
      under={`${fleet.name}${under}`}
      fixed
      right={
        mayAdd ? (
          <Button icon={Plus} label="Unit" name="Set up a unit" onPress={() => router.navigate('/unit/new')} />
        ) : undefined
      }
    >
      <View className="min-h-0 flex-1 flex-row">
        <View className={`min-h-0 ${wide ? 'w-[400px] border-r border-line' : 'flex-1'}`}>
          <Finder chosen={chosen} />
        </View>
        {wide ? (
          <View className="min-h-0 min-w-0 flex-1">{chosen ? <Panel key={chosen} id={chosen} /> : <Beside />}</View>
        ) : null}
      </View>
    </Screen>
  );
}
