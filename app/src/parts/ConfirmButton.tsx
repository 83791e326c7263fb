import { useState } from 'react';
import { View } from 'react-native';
import { Button } from './Button';

/** An act that cannot be taken back: it asks once, in words that name the thing. */
export function ConfirmButton({
  label,
  ask,
  hint,
  onDo,
}: {
  label: string;
  ask: string;
  hint: string;
  onDo: () => void;
}) {
  const [asking, setAsking] = useState(false);
  if (!asking) return <Button className="grow" look="stop" label={label} hint={hint} onPress={() => setAsking(true)} />;
  return (
    <View className="grow flex-row flex-wrap gap-2">
      <Button className="grow" label="Keep it" hint={hint} onPress={() => setAsking(false)} />
      <Button className="grow" look="stop" label={ask} onPress={onDo} />
    </View>
  );
}
