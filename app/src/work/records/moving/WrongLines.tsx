import type { Mapping, MovedLine, Table } from '@zealous-axle/core';
import { View } from 'react-native';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';
import { Text } from '../../../parts/Text';
import { TextField } from '../../../parts/TextField';
import { FIELD_WORDS } from './words';

const MOST_WRONG = 30;

interface LinesProps {
  table: Table;
  mapping: Mapping;
  lines: readonly MovedLine[];
  onCell: (line: number, column: string, text: string) => void;
  onLeave: (line: number) => void;
}

/** The lines that cannot move in as they are: put right here, cell by cell, or left out. */
export function WrongLines({ table, mapping, lines, onCell, onLeave }: LinesProps) {
  const wrong = lines.flatMap((each) => ('wrong' in each ? [each] : []));
  if (wrong.length === 0) return null;
  return (
    <Card
      title={`${wrong.length} ${wrong.length === 1 ? 'line is' : 'lines are'} not understood`}
      note="Correct each one here, or leave it out. Nothing moves in while one is wrong."
    >
      {wrong.slice(0, MOST_WRONG).map(({ line, wrong: problems }) => (
        <View key={line} className="gap-2 border-t border-line py-2">
          <View className="flex-row items-center justify-between gap-2">
            <Text bold>{`Line ${line}`}</Text>
            <Button look="bare" label="Leave it out" hint={`line ${line}`} onPress={() => onLeave(line)} />
          </View>
          {problems.map(({ field, column: own, message }) => {
            const column = own ?? mapping[field];
            const name = own ?? FIELD_WORDS[field];
            const cell = column
              ? table.lines.find((each) => each.line === line)?.cells[table.columns.indexOf(column)]
              : '';
            return column ? (
              <TextField
                key={name}
                label={`${name}, line ${line}`}
                value={cell ?? ''}
                error={message}
                maxLength={80}
                onChangeText={(text) => onCell(line, column, text)}
              />
            ) : (
              <Text key={name}>{`${name}: ${message} No column tells it.`}</Text>
            );
          })}
        </View>
      ))}
      {wrong.length > MOST_WRONG ? (
        <Text tone="soft">{`… and ${wrong.length - MOST_WRONG} more, once these are right.`}</Text>
      ) : null}
    </Card>
  );
}
