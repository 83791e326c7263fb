import '../look/global.css';
import '../look/paper.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { BOOKS } from '@zealous-axle/core';
import { Slot } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import { queryClient } from '../data/queries';
import { SessionProvider, useSessionState } from '../data/session';
import { ThemeProvider } from '../look/theme';
import { OutboxBar } from '../parts/OutboxBar';
import { Shortcuts } from '../parts/Shortcuts';
import { T } from '../parts/T';
import { BookWords } from '../parts/verdict';
import { SignIn } from '../work/signin/SignIn';

export { Broken as ErrorBoundary } from '../parts/Broken';

function Signed() {
  const { session } = useSessionState();
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
