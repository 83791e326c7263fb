import { type Book, fleetLimitRefusal, type Limit, limitWords, whereWords } from '@zealous-axle/core';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Drawer } from '../../parts/Drawer';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';

/** A stricter limit of the fleet's own, with its reason. A looser one is refused at once, and why. */
export function OwnLimit({ book, limit, onClose }: { book: Book; limit: Limit; onClose: () => void }) {
  const [value, setValue] = useState('');
  const [reason, setReason] = useState('');
  const refusal = value.trim() ? fleetLimitRefusal(book, limit.id, value.trim()) : null;
  const add = () => {
    onClose();
    void send(
      'add-fleet-limit',
      { limit: uuidv7(), tightens: limit.id, value: value.trim(), reason: reason.trim() },
      `Fleet limit: ${whereWords(limit)} ${value.trim()}`,
    );
  };
  return (
    <Drawer title="A stricter limit of our own" onClose={onClose}>
      <Text bold>{`${whereWords(limit)}: ${limitWords(limit)}`}</Text>
      <Text tone="soft">{limit.source}</Text>
      <TextField label="Our limit" placeholder={limit.value} value={value} onChangeText={setValue} error={refusal} />
      <TextField label="Why we ask for more" value={reason} onChangeText={setReason} multiline maxLength={300} />
      <Button
        tall
        look="act"
        label="Set this limit"
        disabled={!value.trim() || refusal !== null || !reason.trim()}
        onPress={add}
      />
      <Text size="small" tone="soft">
        Past it alone is a shop limit. The law’s own figure goes on deciding what is a violation.
      </Text>
    </Drawer>
  );
}
