import { type ForecastRow, WEARING, type WearingKind } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { dayName } from '../../look/dates';
import { minutesWords } from '../../look/minutes';
import { useWide } from '../../look/wide';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { LinkRow } from '../../parts/LinkRow';
import { Loaded } from '../../parts/Loaded';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';
import { type ForecastAsked, useForecastPages, useWeeksAhead } from '../../server/queries';
import { useShown } from '../../session/rules';
import { useSession } from '../../session/session';
import { atWords, farDay, KIND_WORDS, WHOSE_WORDS } from './words';

function Row({ row, today }: { row: ForecastRow; today: string }) {
  const { shown } = useShown();
  return (
    <LinkRow
      href={`/wear/${row.unit.id}?key=${encodeURIComponent(row.key)}`}
      className="min-h-14 flex-row items-center gap-3 border-t border-line py-2 active:opacity-70"
    >
      <View className="min-w-0 flex-1">
        <Text bold>{`${row.unit.number}  ${KIND_WORDS[row.kind]} ${atWords(row)}`}</Text>
        <Text size="small" tone="soft">
          {`${shown(row.value)}, ${WHOSE_WORDS[row.whose]}${row.unit.site ? ` · ${row.unit.site}` : ''}`}
        </Text>
      </View>
      <View className="items-end">
        <Text bold tone={!row.on ? 'out' : row.on < today ? 'violation' : 'ink'}>
          {row.on ? farDay(row.on) : 'past limit now'}
        </Text>
        {row.on && row.on < today ? (
          <Text size="small" tone="violation">
            projected; not measured since
          </Text>
        ) : null}
        {row.earliest && row.earliest !== row.on ? (
          <Text size="small" tone="soft">
            {row.latest ? `${dayName(row.earliest)} to ${dayName(row.latest)}` : `not before ${dayName(row.earliest)}`}
          </Text>
        ) : null}
      </View>
    </LinkRow>
  );
}

const WITHIN = [
  { value: '30', label: '30 days' },
  { value: '90', label: '90 days' },
  { value: '365', label: 'A year' },
] as const;

/** What the weeks ahead ask for: hours, and parts to have in time. */
function Weeks({ asked }: { asked: ForecastAsked }) {
  const query = useWeeksAhead(asked);
  return (
    <Card title="Weeks ahead" note="Workload if each is done the week it reaches its limit">
      <Loaded query={query}>
        {({ weeks }) => (
          <>
            {weeks.every(({ positions }) => positions === 0) ? (
              <Text tone="soft">Nothing reaches its limit in the next eight weeks.</Text>
            ) : null}
            {weeks
              .filter(({ positions }) => positions > 0)
              .map(({ from, positions, minutes, parts }) => (
                <View key={from} className="gap-0.5 border-t border-line pt-2">
                  <View className="flex-row justify-between gap-2">
                    <Text bold>{`From ${dayName(from)}`}</Text>
                    <Text bold>{minutesWords(minutes)}</Text>
                  </View>
                  <Text size="small" tone="soft">
                    {`${positions} ${positions === 1 ? 'part' : 'parts'} at their limit`}
                  </Text>
                  {parts.map(({ part, name, count }) => (
                    <Text key={part} size="small">{`${count} × ${name}`}</Text>
                  ))}
                </View>
              ))}
          </>
        )}
      </Loaded>
    </Card>
  );
}

function List({ asked }: { asked: ForecastAsked }) {
  const pages = useForecastPages(asked);
  return (
    <Loaded query={pages}>
      {({ pages: all }) => {
        const [first] = all;
        const rows = all.flatMap((page) => page.rows);
        return (
          <Card
            title={`Reaches its limit (${first?.total ?? 0})`}
            note="Projected date, and the range it falls in 8 times out of 10"
          >
            {first && first.known < first.units ? (
              <Notice look="ask">{`${first.known} of ${first.units} units calculated; the rest are in progress.`}</Notice>
            ) : null}
            {rows.length === 0 ? (
              <Text tone="soft">Nothing projected, from readings so far and this filter.</Text>
            ) : null}
            {rows.map((row) => (
              <Row key={`${row.unit.id} ${row.key}`} row={row} today={first?.today ?? ''} />
            ))}
            {pages.hasNextPage ? (
              <Button
                label={pages.isFetchingNextPage ? 'Reading…' : `Show more, ${rows.length} of ${first?.total}`}
                disabled={pages.isFetchingNextPage}
                onPress={() => void pages.fetchNextPage()}
              />
            ) : null}
          </Card>
        );
      }}
    </Loaded>
  );
}

/** What of the fleet reaches its limit by when, and what that asks for. */
export function Forecast() {
  const { fleet } = useSession();
  const wide = useWide();
  const [within, setWithin] = useState<string>('90');
  const [kind, setKind] = useState<WearingKind | 'all'>('all');
  const [site, setSite] = useState('');
  const asked: ForecastAsked = { within, kind: kind === 'all' ? '' : kind, site: site.trim() };
  const filters = (
    <Card>
      <Choice label="Within" options={WITHIN} value={within} onChange={setWithin} />
      <Choice
        label="Part"
        options={[{ value: 'all', label: 'All' }, ...WEARING.map((each) => ({ value: each, label: KIND_WORDS[each] }))]}
        value={kind}
        onChange={setKind}
      />
      <TextField label="Location" placeholder="everywhere" value={site} maxLength={60} onChangeText={setSite} />
    </Card>
  );
  return (
    <Screen title="Forecast" under={fleet.name} back={goBack('/shop')}>
      {wide ? (
        <View className="flex-row items-start gap-4">
          <View className="w-80 gap-4">
            {filters}
            <Weeks asked={asked} />
          </View>
          <View className="min-w-0 flex-1">
            <List asked={asked} />
          </View>
        </View>
      ) : (
        <>
          {filters}
          <List asked={asked} />
          <Weeks asked={asked} />
        </>
      )}
    </Screen>
  );
}
