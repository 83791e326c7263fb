import { useQuery } from '@tanstack/react-query';
import { type Cell, MOVE_LISTS, type MoveIn as Moved, tableOf } from '@zealous-axle/core';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { pickFile } from '../../../device/files';
import { useOutbox } from '../../../device/useOutbox';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { Notice } from '../../../parts/Notice';
import { goBack, Screen } from '../../../parts/Screen';
import { Text } from '../../../parts/Text';
import { call } from '../../../server/client';
import { useMaySend } from '../../../session/may';
import { useSession } from '../../../session/session';
import { useTyped } from '../../../session/useTyped';
import { Codes, type GivenCodes } from './Codes';
import { Lately } from './Lately';
import { readSheet } from './read-sheet';
import { FIRST, HEAVY, type Remembered } from './remembered';
import { Sheet } from './Sheet';
import { LIST_WORDS } from './words';

const LISTS = MOVE_LISTS.map((value) => ({ value, label: LIST_WORDS[value].title, note: LIST_WORDS[value].note }));

/** A shop's own lists brought in: by their own heads and words, seen beforehand line by line, whole or not at all. */
export function MoveIn() {
  const { fleet } = useSession();
  const may = useMaySend('move-in');
  const { entries } = useOutbox();
  const waits = entries.filter(({ name }) => name.startsWith('move-in') || name === 'undo-move-in').length;
  const { data } = useQuery({
    queryKey: ['set-up', 'moves-in', waits],
    queryFn: () => call<{ moves: Moved[] }>('GET', '/moves-in'),
  });
  const typed = useTyped<Remembered>('moving-in', FIRST, HEAVY);
  const [said, setSaid] = useState<string | null>(null);
  const [codes, setCodes] = useState<GivenCodes | null>(null);
  if (!typed) return null;
  const { list, chosen } = typed.value;
  const choose = async () => {
    const file = await pickFile('.xlsx,.csv,.txt,text/csv');
    if (!file) return;
    setSaid(null);
    const rows: Cell[][] | null = await readSheet(file).catch(() => null);
    const table = rows && tableOf(rows);
    if (!rows) return setSaid('This file cannot be read. Save it as .xlsx or .csv and choose it again.');
    if (!table?.lines.length) return setSaid('No heading line with lines below it. Is the list on the first sheet?');
    typed.change({ chosen: { move: uuidv7(), list, name: file.name, table } });
  };
  const done = (words: string, given?: GivenCodes) => {
    typed.change({ chosen: null });
    setSaid(words);
    if (given) setCodes(given);
  };
  return (
    <Screen narrow title="Move in from spreadsheets" under={fleet.name} back={goBack('/set-up')}>
      {chosen ? null : (
        <Card
          title="What is in the list?"
          note="Your own list as it is: your headings, your words, your dates. It is read on this device. Move units in first: repairs and readings name them."
        >
          <Choice
            stacked
            hideLabel
            label="What is in the list?"
            options={LISTS}
            value={list}
            onChange={(next) => typed.change({ list: next })}
          />
          {may ? (
            <Button tall look="act" label="Choose a file" onPress={() => void choose()} />
          ) : (
            <Text tone="soft">A foreman or a manager can move lists in.</Text>
          )}
        </Card>
      )}
      {said ? <Notice look="ask">{said}</Notice> : null}
      {waits ? <Notice look="ask">A move is waiting to be sent.</Notice> : null}
      {chosen ? <Sheet key={`${chosen.list} ${chosen.name}`} chosen={chosen} typed={typed} onDone={done} /> : null}
      {codes ? <Codes given={codes} onClose={() => setCodes(null)} /> : null}
      <Lately moves={data?.moves ?? []} />
    </Screen>
  );
}
