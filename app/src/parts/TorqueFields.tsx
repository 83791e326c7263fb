import { torqueSchema } from '@zealous-axle/core';
import { useState } from 'react';
import { type Control, type FieldPath, type FieldValues, useController } from 'react-hook-form';
import { lastTorque } from '../device/last-torque';
import { useUnits } from '../session/rules';
import { Choice } from './Choice';
import { Field, sentence } from './Field';
import { TextField } from './TextField';
import { Usual } from './WordsForm';

const UNITS = [
  { value: 'lb-ft', label: 'lb-ft' },
  { value: 'N·m', label: 'N·m' },
] as const;
type Unit = (typeof UNITS)[number]['value'];

const WRITTEN = /\s*(lb-ft|N·m|Nm)$/;
const unitIn = (value: string): Unit | null => {
  const written = WRITTEN.exec(value)?.[1];
  return written ? (written === 'lb-ft' ? 'lb-ft' : 'N·m') : null;
};
const figureIn = (value: string): string => value.replace(WRITTEN, '');
const joined = (figure: string, unit: Unit): string =>
  /^\d+$/.test(figure.trim()) ? `${figure.trim()} ${unit}` : figure;

interface Props<V extends FieldValues> {
  // biome-ignore lint/suspicious/noExplicitAny: a field is the same whatever its form sends.
  control: Control<V, any, any>;
  /** Where the torque stands in the form; `tool` is beside it. */
  name: FieldPath<V>;
  tool: FieldPath<V>;
  label: string;
}

/** A torque on the figures' own keyboard, its unit beside it, and what it was set with; as last on this device in one tap. */
export function TorqueFields<V extends FieldValues>({ control, name, tool, label }: Props<V>) {
  const value = useController({ control, name });
  const set = useController({ control, name: tool });
  const own: Unit = useUnits().length === 'mm' ? 'N·m' : 'lb-ft';
  const [chosen, setChosen] = useState<Unit>(own);
  const unit = unitIn(value.field.value) ?? chosen;
  const { onChange } = value.field;
  // Read whatever the value is: only what is read while drawing is followed.
  const { error } = value.fieldState;
  const wrong = value.field.value ? error?.message : undefined;
  const last = lastTorque();
  return (
    <>
      <Usual
        words={last ? [`As last here: ${last.value}, ${last.tool}`] : []}
        onWords={() => {
          if (!last) return;
          onChange(last.value);
          set.field.onChange(last.tool);
        }}
      />
      <TextField
        label={label}
        inputMode="decimal"
        value={figureIn(value.field.value)}
        onChangeText={(text) => onChange(joined(text, unit))}
        error={wrong ? sentence(wrong) : null}
        placeholder="475"
      />
      <Choice
        label="Unit of the torque"
        hideLabel
        options={UNITS}
        value={unit}
        onChange={(next) => {
          setChosen(next);
          onChange(joined(figureIn(value.field.value), next));
        }}
      />
      <Field
        control={control}
        name={tool}
        label="Set with"
        placeholder="Torque wrench 4"
        maxLength={torqueSchema.shape.tool.maxLength ?? undefined}
      />
    </>
  );
}
