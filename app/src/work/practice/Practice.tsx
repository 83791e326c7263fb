import { BOOKS, DEFAULT_BOOK, EXERCISE_WORDS, type PracticeTask, ROUTES } from '@zealous-axle/core';
import {
  DRILL_WORDS,
  drillsOf,
  LEVELS,
  levelsOf,
  PRACTICE_ROUTES,
  VEHICLE_WORDS,
  type Vehicle,
  vehiclesOf,
} from '@zealous-axle/core/practice';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { clock, dayName } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Together } from '../../parts/Loaded';
import { goBack } from '../../parts/Screen';
import { Some } from '../../parts/Some';
import { Text } from '../../parts/Text';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { useOwn } from './own';
import { PracticeScreen } from './PracticeScreen';
import { Spreads } from './Spreads';
import { useKept, useOwnPractice } from './usePractice';
import { beginWalk, madeUpOf, routeOf, type Walk, type Wanted } from './walk';

const SEEDS = 1_000_000;
const newSeed = (): number => Math.floor(Math.random() * SEEDS);

/** Goes where a task is done. */
function open(task: PracticeTask, begin: (wanted: Wanted) => void): void {
  const { exercise, id } = task;
  if (exercise.what === 'yard') {
    begin({
      seed: exercise.seed,
      level: exercise.level ?? 1,
      route: exercise.of ?? '',
      vehicle: (exercise.vehicle ?? 'trailer') as Vehicle,
      task: id,
    });
    return;
  }
  const query = `seed=${exercise.seed}&task=${id}`;
  if (exercise.what === 'air') router.navigate(`/practice/air?${query}`);
  else if (exercise.what === 'drill') router.navigate(`/practice/drill?of=${exercise.of}&${query}`);
  else router.navigate(`/practice/by-heart?of=${exercise.of}&task=${id}`);
}

function Tasks({ begin }: { begin: (wanted: Wanted) => void }) {
  const { data } = useOwnPractice();
  const tasks = data?.tasks ?? [];
  if (tasks.length === 0) return null;
  return (
    <Card title="Assigned to you">
      {tasks.map((task) => (
        <View key={task.id} className="flex-row items-center gap-2 border-t border-line py-2">
          <View className="min-w-0 flex-1">
            <Text bold>{task.name}</Text>
            <Text size="small" tone="soft">
              {`${EXERCISE_WORDS[task.exercise.what]}, by ${task.by}${task.due ? `, until ${dayName(task.due)}` : ''}`}
            </Text>
            <Text size="small" tone={task.best !== null && task.best >= task.pass ? 'within' : 'soft'}>
              {task.best === null
                ? `Passed from ${task.pass}`
                : task.best >= task.pass
                  ? `Passed with ${task.best}`
                  : `Best ${task.best}, passed from ${task.pass}`}
            </Text>
          </View>
          <Button look="act" label="Do it" hint={task.name} onPress={() => open(task, begin)} />
        </View>
      ))}
    </Card>
  );
}

function YardCard({ walk, begin }: { walk: Walk | null; begin: (wanted: Wanted) => void }) {
  const own = useOwn();
  const { book } = useSession().fleet;
  const [routeId, setRoute] = useState(PRACTICE_ROUTES[0]?.id ?? '');
  const [level, setLevel] = useState('1');
  const [vehicle, setVehicle] = useState<Vehicle>('trailer');
  const route = routeOf(routeId, own.routes);
  const levels = route ? levelsOf(route) : [];
  const vehicles = route ? vehiclesOf(route) : [];
  const chosenLevel = levels.includes(Number(level)) ? Number(level) : (levels[0] ?? 1);
  const chosenVehicle = vehicles.includes(vehicle) ? vehicle : (vehicles[0] ?? 'trailer');
  const routes = [...PRACTICE_ROUTES, ...own.routes, ...ROUTES];
  const [all, setAll] = useState(false);
  const shown = all ? routes : PRACTICE_ROUTES;
  return (
    <Card
      title="Yard of made-up trailers"
      note={`Nearly every one has something wrong. Find it, measure it, say what it means.${book === DEFAULT_BOOK ? '' : ` They use the limit book “${BOOKS[DEFAULT_BOOK].name}”, whichever book your fleet uses.`}`}
    >
      {walk && !walk.finishedAt ? (
        <Button
          tall
          look="act"
          label={`Continue ${walk.drafts[walk.at]?.unit.number}`}
          onPress={() => router.navigate('/practice/yard')}
        />
      ) : null}
      <Choice
        stacked
        label="Route"
        options={shown.map(({ id, name, says }) => ({ value: id, label: name, note: says }))}
        value={routeId}
        onChange={setRoute}
      />
      {all ? null : <Button look="bare" label={`All ${routes.length} routes`} onPress={() => setAll(true)} />}
      <Choice
        stacked
        label="Level"
        options={LEVELS.filter(({ id }) => levels.includes(id)).map(({ id, name, says }) => ({
          value: String(id),
          label: `${id}. ${name}`,
          note: says,
        }))}
        value={String(chosenLevel)}
        onChange={setLevel}
      />
      {vehicles.length > 1 ? (
        <Choice
          label="Which"
          options={vehicles.map((value) => ({ value, label: VEHICLE_WORDS[value] }))}
          value={chosenVehicle}
          onChange={setVehicle}
        />
      ) : null}
      <Button
        tall
        look={walk && !walk.finishedAt ? 'plain' : 'act'}
        label={walk && !walk.finishedAt ? 'New trailer, discard this walk-around' : 'New practice trailer'}
        onPress={() =>
          begin({ seed: newSeed(), level: chosenLevel, route: routeId, vehicle: chosenVehicle, task: null })
        }
      />
    </Card>
  );
}

