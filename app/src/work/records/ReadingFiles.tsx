import { type ImportPreview, READING_COLUMNS } from '@zealous-axle/core';
import { useState } from 'react';
import { Linking, View } from 'react-native';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';
import { useMaySend } from '../../session/may';

interface Chosen {
  name: string;
  csv: string;
  preview: ImportPreview;
}

const MOST_SHOWN = 50;

const pickFile = (): Promise<File | null> =>
  new Promise((resolve) => {
    const input = Object.assign(document.createElement('input'), { type: 'file', accept: '.csv,text/csv' });
    input.onchange = () => resolve(input.files?.[0] ?? null);
    input.oncancel = () => resolve(null);
    input.click();
  });

const lines = (count: number): string => `${count} ${count === 1 ? 'line' : 'lines'}`;

function Preview({ chosen, onDone }: { chosen: Chosen; onDone: (words: string) => void }) {
  const { preview, csv, name } = chosen;
  const { bad, good } = preview;
  const take = async (goodLinesOnly: boolean) => {
    await send('import-readings', { csv, goodLinesOnly }, `Readings from ${name}: ${lines(good)}`);
    onDone(`${lines(good)} of ${name} taken. They are sent in their turn.`);
  };
  return (
    <Card title={name} note={`${lines(preview.lines)}: ${good} good, ${bad.length} bad`}>
      {preview.units.map(({ number, readings }) => (
        <Text key={number}>{`${number}: ${readings} ${readings === 1 ? 'reading' : 'readings'}`}</Text>
      ))}
      {bad.length ? (
        <Notice look="stop">Nothing is stored while a line is bad, unless you take the good lines only.</Notice>
      ) : null}
      {bad.slice(0, MOST_SHOWN).map(({ line, message }) => (
        <View key={line} className="flex-row gap-3 border-t border-line py-1">
          <View className="w-20">
            <Text bold>{`Line ${line}`}</Text>
          </View>
          <Text className="min-w-0 flex-1">{message}</Text>
        </View>
      ))}
      {bad.length > MOST_SHOWN ? <Text tone="soft">{`… and ${bad.length - MOST_SHOWN} more.`}</Text> : null}
      {good && bad.length === 0 ? (
        <Button tall look="act" label={`Take all ${lines(good)}`} onPress={() => void take(false)} />
      ) : null}
      {good && bad.length ? (
        <Button tall label={`Take the ${good} good ones only`} onPress={() => void take(true)} />
      ) : null}
      {good ? null : <Text bold>There is no good line in this file.</Text>}
    </Card>
  );
}

/** Readings as a file: out, and in with a preview that names every bad line. */
export function ReadingFiles() {
  const may = useMaySend('import-readings');
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const pick = async () => {
    const file = await pickFile();
    if (!file) return;
    setProblem(null);
    setDone(null);
    setChosen(null);
    const csv = await file.text();
    await call<ImportPreview>('POST', '/readings.csv/preview', { csv })
      .then((preview) => setChosen({ name: file.name, csv, preview }))
      .catch((error: Error) => setProblem(`${error.message} A file is checked by the server before it is taken.`));
  };
  return (
    <Screen title="Readings as a file" under="readings.csv" back={goBack('/me')}>
      <Card title="Out" note="Every reading of the fleet that stands, in one file any spreadsheet opens.">
        <Button label="Save readings.csv" onPress={() => void Linking.openURL('/api/v1/readings.csv')} />
      </Card>
      <Card title="In" note={`Columns: ${READING_COLUMNS.join(', ')}. Times like 2026-03-02T12:00:00Z.`}>
        {may ? (
          <Button tall look="act" label="Choose a file" onPress={() => void pick()} />
        ) : (
          <Text tone="soft">A foreman or a manager can bring readings in.</Text>
        )}
        {problem ? <Notice look="stop">{problem}</Notice> : null}
        {done ? <Notice look="good">{done}</Notice> : null}
      </Card>
      {chosen ? (
        <Preview
          chosen={chosen}
          onDone={(words) => {
            setChosen(null);
            setDone(words);
          }}
        />
      ) : null}
    </Screen>
  );
}
