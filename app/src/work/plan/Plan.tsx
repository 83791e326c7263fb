import type { Board as BoardData } from '@zealous-axle/core';
import { router } from 'expo-router';
import { lazy, Suspense, useState } from 'react';
import { clock } from '../../look/dates';
import { useWide } from '../../look/wide';
import { Button } from '../../parts/Button';
import { Loaded } from '../../parts/Loaded';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { usePlan } from '../../server/queries';
import { useMaySend } from '../../session/may';
import { Calendars } from './Calendars';
import { DayList } from './DayList';
import { OnPhone } from './OnPhone';
import { Weights } from './Weights';

/** Only a wide screen draws it: a phone does not fetch it. */
const Board = lazy(() => import('./Board').then((file) => ({ default: file.Board })));

const under = ({ published, version, zone }: BoardData): string =>
  published ? `Plan ${version}, by ${published.by}, ${clock(published.at, zone)}` : 'No plan yet';

/** The plan people work by: a board where there is room for one, else the day as a list. */
export function Plan() {
  const query = usePlan();
  const wide = useWide();
  const mayChange = useMaySend('publish-plan');
  const [calendars, setCalendars] = useState(false);
  const [weights, setWeights] = useState(false);
  const mayWeigh = useMaySend('set-plan-weights');
  return (
    <Screen
      title="Plan"
      under={query.data ? under(query.data) : undefined}
      back={goBack('/shop')}
      fixed={wide}
      right={
        <>
          <Button look="bare" label="Paper" hint="day and week sheet" onPress={() => router.navigate('/plan-paper')} />
          <Button look="bare" label="Calendar" onPress={() => setCalendars(true)} />
          {wide && mayWeigh ? <Button look="bare" label="Weights" onPress={() => setWeights(true)} /> : null}
          {wide ? <Button look="bare" label="Bays and days" onPress={() => router.navigate('/bays')} /> : null}
        </>
      }
    >
      {calendars ? <Calendars onClose={() => setCalendars(false)} /> : null}
      {weights && query.data ? (
        <Weights key={query.data.settings} board={query.data} onClose={() => setWeights(false)} />
      ) : null}
      <Loaded query={query}>
        {(board) =>
          wide ? (
            <Suspense fallback={<Text tone="soft">Opening the board…</Text>}>
              <Board board={board} mayChange={mayChange} />
            </Suspense>
          ) : (
            <>
              {mayChange ? <OnPhone board={board} /> : null}
              <DayList board={board} />
              <Button label="Bays and days" onPress={() => router.navigate('/bays')} />
              {mayWeigh ? <Button label="Plan priorities" onPress={() => setWeights(true)} /> : null}
            </>
          )
        }
      </Loaded>
    </Screen>
  );
}
