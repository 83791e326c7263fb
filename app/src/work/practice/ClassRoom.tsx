import { useQuery } from '@tanstack/react-query';
import { EXERCISE_WORDS, type PracticeClass } from '@zealous-axle/core';
import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line, Polyline, Text as SvgText } from 'react-native-svg';
import { send } from '../../device/outbox';
import { clock, dayName } from '../../look/dates';
import { usePalette } from '../../look/theme';
import { useWide } from '../../look/wide';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { ConfirmButton } from '../../parts/ConfirmButton';
import { Loaded } from '../../parts/Loaded';
import { goBack } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';
import { useSession } from '../../session/session';
import { NewTask } from './NewTask';
import { PracticeScreen } from './PracticeScreen';
import { Spreads } from './Spreads';

type Person = PracticeClass['people'][number];
const HEIGHT = 110;
const WIDTH = 320;

/** Marks over the days: a point each day, the same in words. */
function Marks({ marks }: { marks: Person['marks'] }) {
  const palette = usePalette();
  const x = scaleLinear([0, Math.max(1, marks.length - 1)], [34, WIDTH - 12]);
  const y = scaleLinear([0, 100], [HEIGHT - 18, 10]);
  const words = marks.map(({ on, marks: each }) => `${dayName(on)}: ${Math.round(each)}`).join(', ');
  return (
    <View role="img" aria-label={`Marks by day. ${words}`}>
      <Svg
        width="100%"
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        style={{ aspectRatio: WIDTH / HEIGHT, maxWidth: 520 }}
        aria-hidden
      >
        {[0, 50, 100].map((each) => (
          <Line key={each} x1={34} x2={WIDTH - 8} y1={y(each)} y2={y(each)} stroke={palette.line} strokeWidth={1} />
        ))}
        {[0, 50, 100].map((each) => (
          <SvgText key={each} x={28} y={y(each) + 4} fontSize={11} textAnchor="end" fill={palette.soft}>
            {each}
          </SvgText>
        ))}
        <Polyline
          points={marks.map(({ marks: each }, nth) => `${x(nth)},${y(each)}`).join(' ')}
          fill="none"
          stroke={palette.act}
          strokeWidth={2.5}
        />
        {marks.map(({ on, marks: each }, nth) => (
          <Circle key={on} cx={x(nth)} cy={y(each)} r={4} fill={palette.act} />
        ))}
      </Svg>
    </View>
  );
}

function PersonCard({ person }: { person: Person }) {
  const { fleet } = useSession();
  return (
    <Card title={person.name} note={`${person.results} ${person.results === 1 ? 'result' : 'results'} in a year`}>
      {person.now ? (
        <Text
          bold
          tone="act"
        >{`Now: ${person.now.words}, ${person.now.done} of ${person.now.of}, ${clock(person.now.at, fleet.zone)}`}</Text>
      ) : null}
      {person.tooFast ? (
        <Text tone="shop">{`${person.tooFast} finished faster than anyone can read it: not counted`}</Text>
      ) : null}
      {person.marks.length ? <Marks marks={person.marks} /> : null}
      {person.missed.length ? (
        <View className="gap-1">
          <Text bold>Missed most</Text>
          {person.missed.map(({ item, missed, asked }) => (
            <View key={item} className="flex-row justify-between gap-3 border-t border-line py-1">
              <Text className="min-w-0 flex-1">{item}</Text>
              <Text reading>{`${missed} of ${asked}`}</Text>
            </View>
          ))}
        </View>
      ) : null}
      <Spreads spread={person.spread} />
    </Card>
  );
}

function Room({ data }: { data: PracticeClass }) {
  const [setting, setSetting] = useState(false);
  const wide = useWide();
  const isActive = ({ results, tooFast, now }: Person) => results > 0 || tooFast > 0 || now !== null;
  const [active, idle] = [data.people.filter(isActive), data.people.filter((person) => !isActive(person))];
  return (
    <>
      <Card title="Tasks">
        {data.tasks.length ? null : <Text tone="soft">None assigned. Everyone may practice anything.</Text>}
        {data.tasks.map((task) => (
          <View key={task.id} className="gap-1 border-t border-line py-2">
            <Text bold>{task.name}</Text>
            <Text size="small" tone="soft">
              {[
                EXERCISE_WORDS[task.exercise.what],
                task.exercise.level ? `level ${task.exercise.level}` : '',
                task.person ? (data.people.find(({ id }) => id === task.person)?.name ?? '') : 'for everyone',
                task.due ? `until ${dayName(task.due)}` : '',
                `passed by ${task.passed}`,
              ]
                .filter(Boolean)
                .join(' · ')}
            </Text>
            <View className="flex-row">
              <ConfirmButton
                quiet
                label="Withdraw …"
                ask="Withdraw it (results stay)"
                hint={task.name}
                onDo={() => void send('withdraw-practice-task', { task: task.id }, `${task.name} withdrawn`)}
              />
            </View>
          </View>
        ))}
        <Button tall look="act" label="Set a task" onPress={() => setSetting(true)} />
      </Card>
      <View className={wide ? 'flex-row flex-wrap gap-4' : 'gap-4'}>
        {active.map((person) => (
          <View key={person.id} className={wide ? 'w-[32%] grow' : ''}>
            <PersonCard person={person} />
          </View>
        ))}
      </View>
      {idle.length ? (
        <Card title="Nothing practiced yet">
          <Text>{idle.map(({ name }) => name).join(', ')}</Text>
        </Card>
      ) : null}
      <Button tall label="Print" onPress={() => window.print()} />
      {setting ? <NewTask people={data.people} onClose={() => setSetting(false)} /> : null}
    </>
  );
}

/** The class as its teacher sees it: tasks, who is where, what is missed, how they read. */
export function ClassRoom() {
  const query = useQuery({
    queryKey: ['practice', 'class'],
    queryFn: () => call<PracticeClass>('GET', '/practice/class'),
  });
  return (
    <PracticeScreen title="Teach" under="Assignments, and what is missed" back={goBack('/practice')}>
      <Loaded query={query}>{(data) => <Room data={data} />}</Loaded>
    </PracticeScreen>
  );
}
