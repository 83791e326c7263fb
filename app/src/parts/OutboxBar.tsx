import { router } from 'expo-router';
import { Pressable } from 'react-native';
import { useOutbox } from '../device/useOutbox';
import { Text } from './Text';

const things = (count: number) => `${count} ${count === 1 ? 'entry' : 'entries'}`;

/** Says, over every screen, when something could not be sent yet or was refused. Silent when all is sent. */
export function OutboxBar() {
  const { entries, offline, signedOut } = useOutbox();
  const refused = entries.filter((entry) => entry.refused).length;
  const waiting = entries.length - refused;
  const alone = entries.filter(({ onlyHere }) => onlyHere).length;
  if (refused + alone === 0 && !(waiting > 0 && (offline || signedOut))) return null;
  const words = alone
    ? `Keep this window open: ${things(alone)} not saved on this device`
    : refused
      ? `${things(refused)} refused. See why`
      : signedOut
        ? `${things(waiting)} saved. Sign in again to send`
        : `No signal. ${things(waiting)} kept on this device`;
  return (
    <Pressable
      role="button"
      aria-label={words}
      onPress={() => router.navigate('/me')}
      className={`min-h-11 items-center justify-center px-4 ${refused + alone ? 'bg-out' : 'bg-shop'}`}
    >
      <Text bold tone="card">
        {words}
      </Text>
    </Pressable>
  );
}
