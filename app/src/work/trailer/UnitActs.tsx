import { signedWords, type UnitAct, type UnitPage } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { ChangeRow } from '../../parts/ChangeList';
import { Text } from '../../parts/Text';
import { olderActs, usePages } from '../../server/queries';
import { useSession } from '../../session/session';

function ActRow({ act }: { act: UnitAct }) {
  const { fleet } = useSession();
  if (act.act === 'change') return <ChangeRow change={act} />;
  return (
    <View className="border-t border-line py-2">
      <Text bold>{signedWords(act)}</Text>
      <Text size="small" tone="soft">
        {`${act.by}, ${clock(act.at, fleet.zone)}`}
      </Text>
    </View>
  );
}

function AllActs({ unit }: { unit: UnitPage }) {
  const { data, hasNextPage, fetchNextPage } = usePages(['unit', unit.id, 'acts'], (key) => olderActs(unit.id, key));
  const acts = data?.pages.flatMap((page) => page.acts) ?? unit.acts;
  return (
    <>
      {acts.map((act) => (
        <ActRow key={act.id} act={act} />
      ))}
      {hasNextPage ? <Button label="Show older" onPress={() => void fetchNextPage()} /> : null}
    </>
  );
}

/** What was signed on walks round it and changed in what it is, newest first. */
export function UnitActs({ unit }: { unit: UnitPage }) {
  const [all, setAll] = useState(false);
  if (unit.acts.length === 0) return null;
  return (
    <Card title="Walk-arounds and changes">
      {all ? (
        <AllActs unit={unit} />
      ) : (
        <>
          {unit.acts.map((act) => (
            <ActRow key={act.id} act={act} />
          ))}
          {unit.actsNext ? <Button label="Show older" onPress={() => setAll(true)} /> : null}
        </>
      )}
    </Card>
  );
}
