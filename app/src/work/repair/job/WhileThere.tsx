import type { WhileThere as There } from '@zealous-axle/core';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../../device/outbox';
import { useDoneHere } from '../../../device/useOutbox';
import { dayName } from '../../../look/dates';
import { minutesWords } from '../../../look/minutes';
import { moneyText } from '../../../look/money';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';
import { Text } from '../../../parts/Text';
import { useWhileThere } from '../../../server/queries';
import { useMaySend } from '../../../session/may';

type Bundle = There['bundles'][number];

/** A place within a sentence: `axle 2`, but `2R-in` as it is written everywhere. */
const inWords = (where: string): string => (/^\d/.test(where) ? where : where.toLowerCase());

/** What it saves against what it throws away: nobody is told which weighs more. */
const sumWords = ({ saves, unused, unusedCost }: Bundle): string =>
  `Doing it now saves ${minutesWords(saves)} of setup and a visit. Wasted: ${Math.round(unused * 100)}% of the part’s life${unusedCost ? `, ${moneyText(unusedCost)} of its price` : ''}.`;

/** What else could be done while the unit is here anyway, and what of its papers and wheels is due. */
export function WhileThere({ unit, number }: { unit: string; number: string }) {
  const { data } = useWhileThere(unit);
  const may = useMaySend('bundle-work');
  const done = useDoneHere();
  const answered = (key: string) => done.some(({ body }) => (body as { key?: string }).key === key);
  if (!data || data.bundles.length + data.due.length === 0) return null;
  return (
    <Card
      title="While it is here"
      note={`Next in the shop about ${dayName(data.nextVisit)} ${data.nextVisit.slice(0, 4)}`}
    >
      {data.bundles.map((bundle) => (
        <View key={bundle.key} className="gap-2 border-t border-line pt-2">
          <Text bold>{`${bundle.name}, ${inWords(bundle.where)} · ${minutesWords(bundle.minutes)}`}</Text>
          <Text>{`Reaches its limit about ${dayName(bundle.on)} ${bundle.on.slice(0, 4)}.`}</Text>
          <Text tone="soft">{sumWords(bundle)}</Text>
          {may ? (
            <View className="flex-row flex-wrap gap-2">
              <Button
                look="act"
                label="Do it now"
                hint={`${bundle.name}, ${bundle.where}`}
                disabled={answered(bundle.key)}
                onPress={() =>
                  void send(
                    'bundle-work',
                    { unit, key: bundle.key, seen: bundle.seen, job: uuidv7() },
                    `${number}: ${bundle.name} too`,
                  )
                }
              />
              <Button
                look="bare"
                label="Not now"
                hint={`${bundle.name}, ${bundle.where}`}
                disabled={answered(bundle.key)}
                onPress={() =>
                  void send(
                    'decline-work',
                    { unit, key: bundle.key, seen: bundle.seen },
                    `${number}: ${bundle.name} not now`,
                  )
                }
              />
            </View>
          ) : null}
        </View>
      ))}
      {data.due.map(({ what, on }) => (
        <Text key={`${what} ${on}`} tone="violation">{`${what}: due ${dayName(on)}`}</Text>
      ))}
    </Card>
  );
}
