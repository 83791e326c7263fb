import { router } from 'expo-router';
import { Button } from './Button';
import { Screen } from './Screen';
import { T } from './T';

/** An address that leads nowhere. */
export function Lost() {
  return (
    <Screen
      title="Nothing here"
      footer={<Button tall look="act" label="Go to the yard" onPress={() => router.replace('/')} />}
    >
      <T>This address leads to nothing. It may have been mistyped.</T>
    </Screen>
  );
}
