import { COMMANDS } from '@zealous-axle/core';
import { Button } from '../../parts/Button';
import { Drawer } from '../../parts/Drawer';
import { Text } from '../../parts/Text';
import { WordsForm } from '../../parts/WordsForm';

const REASONS = [
  'Cannot be reached here',
  'Covered in mud or ice',
  'No gauge at hand',
  'Air will not build up',
] as const;

/** A reading left open, and why: the inspection will say so. */
export function Skip({
  what,
  onSkip,
  onNotFitted,
  onClose,
}: {
  what: string;
  onSkip: (reason: string) => void;
  /** Says that the unit does not have it; null where it always has, or where this person may not say so. */
  onNotFitted: (() => void) | null;
  onClose: () => void;
}) {
  return (
    <Drawer title={`Skip ${what}`} onClose={onClose}>
      <Text tone="soft">It stays not measured. That is never a pass.</Text>
      {onNotFitted ? (
        <Button tall label="Not on this unit: do not ask again" onPress={onNotFitted} />
      ) : (
        <Button tall label="Not fitted" onPress={() => onSkip('Not fitted')} />
      )}
      {REASONS.map((reason) => (
        <Button key={reason} tall label={reason} onPress={() => onSkip(reason)} />
      ))}
      <WordsForm
        label="Another reason"
        words={COMMANDS['skip-reading'].body.shape.reason}
        act="Skip for this reason"
        short
        autoFocus={false}
        look="plain"
        onWords={onSkip}
      />
    </Drawer>
  );
}
