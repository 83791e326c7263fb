import {
  COMMANDS,
  LIMITED_WORDS,
  MAKER_READINGS,
  type MakerLimit,
  type MakerReading,
  makerLimitSchema,
  parsePosition,
  type UnitPage,
  wheelEnd,
} from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { ChoiceField } from '../../parts/ChoiceField';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { FigureField } from '../../parts/FigureText';
import { Text } from '../../parts/Text';
import { WordsForm } from '../../parts/WordsForm';
import { useZodForm } from '../../session/forms';
import { useMaySend } from '../../session/may';
import { useUnits } from '../../session/rules';

const KINDS = MAKER_READINGS.map((value) => ({ value, label: LIMITED_WORDS[value] }));

const formSchema = makerLimitSchema.extend({ reading: z.enum(MAKER_READINGS) });

function Form({
  at,
  onClose,
  onLimit,
}: {
  at: string;
  onClose: () => void;
  onLimit: (reading: MakerReading, limit: MakerLimit) => void;
}) {
  const { control, handleSubmit, watch, formState } = useZodForm(formSchema, {
    reading: 'lining',
    value: '',
    source: '',
  });
  const { length } = useUnits();
  const keep = handleSubmit(({ reading, ...limit }) => onLimit(reading, limit));
  return (
    <Drawer title={`Maker’s limit at ${at}`} onClose={onClose}>
      <ChoiceField control={control} name="reading" label="Of what" options={KINDS} />
      <FigureField
        control={control}
        name="value"
        label="Limit"
        unit={length}
        ofTread={watch('reading') === 'tread'}
        placeholder="5/16 in"
      />
      <Field
        control={control}
        name="source"
        label="Source"
        placeholder="Cast on the drum"
        maxLength={formSchema.shape.source.maxLength ?? undefined}
      />
      <Button tall look="act" label="Save this limit" disabled={!formState.isValid} onPress={() => void keep()} />
    </Drawer>
  );
}

/** The limits marked on what is fitted at an axle end, or given by its maker. The strictest that applies decides. */
export function MakerLimits({ unit, at }: { unit: UnitPage; at: string }) {
  const may = useMaySend('set-maker-limit');
  const [adding, setAdding] = useState(false);
  const [taking, setTaking] = useState<MakerReading | null>(null);
  const position = parsePosition(at);
  const end = position ? wheelEnd(unit, position.axle, position.side) : null;
  if (!position || !end) return null;
  const known = MAKER_READINGS.flatMap((kind) => {
    const limit = end.maker?.[kind];
    return limit ? [{ kind, limit }] : [];
  });
  const set = (kind: MakerReading, limit: { value: string; source: string } | null, reason?: string) =>
    void send(
      'set-maker-limit',
      {
        unit: unit.id,
        axle: position.axle,
        side: position.side,
        reading: kind,
        limit,
        ...(reason ? { reason } : {}),
      },
      `${unit.number}: maker’s limit at ${at}`,
    );
  if (!may && known.length === 0) return null;
  return (
    <View className="gap-2">
      {known.map(({ kind, limit }) => (
        <View key={kind} className="flex-row items-center justify-between gap-2">
          <Text className="min-w-0 flex-1">{`Maker: ${LIMITED_WORDS[kind]} ${limit.value} (${limit.source})`}</Text>
          {may ? (
            <Button look="bare" label="Take back" hint={LIMITED_WORDS[kind]} onPress={() => setTaking(kind)} />
          ) : null}
        </View>
      ))}
      {may ? <Button label={`Maker’s limit at ${at}`} onPress={() => setAdding(true)} /> : null}
      {taking ? (
        <Drawer title={`Remove: ${LIMITED_WORDS[taking]}`} onClose={() => setTaking(null)}>
          <WordsForm
            short
            label="Why?"
            words={COMMANDS['set-unit-state'].body.shape.reason}
            act="Remove this limit"
            onWords={(reason) => {
              setTaking(null);
              set(taking, null, reason);
            }}
          />
        </Drawer>
      ) : null}
      {adding ? (
        <Form
          at={at}
          onClose={() => setAdding(false)}
          onLimit={(reading, limit) => {
            setAdding(false);
            set(reading, limit);
          }}
        />
      ) : null}
    </View>
  );
}
