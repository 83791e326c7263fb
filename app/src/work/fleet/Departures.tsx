import { parseDeparture } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { send } from '../../device/outbox';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';
import { useSession } from '../../session/session';

interface Told {
  line: string;
  number: string;
  unit: string | null;
  at: string | null;
  to: string;
  wrong: string | null;
}

/** One line of dispatch, with the unit it is about; what is wrong with it is said. */
async function read(line: string): Promise<Told> {
  const departure = parseDeparture(line);
  if ('wrong' in departure) return { line, number: '', unit: null, at: null, to: '', wrong: departure.wrong };
  const { unit: number, at, to } = departure;
  const { unit } = await call<{ unit: string | null }>('GET', `/units/number?number=${encodeURIComponent(number)}`);
  return { line, number, unit, at, to, wrong: unit ? null : `There is no unit ${number}.` };
}

/** Departures as the dispatch system tells them: looked at first, then taken, one by one or all. */
export function Departures() {
  const { fleet } = useSession();
  const [told, setTold] = useState<readonly Told[] | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const ask = async () => {
    setSaid('Asking dispatch…');
    try {
      const { lines } = await call<{ lines: string[] }>('GET', '/dispatch');
      setTold(await Promise.all(lines.map(read)));
      setSaid(null);
    } catch {
      setSaid('Dispatch cannot be reached: nothing changed. Try again, or say on a unit’s page when it leaves.');
    }
  };
  const take = ({ unit, number, at, to }: Told) => {
    if (!unit) return;
    void send('set-departure', { unit, departure: at ? { at, to } : null }, `${number}: its departure`);
  };
  const good = told?.filter(({ wrong }) => wrong === null) ?? [];
  return (
    <Card title="Departures" note="From the dispatch system; the plan is looked at again with what is taken.">
      {said ? <Text>{said}</Text> : null}
      {told?.length === 0 ? <Text tone="soft">Dispatch has no departure now.</Text> : null}
      {told?.map((each) => (
        <View key={each.line} className="min-h-11 justify-center border-t border-line py-1">
          {each.wrong ? (
            <Text tone="violation">{each.wrong}</Text>
          ) : (
            <Text>
              <Text bold>{each.number}</Text>
              {each.at
                ? `  leaves ${clock(each.at, fleet.zone)}${each.to ? ` for ${each.to}` : ''}`
                : '  does not leave'}
            </Text>
          )}
        </View>
      ))}
      {good.length ? (
        <Button
          tall
          look="act"
          label={`Take these ${good.length}`}
          onPress={() => {
            good.forEach(take);
            setTold(null);
            setSaid(`${good.length} departures taken: they stand once they are sent.`);
          }}
        />
      ) : null}
      <Button label={told ? 'Ask dispatch again' : 'Ask dispatch'} onPress={() => void ask()} />
    </Card>
  );
}
