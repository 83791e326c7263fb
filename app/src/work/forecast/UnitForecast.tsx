import type { PositionView, UnitForecastView, WearingKind } from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Loaded } from '../../parts/Loaded';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Table } from '../../parts/Table';
import { Text } from '../../parts/Text';
import { useUnitForecast } from '../../server/queries';
import { useShown, useUnits } from '../../session/rules';
import { useSession } from '../../session/session';
import { WearChart } from './WearChart';
import { atWords, BEGAN_WORDS, distanceWords, foreseenWords, KIND_WORDS } from './words';

/** Everything read of one part at one place, the newest first: when, what, how far, by whom. It answers an auditor too. */
function Readings({ position }: { position: PositionView }) {
  const { fleet } = useSession();
  const { shown } = useShown();
  const { distance } = useUnits();
  const rows = position.lives
    .flatMap(({ points, began }, life) => points.map((point, n) => ({ ...point, life, began: n === 0 ? began : null })))
    .reverse();
  return (
    <Table
      label={`Readings of ${KIND_WORDS[position.kind].toLowerCase()} at ${atWords(position)}`}
      rows={rows}
      idOf={(row) => row.at}
      columns={[
        {
          id: 'at',
          heading: 'Read',
          share: 3,
          by: (row) => row.at,
          cell: (row) => <Text size="small">{clock(row.at, fleet.zone)}</Text>,
        },
        {
          id: 'value',
          heading: 'Value',
          share: 2,
          by: (row) => row.nm,
          cell: (row) => (
            <Text reading bold>
              {shown(row.text)}
            </Text>
          ),
        },
        {
          id: 'metres',
          heading: 'Meter',
          share: 2,
          cell: (row) => <Text size="small">{distanceWords(row.metres, distance)}</Text>,
        },
        {
          id: 'by',
          heading: 'By',
          share: 3,
          by: (row) => row.by,
          cell: (row) => (
            <View>
              <Text size="small">{row.by}</Text>
              {row.began && row.began !== 'first-reading' ? (
                <Text size="small" tone="within">
                  {BEGAN_WORDS[row.began]}
                </Text>
              ) : null}
            </View>
          ),
        },
      ]}
    />
  );
}

function Wearing({ forecast }: { forecast: UnitForecastView }) {
  const { shown } = useShown();
  const { key: asked } = useLocalSearchParams<{ key?: string }>();
  const { positions, findings, today } = forecast;
  const kinds = [...new Set(positions.map(({ kind }) => kind))];
  const [kind, setKind] = useState<WearingKind>(
    positions.find(({ key }) => key === asked)?.kind ?? kinds[0] ?? 'lining',
  );
  const [chosen, setChosen] = useState<string | null>(asked ?? null);
  const here = positions.filter((position) => position.kind === kind);
  const position = here.find(({ key }) => key === chosen) ?? soonest(here) ?? here[0];
  if (!position)
    return (
      <Card>
        <Text tone="soft">No wear readings yet. It takes three readings over 30 days to project a date.</Text>
        <Button label="Open the unit" onPress={() => router.navigate(`/trailer/${forecast.unit.id}`)} />
      </Card>
    );
  const others = here.filter((other) => other.axle === position.axle && other.key !== position.key);
  const said = foreseenWords(position, shown);
  return (
    <>
      {findings.map((finding) => (
        <Notice key={`${finding.finding} ${finding.axle} ${finding.side}`} look="ask">
          {`${atWords(finding)}: ${finding.words}`}
        </Notice>
      ))}
      <Choice
        hideLabel
        label="What"
        options={kinds.map((each) => ({ value: each, label: KIND_WORDS[each] }))}
        value={kind}
        onChange={(next) => {
          setKind(next);
          setChosen(null);
        }}
      />
      <Choice
        hideLabel
        label="Where"
        options={here.map((each) => ({ value: each.key, label: atWords(each), note: stateNote(each) }))}
        value={position.key}
        onChange={setChosen}
      />
      <Card
        title={`${KIND_WORDS[position.kind]}, ${atWords(position)}`}
        note={`Wears ${position.by === 'distance' ? 'by distance' : 'by days'}; other ends of the axle beside it`}
      >
        <WearChart
          position={position}
          others={others}
          today={today}
          words={`Chart: ${said} The table below has every reading.`}
        />
        <Text bold>{said}</Text>
        {position.limits.map(({ whose, value, source, reach }) => (
          <Text key={`${whose} ${value} ${source}`} tone="soft">
            {`${shown(value)}, ${source}: ${reach ? `expected ${reach.on}` : 'no date projected'}`}
          </Text>
        ))}
      </Card>
      <Card title="Every reading">
        <Readings position={position} />
      </Card>
    </>
  );
}

const soonest = (positions: readonly PositionView[]): PositionView | undefined =>
  [...positions].sort((a, b) => ((a.first?.reach?.on ?? '9') < (b.first?.reach?.on ?? '9') ? -1 : 1))[0];

const stateNote = ({ state, first }: PositionView): string => {
  if (state === 'foreseen') return first?.reach?.on.slice(0, 7) ?? '';
  return { 'not-enough': 'few readings', steady: 'steady', past: 'past', 'no-limit': 'no limit' }[state];
};

/** How the parts of one unit wear, and when each reaches its limit. */
export function UnitForecast() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const query = useUnitForecast(id);
  return (
    <Screen
      title={query.data ? `${query.data.unit.number}, wear` : 'Wear'}
      under={query.data?.unit.body}
      back={goBack(`/trailer/${id}`)}
      narrow
    >
      <Loaded query={query}>{(forecast) => <Wearing forecast={forecast} />}</Loaded>
    </Screen>
  );
}
