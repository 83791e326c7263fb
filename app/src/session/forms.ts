import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect } from 'react';
import { type DefaultValues, type FieldValues, type UseFormReturn, useForm } from 'react-hook-form';
import type { z } from 'zod';
import { useTyped } from './useTyped';

type Schema<Values extends FieldValues, Sent> = z.ZodType<Sent, Values>;

/** A form that holds what its schema allows: checked at every change, said at the field. */
export function useZodForm<Values extends FieldValues, Sent>(
  schema: Schema<Values, Sent>,
  defaultValues: DefaultValues<Values>,
): UseFormReturn<Values, unknown, Sent> {
  const form = useForm<Values, unknown, Sent>({
    resolver: zodResolver(schema) as never,
    defaultValues,
    mode: 'onChange',
  });
  // Only what is read while drawing is followed: read here, whether or not a screen comes to ask for it.
  void form.formState.isValid;
  return form;
}

/**
 * A form whose values are kept on the device at every change, through reload and crash, until it is cleared. `ready` once
 * the device said what was begun before, `earlier` when that was something.
 */
export function useKeptForm<Values extends FieldValues, Sent>(
  name: string,
  schema: Schema<Values, Sent>,
  empty: Values,
  heavy?: readonly (keyof Values)[],
) {
  const form = useZodForm(schema, empty as DefaultValues<Values>);
  const typed = useTyped(name, empty, heavy);
  const { reset, subscribe, trigger } = form;
  const ready = typed !== null;
  const change = typed?.change;
  const found = typed?.value;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what the device kept is taken once, when it has said it.
  useEffect(() => {
    if (!found) return;
    reset(found);
    void trigger();
  }, [ready]);
  useEffect(
    () =>
      change &&
      subscribe({
        formState: { values: true },
        // What has no field's name was put there by the program, not by a person.
        callback: ({ name: field, values }) => field && change(values),
      }),
    [change, subscribe],
  );
  const clear = async () => {
    await typed?.clear();
    reset(empty);
  };
  return { ...form, ready, earlier: typed?.earlier ?? false, clear };
}
