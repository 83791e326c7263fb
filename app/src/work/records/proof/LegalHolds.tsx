import type { LegalHold, YardRow } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../../device/outbox';
import { exactly } from '../../../look/dates';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';
import { ChooseUnit } from '../../../parts/ChooseUnit';
import { Text } from '../../../parts/Text';
import { TextField } from '../../../parts/TextField';
import { useSession } from '../../../session/session';

function Held({ hold }: { hold: LegalHold }) {
  const { fleet } = useSession();
  const [why, setWhy] = useState<string | null>(null);
  return (
    <View className="gap-2 border-t border-line pt-2">
      <Text bold>{hold.unit ? hold.unit.number : 'Every unit'}</Text>
      <Text>{hold.reason}</Text>
      <Text size="small" tone="soft">{`${hold.by}, ${exactly(hold.at, fleet.zone)}`}</Text>
      {why === null ? (
        <Button label="Lift…" hint={`Legal hold of ${hold.unit?.number ?? 'every unit'}`} onPress={() => setWhy('')} />
      ) : (
        <>
          <TextField label="Reason for lifting it" value={why} onChangeText={setWhy} maxLength={300} />
          <Button
            look="act"
            label="Lift it"
            disabled={why.trim() === ''}
            onPress={() => void send('lift-legal-hold', { hold: hold.id, reason: why.trim() }, 'Legal hold lifted')}
          />
        </>
      )}
    </View>
  );
}

/** Nothing of a unit, or of any, is deleted while one stands. */
export function LegalHolds({ holds }: { holds: readonly LegalHold[] }) {
  const [choosing, setChoosing] = useState(false);
  const [of, setOf] = useState<YardRow | 'all' | null>(null);
  const [reason, setReason] = useState('');
  const place = () => {
    const unit = of === 'all' || of === null ? null : of.id;
    void send('place-legal-hold', { hold: uuidv7(), unit, reason: reason.trim() }, 'Legal hold');
    setOf(null);
    setReason('');
  };
  return (
    <Card title="Legal holds" note="While a legal hold is on a unit, none of its records is deleted, however old.">
      {holds.length === 0 ? <Text tone="soft">None</Text> : null}
      {holds.map((hold) => (
        <Held key={hold.id} hold={hold} />
      ))}
      {of ? (
        <>
          <TextField
            label={`Reason for holding ${of === 'all' ? 'every unit' : of.number}`}
            value={reason}
            onChangeText={setReason}
            maxLength={300}
          />
          <Button tall look="act" label="Place the hold" disabled={reason.trim() === ''} onPress={place} />
          <Button label="Cancel" onPress={() => setOf(null)} />
        </>
      ) : (
        <View className="flex-row flex-wrap gap-2">
          <Button className="grow" label="Hold one unit’s records" onPress={() => setChoosing(true)} />
          <Button className="grow" label="Hold all records" onPress={() => setOf('all')} />
        </View>
      )}
      {choosing ? (
        <ChooseUnit
          title="Whose records"
          taken={holds.flatMap(({ unit }) => unit?.id ?? [])}
          onChoose={(row) => {
            setChoosing(false);
            setOf(row);
          }}
          onClose={() => setChoosing(false)}
        />
      ) : null}
    </Card>
  );
}
