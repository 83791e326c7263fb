import { BENCH } from '@zealous-axle/core';
import { router } from 'expo-router';
import { View } from 'react-native';
import { discard, flush, retry, send } from '../../device/outbox';
import { useOutbox } from '../../device/useOutbox';
import type { Waiting } from '../../device/waiting';
import { clock } from '../../look/dates';
import { type ThemeChoice, useTheme } from '../../look/theme';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Notice } from '../../parts/Notice';
import { Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { UnitChoices } from '../../parts/UnitChoices';
import { useMay, useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { signOut } from '../../session/useFollowing';
import { ChangePerson } from './own/ChangePerson';
import { OwnSessions } from './own/OwnSessions';
import { Password } from './own/Password';
import { Pin } from './own/Pin';
import { SecondFactor } from './own/SecondFactor';

const THEMES: readonly { value: ThemeChoice; label: string }[] = [
  { value: 'device', label: 'As the device' },
  { value: 'light', label: 'Light' },
  { value: 'dark', label: 'Dark' },
];

/** What somebody else made of it meanwhile, where the server sent it along. */
function newerWords(current: unknown): string | null {
  const newer = current as { state?: string; version?: number; title?: string } | undefined;
  return newer?.state ? `Current status: ${[newer.title, newer.state].filter(Boolean).join(', ')}.` : null;
}

function Entry({ entry, own }: { entry: Waiting; own: boolean }) {
  const { fleet } = useSession();
  const { refused } = entry;
  const newer = refused ? newerWords(refused.current) : null;
  const reasons = refused?.errors.map(({ message }) => message).join(' ') || refused?.detail;
  return (
    <View className="gap-2 border-t border-line py-3">
      <Text bold>{entry.label}</Text>
      <Text
        size="small"
        tone="soft"
      >{`${clock(entry.at, fleet.zone)}${own ? '' : ' · someone else’s: sent when they sign in here'}`}</Text>
      {entry.onlyHere ? (
        <Notice look="stop">Not saved on this device. If this window closes before it is sent, it is lost.</Notice>
      ) : null}
      {refused ? (
        <>
          <Notice look="stop">{`Refused: ${reasons}`}</Notice>
          {newer ? <Text bold>{newer}</Text> : null}
          <View className="flex-row gap-2">
            <Button className="flex-1" label="Try again" onPress={() => void retry(entry.id)} />
            <Button className="flex-1" look="stop" label="Discard" onPress={() => void discard(entry.id)} />
          </View>
        </>
      ) : null}
    </View>
  );
}

/** Who is signed in, what this device still has to send, and how the program looks. */
export function Me() {
  const { person, fleet } = useSession();
  const { choice, choose } = useTheme();
  const maySetUp = useMaySend('add-unit');
  const mayFile = useMay(BENCH);
  const { entries, offline, sending, signedOut } = useOutbox();
  return (
    <Screen title="Me" under={fleet.name}>
      <Card title={person.name} note={`${person.role} at ${fleet.name}`}>
        <ChangePerson />
        <Password />
        <Pin />
        <SecondFactor />
        <Button label="Sign out" onPress={() => void signOut()} />
      </Card>
      <Card title="Waiting to be sent" note={entries.length ? `${entries.length} waiting` : 'Everything is sent.'}>
        {signedOut ? <Notice look="ask">Sign in again to send these. Nothing is lost.</Notice> : null}
        {offline && entries.length ? (
          <Notice look="ask">No connection. These send automatically when it is back.</Notice>
        ) : null}
        {entries.map((entry) => (
          <Entry key={entry.id} entry={entry} own={entry.person === person.id} />
        ))}
        {entries.length ? (
          <Button label={sending ? 'Sending…' : 'Send now'} disabled={sending} onPress={() => void flush()} />
        ) : null}
      </Card>
      <Card title="Look">
        <Choice label="Theme" options={THEMES} value={choice} onChange={choose} />
      </Card>
      <Card title="Units of measure" note={person.units ? 'My own' : 'Same as the fleet'}>
        <UnitChoices
          units={person.units ?? fleet.units}
          onChange={(units) => void send('set-own-units', { units }, 'Units of measure')}
        />
        {person.units ? (
          <Button
            label="Use the fleet’s again"
            onPress={() => void send('set-own-units', { units: null }, 'My units: the fleet’s')}
          />
        ) : null}
      </Card>
      <Card title="Limits and policies" note="Every limit the program uses, with its source, and what the shop chose.">
        <Button label="Open the limit book" onPress={() => router.navigate('/book')} />
        <Button label="Book, policies and units of measure" onPress={() => router.navigate('/rules')} />
        <Button label="Checks of our own" onPress={() => router.navigate('/own-checks')} />
        <Button label="Routes of the walk" onPress={() => router.navigate('/routes')} />
      </Card>
      {maySetUp ? (
        <Card title="The fleet" note="Units, people, bays, and what is still missing.">
          <Button label="Fleet setup" onPress={() => router.navigate('/set-up')} />
        </Card>
      ) : null}
      <Card title="Tools">
        <Button label="Practice" onPress={() => router.navigate('/practice')} />
        <Button label="Gauges" onPress={() => router.navigate('/gauges')} />
        {mayFile ? <Button label="Readings as a file" onPress={() => router.navigate('/files')} /> : null}
      </Card>
      <Card title="What decides">
        <Text>
          Local law, the maker’s manual and licensed practice decide. The program shows what was measured and what it
          meets, with the rule and the arithmetic. It never signs for anyone.
        </Text>
      </Card>
      <OwnSessions />
    </Screen>
  );
}