function Results() {
  const { data } = useOwnPractice();
  const { fleet } = useSession();
  if (!data || data.results.length === 0) return null;
  return (
    <Card
      title="Result"
      note={
        data.total > data.results.length
          ? `The last ${data.results.length} of ${data.total}`
          : 'Only you and your teacher see this.'
      }
    >
      <Spreads spread={data.spread} />
      <Some items={data.results} first={8} idOf={({ id }) => id} name="results">
        {({ exercise, marks, at, tooFast }) => (
          <View className="flex-row items-baseline gap-3 border-t border-line py-2">
            <Text reading bold>
              {marks}
            </Text>
            <Text className="min-w-0 flex-1">
              {EXERCISE_WORDS[exercise.what] + (tooFast ? ' · not counted: faster than anyone can read it' : '')}
            </Text>
            <Text size="small" tone="soft">
              {clock(at, fleet.zone)}
            </Text>
          </View>
        )}
      </Some>
    </Card>
  );
}

/** What the device has not said yet. */
const ON_ITS_WAY = { isPending: true, fetchStatus: 'fetching' } as const;

/** Where one practises. */
export function Practice() {
  const [walk, keep] = useKept<Walk>('walk');
  const own = useOwn();
  const practised = useOwnPractice();
  const mayTeach = useMaySend('set-practice-task');
  const { book } = useSession().fleet;
  const begin = (wanted: Wanted) => {
    const made = madeUpOf(wanted, own);
    if (!made) return;
    keep(beginWalk(wanted, made, uuidv7(), new Date().toISOString()));
    router.navigate('/practice/yard');
  };
  return (
    <PracticeScreen narrow title="Practice" under="Made-up trailers, the walk by heart, drills" back={goBack('/me')}>
      <Together of={walk === undefined ? [practised, ON_ITS_WAY] : [practised]}>
        <Tasks begin={begin} />
        {walk === undefined ? null : <YardCard walk={walk} begin={begin} />}
        <Card
          title="Walk-around by heart"
          note="Learn it, recall it, say it, and be examined by someone on another phone."
        >
          <Button tall label="Open the walk by heart" onPress={() => router.navigate('/practice/by-heart')} />
          <Button tall label="Examine someone" onPress={() => router.navigate('/practice/examine')} />
        </Card>
        <Card title="The air brake check" note="Gauges, key, pedal and valves: in order, or it starts over.">
          <Button
            tall
            label="Open the air brake check"
            onPress={() => router.navigate(`/practice/air?seed=${newSeed()}`)}
          />
        </Card>
        <Card title="Two-minute drills">
          {drillsOf(book).map((drill) => (
            <Button
              key={drill}
              tall
              label={DRILL_WORDS[drill].name}
              hint={DRILL_WORDS[drill].says}
              onPress={() => router.navigate(`/practice/drill?of=${drill}&seed=${newSeed()}`)}
            />
          ))}
        </Card>
        <Results />
        {mayTeach ? (
          <Button
            tall
            label="Teach: assignments and what is missed"
            onPress={() => router.navigate('/practice/class')}
          />
        ) : null}
      </Together>
    </PracticeScreen>
  );
}
