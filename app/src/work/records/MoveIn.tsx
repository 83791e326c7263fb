import { useQuery } from '@tanstack/react-query';
import {
  type Cell,
  type DayOrder,
  guessed,
  type Mapping,
  type MeantIn,
  type MoveIn as Moved,
  type MovedLine,
  movedLines,
  orderOf,
  type Table,
  tableOf,
  UNIT_FIELDS,
  type UnitField,
} from '@zealous-axle/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { pickFile } from '../../device/files';
import { send } from '../../device/outbox';
import { useOutbox } from '../../device/useOutbox';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { ConfirmButton } from '../../parts/ConfirmButton';
import { Drawer } from '../../parts/Drawer';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';
import { call } from '../../server/client';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { useTyped } from '../../session/useTyped';
import { readSheet } from './read-sheet';

const FIELD_WORDS: Record<UnitField, string> = {
  number: 'Number',
  kind: 'Kind',
  body: 'Body',
  site: 'Where it stands',
  yearBuilt: 'Year built',
  axles: 'How many axles',
  brake: 'Brake',
  chamber: 'Chamber',
  adjuster: 'Slack adjuster',
  tyres: 'Single or dual tyres',
  hub: 'Hubs',
  suspension: 'Suspension',
  tyreSize: 'Tyre size',
  target: 'Cold pressure',
  abs: 'ABS',
  grossWeight: 'Gross weight rating',
  payload: 'Payload',
  height: 'Height',
  width: 'Width',
  meter: 'Meter',
  inspection: 'Inspection good until',
  insurance: 'Insurance until',
  registration: 'Registration until',
};
const DAY_FIELDS: readonly UnitField[] = ['inspection', 'insurance', 'registration'];
const MOST_WRONG = 30;
const SAMPLES = 3;

type Usual = MeantIn['usual'];
interface Remembered {
  mapping: Mapping;
  meant: MeantIn;
}
const FIRST: Remembered = {
  mapping: {},
  meant: {
    days: 'mdy',
    distance: 'mi',
    weight: 'lb',
    pressure: 'psi',
    usual: { kind: 'semitrailer', axles: null, brake: 's-cam', tyres: 'dual', hub: 'oil' },
  },
};

const KINDS = [
  { value: 'semitrailer', label: 'Semitrailer' },
  { value: 'full-trailer', label: 'Full trailer' },
  { value: 'dolly', label: 'Dolly' },
  { value: 'tractor', label: 'Tractor' },
  { value: 'truck', label: 'Truck' },
  { value: 'bus', label: 'Bus' },
] as const satisfies { value: Usual['kind']; label: string }[];
const BRAKES = [
  { value: 's-cam', label: 'S-cam drum' },
  { value: 'air-disc', label: 'Air disc' },
  { value: 'hydraulic-drum', label: 'Hydraulic drum' },
  { value: 'electric', label: 'Electric' },
] as const satisfies { value: Usual['brake']; label: string }[];
const TYRES = [
  { value: 'dual', label: 'Dual' },
  { value: 'single', label: 'Single' },
] as const satisfies { value: Usual['tyres']; label: string }[];
const HUBS = [
  { value: 'oil', label: 'Oil' },
  { value: 'grease', label: 'Grease' },
  { value: 'sealed', label: 'Sealed' },
] as const satisfies { value: Usual['hub']; label: string }[];
const AXLES = [
  { value: 'kind', label: 'As its kind has' },
  ...['1', '2', '3', '4'].map((value) => ({ value, label: value })),
];
const ORDERS = [
  { value: 'mdy', label: 'Month first: 3/31/2027' },
  { value: 'dmy', label: 'Day first: 31/3/2027' },
] as const satisfies { value: DayOrder; label: string }[];

const samplesOf = ({ columns, lines }: Table, column: string): string =>
  lines
    .map(({ cells }) => cells[columns.indexOf(column)] ?? '')
    .filter(Boolean)
    .slice(0, SAMPLES)
    .join(', ');

interface ColumnsProps {
  table: Table;
  mapping: Mapping;
  onChange: (mapping: Mapping) => void;
}

/** Which column tells what. Opened, one is chosen for a field; a column tells one thing. */
function Columns({ table, mapping, onChange }: ColumnsProps) {
  const [field, setField] = useState<UnitField | null>(null);
  const known = UNIT_FIELDS.filter((each) => mapping[each]);
  const rest = UNIT_FIELDS.filter((each) => !mapping[each]);
  const put = (column: string | null) => {
    if (!field) return;
    const others = Object.fromEntries(
      Object.entries(mapping).filter(([name, own]) => name !== field && own !== column),
    ) as Mapping;
    onChange(column === null ? others : { ...others, [field]: column });
    setField(null);
  };
  return (
    <Card title="Which column tells what" note="Guessed by its head, and remembered as you choose it.">
      {known.map((each) => (
        <View key={each} className="min-h-12 flex-row items-center gap-2 border-t border-line py-1">
          <View className="min-w-0 flex-1">
            <Text bold>{FIELD_WORDS[each]}</Text>
            <Text size="small">{`“${mapping[each]}”: ${samplesOf(table, mapping[each] ?? '') || 'empty'}`}</Text>
          </View>
          <Button look="bare" label="Change" hint={FIELD_WORDS[each]} onPress={() => setField(each)} />
        </View>
      ))}
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
          <Button label="None of them" onPress={() => put(null)} />
        </Drawer>
      ) : null}
    </Card>
  );
}

