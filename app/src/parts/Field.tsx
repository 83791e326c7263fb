import { type Control, type FieldPath, type FieldValues, useController } from 'react-hook-form';
import { TextField, type TextFieldProps } from './TextField';

/** A schema's words as a sentence. */
export const sentence = (words: string): string =>
  `${words.charAt(0).toUpperCase()}${words.slice(1)}${/[.:!?]$/.test(words) ? '' : '.'}`;

interface Props<V extends FieldValues> extends Omit<TextFieldProps, 'value' | 'onChangeText' | 'error'> {
  // biome-ignore lint/suspicious/noExplicitAny: a field is the same whatever its form sends.
  control: Control<V, any, any>;
  name: FieldPath<V>;
}

/** A field of a form: says what is wrong once something was written in it. */
export function Field<V extends FieldValues>({ control, name, ...input }: Props<V>) {
  const { field, fieldState } = useController({ control, name });
  const { value, onChange } = field;
  // Read whatever the value is: only what is read while drawing is followed.
  const { error } = fieldState;
  const wrong = value ? error?.message : undefined;
  return <TextField {...input} value={value} onChangeText={onChange} error={wrong ? sentence(wrong) : null} />;
}
