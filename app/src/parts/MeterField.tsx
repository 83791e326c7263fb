import {
  COMMANDS,
  formatDistance,
  isPowerUnit,
  type Meter,
  meterDoubt,
  must,
  parseDistance,
  type UnitPage,
} from '@zealous-axle/core';
import { type ReactNode, useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { send } from '../device/outbox';
import { clock } from '../look/dates';
import { useZodForm } from '../session/forms';
import { useUnits } from '../session/rules';
import { useSession } from '../session/session';
import { Button } from './Button';
import { FigureField } from './FigureText';
import { Notice } from './Notice';
import { Text } from './Text';

const schema = z.object({ value: COMMANDS['record-meter'].body.shape.value });
type Metered = Pick<UnitPage, 'id' | 'number' | 'meter'>;

/** Whether a unit has a meter, as far as is known: it moves itself, or somebody has read one. */
export const hasMeter = ({ kind, meter }: Pick<UnitPage, 'kind' | 'meter'>): boolean =>
  isPowerUnit(kind) || meter !== null;

interface MeterAsked {
  field: ReactNode;
  /** Something is written that is not kept yet. */
  written: boolean;
  doubt: string | null;
  valid: boolean;
  /** Keeps what is written, where it can be read; nothing where nothing is written. */
  keep: () => void;
}

/** The odometer or hub meter of a unit: asked about again where it runs backwards or leaps. */
export function useMeter(unit: Metered): MeterAsked {
  const { fleet, person } = useSession();
  const { distance } = useUnits();
  const { control, handleSubmit, watch, reset, formState } = useZodForm(schema, { value: '' });
  const [kept, setKept] = useState<Meter | null>(null);
  const last = kept ?? unit.meter;
  const value = watch('value');
  const doubt = parseDistance(value).ok ? meterDoubt(last, value, new Date().toISOString()) : null;
  const keep = handleSubmit((written) => {
    void send(
      'record-meter',
      { meter: uuidv7(), unit: unit.id, ...written },
      `${unit.number}: meter at ${written.value}`,
    );
    setKept({ value: written.value, at: new Date().toISOString(), by: person.name });
    reset({ value: '' });
  });
  const field = (
    <>
      {last ? (
        <Text size="small" tone="soft">
          {`${formatDistance(must(parseDistance(last.value)), distance)}, ${clock(last.at, fleet.zone)}, ${last.by}`}
        </Text>
      ) : null}
      <FigureField
        control={control}
        name="value"
        label="Odometer or hub meter"
        unit={distance}
        inputMode="decimal"
        placeholder={`48,210 ${distance}`}
      />
      {doubt ? <Notice look="ask">{doubt}</Notice> : null}
    </>
  );
  return { field, written: value !== '', doubt, valid: formState.isValid, keep: () => void keep() };
}

/** The same with its own button. */
export function MeterField({ unit }: { unit: Metered }) {
  const { field, written, doubt, valid, keep } = useMeter(unit);
  return (
    <View className="gap-2">
      {field}
      {written ? (
        <Button
          label={doubt ? 'Meter reading is right' : 'Save'}
          hint={`meter of ${unit.number}`}
          disabled={!valid}
          onPress={keep}
        />
      ) : null}
    </View>
  );
}