interface MeantProps {
  mapping: Mapping;
  meant: MeantIn;
  /** Days that could be read either way, and nothing in the file tells. */
  asksOrder: boolean;
  onChange: (meant: MeantIn) => void;
}

/** What the file does not tell: said for all of it, never assumed. */
function Meant({ mapping, meant, asksOrder, onChange }: MeantProps) {
  const usual = (some: Partial<Usual>) => onChange({ ...meant, usual: { ...meant.usual, ...some } });
  return (
    <Card title="What the list does not tell" note="Said for every unit of it. What differs is put right on the unit.">
      {asksOrder ? (
        <Choice
          stacked
          label="Days are written"
          options={ORDERS}
          value={meant.days}
          onChange={(days) => onChange({ ...meant, days })}
        />
      ) : null}
      {mapping.kind ? null : (
        <Choice label="Kind" pairs options={KINDS} value={meant.usual.kind} onChange={(kind) => usual({ kind })} />
      )}
      {mapping.axles ? null : (
        <Choice
          label="Axles"
          options={AXLES}
          value={meant.usual.axles === null ? 'kind' : String(meant.usual.axles)}
          onChange={(count) => usual({ axles: count === 'kind' ? null : Number(count) })}
        />
      )}
      {mapping.brake ? null : (
        <Choice label="Brake" pairs options={BRAKES} value={meant.usual.brake} onChange={(brake) => usual({ brake })} />
      )}
      {mapping.tyres ? null : (
        <Choice label="Tyres" options={TYRES} value={meant.usual.tyres} onChange={(tyres) => usual({ tyres })} />
      )}
      {mapping.hub ? null : (
        <Choice label="Hubs" options={HUBS} value={meant.usual.hub} onChange={(hub) => usual({ hub })} />
      )}
      {mapping.meter ? (
        <Choice
          label="A meter without its unit is in"
          options={[
            { value: 'mi', label: 'Miles' },
            { value: 'km', label: 'Kilometres' },
          ]}
          value={meant.distance}
          onChange={(distance) => onChange({ ...meant, distance })}
        />
      ) : null}
      {mapping.grossWeight || mapping.payload ? (
        <Choice
          label="A weight without its unit is in"
          options={[
            { value: 'lb', label: 'Pounds' },
            { value: 'kg', label: 'Kilograms' },
          ]}
          value={meant.weight}
          onChange={(weight) => onChange({ ...meant, weight })}
        />
      ) : null}
      {mapping.chamber ? null : (
        <Text size="small">Chambers are not known then: a stroke has no verdict until they are.</Text>
      )}
    </Card>
  );
}

interface LinesProps {
  table: Table;
  mapping: Mapping;
  lines: readonly MovedLine[];
  onCell: (line: number, column: string, text: string) => void;
  onLeave: (line: number) => void;
}

