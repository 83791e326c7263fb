import { keyOf, keyWords } from '@zealous-axle/core';
import { type Compared, type Debrief, firstView, type MadeUp, SAID_WORDS, sceneOf } from '@zealous-axle/core/practice';
import { router } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { moneyText } from '../../look/money';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Drawer } from '../../parts/Drawer';
import { Notice } from '../../parts/Notice';
import { goBack } from '../../parts/Screen';
import { Some } from '../../parts/Some';
import { Text } from '../../parts/Text';
import { VerdictBadge } from '../../parts/VerdictMark';
import { useOwn } from './own';
import { PracticeScreen } from './PracticeScreen';
import { offOf } from './results';
import { Station } from './Station';
import { useKept } from './usePractice';
import { beginWalk, debriefOf, madeUpOf, type Walk, type Wanted } from './walk';

const minutes = (seconds: number): string => `${Math.floor(seconds / 60)} min ${seconds % 60} s`;
const whereOf = ({ step }: Compared): string => keyWords(keyOf(step), ' at ');

/** One reading beside what is. */
function Row({ row, onShow }: { row: Compared; onShow: () => void }) {
  const said = row.said === null ? 'not read' : `read ${row.said}`;
  return (
    <View className="gap-1 border-t border-line py-2">
      <View className="flex-row items-center gap-2">
        <View className="min-w-0 flex-1">
          <Text bold>{whereOf(row)}</Text>
          <Text tone={row.right ? 'within' : 'violation'}>
            {row.right ? `${said}: as it is` : `${said}, it is ${row.truth}${row.error ? ` (${row.error})` : ''}`}
          </Text>
          {row.changed ? (
            <Text bold tone="out">
              That changed the verdict.
            </Text>
          ) : null}
          {row.judgedAs && row.shouldBe && row.judgedAs !== row.shouldBe ? (
            <Text
              size="small"
              tone="soft"
            >{`You said: ${SAID_WORDS[row.judgedAs]}. The rule says: ${SAID_WORDS[row.shouldBe]}.`}</Text>
          ) : null}
        </View>
        <Button label="Show" hint={whereOf(row)} onPress={onShow} />
      </View>
    </View>
  );
}

/** The station again, in good light, beside what it is. */
function Again({ row, made, onClose }: { row: Compared; made: MadeUp; onClose: () => void }) {
  const unit = made.units.find(({ unit: { id } }) => id === row.unit);
  const [look, setLook] = useState(firstView(false));
  const scene = useMemo(() => (unit ? sceneOf(unit, row.step) : null), [unit, row.step]);
  return (
    <Drawer title={whereOf(row)} onClose={onClose}>
      {scene ? <Station scene={scene} level={1} look={look} onLook={setLook} /> : null}
      <Text bold>{`It is ${row.truth}.`}</Text>
      <Text>{row.said === null ? 'You did not read it.' : `You read ${row.said}.`}</Text>
    </Drawer>
  );
}

