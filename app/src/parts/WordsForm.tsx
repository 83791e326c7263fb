import type { ReactNode } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { useZodForm } from '../session/forms';
import { Button } from './Button';
import { Field } from './Field';

interface Props {
  label: string;
  /** What the words have to be, from the command that takes them. */
  words: z.ZodString;
  act: string;
  look?: 'act' | 'stop' | 'plain';
  /** What stands there to begin with. */
  first?: string;
  /** What is usually said, each written by one tap. */
  usual?: readonly string[];
  /** One line, sent by Enter. */
  short?: boolean;
  autoFocus?: boolean;
  onWords: (words: string) => void;
  /** What else goes with the words, between them and the act. */
  children?: ReactNode;
}

/** What is usually said, each by one tap. */
export function Usual({ words, onWords }: { words: readonly string[]; onWords: (words: string) => void }) {
  if (words.length === 0) return null;
  return (
    <View className="flex-row flex-wrap gap-2">
      {words.map((each) => (
        <Button key={each} label={each} className="max-w-full" onPress={() => onWords(each)} />
      ))}
    </View>
  );
}

/** Some words, and the act that needs them: why, or what is signed. */
export function WordsForm({
  label,
  words,
  act,
  look = 'act',
  first = '',
  usual = [],
  short,
  autoFocus = true,
  onWords,
  children,
}: Props) {
  const { control, handleSubmit, setValue, formState } = useZodForm(z.object({ words }), { words: first });
  const done = () => void handleSubmit((sent) => onWords(sent.words))();
  return (
    <>
      <Field
        control={control}
        name="words"
        label={label}
        multiline={!short}
        maxLength={words.maxLength ?? undefined}
        autoFocus={autoFocus}
        onSubmitEditing={short ? done : undefined}
      />
      <Usual words={usual} onWords={(said) => setValue('words', said, { shouldValidate: true, shouldDirty: true })} />
      {children}
      <Button tall look={look} label={act} disabled={!formState.isValid} onPress={done} />
    </>
  );
}
