import type { ComponentProps } from 'react';
import { type Control, type FieldPath, type FieldValues, useController } from 'react-hook-form';
import { Choice } from './Choice';

interface Props<V extends FieldValues> extends Omit<ComponentProps<typeof Choice<string>>, 'value' | 'onChange'> {
  // biome-ignore lint/suspicious/noExplicitAny: a choice is the same whatever its form sends.
  control: Control<V, any, any>;
  name: FieldPath<V>;
  /** Told of a choice before the form takes it. */
  onPicked?: (value: string) => void;
}

/** One of a few, as a form holds it. */
export function ChoiceField<V extends FieldValues>({ control, name, onPicked, ...props }: Props<V>) {
  const { field } = useController({ control, name });
  return (
    <Choice
      {...props}
      value={field.value}
      onChange={(value) => {
        onPicked?.(value);
        field.onChange(value);
      }}
    />
  );
}
