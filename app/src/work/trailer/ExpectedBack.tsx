import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { atOnce } from '../../device/at-once';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { useUnitPlan } from '../../server/queries';
import { useSession } from '../../session/session';

const seenBefore = (key: string): string | null => atOnce.get<{ back: string }>(key)?.back ?? null;

/** When a person was last told, on this device, that a unit is back; a change is said until they have seen it. */
function useChanged(unit: string, back: string | null | undefined) {
  const { person } = useSession();
  const key = `back ${person.id} ${unit}`;
  const [seen, setSeen] = useState(() => seenBefore(key));
  useEffect(() => {
    if (back === undefined || seen !== null) return;
    atOnce.keep(key, { back: back ?? '' });
    setSeen(back ?? '');
  }, [key, back, seen]);
  const note = () => {
    atOnce.keep(key, { back: back ?? '' });
    setSeen(back ?? '');
  };
  const changed = back !== undefined && seen !== null && seen !== (back ?? '');
  return { was: changed ? seen : null, note };
}

/** When a unit is expected back from the shop, and what changed since somebody was told; nothing while it has no jobs. */
export function ExpectedBack({ unit, number }: { unit: string; number: string }) {
  const { fleet } = useSession();
  const { data } = useUnitPlan(unit);
  const { was, note } = useChanged(unit, data && (data.jobs ? data.back : undefined));
  if (!data || (data.jobs === 0 && was === null)) return null;
  const late = data.back !== null && data.leaves !== null && data.back > data.leaves.at;
  const unplanned = `${data.unplanned} of its jobs ${data.unplanned === 1 ? 'is' : 'are'} not scheduled`;
  return (
    <>
      {data.jobs ? (
        <Text bold tone={data.over || late ? 'violation' : 'ink'}>
          {data.back
            ? `${data.over ? 'Should be back since' : 'Expected back'} ${clock(data.back, fleet.zone)}`
            : `Return time not known yet: ${unplanned}.`}
        </Text>
      ) : null}
      {was !== null ? (
        <View className="gap-2">
          <Notice look="ask">
            {was ? `Changed: it was ${clock(was, fleet.zone)}.` : 'Changed: it had no time before.'}
          </Notice>
          <Button label="Got it" hint={`when ${number} is back`} onPress={note} />
        </View>
      ) : null}
    </>
  );
}
