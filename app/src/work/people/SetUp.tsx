import { useQuery } from '@tanstack/react-query';
import type { SetUp as Has } from '@zealous-axle/core';
import { router } from 'expo-router';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Loaded } from '../../parts/Loaded';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';

const things = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;

/** A step of setting up: what is there, and what waits until it is done. */
function Step({
  title,
  has,
  missing,
  children,
}: {
  title: string;
  has: string;
  missing: string | null;
  children: React.ReactNode;
}) {
  return (
    <Card title={title} note={has}>
      {missing ? <Text bold>{missing}</Text> : null}
      {children}
    </Card>
  );
}

function Steps({ has }: { has: Has }) {
  const { units, chambersUnknown, people, invited, bays, papers } = has;
  const mayKeep = useMaySend('check-records');
  return (
    <>
      <Step
        title="Units"
        has={units ? things(units, 'unit in use', 'units in use') : 'None yet'}
        missing={
          units === 0
            ? 'Without a unit nothing can be measured.'
            : chambersUnknown
              ? `${things(chambersUnknown, 'unit has a chamber', 'units have chambers')} not known: a stroke there gives no verdict.`
              : null
        }
      >
        <Button look="act" tall label="Set up a unit" onPress={() => router.navigate('/unit/new')} />
        <Button label="Move in from spreadsheets" onPress={() => router.navigate('/move-in')} />
        <Button label="Bring in units.csv" onPress={() => router.navigate('/unit-files')} />
        <Button label="Sold and scrapped" onPress={() => router.navigate('/gone')} />
      </Step>
      <Step
        title="People"
        has={`${things(people, 'person', 'people')}${invited ? `, ${invited} invited` : ''}`}
        missing={
          people + invited < 2 ? 'With one person, the same person repairs and signs, and no driver can report.' : null
        }
      >
        <Button label="People" onPress={() => router.navigate('/people')} />
      </Step>
      <Step
        title="Bays"
        has={bays.length ? things(bays.length, 'bay', 'bays') : 'None yet'}
        missing={bays.length ? null : 'Without a bay no job can be scheduled.'}
      >
        <Button label="Bays and days" onPress={() => router.navigate('/bays')} />
      </Step>
      <Step title="Work and parts" has="How repairs go, and what is in stock" missing={null}>
        <Button label="Work and parts" onPress={() => router.navigate('/work')} />
      </Step>
      <Step title="Limits and policies" has="The book’s limits, and what the shop chose" missing={null}>
        <Button label="Book, policies and units of measure" onPress={() => router.navigate('/rules')} />
        <Button label="Checks of our own" onPress={() => router.navigate('/own-checks')} />
        <Button label="Routes of the walk" onPress={() => router.navigate('/routes')} />
      </Step>
      <Step title="Outside" has="Road service, dispatch and gauges: what is connected" missing={null}>
        <Button label="Outside" onPress={() => router.navigate('/outside')} />
      </Step>
      {mayKeep ? (
        <Step title="Records" has="Checked, backed up, kept for how long, and who signed in" missing={null}>
          <Button label="Records" onPress={() => router.navigate('/records')} />
        </Step>
      ) : null}
      <Step
        title="Papers"
        has={papers ? `${papers} kept` : 'None yet'}
        missing={papers ? null : 'Without its sticker’s month a unit is never shown as due.'}
      >
        <Text tone="soft">Set on each unit’s page.</Text>
      </Step>
    </>
  );
}

/** What the fleet has of what it needs to begin, and what waits for the rest. Each step can wait. */
export function SetUp() {
  const { fleet } = useSession();
  const query = useQuery({ queryKey: ['set-up'], queryFn: () => call<Has>('GET', '/set-up') });
  return (
    <Screen narrow title="Fleet setup" under={fleet.name} back={goBack('/me')}>
      <Loaded query={query}>{(has) => <Steps has={has} />}</Loaded>
    </Screen>
  );
}
