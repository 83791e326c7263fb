import { router } from 'expo-router';
import { Button } from './Button';
import { Screen } from './Screen';
import { Text } from './Text';

/** An address that leads nowhere. */
export function NotFound() {
  return (
    <Screen
      title="Nothing here"
      footer={<Button tall look="act" label="Go to the yard" onPress={() => router.replace('/')} />}
    >
      <Text>No page at this address. Check for a typo.</Text>
    </Screen>
  );
}
