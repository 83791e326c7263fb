import { useState } from 'react';
import { View } from 'react-native';
import { Button } from './Button';

/** An act that cannot be taken back: it asks once, in words that name the thing. */
export function ConfirmButton({
  label,
  ask,
  hint,
  quiet,
  onDo,
}: {
  label: string;
  ask: string;
  hint: string;
  /** Among other things, not the act of its screen: it asks before it looks like a danger. */
  quiet?: boolean;
  onDo: () => void;
}) {
  const [asking, setAsking] = useState(false);
  if (!asking)
    return (
      <Button
        className={quiet ? '' : 'grow'}
        look={quiet ? 'bare' : 'stop'}
        label={label}
        hint={hint}
        onPress={() => setAsking(true)}
      />
    );
  return (
    <View className="grow flex-row flex-wrap gap-2">
      <Button className="grow" label="Cancel" hint={hint} onPress={() => setAsking(false)} />
      <Button className="grow" look="stop" label={ask} onPress={onDo} />
    </View>
  );
}
