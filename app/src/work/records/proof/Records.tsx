import { useQuery } from '@tanstack/react-query';
import type { Records as Known, RecordCheck } from '@zealous-axle/core';
import { router } from 'expo-router';
import { Linking, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../../device/outbox';
import { exactly } from '../../../look/dates';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';
import { Loaded } from '../../../parts/Loaded';
import { Notice } from '../../../parts/Notice';
import { goBack, Screen } from '../../../parts/Screen';
import { Text } from '../../../parts/Text';
import { call } from '../../../server/client';
import { useSession } from '../../../session/session';
import { Hooks } from './Hooks';
import { KeepingCard } from './Keeping';
import { LegalHolds } from './LegalHolds';
import { inGroups, problemWords } from './words';

const DAY_MS = 86_400_000;
/** A nightly backup is overdue when the last good one is older than this. */
const OVERDUE_DAYS = 2;

function Check({ check }: { check: RecordCheck }) {
  const { fleet } = useSession();
  const asked = `${check.asked.by}, ${exactly(check.asked.at, fleet.zone)}`;
  if (!check.ended) return <Notice look="plain">{`Checking since ${exactly(check.asked.at, fleet.zone)}…`}</Notice>;
  return (
    <View className="gap-2">
      {check.problems.length ? (
        <Notice look="stop">{`${check.problems.length} ${check.problems.length === 1 ? 'thing is' : 'things are'} not as written.`}</Notice>
      ) : (
        <Text bold>{`${check.entries} entries and ${check.rows} rows are as they were written.`}</Text>
      )}
      {check.problems.map((each) => (
        <Text key={`${each.what} ${each.which}`} tone="out">
          {problemWords(each)}
        </Text>
      ))}
      <Text size="small" tone="soft">{`Checked for ${asked}`}</Text>
    </View>
  );
}

function Chain({ known: { head, checks } }: { known: Known }) {
  const { fleet } = useSession();
  const [last, ...earlier] = checks;
  const running = checks.some(({ ended }) => ended === null);
  return (
    <Card
      title="Unaltered records"
      note="Each entry seals the ones before it. A change made outside the program shows when the records are checked."
    >
      {head ? (
        <View>
          <Text bold>{`Newest entry ${head.nr}, ${exactly(head.at, fleet.zone)}`}</Text>
          <Text size="small" tone="soft" selectable>
            {inGroups(head.hash)}
          </Text>
        </View>
      ) : (
        <Text tone="soft">Nothing recorded yet.</Text>
      )}
      {last ? <Check check={last} /> : <Text tone="soft">Never checked yet.</Text>}
      <Button
        tall
        look="act"
        label={running ? 'Checking…' : 'Check the records now'}
        disabled={running}
        onPress={() => void send('check-records', { check: uuidv7() }, 'Check of the records')}
      />
      {earlier.map((each) => (
        <Text key={each.id} size="small" tone={each.problems.length ? 'out' : 'soft'}>
          {`${exactly(each.asked.at, fleet.zone)}, ${each.asked.by}: ${each.ended ? (each.problems.length ? `${each.problems.length} not as written` : 'as written') : 'running'}`}
        </Text>
      ))}
      <Text size="small" tone="soft">
        Keep the newest entry’s number and sum somewhere else, on paper or with someone. The database’s owner could
        rewrite the whole chain, and only a copy kept elsewhere would show it.
      </Text>
      <Button label="Get the history checker" onPress={() => void Linking.openURL('/check-history.html')} />
    </Card>
  );
}

function Backup({ backup: { scheduled, good, failed } }: Pick<Known, 'backup'>) {
  const { fleet } = useSession();
  const old = good !== null && Date.now() - Date.parse(good) > OVERDUE_DAYS * DAY_MS;
  return (
    <Card title="Backups" note={scheduled ? 'Made nightly, each one test-restored' : 'No automatic backups here'}>
      {failed ? (
        <Notice look="stop">{`The last one failed, ${exactly(failed.at, fleet.zone)}: ${failed.why}.`}</Notice>
      ) : null}
      {scheduled && old && !failed ? <Notice look="stop">The last good one is more than two days old.</Notice> : null}
      <Text>
        {good ? `Last one restored in a test: ${exactly(good, fleet.zone)}` : 'No test-restored backup on record.'}
      </Text>
    </Card>
  );
}

/** What a manager knows of the records themselves. */
export function Records() {
  const { fleet } = useSession();
  const query = useQuery({ queryKey: ['records'], queryFn: () => call<Known>('GET', '/records') });
  return (
    <Screen narrow title="Records" under={fleet.name} back={goBack('/set-up')}>
      <Loaded query={query}>
        {(known) => (
          <>
            <Chain known={known} />
            <Backup backup={known.backup} />
            <Card title="Security log" note="Sign-ins, refusals, changed rights and rules, exports">
              <Button label="Open the security log" onPress={() => router.navigate('/security-log')} />
            </Card>
            <KeepingCard key={JSON.stringify(known.keeping)} known={known} />
            <LegalHolds holds={known.legalHolds} />
            <Hooks hooks={known.hooks} />
          </>
        )}
      </Loaded>
    </Screen>
  );
}
