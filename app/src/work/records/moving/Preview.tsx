import {
  keyWords,
  type MovedLine,
  type MovedRows,
  type MoveList,
  type Reading,
  readingKey,
  readingText,
} from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { moneyText } from '../../../look/money';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';
import { Text } from '../../../parts/Text';

const FEW = 5;
const MORE = 50;

const readingSays = (reading: Reading): string => `${keyWords(readingKey(reading), ' at ')} ${readingText(reading)}`;

/** A row as it will stand: its name, and the rest of it in a line. */
const SAYS: { [L in MoveList]: (row: MovedRows[L]) => [string, string] } = {
  units: ({ form: { number, kind, body, axles }, papers, meter }) => [
    number,
    [
      kind,
      body,
      `${axles.length} axles`,
      axles[0]?.chamber
        ? `${axles[0].chamber.size}${axles[0].chamber.stroke === 'standard' ? '' : ' long'}`
        : 'chamber not known',
      ...papers.map(({ name, until }) => `${name} ${until}`),
      meter,
    ]
      .filter(Boolean)
      .join(', '),
  ],
  parts: ({ part, form: { name, price, leadDays }, stock }) => [
    name,
    `${part}, ${stock} in stock, ${moneyText(price)}, ${leadDays} days to get`,
  ],
  people: ({ signIn, form: { name, role, work } }) => [
    name,
    [
      role,
      signIn,
      ...(work?.skills ?? []),
      ...(work?.qualifications ?? []).map((held) => `${held.name} ${held.until}`),
    ].join(', '),
  ],
  repairs: ({ unit, day, work, by, meter, cost }) => [
    `${unit}, ${day}`,
    [work, by, meter, cost === undefined ? '' : moneyText(cost)].filter(Boolean).join(', '),
  ],
  readings: ({ unit, day, readings }) => [`${unit}, ${day}`, readings.map(readingSays).join('; ')],
};

/** Every line that will move in, as it will stand. */
export function Preview<L extends MoveList>({ list, lines }: { list: L; lines: readonly MovedLine<L>[] }) {
  const [shown, setShown] = useState(FEW);
  const good = lines.flatMap((each) => ('row' in each ? [each] : []));
  if (good.length === 0) return null;
  return (
    <Card title="How it will be saved">
      {good.slice(0, shown).map(({ line, row }) => {
        const [name, rest] = SAYS[list](row);
        return (
          <View key={line} className="border-t border-line py-1">
            <Text bold>{name}</Text>
            <Text size="small">{`line ${line}: ${rest}`}</Text>
          </View>
        );
      })}
      {good.length > shown ? (
        <Button label={`Show more, ${shown} of ${good.length}`} onPress={() => setShown(shown + MORE)} />
      ) : null}
    </Card>
  );
}
