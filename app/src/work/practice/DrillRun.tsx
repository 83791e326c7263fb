import { dayAfter, dayIn, sentences } from '@zealous-axle/core';
import {
  DRILL_WORDS,
  type Drill,
  daysInARow,
  draw,
  drillQuestions,
  drillScore,
  drillsOf,
  firstView,
} from '@zealous-axle/core/practice';
import { router, useLocalSearchParams } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Notice } from '../../parts/Notice';
import { goBack } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { useSession } from '../../session/session';
import { Drawn } from './Drawn';
import { PracticeScreen } from './PracticeScreen';
import { useBegun, useKept } from './usePractice';

interface Best {
  right: number;
  seconds: number;
}

const biasWords = (bias: number | null): string | null => {
  if (bias === null) return null;
  if (Math.abs(bias) < 0.15) return 'On average you read neither short nor long.';
  return `On average you read ${Math.abs(bias).toFixed(1)} divisions ${bias < 0 ? 'short' : 'long'}.`;
};

/** How it ended: right answers and speed beside one's own best, and the days in a row. */
function Done({
  drill,
  seed,
  task,
  answers,
  seconds,
}: {
  drill: Drill;
  seed: number;
  task: string | null;
  answers: readonly number[];
  seconds: number;
}) {
  const { fleet } = useSession();
  const [best, keepBest] = useKept<Best>(`best/${drill}`);
  const [days, keepDays] = useKept<string[]>('days');
  const questions = useMemo(() => drillQuestions(drill, seed, fleet.book), [drill, seed, fleet.book]);
  const score = drillScore(questions, answers);
  const today = dayIn(fleet.zone, new Date());
  const [before] = useState<{ best: Best | null | undefined }>({ best: undefined });
  if (before.best === undefined && best !== undefined) before.best = best;
  const [sent, setSent] = useState(false);
  useEffect(() => {
    if (sent || best === undefined || days === undefined) return;
    setSent(true);
    if (!best || score.right > best.right || (score.right === best.right && seconds < best.seconds))
      keepBest({ right: score.right, seconds });
    if (!days?.includes(today)) keepDays([...(days ?? []), today]);
    void send(
      'finish-practice',
      {
        result: uuidv7(),
        task,
        exercise: { what: 'drill', seed, level: null, of: drill, vehicle: null },
        marks: Math.round((100 * score.right) / Math.max(1, score.of)),
        seconds,
        items: questions.map(({ right }, nth) => ({ item: DRILL_WORDS[drill].name, right: answers[nth] === right })),
        off: [],
      },
      DRILL_WORDS[drill].name,
    );
  }, [sent, best, days, score, seconds, keepBest, keepDays, today, drill, seed, task, questions, answers]);
  const row = daysInARow([...(days ?? []), today], today, (day) => dayAfter(day, -1));
  const bias = biasWords(score.bias);
  return (
    <>
      <Card title={`${score.right} of ${score.of} right`} note={`in ${seconds} s`}>
        {bias ? <Text>{bias}</Text> : null}
        <Text>
          {before.best
            ? `Your best before: ${before.best.right} right in ${before.best.seconds} s.`
            : 'Your first time.'}
        </Text>
        <Text tone="soft">{row === 1 ? 'Practiced today.' : `Practiced ${row} days in a row.`}</Text>
      </Card>
      <Button
        tall
        look="act"
        label="Another twenty"
        onPress={() => router.replace(`/practice/drill?of=${drill}&seed=${seed + 1}`)}
      />
      <Button tall label="Back to practice" onPress={() => router.replace('/practice')} />
    </>
  );
}

/** A drill as far as it has come: its answers, and seconds spent on them. */
interface Come {
  answers: number[];
  seconds: number;
}

function Run({ drill, seed, task }: { drill: Drill; seed: number; task: string | null }) {
  const [come, keep] = useBegun<Come>('drill', `${drill} ${seed}`);
  return come === undefined ? null : <Asked drill={drill} seed={seed} task={task} from={come} keep={keep} />;
}

function Asked({
  drill,
  seed,
  task,
  from,
  keep,
}: {
  drill: Drill;
  seed: number;
  task: string | null;
  from: Come | null;
  keep: (come: Come | null) => void;
}) {
  const { book } = useSession().fleet;
  const questions = useMemo(() => drillQuestions(drill, seed, book), [drill, seed, book]);
  const [answers, setAnswers] = useState<number[]>(from?.answers ?? []);
  const [shown, setShown] = useState<number | null>(null);
  const [began] = useState(() => Date.now() - 1_000 * (from?.seconds ?? 0));
  const [seconds, setSeconds] = useState(from?.seconds ?? 0);
  const question = questions[answers.length];
  if (!question) return <Done drill={drill} seed={seed} task={task} answers={answers} seconds={seconds} />;
  const next = () => {
    if (shown === null) return;
    const now = { answers: [...answers, shown], seconds: Math.round((Date.now() - began) / 1_000) };
    setAnswers(now.answers);
    setSeconds(now.seconds);
    keep(now.answers.length < questions.length ? now : null);
    setShown(null);
  };
  const look = question.scene?.kind === 'stroke' ? { ...firstView(false), applied: true } : firstView(false);
  return (
    <>
      <Text size="small" tone="soft">{`${answers.length + 1} of ${questions.length}`}</Text>
      <Text bold size="lead" level={2}>
        {question.ask}
      </Text>
      {question.scene ? <Drawn drawing={draw(question.scene, look)} /> : null}
      <View className="gap-2">
        {question.options.map((option, nth) => (
          <Button
            key={option}
            tall
            look={shown === null ? 'plain' : nth === question.right ? 'act' : nth === shown ? 'stop' : 'plain'}
            label={option}
            disabled={shown !== null && nth !== shown && nth !== question.right}
            onPress={() => shown === null && setShown(nth)}
          />
        ))}
      </View>
      {shown !== null ? (
        <>
          <Notice
            look={shown === question.right ? 'good' : 'ask'}
          >{`${shown === question.right ? 'Right. ' : ''}${sentences(question.why)}`}</Notice>
          <Button
            tall
            look="act"
            label={answers.length + 1 < questions.length ? 'Next' : 'See the result'}
            onPress={next}
          />
        </>
      ) : null}
    </>
  );
}

/** A drill of two minutes. */
export function DrillRun() {
  const { of, seed, task } = useLocalSearchParams<{ of?: string; seed?: string; task?: string }>();
  const drill = drillsOf(useSession().fleet.book).find((each) => each === of) ?? 'gauge';
  const number = Number.parseInt(seed ?? '1', 10) || 1;
  return (
    <PracticeScreen narrow title={DRILL_WORDS[drill].name} under={DRILL_WORDS[drill].says} back={goBack('/practice')}>
      <Run key={`${drill} ${number}`} drill={drill} seed={number} task={task ?? null} />
    </PracticeScreen>
  );
}
