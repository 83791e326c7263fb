import { type Book, must, parsePressure } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { reservoirText } from '../../data/draft';
import { Button } from '../../parts/Button';
import { T } from '../../parts/T';
import { Key } from './Key';
import { NumberKeys } from './LengthKeys';

const USUAL = ['80', '85', '90', '95', '100'] as const;
/** What is kept when a person says that the pressure was not noted. */
export const NOT_NOTED = 'not noted';

/** The reservoir pressure, asked once before the strokes: every stroke takes it along. */
export function PressurePad({
  book,
  reservoir,
  onSet,
}: {
  book: Book;
  reservoir: string;
  onSet: (reservoir: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed === null ? null : reservoirText(typed);
  const outside =
    text !== null &&
    (must(parsePressure(text)) < must(parsePressure(book.reservoir.from)) ||
      must(parsePressure(text)) > must(parsePressure(book.reservoir.to)));
  return (
    <View className="gap-4">
      <View>
        <T level={2} bold size="title">
          Reservoir pressure
        </T>
        <T>{`Engine off, brakes released and marked. Then a full application, held. Prescribed: ${book.reservoir.from} to ${book.reservoir.to}.`}</T>
      </View>
      {typed === null ? (
        <>
          <View className="flex-row gap-2">
            {USUAL.map((psi) => (
              <Key key={psi} label={psi} name={`${psi} psi`} chosen={reservoir === psi} onPress={() => onSet(psi)} />
            ))}
          </View>
          <Button tall label="Another pressure" onPress={() => setTyped('')} />
          <Button label="Not noted" onPress={() => onSet(NOT_NOTED)} />
          <T size="small" tone="soft">
            Without a pressure a stroke inside its limit gives no verdict: at full pressure it may be longer.
          </T>
        </>
      ) : (
        <>
          <T reading bold size="huge" className="text-center">
            {typed === '' ? '– psi' : `${typed} psi`}
          </T>
          {outside ? (
            <T
              tone="violation"
              bold
            >{`Outside ${book.reservoir.from} to ${book.reservoir.to}: some strokes will give no verdict.`}</T>
          ) : null}
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
