import {
  LIMITED_WORDS,
  MAKER_READINGS,
  type MakerReading,
  makerLimitSchema,
  parsePosition,
  type UnitPage,
  wheelEnd,
} from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { Drawer } from '../../parts/Drawer';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';
import { useMaySend } from '../../session/session';

const KINDS = MAKER_READINGS.map((value) => ({ value, label: LIMITED_WORDS[value] }));

/** The limits marked on what is fitted at an axle end, or given by its maker. The strictest that applies decides. */
export function MakerLimits({ unit, at }: { unit: UnitPage; at: string }) {
  const may = useMaySend('set-maker-limit');
  const [adding, setAdding] = useState(false);
  const [reading, setReading] = useState<MakerReading>('lining');
  const [value, setValue] = useState('');
  const [source, setSource] = useState('');
  const position = parsePosition(at);
  const end = position ? wheelEnd(unit, position.axle, position.side) : null;
  if (!position || !end) return null;
  const known = MAKER_READINGS.flatMap((kind) => {
    const limit = end.maker?.[kind];
    return limit ? [{ kind, limit }] : [];
  });
  const problem = value.trim() ? makerLimitSchema.shape.value.safeParse(value.trim()).error?.issues[0]?.message : null;
  const set = (kind: MakerReading, limit: { value: string; source: string } | null) =>
    void send(
      'set-maker-limit',
      { unit: unit.id, axle: position.axle, side: position.side, reading: kind, limit },
      `${unit.number}: maker’s limit at ${at}`,
    );
  if (!may && known.length === 0) return null;
  return (
    <View className="gap-2">
      {known.map(({ kind, limit }) => (
        <View key={kind} className="flex-row items-center justify-between gap-2">
          <Text className="min-w-0 flex-1">{`Maker: ${LIMITED_WORDS[kind]} ${limit.value} (${limit.source})`}</Text>
          {may ? (
            <Button look="bare" label="Take back" hint={LIMITED_WORDS[kind]} onPress={() => set(kind, null)} />
          ) : null}
        </View>
      ))}
      {may ? <Button label={`Maker’s limit at ${at}`} onPress={() => setAdding(true)} /> : null}
      {adding ? (
        <Drawer title={`Maker’s limit at ${at}`} onClose={() => setAdding(false)}>
          <Choice label="Of what" options={KINDS} value={reading} onChange={setReading} />
          <TextField label="Limit" placeholder="5/16 in" value={value} onChangeText={setValue} error={problem} />
          <TextField
            label="Where it is written"
            placeholder="Cast on the drum"
            value={source}
            onChangeText={setSource}
            maxLength={120}
          />
          <Button
            tall
            look="act"
            label="Keep this limit"
            disabled={!value.trim() || Boolean(problem) || !source.trim()}
            onPress={() => {
              set(reading, { value: value.trim(), source: source.trim() });
              setAdding(false);
            }}
          />
        </Drawer>
      ) : null}
    </View>
  );
}
