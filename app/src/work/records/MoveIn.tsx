import { useQuery } from '@tanstack/react-query';
import { type Cell, type MoveIn as Moved, tableOf } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { pickFile } from '../../device/files';
import { send } from '../../device/outbox';
import { useOutbox } from '../../device/useOutbox';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { ConfirmButton } from '../../parts/ConfirmButton';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { MoveInSheet, type Sheet } from './MoveInSheet';
import { readSheet } from './read-sheet';

/** What moved in lately, and the way back while nothing rests on it. */
function Lately({ moves }: { moves: readonly Moved[] }) {
  const { fleet } = useSession();
  const may = useMaySend('undo-move-in');
  if (moves.length === 0) return null;
  return (
    <Card title="Moved in lately">
      {moves.map(({ id, name, units, by, at, undoneAt }) => (
        <View key={id} className="gap-1 border-t border-line py-2">
          <Text bold>{name}</Text>
          <Text size="small" tone="soft">
            {`${units} ${units === 1 ? 'unit' : 'units'}, ${by}, ${clock(at, fleet.zone)}${undoneAt ? ' · taken back' : ''}`}
          </Text>
          {may && !undoneAt ? (
            <ConfirmButton
              label="Take it back"
              ask={`Take all ${units} back out`}
              hint={name}
              onDo={() => void send('undo-move-in', { move: id }, `${name}: taken back`)}
            />
          ) : null}
        </View>
      ))}
    </Card>
  );
}

/** A shop's own list of units brought in: by its own heads and words, seen beforehand line by line, whole or not at all. */
export function MoveIn() {
  const { fleet } = useSession();
  const may = useMaySend('move-in');
  const { entries } = useOutbox();
  const waits = entries.filter(({ name }) => name === 'move-in' || name === 'undo-move-in').length;
  const { data } = useQuery({
    queryKey: ['set-up', 'moves-in', waits],
    queryFn: () => call<{ moves: Moved[] }>('GET', '/moves-in'),
  });
  const [chosen, setChosen] = useState<Sheet | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const choose = async () => {
    const file = await pickFile('.xlsx,.csv,.txt,text/csv');
    if (!file) return;
    setChosen(null);
    setSaid(null);
    const rows: Cell[][] | null = await readSheet(file).catch(() => null);
    const table = rows && tableOf(rows);
    if (!rows) return setSaid('This file cannot be read: save it as .xlsx or .csv, and choose it again.');
    if (!table?.lines.length) return setSaid('No line of heads was found with lines below it: is it the first sheet?');
    setChosen({ name: file.name, table });
  };
  return (
    <Screen narrow title="Move in from a spreadsheet" under={fleet.name} back={goBack('/set-up')}>
      <Card
        title="Units, their papers and meters"
        note="Your own list as it is: its own heads, its own words for chambers and brakes, dates as you write them. It is read on this device."
      >
        {may ? (
          <Button tall look="act" label="Choose a file" onPress={() => void choose()} />
        ) : (
          <Text tone="soft">A foreman or a manager can move units in.</Text>
        )}
        {said ? <Notice look="ask">{said}</Notice> : null}
        {waits ? <Notice look="ask">A move waits to be sent.</Notice> : null}
      </Card>
      {chosen ? (
        <MoveInSheet
          key={chosen.name}
          chosen={chosen}
          onDone={(words) => {
            setChosen(null);
            setSaid(words);
          }}
        />
      ) : null}
      <Lately moves={data?.moves ?? []} />
    </Screen>
  );
}
