import { useState } from 'react';
import { type FieldValues, useController } from 'react-hook-form';
import { type Field, sentence } from './Field';
import { Text } from './Text';
import { TextField, type TextFieldProps } from './TextField';

/**
 * A figure without a unit, with the one it is plainly meant in: `5 1/2` becomes `5 1/2 in`. Of tread a bare whole number may
 * be thirty-seconds: it stays as it is, and the form asks.
 */
export function withUnit(typed: string, unit: string, ofTread = false): string {
  const text = typed.trim();
  return /^\d[\d\s.,/-]*$/.test(text) && !(ofTread && /^\d+$/.test(text)) ? `${text} ${unit}` : typed;
}

interface Props extends Omit<TextFieldProps, 'value' | 'onChangeText'> {
  value: string;
  /** What a bare figure is meant in. */
  unit: string;
  /** It is of tread, which is read in thirty-seconds too. */
  ofTread?: boolean;
  onValue: (value: string) => void;
}

/** A figure to write, with its unit or without: what it is read as is said. */
export function FigureText({ value, unit, ofTread, onValue, ...input }: Props) {
  const [typed, setTyped] = useState(value);
  const shown = withUnit(typed, unit, ofTread) === value ? typed : value;
  return (
    <>
      <TextField
        {...input}
        value={shown}
        onChangeText={(text) => {
          setTyped(text);
          onValue(withUnit(text, unit, ofTread));
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
  ofTread,
  ...input
}: Parameters<typeof Field<V>>[0] & Pick<Props, 'unit' | 'ofTread'>) {
  const { field, fieldState } = useController({ control, name });
  // Read whatever the value is: only what is read while drawing is followed.
  const { error } = fieldState;
  const wrong = field.value ? error?.message : undefined;
  return (
    <FigureText
      {...input}
      value={field.value}
      unit={unit}
      ofTread={ofTread}
      onValue={field.onChange}
      error={wrong ? sentence(wrong) : null}
    />
  );
}
