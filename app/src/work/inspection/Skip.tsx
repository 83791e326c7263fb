import { useState } from 'react';
import { Button } from '../../parts/Button';
import { Drawer } from '../../parts/Drawer';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';

const REASONS = [
  'Cannot be reached here',
  'Covered in mud or ice',
  'No gauge at hand',
  'Not fitted',
  'Air will not build up',
] as const;

/** A reading left open, and why: the inspection will say so. */
export function Skip({
  what,
  onSkip,
  onClose,
}: {
  what: string;
  onSkip: (reason: string) => void;
  onClose: () => void;
}) {
  const [words, setWords] = useState('');
  return (
    <Drawer title={`Skip ${what}`} onClose={onClose}>
      <Text tone="soft">It stays open: not measured is never a pass.</Text>
      {REASONS.map((reason) => (
        <Button key={reason} tall label={reason} onPress={() => onSkip(reason)} />
      ))}
      <TextField
        label="Another reason"
        value={words}
        onChangeText={setWords}
        maxLength={300}
        onSubmitEditing={() => words.trim() && onSkip(words.trim())}
      />
      <Button label="Skip for this reason" disabled={words.trim() === ''} onPress={() => onSkip(words.trim())} />
    </Drawer>
  );
}