/** The lines that cannot move in as they are: put right here, cell by cell, or left out. */
function WrongLines({ table, mapping, lines, onCell, onLeave }: LinesProps) {
  const wrong = lines.flatMap((each) => ('wrong' in each ? [each] : []));
  if (wrong.length === 0) return null;
  return (
    <Card
      title={`${wrong.length} ${wrong.length === 1 ? 'line is' : 'lines are'} not understood`}
      note="Put each right here, or leave it out. Nothing moves in while one is wrong."
    >
      {wrong.slice(0, MOST_WRONG).map(({ line, wrong: problems }) => (
        <View key={line} className="gap-2 border-t border-line py-2">
          <View className="flex-row items-center justify-between gap-2">
            <Text bold>{`Line ${line}`}</Text>
            <Button look="bare" label="Leave it out" hint={`line ${line}`} onPress={() => onLeave(line)} />
          </View>
          {problems.map(({ field, message }) => {
            const column = mapping[field];
            const cell = column
              ? table.lines.find((each) => each.line === line)?.cells[table.columns.indexOf(column)]
              : '';
            return column ? (
              <TextField
                key={field}
                label={`${FIELD_WORDS[field]}, line ${line}`}
                value={cell ?? ''}
                error={message}
                maxLength={80}
                onChangeText={(text) => onCell(line, column, text)}
              />
            ) : (
              <Text key={field}>{`${FIELD_WORDS[field]}: ${message} No column tells it.`}</Text>
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

interface Sheet {
  name: string;
  table: Table;
}

/** A file as it was read: its columns, what it leaves unsaid, its lines. */
function Chosen({ chosen, onDone }: { chosen: Sheet; onDone: (said: string) => void }) {
  const typed = useTyped<Remembered>('move-in', FIRST);
  const [table, setTable] = useState(chosen.table);
  const remembered = typed?.value ?? FIRST;
  const mapping = useMemo(() => guessed(table.columns, remembered.mapping), [table.columns, remembered.mapping]);
  const texts = DAY_FIELDS.flatMap((field) => {
    const at = table.columns.indexOf(mapping[field] ?? '');
    return at < 0 ? [] : table.lines.map(({ cells }) => cells[at] ?? '');
  });
  const told = orderOf(texts);
  const meant = useMemo(() => ({ ...remembered.meant, ...(told ? { days: told } : {}) }), [remembered.meant, told]);
  const lines = useMemo(() => movedLines(table, mapping, meant), [table, mapping, meant]);
  if (!typed) return null;
  const good = lines.flatMap((each) => ('unit' in each ? [each.unit] : []));
  const cell = (line: number, column: string, text: string) =>
    setTable({
      ...table,
      lines: table.lines.map((each) =>
        each.line === line
          ? { line, cells: each.cells.map((own, at) => (table.columns[at] === column ? text : own)) }
          : each,
      ),
    });
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
        note={`${lines.length} ${lines.length === 1 ? 'line' : 'lines'}: ${good.length} good, ${lines.length - good.length} not understood.${table.left.length ? ` ${table.left.length} left out as titles or totals.` : ''}`}
      >
        <Text>
          {good
            .slice(0, 8)
            .map(({ form }) => form.number)
            .join(', ')}
          {good.length > 8 ? ` and ${good.length - 8} more` : ''}
        </Text>
      </Card>
      <Columns
        table={table}
        mapping={mapping}
        onChange={(next) => typed.change({ ...remembered, mapping: { ...remembered.mapping, ...next } })}
      />
      <Meant
        mapping={mapping}
        meant={meant}
        asksOrder={texts.some(Boolean) && told === null}
        onChange={(next) => typed.change({ ...remembered, meant: next })}
      />
      <WrongLines
        table={table}
        mapping={mapping}
        lines={lines}
        onCell={cell}
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

/** What moved in lately, and the way back while nothing rests on it. */
function Lately({ moves }: { moves: readonly Moved[] }) {
  const { fleet } = useSession();
  const may = useMaySend('undo-move-in');
  if (moves.length === 0) return null;
  return (
    <Card title="Moved in lately">
      {moves.map(({ id, name, units, by, at, undoneAt }) => (
        <View key={id} className="gap-1 border-t border-line py-2">
          <Text bold>{name}</Text>
          <Text size="small" tone="soft">
            {`${units} ${units === 1 ? 'unit' : 'units'}, ${by}, ${clock(at, fleet.zone)}${undoneAt ? ' · taken back' : ''}`}
          </Text>
          {may && !undoneAt ? (
            <ConfirmButton
              label="Take it back"
              ask={`Take all ${units} back out`}
              hint={name}
              onDo={() => void send('undo-move-in', { move: id }, `${name}: taken back`)}
            />
          ) : null}
        </View>
      ))}
    </Card>
  );
}

/** A shop's own list of units brought in: by its own heads and words, seen beforehand line by line, whole or not at all. */
export function MoveIn() {
  const { fleet } = useSession();
  const may = useMaySend('move-in');
  const { entries } = useOutbox();
  const waits = entries.filter(({ name }) => name === 'move-in' || name === 'undo-move-in').length;
  const { data } = useQuery({
    queryKey: ['set-up', 'moves-in', waits],
    queryFn: () => call<{ moves: Moved[] }>('GET', '/moves-in'),
  });
  const [chosen, setChosen] = useState<Sheet | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const choose = async () => {
    const file = await pickFile('.xlsx,.csv,.txt,text/csv');
    if (!file) return;
    setChosen(null);
    setSaid(null);
    const rows: Cell[][] | null = await readSheet(file).catch(() => null);
    const table = rows && tableOf(rows);
    if (!rows) return setSaid('This file cannot be read: save it as .xlsx or .csv, and choose it again.');
    if (!table?.lines.length) return setSaid('No line of heads was found with lines below it: is it the first sheet?');
    setChosen({ name: file.name, table });
  };
  return (
    <Screen narrow title="Move in from a spreadsheet" under={fleet.name} back={goBack('/set-up')}>
      <Card
        title="Units, their papers and meters"
        note="Your own list as it is: its own heads, its own words for chambers and brakes, dates as you write them. It is read on this device."
      >
        {may ? (
          <Button tall look="act" label="Choose a file" onPress={() => void choose()} />
        ) : (
          <Text tone="soft">A foreman or a manager can move units in.</Text>
        )}
        {said ? <Notice look="ask">{said}</Notice> : null}
        {waits ? <Notice look="ask">A move waits to be sent.</Notice> : null}
      </Card>
      {chosen ? (
        <Chosen
          key={chosen.name}
          chosen={chosen}
          onDone={(words) => {
            setChosen(null);
            setSaid(words);
          }}
        />
      ) : null}
      <Lately moves={data?.moves ?? []} />
    </Screen>
  );
}
