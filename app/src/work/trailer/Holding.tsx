import { COMMAND_ROLES, type UnitPage } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../data/outbox';
import { useMay, useSession } from '../../data/session';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { T } from '../../parts/T';

/** Why the trailer is held, what still stands in the way of its release, and the release itself. */
export function Holding({
  unit,
  barriers,
}: {
  unit: Pick<UnitPage, 'id' | 'number' | 'holds'>;
  barriers: readonly string[];
}) {
  const { fleet } = useSession();
  const mayRelease = useMay(COMMAND_ROLES['release-trailer']);
  const [signing, setSigning] = useState(false);
  const [statement, setStatement] = useState('');
  const release = async () => {
    if (statement.trim() === '') return;
    setSigning(false);
    await send(
      'release-trailer',
      { release: uuidv7(), unit: unit.id, statement: statement.trim() },
      `${unit.number}: released`,
    );
  };
  return (
    <Card title="Held" note="The trailer is not used until it is released.">
      {unit.holds.map((hold) => (
        <View key={hold.id} className="border-t border-line pt-2">
          <T bold>{hold.reason}</T>
          <T size="small" tone="soft">{`${hold.by}, ${clock(hold.at, fleet.zone)}`}</T>
        </View>
      ))}
      {barriers.length ? (
        <View className="gap-1 rounded-xl bg-raised p-3">
          <T bold>Before it can be released</T>
          {barriers.map((barrier) => (
            <T key={barrier}>{`• ${barrier}`}</T>
          ))}
        </View>
      ) : mayRelease ? (
        <Button tall look="act" label="Release trailer" onPress={() => setSigning(true)} />
      ) : (
        <T>Every holding defect is certified. A technician or the foreman can release it.</T>
      )}
      {signing ? (
        <Sheet title={`Release ${unit.number}`} onClose={() => setSigning(false)}>
          <T>Your name and the time stand under this. Say what was done, and what was found not to need repair.</T>
          <Field label="Statement" value={statement} onChangeText={setStatement} multiline maxLength={500} autoFocus />
          <Button tall look="act" label="Sign and release" onPress={release} disabled={statement.trim() === ''} />
        </Sheet>
      ) : null}
    </Card>
  );
}
