import '../look/global.css';
import '../look/paper.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { BOOKS } from '@zealous-axle/core';
import { Slot } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import { whenIdle } from '../data/idle';
import { queryClient } from '../data/queries';
import { SessionProvider, useSessionState } from '../data/session';
import { ThemeProvider } from '../look/theme';
import { OutboxBar } from '../parts/OutboxBar';
import { Shortcuts } from '../parts/Shortcuts';
import { T } from '../parts/T';
import { BookWords } from '../parts/verdict';
import { SignIn } from '../work/signin/SignIn';

export { Broken as ErrorBoundary } from '../parts/Broken';

/** The screens come in files of their own; fetched once the first one stands, no tap waits for one. */
const SCREENS = [
  () => import('./index'),
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
  () => import('./routes/index'),
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
        <T tone="soft">Opening…</T>
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
