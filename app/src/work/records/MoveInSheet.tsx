import { guessed, type Mapping, movedLines, orderOf, type Table, type UnitField, writtenDay } from '@zealous-axle/core';
import { useMemo, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Text } from '../../parts/Text';
import { useTyped } from '../../session/useTyped';
import { MoveInColumns } from './MoveInColumns';
import { MoveInLines } from './MoveInLines';
import { MoveInMeant, meantBy, type Said } from './MoveInMeant';

const DAY_FIELDS: readonly UnitField[] = ['inspection', 'insurance', 'registration'];

/** How this device's lists are headed, and what was said of the last one. */
interface Remembered {
  mapping: Mapping;
  said: Said;
}
const FIRST: Remembered = { mapping: {}, said: {} };

/** A day that means another where its parts are read the other way round. */
const isEither = (text: string): boolean => writtenDay(text, 'mdy') !== writtenDay(text, 'dmy');

/** A table with one cell written anew. */
const withCell = (table: Table, line: number, column: string, text: string): Table => ({
  ...table,
  lines: table.lines.map((each) =>
    each.line === line
      ? { line, cells: each.cells.map((own, at) => (table.columns[at] === column ? text : own)) }
      : each,
  ),
});

export interface Sheet {
  name: string;
  table: Table;
}

/** A file as it was read: its columns, what it leaves unsaid, its lines. */
export function MoveInSheet({ chosen, onDone }: { chosen: Sheet; onDone: (said: string) => void }) {
  const typed = useTyped<Remembered>('move-in', FIRST);
  const [table, setTable] = useState(chosen.table);
  const remembered = typed?.value ?? FIRST;
  const mapping = useMemo(() => guessed(table.columns, remembered.mapping), [table.columns, remembered.mapping]);
  const texts = DAY_FIELDS.flatMap((field) => {
    const at = table.columns.indexOf(mapping[field] ?? '');
    return at < 0 ? [] : table.lines.map(({ cells }) => cells[at] ?? '');
  });
  const told = orderOf(texts);
  const asksOrder = told === null && texts.some(isEither);
  const meant = useMemo(
    () => meantBy(mapping, remembered.said, told, asksOrder),
    [mapping, remembered.said, told, asksOrder],
  );
  const lines = useMemo(() => (meant ? movedLines(table, mapping, meant) : []), [table, mapping, meant]);
  if (!typed) return null;
  const good = lines.flatMap((each) => ('unit' in each ? [each.unit] : []));
  const count = `${table.lines.length} ${table.lines.length === 1 ? 'line' : 'lines'}`;
  const leftOut = table.left.length ? ` ${table.left.length} left out as titles or totals.` : '';
  const move = async () => {
    await send(
      'move-in',
      { move: uuidv7(), name: chosen.name.slice(0, 120), units: good },
      `${good.length} units of ${chosen.name}`,
    );
    onDone(`${good.length} units of ${chosen.name} are sent: they move in whole, or not at all.`);
  };
  return (
    <>
      <Card
        title={chosen.name}
        note={`${count}: ${meant ? `${good.length} good, ${lines.length - good.length} not understood.` : 'say first what it does not tell.'}${leftOut}`}
      >
        <Text>
          {good
            .slice(0, 8)
            .map(({ form }) => form.number)
            .join(', ')}
          {good.length > 8 ? ` and ${good.length - 8} more` : ''}
        </Text>
      </Card>
      <MoveInColumns
        table={table}
        mapping={mapping}
        onChange={(some) => typed.change({ ...remembered, mapping: { ...remembered.mapping, ...some } })}
      />
      <MoveInMeant
        mapping={mapping}
        said={remembered.said}
        asksOrder={asksOrder}
        onChange={(said) => typed.change({ ...remembered, said })}
      />
      <MoveInLines
        table={table}
        mapping={mapping}
        lines={lines}
        onCell={(line, column, text) => setTable(withCell(table, line, column, text))}
        onLeave={(line) => setTable({ ...table, lines: table.lines.filter((each) => each.line !== line) })}
      />
      <Button
        tall
        look="act"
        label={good.length ? `Move ${good.length} ${good.length === 1 ? 'unit' : 'units'} in` : 'Nothing to move in'}
        disabled={good.length === 0 || good.length < lines.length}
        onPress={() => void move()}
      />
    </>
  );
}
