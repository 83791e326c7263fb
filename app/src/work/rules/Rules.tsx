import {
  BOOKS,
  type BookId,
  type DisplayUnits,
  POLICIES,
  type Policies,
  type Policy,
  policyChoice,
} from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { send } from '../../device/outbox';
import { useOutbox } from '../../device/useOutbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { UnitChoices } from '../../parts/UnitChoices';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';

const BOOK_CHOICE = (Object.keys(BOOKS) as BookId[]).map((id) => ({
  value: id,
  label: BOOKS[id].name,
  note: `Edition ${BOOKS[id].edition}`,
}));

function SchoolCard({
  policy,
  chosen,
  onChoose,
}: {
  policy: Policy;
  chosen: string;
  onChoose: ((id: string) => void) | null;
}) {
  return (
    <Card title={policy.name} note={policy.says}>
      {onChoose ? (
        <Choice
          stacked
          hideLabel
          label={policy.name}
          options={policy.options.map(({ id, name, says }) => ({ value: id, label: name, note: says }))}
          value={chosen}
          onChange={onChoose}
        />
      ) : (
        policy.options
          .filter(({ id }) => id === chosen)
          .map(({ id, name, says }) => (
            <View key={id}>
              <Text bold>{name}</Text>
              <Text>{says}</Text>
            </View>
          ))
      )}
    </Card>
  );
}

interface Rules {
  book: BookId;
  policies: Policies;
  units: DisplayUnits;
}

/** What the fleet works by: its limit book, its way where good shops differ, and its units. */
export function FleetRulesScreen() {
  const { fleet } = useSession();
  const may = useMaySend('set-fleet-rules');
  const { entries } = useOutbox();
  const stored: Rules = { book: fleet.book, policies: fleet.policies, units: fleet.units };
  const [edited, setEdited] = useState<Rules | null>(null);
  const rules = edited ?? stored;
  const change = (more: Partial<Rules>) => setEdited({ ...rules, ...more });
  const changed = edited !== null && JSON.stringify(edited) !== JSON.stringify(stored);
  const waits = entries.some(({ name }) => name === 'set-fleet-rules');
  const save = () => {
    void send(
      'set-fleet-rules',
      { version: fleet.version, book: rules.book, policies: { ...rules.policies }, units: rules.units },
      `${fleet.name}: book, schools and units`,
    );
    setEdited(null);
  };
  return (
    <Screen
      title="Limits and policies"
      under={fleet.name}
      back={goBack('/me')}
      footer={
        may ? (
          <View className="flex-row gap-2">
            {changed ? <Button tall className="grow" label="Undo" onPress={() => setEdited(null)} /> : null}
            <Button tall look="act" className="grow" label="Save for the fleet" disabled={!changed} onPress={save} />
          </View>
        ) : undefined
      }
    >
      {waits ? <Notice look="ask">A change is waiting to be sent or was refused. See Me.</Notice> : null}
      {may ? null : <Notice>A foreman or a manager can change these.</Notice>}
      <Card title="Limit book" note="Verdicts already given keep the book they used.">
        {may ? (
          <Choice
            stacked
            hideLabel
            label="Limit book"
            options={BOOK_CHOICE}
            value={rules.book}
            onChange={(book) => change({ book })}
          />
        ) : (
          <Text bold>{BOOKS[rules.book].name}</Text>
        )}
      </Card>
      {POLICIES.map((policy) => (
        <SchoolCard
          key={policy.id}
          policy={policy}
          chosen={policyChoice(rules.policies, policy.id)}
          onChoose={may ? (option) => change({ policies: { ...rules.policies, [policy.id]: option } }) : null}
        />
      ))}
      <Card
        title="Units of the fleet"
        note="Everyone may choose their own under Me. A stored reading keeps what was typed."
      >
        <UnitChoices units={rules.units} onChange={may ? (units) => change({ units }) : null} />
      </Card>
    </Screen>
  );
}
