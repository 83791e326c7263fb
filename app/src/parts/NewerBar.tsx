import { useState, useSyncExternalStore } from 'react';
import { View } from 'react-native';
import { newer, onNewer } from '../device/newer';
import { Button } from './Button';
import { Text } from './Text';

/** Says, over every screen, that a newer version is here: it is taken when somebody says so, and what is begun stays. */
export function NewerBar() {
  const take = useSyncExternalStore(onNewer, newer, newer);
  const [taking, setTaking] = useState(false);
  if (!take) return null;
  return (
    <View className="flex-row flex-wrap items-center justify-center gap-x-3 border-b border-line bg-raised px-4 py-1">
      <Text role="status">A newer version is ready. Started work is kept.</Text>
      <Button
        look="bare"
        label={taking ? 'Loading …' : 'Load it'}
        disabled={taking}
        onPress={() => {
          setTaking(true);
          take();
        }}
      />
    </View>
  );
}
