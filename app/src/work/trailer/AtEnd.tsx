import {
  findingWords,
  measuringRoute,
  PURPOSE_ROLES,
  parseKey,
  readingText,
  subjectOf,
  type UnitPage,
} from '@zealous-axle/core';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { endCode } from '../../parts/RunningGear';
import { Text } from '../../parts/Text';
import { VerdictMark } from '../../parts/VerdictMark';
import { useMay } from '../../session/may';
import { useShown } from '../../session/rules';
import { useSession } from '../../session/session';
import { startInspection } from '../../session/start-inspection';
import { MakerLimits } from '../rules/MakerLimits';

/** What a standing reading is of: `Outer tread`. */
function standingWords({ key, tyre }: UnitPage['standing'][number]): string {
  const what = findingWords({ kind: subjectOf(parseKey(key)) });
  if (tyre !== 'inner' && tyre !== 'outer') return what;
  return `${tyre === 'inner' ? 'Inner' : 'Outer'} ${what.charAt(0).toLowerCase()}${what.slice(1)}`;
}

/** Measures one wheel end, and nothing else of the unit. */
function MeasureEnd({ unit, at }: { unit: UnitPage; at: string }) {
  const session = useSession();
  const may = useMay(PURPOSE_ROLES.full);
  const [busy, setBusy] = useState(false);
  if (!may || unit.state !== 'in-use') return null;
  const measure = async () => {
    if (busy) return;
    setBusy(true);
    const end = measuringRoute(unit).filter(({ axle, side }) => axle && side && endCode({ axle, side }) === at);
    const inspection = await startInspection({ unit, session, by: { end } });
    router.navigate(`/inspect/${inspection}`);
  };
  return <Button look="act" label={`Measure ${at}`} disabled={busy} onPress={() => void measure()} />;
}

/** One wheel end of a unit: what stands there, its makers' limits, and what may be done at it. `at` is its code: `2L`. */
export function AtEnd({ unit, at }: { unit: UnitPage; at: string }) {
  const { fleet } = useSession();
  const { shown } = useShown();
  const atEnd = unit.standing.filter(({ axle, side }) => axle && side && endCode({ axle, side }) === at);
  return (
    <View className="gap-2 border-t border-line pt-3">
      <Text bold>{`At ${at}`}</Text>
      {atEnd.map((each) => (
        <View key={each.key} className="flex-row items-center gap-2">
          <VerdictMark verdict={each.verdict} size={20} />
          <Text className="min-w-0 flex-1">
            <Text bold>{`${standingWords(each)} `}</Text>
            {`${shown(readingText(each.value))}, ${clock(each.at, fleet.zone)}`}
            {each.doubtful ? '. Two readings, order not known: check again' : ''}
          </Text>
        </View>
      ))}
      <MakerLimits key={at} unit={unit} at={at} />
      <MeasureEnd unit={unit} at={at} />
      <Button label={`Report a defect at ${at}`} onPress={() => router.navigate(`/report/${unit.id}?at=${at}`)} />
    </View>
  );
}
