import { becauseSchema, SEEN_WORDS, type SeenBy } from '@zealous-axle/core';
import { type ReactNode, useState } from 'react';
import type { z } from 'zod';
import type { Picture } from '../device/photos';
import { useZodForm } from '../session/forms';
import { Button } from './Button';
import { ChoiceField } from './ChoiceField';
import { Field } from './Field';
import { Pictures } from './Pictures';
import { Usual } from './WordsForm';

export type Because = z.infer<typeof becauseSchema>;

const USUAL = ['It was recorded wrong', 'It was not known', 'The part was replaced'] as const;

interface Props {
  /** What such a fact may be seen by. */
  seenBy: readonly SeenBy[];
  act: string;
  /** What is to be changed is not said yet. */
  waits?: boolean;
  /** Photos are asked for with it. */
  photos?: boolean;
  onBecause: (because: Because, pictures: readonly Picture[]) => void;
  children?: ReactNode;
}

/** Why a fact of a unit is changed, what it was seen by, with a photo of that: nothing is changed without it. */
export function BecauseForm({ seenBy, act, waits = false, photos = true, onBecause, children }: Props) {
  const { control, handleSubmit, setValue, formState } = useZodForm(becauseSchema, { reason: '' });
  const [pictures, setPictures] = useState<Picture[]>([]);
  const done = () => void handleSubmit((because) => onBecause(because, pictures))();
  return (
    <>
      <ChoiceField
        control={control}
        name="seen"
        label="Seen by"
        stacked
        options={seenBy.map((value) => ({ value, label: SEEN_WORDS[value] }))}
      />
      <Field control={control} name="reason" label="Reason for the change" maxLength={300} />
      <Usual
        words={USUAL}
        onWords={(reason) => setValue('reason', reason, { shouldValidate: true, shouldDirty: true })}
      />
      {photos ? (
        <Pictures
          of="goes with this change"
          photos={pictures}
          onPhoto={(picture) => setPictures((before) => [...before, picture])}
        />
      ) : null}
      {children}
      <Button tall look="act" label={act} disabled={waits || !formState.isValid} onPress={done} />
    </>
  );
}
