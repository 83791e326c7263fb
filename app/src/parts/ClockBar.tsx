import { SKEW_TOLD_MS } from '@zealous-axle/core';
import { useState, useSyncExternalStore } from 'react';
import { Pressable } from 'react-native';
import { clockAhead, onClock } from '../device/contact';
import { minutesWords } from '../look/minutes';
import { Text } from './Text';

const MINUTE_MS = 60_000;
/** Whole minutes the clock is ahead; none while it is near enough. */
const minutesAhead = (): number => (Math.abs(clockAhead()) > SKEW_TOLD_MS ? Math.round(clockAhead() / MINUTE_MS) : 0);

/** Warns, over every screen, of a clock that is off; pressed, it goes until the clock is off otherwise. */
export function ClockBar() {
  const off = useSyncExternalStore(onClock, minutesAhead, minutesAhead);
  const [known, setKnown] = useState(0);
  if (off === 0 || Math.abs(off - known) * MINUTE_MS <= SKEW_TOLD_MS) return null;
  const words = `This device’s clock is ${minutesWords(Math.abs(off))} ${off > 0 ? 'fast' : 'slow'}. Set it: times are corrected when sent.`;
  return (
    <Pressable
      role="button"
      aria-label={`${words} Understood`}
      onPress={() => setKnown(off)}
      className="min-h-11 items-center justify-center bg-shop px-4 py-2"
    >
      <Text bold tone="card" className="text-center" role="alert">
        {words}
      </Text>
    </Pressable>
  );
}
