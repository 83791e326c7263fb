import { useState } from 'react';
import { Button } from '../../parts/Button';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { T } from '../../parts/T';

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
    <Sheet title={`Skip ${what}`} onClose={onClose}>
      <T tone="soft">It stays open: not measured is never a pass.</T>
      {REASONS.map((reason) => (
        <Button key={reason} tall label={reason} onPress={() => onSkip(reason)} />
      ))}
      <Field
        label="Another reason"
        value={words}
        onChangeText={setWords}
        maxLength={300}
        onSubmitEditing={() => words.trim() && onSkip(words.trim())}
      />
      <Button label="Skip for this reason" disabled={words.trim() === ''} onPress={() => onSkip(words.trim())} />
    </Sheet>
  );
}
