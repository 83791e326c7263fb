import '../look/global.css';
import '../look/paper.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { BOOKS } from '@zealous-axle/core';
import { Slot } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import { whenIdle } from '../device/idle';
import { ThemeProvider } from '../look/theme';
import { OutboxBar } from '../parts/OutboxBar';
import { Shortcuts } from '../parts/Shortcuts';
import { Text } from '../parts/Text';
import { BookWords } from '../parts/verdict';
import { queryClient } from '../server/queries';
import { SessionProvider, useSessionState } from '../session/session';
import { SignIn } from '../work/fleet/SignIn';

export { ErrorScreen as ErrorBoundary } from '../parts/ErrorScreen';

/** The screens come in files of their own; fetched once the first one stands, no tap waits for one. */
const SCREENS = [
  () => import('.'),
  () => import('./trailer/[id]'),
  () => import('./inspect/[id]'),
  () => import('./sheet/[id]'),
  () => import('./report/[unit]'),
  () => import('./shop'),
  () => import('./job/[id]'),
  () => import('./me'),
  () => import('./combine/[id]'),
  () => import('./book'),
  () => import('./rules'),
  () => import('./routes'),
  () => import('./routes/[id]'),
  () => import('./paper/[id]'),
  () => import('./files'),
  () => import('./gauges'),
];
const FETCHED_WITHIN_MS = 2_000;

/** One after another, so that what was asked for is not crowded out; a screen that did not come is fetched when it is opened. */
async function fetchScreens(): Promise<void> {
  for (const screen of SCREENS) await screen().catch(() => undefined);
}

function Signed() {
  const { session } = useSessionState();
  const signedIn = session !== undefined && session !== null;
  useEffect(() => {
    if (signedIn) whenIdle(() => void fetchScreens(), FETCHED_WITHIN_MS);
  }, [signedIn]);
  if (session === undefined)
    return (
      <View role="status" className="flex-1 items-center justify-center bg-ground">
        <Text tone="soft">Opening…</Text>
      </View>
    );
  if (session === null) return <SignIn />;
  return (
    <BookWords.Provider value={BOOKS[session.fleet.book].words.verdicts}>
      <View className="flex-1">
        <OutboxBar />
        <View className="min-h-0 flex-1">
          <Slot />
        </View>
        <Shortcuts />
      </View>
    </BookWords.Provider>
  );
}

export default function Layout() {
  useEffect(() => {
    if (process.env.NODE_ENV === 'production') void navigator.serviceWorker?.register('/sw.js');
  }, []);
  return (
    <ThemeProvider>
      <QueryClientProvider client={queryClient}>
        <SessionProvider>
          <Signed />
        </SessionProvider>
      </QueryClientProvider>
    </ThemeProvider>
  );
}
