import {
  type Departure,
  type Dispatch,
  meterDoubt,
  type Odometer,
  type OutsideSource,
  type OutsideWay,
  parseDispatch,
  type UnitPage,
  type YardRow,
} from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';
import { useSession } from '../../session/session';

/** A line of dispatch and the unit it is about; `wrong` keeps it from being taken, `doubt` is asked about. */
interface Told {
  line: string;
  unit: string | null;
  said: Departure | Odometer | null;
  wrong: string | null;
  doubt: string | null;
  /** It does not leave as it stands, and why. */
  held: string | null;
}

/** What keeps a unit from leaving, in words. */
const heldWords = ({ held, inspecting }: YardRow): string | null =>
  held ? (inspecting ? 'On hold. It has an open inspection.' : 'Held.') : null;

async function read(line: string): Promise<Told> {
  const said = parseDispatch(line);
  if ('wrong' in said) return { line, unit: null, said: null, wrong: said.wrong, doubt: null, held: null };
  const number = encodeURIComponent(said.unit);
  const { unit } = await call<{ unit: string | null }>('GET', `/units/number?number=${number}`);
  if (!unit) return { line, unit, said, wrong: `There is no unit ${said.unit}.`, doubt: null, held: null };
  if (said.tells === 'departure') {
    const row = await call<YardRow>('GET', `/units/${unit}/row`);
    return { line, unit, said, wrong: null, doubt: null, held: said.at ? heldWords(row) : null };
  }
  const { meter } = await call<UnitPage>('GET', `/units/${unit}`);
  return { line, unit, said, wrong: null, doubt: meterDoubt(meter, said.value, said.at), held: null };
}

function take({ unit, said }: Told, source: OutsideSource): void {
  if (!unit || !said) return;
  if (said.tells === 'meter') {
    const { at, value } = said;
    void send('record-meter', { meter: uuidv7(), unit, value, readAt: at, source }, `${said.unit}: its meter`);
    return;
  }
  const departure = said.at ? { at: said.at, to: said.to } : null;
  void send('set-departure', { unit, departure, source }, `${said.unit}: its departure`);
}

function words(said: Departure | Odometer, zone: string): string {
  if (said.tells === 'meter') return `its meter read ${said.value}, ${clock(said.at, zone)}`;
  return said.at ? `leaves ${clock(said.at, zone)}${said.to ? ` for ${said.to}` : ''}` : 'does not leave';
}

/** Departures and meters as the dispatch system tells them: looked at first, then taken. What is doubtful is taken by itself. */
export function Departures() {
  const { fleet } = useSession();
  const [told, setTold] = useState<readonly Told[] | null>(null);
  const [note, setNote] = useState<string | null>(null);
  const [way, setWay] = useState<OutsideWay | null>(null);
  const source = way === 'made-up' ? 'made-up' : 'protocol';
  const ask = async () => {
    setNote('Asking dispatch…');
    try {
      const { lines, way: its } = await call<Dispatch>('GET', '/dispatch');
      setWay(its);
      setTold(await Promise.all(lines.map(read)));
      setNote(null);
    } catch {
      setNote('No connection to dispatch. Nothing changed. Try again, or set the departure on the unit’s page.');
    }
  };
  const good = told?.filter(({ wrong, doubt }) => wrong === null && doubt === null) ?? [];
  const takeOne = (each: Told) => {
    take(each, source);
    setTold((all) => all?.filter((other) => other !== each) ?? null);
  };
  return (
    <Card title="Departures and meters" note="From the dispatch system. The plan is checked again with what you take.">
      {note ? <Text>{note}</Text> : null}
      {way === 'none' ? (
        <Text>
          No dispatch system connected. Set departures on each unit’s page. A manager connects one under Fleet setup,
          Outside.
        </Text>
      ) : null}
      {way === 'made-up' ? (
        <Notice look="ask">Made up: a stand-in plays dispatch. No line here is a real trip.</Notice>
      ) : null}
      {told?.length === 0 && way !== 'none' ? <Text tone="soft">Nothing new from dispatch.</Text> : null}
      {told?.map((each) => (
        <View key={each.line} className="min-h-11 justify-center gap-1 border-t border-line py-1">
          {each.said ? (
            <Text>
              <Text bold>{each.said.unit}</Text>
              {`  ${words(each.said, fleet.zone)}${way === 'made-up' ? ' (made up)' : ''}`}
            </Text>
          ) : null}
          {each.wrong ? <Text tone="violation">{each.wrong}</Text> : null}
          {each.held ? (
            <Text bold tone="out">
              {each.held}
            </Text>
          ) : null}
          {each.doubt ? (
            <>
              <Text tone="violation">{each.doubt}</Text>
              <Button label="Yes, use it" hint={`meter of ${each.said?.unit}`} onPress={() => takeOne(each)} />
            </>
          ) : null}
        </View>
      ))}
      {good.length ? (
        <Button
          tall
          look="act"
          label={`Take these ${good.length}`}
          onPress={() => {
            for (const each of good) take(each, source);
            setTold(told?.filter(({ doubt }) => doubt !== null) ?? null);
            setNote(`${good.length} taken. They count once they are sent.`);
          }}
        />
      ) : null}
      <Button label={told ? 'Ask dispatch again' : 'Ask dispatch'} onPress={() => void ask()} />
    </Card>
  );
}
