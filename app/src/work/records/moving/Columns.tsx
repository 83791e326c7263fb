import {
  type Mapping,
  MOVE_FIELDS,
  type MoveField,
  type MoveList,
  placedColumns,
  type Table,
} from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';
import { Drawer } from '../../../parts/Drawer';
import { Text } from '../../../parts/Text';
import { FIELD_WORDS } from './words';

const SAMPLES = 3;

const samplesOf = ({ columns, lines }: Table, column: string): string =>
  lines
    .map(({ cells }) => cells[columns.indexOf(column)] ?? '')
    .filter(Boolean)
    .slice(0, SAMPLES)
    .join(', ');

interface ColumnsProps {
  list: MoveList;
  table: Table;
  mapping: Mapping;
  /** What changed. */
  onChange: (some: Mapping) => void;
}

/** Which column tells what. Opened, one is chosen for a field; a column tells one thing. */
export function Columns({ list, table, mapping, onChange }: ColumnsProps) {
  const [field, setField] = useState<MoveField | null>(null);
  const fields: readonly MoveField[] = MOVE_FIELDS[list];
  const known = fields.filter((each) => mapping[each]);
  const rest = fields.filter((each) => !mapping[each]);
  const placed = list === 'readings' ? placedColumns(table.columns) : [];
  const put = (column: string) => {
    if (!field) return;
    // A column tells one thing: whatever it told before is in none.
    const before = fields.find((each) => mapping[each] === column);
    onChange({ ...(before ? { [before]: '' } : {}), [field]: column });
    setField(null);
  };
  return (
    <Card title="What each column is" note="Guessed from its heading. Your choice is remembered.">
      {known.map((each) => (
        <View key={each} className="min-h-12 flex-row items-center gap-2 border-t border-line py-1">
          <View className="min-w-0 flex-1">
            <Text bold>{FIELD_WORDS[each]}</Text>
            <Text size="small">{`“${mapping[each]}”: ${samplesOf(table, mapping[each] ?? '') || 'empty'}`}</Text>
          </View>
          <Button look="bare" label="Change" hint={FIELD_WORDS[each]} onPress={() => setField(each)} />
        </View>
      ))}
      {placed.length ? (
        <Text size="small">{`Their headings name the location: ${placed.map(({ column }) => column).join(', ')}.`}</Text>
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        {rest.map((each) => (
          <Button key={each} label={`${FIELD_WORDS[each]} …`} onPress={() => setField(each)} />
        ))}
      </View>
      {field ? (
        <Drawer title={`Which column is ${FIELD_WORDS[field].toLowerCase()}?`} onClose={() => setField(null)}>
          {table.columns.filter(Boolean).map((column) => (
            <Button
              key={column}
              label={`${column}: ${samplesOf(table, column) || 'empty'}`}
              onPress={() => put(column)}
            />
          ))}
          <Button label="None of them" onPress={() => put('')} />
        </Drawer>
      ) : null}
    </Card>
  );
}
