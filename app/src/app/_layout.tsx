import '../look/global.css';
import { useEffect, useLayoutEffect } from 'react';
import { View } from 'react-native';
import { whenIdle } from '../device/idle';
import { keepProgram } from '../device/newer';
import { fetchProgram, useProgram } from '../fetch-program';
import { ThemeProvider } from '../look/theme';
import { Button } from '../parts/Button';
import { Text } from '../parts/Text';
import { useSessionState } from '../session/session';
import { SignIn } from '../work/people/SignIn';

export { ErrorScreen as ErrorBoundary } from '../parts/ErrorScreen';

const KEPT_WITHIN_MS = 5_000;

function Opening({ lost }: { lost: boolean }) {
  return (
    <View role="status" className="flex-1 items-center justify-center gap-4 bg-ground p-6">
      <Text tone="soft">{lost ? 'No signal. The app could not load.' : 'Opening…'}</Text>
      {lost ? <Button tall label="Try again" onPress={() => location.reload()} /> : null}
    </View>
  );
}

/** The door, or the program behind it. The page is drawn with the door: it stays hidden while a session opens. */
function Door() {
  const session = useSessionState();
  useLayoutEffect(() => document.documentElement.classList.remove('opening'), []);
  const program = useProgram(session !== null);
  if (!session) return <SignIn onBegin={() => void fetchProgram().catch(() => undefined)} />;
  if (!program || program === 'lost') return <Opening lost={program === 'lost'} />;
  return <program.Frame />;
}

export default function Layout() {
  useEffect(() => {
    const keep = () => navigator.serviceWorker && void keepProgram(navigator.serviceWorker).catch(() => undefined);
    if (process.env.NODE_ENV === 'production') whenIdle(keep, KEPT_WITHIN_MS);
  }, []);
  return (
    <ThemeProvider>
      <Door />
    </ThemeProvider>
  );
}
