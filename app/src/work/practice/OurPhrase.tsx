import { COMMANDS } from '@zealous-axle/core';
import type { Card } from '@zealous-axle/core/practice';
import { useState } from 'react';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { Text } from '../../parts/Text';
import { useZodForm } from '../../session/forms';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';

const schema = z.object({ say: COMMANDS['set-phrase'].body.shape.say.unwrap() });
/** What a card is of, without its station. */
const subjectOf = ({ id }: Card): string => id.slice(id.indexOf('/') + 1);

function Editing({ card, onClose }: { card: Card; onClose: () => void }) {
  const { fleet } = useSession();
  const subject = subjectOf(card);
  const own = fleet.phrases[subject];
  const { control, handleSubmit, formState } = useZodForm(schema, { say: own ?? card.says.join(' ') });
  const set = (say: string | null) => {
    onClose();
    void send('set-phrase', { version: fleet.version, subject, say }, `${card.point}: how we say it`);
  };
  const save = handleSubmit(({ say }) => set(say));
  return (
    <Drawer title={card.point} onClose={onClose}>
      <Text>Part, how it is secured, condition, figure: one sentence, as an examiner here expects it.</Text>
      <Field control={control} name="say" label="What we say" multiline maxLength={200} autoFocus />
      <Button tall look="act" label="Say it so" disabled={!formState.isValid} onPress={() => void save()} />
      {own ? <Button label="As it ships" onPress={() => set(null)} /> : null}
    </Drawer>
  );
}

/** The shop's own sentence for a card. */
export function OurPhrase({ card }: { card: Card }) {
  const may = useMaySend('set-phrase');
  const [open, setOpen] = useState(false);
  if (!may) return null;
  return (
    <>
      <Button
        look="bare"
        className="self-start"
        label="Say it our way…"
        hint={card.point}
        onPress={() => setOpen(true)}
      />
      {open ? <Editing card={card} onClose={() => setOpen(false)} /> : null}
    </>
  );
}
