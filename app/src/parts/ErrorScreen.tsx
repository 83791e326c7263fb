import { View } from 'react-native';
import { Button } from './Button';
import { Notice } from './Notice';
import { Text } from './Text';

/** What is shown when a screen fails: in words, with a way on. */
export function ErrorScreen({ error }: { error: Error }) {
  return (
    <View role="main" className="flex-1 justify-center gap-4 bg-ground p-6">
      <Text level={1} size="title" bold>
        Something went wrong on this screen
      </Text>
      <Text>Your entries are saved on this device. Reload, or go to the yard.</Text>
      <Notice look="stop">{error.message}</Notice>
      <Button tall look="act" label="Load again" onPress={() => location.reload()} />
      <Button tall label="Go to the yard" onPress={() => location.assign('/')} />
    </View>
  );
}
