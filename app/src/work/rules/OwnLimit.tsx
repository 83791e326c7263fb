import { type Book, COMMANDS, fleetLimitRefusal, type Limit, limitWords, whereWords } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { FigureField } from '../../parts/FigureText';
import { Text } from '../../parts/Text';
import { useZodForm } from '../../session/forms';

const sent = COMMANDS['add-fleet-limit'].body;

/** The unit a figure is written in: a stricter one beside it is meant in the same. */
const unitIn = (figure: string): string => /[^\d\s.,/-]+$/.exec(figure)?.[0] ?? '';

/** A stricter limit of the fleet's own, with its reason. A looser one is refused at once, and why. */
export function OwnLimit({ book, limit, onClose }: { book: Book; limit: Limit; onClose: () => void }) {
  const stricter = sent.pick({ value: true, reason: true }).superRefine(({ value }, context) => {
    const message = fleetLimitRefusal(book, limit.id, value);
    if (message) context.addIssue({ code: 'custom', path: ['value'], message });
  });
  const { control, handleSubmit, formState } = useZodForm(stricter, { value: '', reason: '' });
  const add = handleSubmit((own) => {
    onClose();
    const label = `Fleet limit: ${whereWords(limit)} ${own.value}`;
    void send('add-fleet-limit', { limit: uuidv7(), tightens: limit.id, ...own }, label);
  });
  return (
    <Drawer title="A stricter limit of our own" onClose={onClose}>
      <Text bold>{`${whereWords(limit)}: ${limitWords(limit)}`}</Text>
      <Text tone="soft">{limit.source}</Text>
      <FigureField
        control={control}
        name="value"
        label="Our limit"
        unit={unitIn(limit.value)}
        ofTread={limit.reading === 'tread'}
        placeholder={limit.value}
      />
      <Field
        control={control}
        name="reason"
        label="Why we are stricter"
        multiline
        maxLength={sent.shape.reason.maxLength ?? undefined}
      />
      <Button tall look="act" label="Set this limit" disabled={!formState.isValid} onPress={() => void add()} />
      <Text size="small" tone="soft">
        Past only this limit is a shop limit finding. The legal figure still decides what is a violation.
      </Text>
    </Drawer>
  );
}
