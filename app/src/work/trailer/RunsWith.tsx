import { type UnitPage, whyNotBehind } from '@zealous-axle/core';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { ChooseUnit } from '../../parts/ChooseUnit';
import { LinkRow } from '../../parts/LinkRow';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { VerdictBadge } from '../../parts/VerdictMark';

type Head = Pick<UnitPage, 'id' | 'number' | 'kind'>;

const hook = (puller: Head, pulled: Head) =>
  send(
    'hook',
    { coupling: uuidv7(), unit: puller.id, pulled: pulled.id, place: '' },
    `${pulled.number} hooked behind ${puller.number}`,
  );

/** What a hold on one unit means for the others it runs with. */
function heldWords(units: UnitPage['combination']): string | null {
  const held = units.filter((each) => each.held).map(({ number }) => number);
  if (held.length === 0) return null;
  const free = units.filter((each) => !each.held).map(({ number }) => number);
  const others = free.length ? ` Not on hold: ${free.join(', ')}. Drop the held unit first.` : '';
  return `${held.join(', ')} ${held.length === 1 ? 'is' : 'are'} on hold. Do not move this combination.${others}`;
}

/** What a unit runs with today: hooked, dropped, and the trip they make together. */
export function RunsWith({ unit }: { unit: UnitPage }) {
  const [choosing, setChoosing] = useState<'behind' | 'front' | null>(null);
  const { combination, lastBehind } = unit;
  const at = combination.findIndex(({ id }) => id === unit.id);
  const units = combination.length ? combination : [];
  const last = units.at(-1) ?? unit;
  const said = heldWords(units);
  const own: Head = unit;
  return (
    <Card title="Hooked to" note={units.length ? undefined : 'Nothing hooked to it.'}>
      {said ? <Notice look="stop">{said}</Notice> : null}
      {units.map((each, index) => {
        const ahead = units[index - 1];
        return (
          <View key={each.id} className="min-h-12 flex-row items-center gap-2 border-t border-line">
            <LinkRow href={`/trailer/${each.id}`} className="min-h-12 min-w-0 flex-1 justify-center">
              <Text bold={index === at}>{`${index + 1}. ${each.number}  ${each.body}`}</Text>
            </LinkRow>
            {each.held ? <VerdictBadge verdict="out-of-service" word="Held" /> : null}
            {each.coupling && ahead ? (
              <Button
                label="Drop"
                hint={each.number}
                onPress={() =>
                  void send(
                    'drop',
                    { coupling: each.coupling ?? '', unit: ahead.id, pulled: each.id, place: '' },
                    `${each.number} dropped`,
                  )
                }
              />
            ) : null}
          </View>
        );
      })}
      {lastBehind && units.length === 0 ? (
        <Button
          look="act"
          label={`Hook behind ${lastBehind.number} again`}
          onPress={() => void hook(lastBehind, own)}
        />
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        <Button
          className="max-w-full grow"
          label={`Add a unit behind ${last.number}…`}
          onPress={() => setChoosing('behind')}
        />
        {units.length === 0 ? (
          <Button className="max-w-full grow" label="Choose what pulls it…" onPress={() => setChoosing('front')} />
        ) : null}
      </View>
      {units.length ? (
        <>
          <Button
            look="act"
            label="Before the trip"
            onPress={() => router.navigate(`/trip/${units[0]?.id ?? unit.id}`)}
          />
          <Button
            label="Brakes of the whole combination"
            onPress={() =>
              router.navigate(`/combine/${unit.id}?units=${encodeURIComponent(units.map(({ id }) => id).join(' '))}`)
            }
          />
        </>
      ) : (
        <Button label="Before the trip" onPress={() => router.navigate(`/trip/${unit.id}`)} />
      )}
      {choosing ? (
        <ChooseUnit
          title={choosing === 'behind' ? `Behind ${last.number}` : `${unit.number} runs behind`}
          taken={[unit.id, ...units.map(({ id }) => id)]}
          fits={(row) => (choosing === 'behind' ? whyNotBehind(last, row) : whyNotBehind(row, own)) === null}
          onChoose={(row) => {
            setChoosing(null);
            if (choosing === 'behind') void hook(last, row);
            else void hook(row, own);
          }}
          onClose={() => setChoosing(null)}
        />
      ) : null}
    </Card>
  );
}