function Told({ told, made }: { told: Debrief; made: MadeUp }) {
  const [shown, setShown] = useState<Compared | null>(null);
  const wrong = told.compared.filter(({ right }) => !right);
  const right = told.compared.filter((row) => row.right);
  return (
    <>
      <Card title={`${told.marks} of 100`}>
        <View className="flex-row flex-wrap items-center gap-2">
          <Text>It is, by the book:</Text>
          <VerdictBadge verdict={told.verdict} />
        </View>
        {told.byCountAlone ? <Text>No single brake puts it on hold; the brake count does.</Text> : null}
        <Notice look={told.decidedRight ? 'good' : 'stop'}>
          {`You said: ${told.mayGo ? 'no hold' : 'on hold'}. ${told.decidedRight ? 'So does the book.' : 'The book says otherwise.'}`}
        </Notice>
        <Text>{`${told.found.length} of ${told.found.length + told.missed.length} faults found, ${told.invented.length} reported that are not there.`}</Text>
        <Text>{`In ${minutes(told.seconds)}. ${told.outOfOrder ? `${told.outOfOrder} steps out of order. ` : 'In order. '}${told.skipped.length ? `${told.skipped.length} not read. ` : ''}${told.chocked ? 'Chocked first.' : 'Not chocked first: no mark for it.'}`}</Text>
        {told.cost ? <Text bold>{`It would have cost about ${moneyText(told.cost)}.`}</Text> : null}
      </Card>
      {told.missed.length || told.found.length ? (
        <Card title="What was hidden">
          {[...told.missed, ...told.found].map((hidden) => (
            <View key={`${hidden.id}${hidden.axle}${hidden.side}`} className="border-t border-line py-2">
              <Text bold tone={told.missed.includes(hidden) ? 'out' : 'within'}>
                {`${told.missed.includes(hidden) ? 'Missed' : 'Found'}: ${hidden.words}`}
              </Text>
              <Text size="small" tone="soft">
                {hidden.keys.map((key) => keyWords(key, ' at ')).join(', ')}
              </Text>
              {hidden.foundOut ? <Text>{hidden.foundOut}</Text> : null}
            </View>
          ))}
        </Card>
      ) : (
        <Card title="What was hidden">
          <Text>Nothing was wrong with this one.</Text>
        </Card>
      )}
      {wrong.length ? (
        <Card title="Read wrong">
          <Some items={wrong} first={12} idOf={(row) => `${row.unit} ${keyOf(row.step)}`} name="readings wrong">
            {(row) => <Row row={row} onShow={() => setShown(row)} />}
          </Some>
        </Card>
      ) : null}
      <Card title="Read right">
        <Some items={right} first={4} idOf={(row) => `${row.unit} ${keyOf(row.step)}`} name="readings as it is">
          {(row) => <Row row={row} onShow={() => setShown(row)} />}
        </Some>
        {right.length ? null : <Text tone="soft">No reading was right.</Text>}
      </Card>
      {shown ? <Again row={shown} made={made} onClose={() => setShown(null)} /> : null}
    </>
  );
}

/** Sends what came of a walk, once. */
function useResult(walk: Walk, told: Debrief): void {
  const [sent, setSent] = useKept<string>(`sent/${walk.id}`);
  useEffect(() => {
    if (sent !== null) return;
    setSent(walk.id);
    const { seed, level, route, vehicle, task } = walk;
    void send(
      'finish-practice',
      {
        result: uuidv7(),
        task,
        exercise: { what: 'yard', seed, level, of: route, vehicle },
        marks: told.marks,
        seconds: told.seconds,
        items: told.compared.slice(0, 400).map(({ step, right }) => ({
          item: keyWords(keyOf({ ...step, axle: null, side: null, tyre: null }), ' '),
          right,
        })),
        off: offOf(walk, told),
      },
      'Practice results',
    );
  }, [sent, setSent, walk, told]);
}

function Body({ walk, made, keep }: { walk: Walk; made: MadeUp; keep: (walk: Walk) => void }) {
  const told = useMemo(() => debriefOf(walk, made), [walk, made]);
  const own = useOwn();
  useResult(walk, told);
  const again = (change: Partial<Wanted>) => {
    const { seed, level, route, vehicle } = walk;
    const wanted: Wanted = { seed, level, route, vehicle, task: null, ...change };
    const next = madeUpOf(wanted, own);
    if (!next) return;
    keep(beginWalk(wanted, next, uuidv7(), new Date().toISOString()));
    router.replace('/practice/yard');
  };
  return (
    <>
      <Told told={told} made={made} />
      <View className="flex-row flex-wrap gap-2">
        <Button tall className="grow" label="Same again" onPress={() => again({ task: walk.task })} />
        <Button
          tall
          className="grow"
          look="act"
          label="Another like it"
          onPress={() => again({ seed: walk.seed + 1 })}
        />
        {walk.level < 5 ? (
          <Button
            tall
            className="grow"
            label="Harder"
            onPress={() => again({ seed: walk.seed + 1, level: walk.level + 1 })}
          />
        ) : null}
        <Button tall className="grow" label="Print" onPress={() => window.print()} />
      </View>
    </>
  );
}

/** What a walk came to: each reading beside the truth, what was found, missed and made up. */
export function Debriefed() {
  const [walk, keep] = useKept<Walk>('walk');
  const own = useOwn();
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was made up follows from the walk's own words.
  const made = useMemo(() => (walk ? madeUpOf(walk, own) : null), [walk?.id, own]);
  return (
    <PracticeScreen narrow title="Result" back={goBack('/practice')}>
      {walk?.finishedAt && made ? (
        <Body walk={walk} made={made} keep={keep} />
      ) : walk === undefined ? null : (
        <Button tall look="act" label="Choose one" onPress={() => router.replace('/practice')} />
      )}
    </PracticeScreen>
  );
}
