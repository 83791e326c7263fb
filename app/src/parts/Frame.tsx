import { QueryClientProvider } from '@tanstack/react-query';
import { BOOKS } from '@zealous-axle/core';
import { Slot } from 'expo-router';
import { View } from 'react-native';
import { queryClient } from '../server/queries';
import { useSession } from '../session/session';
import { useFollowing } from '../session/useFollowing';
import { ClockBar } from './ClockBar';
import { NewerBar } from './NewerBar';
import { OutboxBar } from './OutboxBar';
import { Shortcuts } from './Shortcuts';
import { BookWords } from './verdict';

/** What stands around every screen of one signed-in person. */
function Signed() {
  const session = useSession();
  const { fleet } = session;
  useFollowing(session);
  return (
    <BookWords.Provider value={BOOKS[fleet.book].words.verdicts}>
      <View className="flex-1">
        <NewerBar />
        <ClockBar />
        <OutboxBar />
        <View className="min-h-0 flex-1">
          <Slot />
        </View>
        <Shortcuts />
      </View>
    </BookWords.Provider>
  );
}

/** The program around its screens; whoever signs in next begins anew. */
export function Frame() {
  const { person } = useSession();
  return (
    <QueryClientProvider client={queryClient}>
      <Signed key={person.id} />
    </QueryClientProvider>
  );
}
