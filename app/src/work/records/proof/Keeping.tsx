import { KEPT, type Keeping, type Kept, type Records as Known, leastKept } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { send } from '../../../device/outbox';
import { dayOf } from '../../../look/dates';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';
import { Notice } from '../../../parts/Notice';
import { Text } from '../../../parts/Text';
import { TextField } from '../../../parts/TextField';
import { useSession } from '../../../session/session';
import { KEPT_WORDS } from './words';

const MOST_MONTHS = 240;
type Written = Record<Kept, string>;

const written = (keeping: Keeping): Written =>
  Object.fromEntries(KEPT.map((kept) => [kept, keeping[kept]?.toString() ?? ''])) as Written;

/** What is wrong with a number of months; null where nothing is. */
function wrongMonths(text: string, least: number): string | null {
  if (text.trim() === '') return null;
  const months = Number(text);
  if (!Number.isInteger(months) || months > MOST_MONTHS)
    return `Enter whole months, up to ${MOST_MONTHS}, or leave it blank.`;
  return months < least ? `At least ${least} months.` : null;
}

/** How long what is kept, and what of it is past its time. */
export function KeepingCard({ known }: { known: Known }) {
  const { fleet } = useSession();
  const [typed, setTyped] = useState(() => written(known.keeping));
  const [signing, setSigning] = useState(false);
  const [statement, setStatement] = useState('');
  const leasts = Object.fromEntries(KEPT.map((kept) => [kept, leastKept(fleet.book, kept)])) as Record<
    Kept,
    ReturnType<typeof leastKept>
  >;
  const wrong = KEPT.some((kept) => wrongMonths(typed[kept], leasts[kept].months) !== null);
  const changed = JSON.stringify(typed) !== JSON.stringify(written(known.keeping));
  const save = () => {
    const months = (kept: Kept) => (typed[kept].trim() === '' ? null : Number(typed[kept]));
    const keeping = Object.fromEntries(KEPT.map((kept) => [kept, months(kept)])) as Keeping;
    void send('set-keeping', { version: known.version, keeping }, 'How long records are kept');
  };
  return (
    <Card
      title="How long records are kept"
      note="In months. Blank means kept for good. Nothing is deleted automatically."
    >
      {KEPT.map((kept) => (
        <View key={kept} className="gap-1">
          <TextField
            label={KEPT_WORDS[kept]}
            value={typed[kept]}
            inputMode="numeric"
            placeholder="For good"
            maxLength={3}
            error={wrongMonths(typed[kept], leasts[kept].months)}
            onChangeText={(text) => setTyped({ ...typed, [kept]: text })}
          />
          <Text size="small" tone="soft">{`At least ${leasts[kept].months}. ${leasts[kept].source}`}</Text>
        </View>
      ))}
      <Button label="Save" hint="How long records are kept" disabled={wrong || !changed} onPress={save} />
      {known.past.length ? (
        <>
          <Text bold>Past retention now</Text>
          {known.past.map(({ kept, before, count }) => (
            <Text key={kept}>{`${KEPT_WORDS[kept]}: ${count}, from before ${dayOf(before, 'UTC')}`}</Text>
          ))}
          {signing ? (
            <>
              <Notice look="ask">Deleted records come back only from a backup. The deletion stays on record.</Notice>
              <TextField
                label="Reason for deletion"
                value={statement}
                onChangeText={setStatement}
                maxLength={300}
                multiline
              />
              <Button
                tall
                look="stop"
                label="Sign and delete them"
                disabled={statement.trim() === ''}
                onPress={() => {
                  void send(
                    'delete-past',
                    { shown: known.past, statement: statement.trim() },
                    'Deletion of records past retention',
                  );
                  setSigning(false);
                }}
              />
              <Button label="Keep them" onPress={() => setSigning(false)} />
            </>
          ) : (
            <Button look="stop" label="Delete them…" onPress={() => setSigning(true)} />
          )}
        </>
      ) : null}
    </Card>
  );
}
