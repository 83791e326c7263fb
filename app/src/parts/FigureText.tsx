import { useState } from 'react';
import { type FieldValues, useController } from 'react-hook-form';
import { type Field, sentence } from './Field';
import { Text } from './Text';
import { TextField, type TextFieldProps } from './TextField';

/** A figure without a unit, with the one it is plainly meant in: `5 1/2` becomes `5 1/2 in`. */
export const withUnit = (typed: string, unit: string): string =>
  /^\d[\d\s.,/-]*$/.test(typed.trim()) ? `${typed.trim()} ${unit}` : typed;

interface Props extends Omit<TextFieldProps, 'value' | 'onChangeText'> {
  value: string;
  /** What a bare figure is meant in. */
  unit: string;
  onValue: (value: string) => void;
}

/** A figure to write, with its unit or without: what it is read as is said. */
export function FigureText({ value, unit, onValue, ...input }: Props) {
  const [typed, setTyped] = useState(value);
  const shown = withUnit(typed, unit) === value ? typed : value;
  return (
    <>
      <TextField
        {...input}
        value={shown}
        onChangeText={(text) => {
          setTyped(text);
          onValue(withUnit(text, unit));
        }}
      />
      {shown !== value ? <Text size="small" tone="soft">{`Read as ${value}`}</Text> : null}
    </>
  );
}

/** The same in a form. */
export function FigureField<V extends FieldValues>({
  control,
  name,
  unit,
  ...input
}: Parameters<typeof Field<V>>[0] & { unit: string }) {
  const { field, fieldState } = useController({ control, name });
  // Read whatever the value is: only what is read while drawing is followed.
  const { error } = fieldState;
  const wrong = field.value ? error?.message : undefined;
  return (
    <FigureText
      {...input}
      value={field.value}
      unit={unit}
      onValue={field.onChange}
      error={wrong ? sentence(wrong) : null}
    />
  );
}
