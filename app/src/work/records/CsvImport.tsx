import type { BadLine } from '@zealous-axle/core';
import { type ReactNode, useState } from 'react';
import { View } from 'react-native';
import { pickFile } from '../../device/files';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';

/** What every file's preview says: how many lines, which are bad, and why. */
interface AnyPreview {
  lines: number;
  good: number;
  bad: BadLine[];
}
interface Chosen<P> {
  name: string;
  csv: string;
  preview: P;
}

interface Props<P extends AnyPreview> {
  /** What is asked for, said over the button. */
  note: string;
  may: boolean;
  /** Said to whoever may not. */
  mayNot: string;
  previewPath: string;
  /** What the file would bring, in a few lines. */
  brings: (preview: P) => ReactNode;
  onTake: (file: { csv: string; goodLinesOnly: boolean }, label: string) => Promise<void>;
}

const MOST_SHOWN = 50;

const lines = (count: number): string => `${count} ${count === 1 ? 'line' : 'lines'}`;

function Preview<P extends AnyPreview>({
  chosen: { name, preview, csv },
  brings,
  onTake,
  onDone,
}: Pick<Props<P>, 'brings' | 'onTake'> & { chosen: Chosen<P>; onDone: (words: string) => void }) {
  const { bad, good } = preview;
  const take = async (goodLinesOnly: boolean) => {
    await onTake({ csv, goodLinesOnly }, `${name}: ${lines(good)}`);
    onDone(`${lines(good)} of ${name} taken. They send in order.`);
  };
  return (
    <Card title={name} note={`${lines(preview.lines)}: ${good} good, ${bad.length} bad`}>
      {brings(preview)}
      {bad.length ? (
        <Notice look="stop">Nothing is imported while a line has errors, unless you import only the good lines.</Notice>
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
        <Button tall label={`Import only the ${good} good lines`} onPress={() => void take(true)} />
      ) : null}
      {good ? null : <Text bold>No good line in this file.</Text>}
    </Card>
  );
}

/** A file brought in: checked whole by the server, every bad line named, and taken only then. */
export function CsvImport<P extends AnyPreview>({ note, may, mayNot, previewPath, brings, onTake }: Props<P>) {
  const [chosen, setChosen] = useState<Chosen<P> | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const pick = async () => {
    const file = await pickFile('.csv,text/csv');
    if (!file) return;
    setProblem(null);
    setDone(null);
    setChosen(null);
    const csv = await file.text();
    await call<P>('POST', previewPath, { csv })
      .then((preview) => setChosen({ name: file.name, csv, preview }))
      .catch((error: Error) => setProblem(`${error.message} The server checks a file before importing it.`));
  };
  return (
    <>
      <Card title="In" note={note}>
        {may ? (
          <Button tall look="act" label="Choose a file" onPress={() => void pick()} />
        ) : (
          <Text tone="soft">{mayNot}</Text>
        )}
        {problem ? <Notice look="stop">{problem}</Notice> : null}
        {done ? <Notice look="good">{done}</Notice> : null}
      </Card>
      {chosen ? (
        <Preview
          chosen={chosen}
          brings={brings}
          onTake={onTake}
          onDone={(words) => {
            setChosen(null);
            setDone(words);
          }}
        />
      ) : null}
    </>
  );
}
