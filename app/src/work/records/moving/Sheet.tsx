import {
  byUnitAndDay,
  DAY_FIELDS,
  dayIn,
  guessed,
  type Mapping,
  type MeantIn,
  type MovedLine,
  type MovedRows,
  type MoveList,
  movedLines,
  orderOf,
  writtenDay,
} from '@zealous-axle/core';
import { useMemo, useRef } from 'react';
import { send } from '../../../device/outbox';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';
import { Notice } from '../../../parts/Notice';
import { Text } from '../../../parts/Text';
import { useSession } from '../../../session/session';
import { onceCode } from '../../people/once-code';
import type { GivenCodes } from './Codes';
import { Columns } from './Columns';
import { useKnown } from './known';
import { Meant, meantOf, type Said } from './Meant';
import { Preview } from './Preview';
import { type Chosen, type Remembered, withCell, withoutLine } from './remembered';
import { WrongLines } from './WrongLines';
import { countOf } from './words';

/** A day that means another where its parts are read the other way round. */
const isEither = (text: string): boolean => writtenDay(text, 'mdy') !== writtenDay(text, 'dmy');

/** In which order a list writes its days, as far as it tells; whether it must be asked. */
function daysIn({ list, table }: Chosen, mapping: Mapping) {
  const texts = DAY_FIELDS[list].flatMap((field) => {
    const at = table.columns.indexOf(mapping[field] ?? '');
    return at < 0 ? [] : table.lines.map(({ cells }) => cells[at] ?? '');
  });
  const told = orderOf(texts);
  return { told, asks: told === null && texts.some(isEither) };
}

/** Sends a list's rows; the codes of whoever is invited by it. */
const SENDS: {
  [L in MoveList]: (
    move: { move: string; name: string },
    rows: MovedRows[L][],
    says: string,
  ) => Promise<GivenCodes | undefined>;
} = {
  units: async (move, units, says) => void (await send('move-in', { ...move, units }, says)),
  parts: async (move, parts, says) => void (await send('move-in-parts', { ...move, parts }, says)),
  people: async (move, rows, says) => {
    const people = rows.map((each) => ({ ...each, code: onceCode() }));
    await send('move-in-people', { ...move, people }, says);
    return { move: move.move, people: people.map(({ form, signIn, code }) => ({ name: form.name, signIn, code })) };
  },
  repairs: async (move, repairs, says) => void (await send('move-in-repairs', { ...move, repairs }, says)),
  readings: async (move, readings, says) =>
    void (await send('move-in-readings', { ...move, readings: byUnitAndDay(readings) }, says)),
};

interface SheetProps {
  chosen: Chosen;
  typed: { value: Remembered; change: (some: Partial<Remembered>) => void };
  onDone: (said: string, codes?: GivenCodes) => void;
}

interface LinesProps extends SheetProps {
  mapping: Mapping;
  meant: MeantIn;
}

/** The lines of a list as they will stand, those that are wrong, and the move itself. */
function Lines<L extends MoveList>({ list, chosen, typed, mapping, meant, onDone }: LinesProps & { list: L }) {
  const { known, failed, again } = useKnown(chosen, mapping, meant);
  const { table, name } = chosen;
  const moving = useRef(false);
  const lines = useMemo(
    (): MovedLine<L>[] => (known ? movedLines(list, table, { mapping, meant, known }) : []),
    [list, table, mapping, meant, known],
  );
  const rows = lines.flatMap((each) => ('row' in each ? [each.row] : []));
  const change = (next: typeof table) => typed.change({ chosen: { ...chosen, table: next } });
  if (failed)
    return (
      <>
        <Notice look="ask">No connection to check what the fleet already has. Your corrections are kept.</Notice>
        <Button label="Ask again" onPress={again} />
      </>
    );
  if (!known) return <Text tone="soft">Checking what the fleet already has…</Text>;
  const move = async () => {
    // A second tap before the page has moved on is the same move.
    if (moving.current) return;
    moving.current = true;
    const says = countOf(list, rows.length);
    const codes = await SENDS[list]({ move: chosen.move, name: name.slice(0, 120) }, rows, `${says} of ${name}`);
    onDone(`${says} of ${name} ${rows.length === 1 ? 'is' : 'are'} sent. All of it moves in, or none.`, codes);
  };
  return (
    <>
      <Text bold>{`${rows.length} good, ${lines.length - rows.length} not understood`}</Text>
      <WrongLines
        table={table}
        mapping={mapping}
        lines={lines}
        onCell={(line, column, text) => change(withCell(table, line, column, text))}
        onLeave={(line) => change(withoutLine(table, line))}
      />
      <Preview list={list} lines={lines} />
      <Button
        tall
        look="act"
        label={rows.length ? `Move ${countOf(list, rows.length)} in` : 'Nothing to move in'}
        disabled={rows.length === 0 || rows.length < lines.length}
        onPress={() => void move()}
      />
    </>
  );
}

/** A file as it was read: its columns, what it leaves unsaid, its lines. */
export function Sheet({ chosen, typed, onDone }: SheetProps) {
  const { fleet } = useSession();
  const { list, table, name } = chosen;
  const { mappings, said } = typed.value;
  const remembered = mappings[list];
  const mapping = useMemo(() => guessed(list, table.columns, remembered), [list, table.columns, remembered]);
  const { told, asks } = useMemo(() => daysIn(chosen, mapping), [chosen, mapping]);
  const today = dayIn(fleet.zone, new Date());
  const meant = useMemo(
    () => meantOf(list, mapping, said, { told, asks, today }),
    [list, mapping, said, told, asks, today],
  );
  const count = `${table.lines.length} ${table.lines.length === 1 ? 'line' : 'lines'}`;
  const leftOut = table.left.length ? ` ${table.left.length} left out as titles or totals.` : '';
  const tooLong = table.more
    ? ` Only the first ${table.lines.length} are read: split the list and move the rest in later.`
    : '';
  return (
    <>
      <Card title={name} note={`${count}.${leftOut}${tooLong}${meant ? '' : ' First enter what it does not say.'}`}>
        <Button label="Choose another" onPress={() => typed.change({ chosen: null })} />
      </Card>
      <Columns
        list={list}
        table={table}
        mapping={mapping}
        onChange={(some) => typed.change({ mappings: { ...mappings, [list]: { ...remembered, ...some } } })}
      />
      <Meant
        list={list}
        mapping={mapping}
        said={said}
        asksOrder={asks}
        onChange={(next: Said) => typed.change({ said: next })}
      />
      {meant ? (
        <Lines list={list} chosen={chosen} typed={typed} mapping={mapping} meant={meant} onDone={onDone} />
      ) : null}
    </>
  );
}
