import { type AirUnit, type Book, inUnits, must, parsePressure } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../../../parts/Button';
import { Text } from '../../../parts/Text';
import { pressureText } from '../written';
import { Key } from './Key';
import { NumberKeys } from './LengthKeys';

/** Usual pressures in each unit, all inside of what is prescribed. */
const USUAL: Record<AirUnit, readonly string[]> = {
  psi: ['80', '85', '90', '95', '100'],
  bar: ['5.6', '6', '6.2', '6.5', '6.8'],
  kPa: ['560', '600', '620', '650', '680'],
};
const METRIC = { length: 'mm', distance: 'km', temperature: '°C' } as const;
/** What is kept when a person says that the pressure was not noted. */
export const NOT_NOTED = 'not noted';

/** The reservoir pressure, asked once before the strokes: every stroke takes it along. */
export function ReservoirPad({
  prescribed,
  unit,
  reservoir,
  onSet,
}: {
  /** What the book prescribes; null where it asks for none. */
  prescribed: Book['reservoir'];
  unit: AirUnit;
  reservoir: string;
  onSet: (reservoir: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed === null ? null : pressureText(typed, unit);
  const [from, to] = prescribed ? [prescribed.from, prescribed.to] : [null, null];
  const own = (pressure: string) => inUnits(pressure, { ...METRIC, pressure: unit });
  const range = from && to ? `${own(from)} to ${own(to)}` : null;
  const outside =
    text !== null &&
    from !== null &&
    to !== null &&
    (must(parsePressure(text)) < must(parsePressure(from)) || must(parsePressure(text)) > must(parsePressure(to)));
  return (
    <View className="gap-4">
      <View>
        <Text level={2} bold size="title">
          Reservoir pressure
        </Text>
        <Text>{`Engine off, brakes released, pushrods marked. Then make a full application and hold it.${range ? ` Required: ${range}.` : ''}`}</Text>
      </View>
      {typed === null ? (
        <>
          <View className="flex-row gap-2">
            {USUAL[unit].map((each) => (
              <Key key={each} label={each} name={`${each} ${unit}`} chosen={reservoir === each} onKey={onSet} />
            ))}
          </View>
          <Button tall label="Another pressure" onPress={() => setTyped('')} />
          <Button label="Not noted" onPress={() => onSet(NOT_NOTED)} />
          <Text size="small" tone="soft">
            Without a pressure, a stroke inside its limit gets no verdict: it may be longer at full pressure.
          </Text>
        </>
      ) : (
        <>
          <Text reading bold size="huge" className="text-center">
            {`${typed || '–'} ${unit}`}
          </Text>
          {outside ? <Text tone="violation" bold>{`Outside ${range}: some strokes will get no verdict.`}</Text> : null}
          <NumberKeys typed={typed} onType={setTyped} />
          <Button
            tall
            look="act"
            label="Use this pressure"
            disabled={text === null}
            onPress={() => text && onSet(typed)}
          />
          <Button label="Back" onPress={() => setTyped(null)} />
        </>
      )}
    </View>
  );
}
