import type { DefectView } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Text } from '../../parts/Text';

/** Makes jobs of everything that is shown, by the templates; what none names stays to be looked at one by one. */
export function MakeAll({ defects }: { defects: readonly DefectView[] }) {
  const [asking, setAsking] = useState(false);
  const make = () => {
    setAsking(false);
    void send(
      'make-jobs',
      { defects: defects.map(({ id, version }) => ({ defect: id, version, job: uuidv7() })) },
      `Jobs of ${defects.length} defects`,
    );
  };
  if (!asking)
    return (
      <Button label={`Create jobs for all ${defects.length} defects from templates`} onPress={() => setAsking(true)} />
    );
  return (
    <View className="gap-2 rounded-xl border-2 border-act p-3">
      <Text>One job per unit and kind of work, from the templates. What no template covers stays here.</Text>
      <Button tall look="act" label="Create these jobs" onPress={make} />
      <Button look="bare" label="Not yet" onPress={() => setAsking(false)} />
    </View>
  );
}
