import { type Draft, type FleetRules, keyOf, newDraft, type Reading, type Step, withNote } from '@zealous-axle/core';
import {
  AIR_CONTROLS,
  AIR_PART_SAYS,
  AIR_TESTS_ASKED,
  type AirAct,
  type AirControl,
  type AirSystem,
  actAir,
  airDrawing,
  airFaultWords,
  airMarks,
  airOrderIn,
  airReading,
  airSystem,
  airVerdicts,
  beginAirCheck,
  type AirCheck as Check,
  passAir,
  restingAir,
  type Shown,
  seenDrawing,
  TIMED_WORDS,
} from '@zealous-axle/core/practice';
import { router, useLocalSearchParams } from 'expo-router';
import { type ReactNode, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Notice } from '../../parts/Notice';
import { goBack } from '../../parts/Screen';
import { isWriting } from '../../parts/Shortcuts';
import { Text } from '../../parts/Text';
import { rulesOf, useBook } from '../../session/rules';
import { useSession } from '../../session/session';
import { Drawn } from './Drawn';
import { useOwn } from './own';
import { PracticeScreen } from './PracticeScreen';
import { useBegun } from './usePractice';
import type { PadOf } from './YardWalk';

const TICK_MS = 100;
/** Time goes faster than by the watch: nobody learns by waiting. */
const FASTER = 4;

const TEST_NAMES: Record<string, string> = {
  governor: 'Governor',
  'build-up': 'Build-up',
  'leak-released': 'Leak-down, released',
  'leak-applied': 'Leak-down, applied',
  'low-air': 'Low-air warning',
  'spring-brake': 'Valves',
};

interface AirButton {
  control: AirControl;
  act: AirAct;
  key: string;
  label: string;
}
const buttonsOf = ({ state: { controls } }: Check): AirButton[] => [
  { control: 'key', act: 'key', key: 'k', label: controls.key ? 'Key off' : 'Key on' },
  { control: 'engine', act: 'engine', key: 'e', label: controls.engine ? 'Engine off' : 'Engine on' },
  {
    control: 'pedal',
    act: controls.pedal > 0 ? 'release' : 'press',
    key: 'p',
    label: controls.pedal > 0 ? 'Foot off' : 'Press the pedal',
  },
  {
    control: 'tractor',
    act: 'tractor',
    key: 't',
    label: controls.tractorIn ? 'Pull the tractor’s valve' : 'Push the tractor’s valve in',
  },
  {
    control: 'trailer',
    act: 'trailer',
    key: 'r',
    label: controls.trailerIn ? 'Pull the trailer’s valve' : 'Push the trailer’s valve in',
  },
];

/** Looking at the watch is no work on the dash, nor are the chocks. */
const WATCH = { act: 'watch', key: 'w', label: 'Watch for a minute' } as const;
const CHOCK = { act: 'chock', key: 'c', label: 'Chock the wheels, both ways' } as const;
const BESIDE_DASH = [WATCH, CHOCK] as const;

/** A check as far as it has come: the dash, and what stands on the pads once it is done. */
interface Come {
  check: Check;
  taken: Record<string, Reading | null>;
}
type Keep = (come: Come | null) => void;

/** The dash in time: every tick the air moves on. It is kept at every act. */
function useDash(system: AirSystem, from: Come | null, keep: Keep) {
  const routes = useOwn().routes;
  // One that was begun before it had an order of its own is begun anew.
  const [check, setCheck] = useState<Check>(() =>
    from?.check.order ? from.check : beginAirCheck(restingAir(), false, airOrderIn(routes)),
  );
  const latest = useRef(check);
  latest.current = check;
  const set = useCallback((next: Check) => {
    latest.current = next;
    setCheck(next);
  }, []);
  useEffect(() => {
    if (check.part === 'done') return;
    const timer = setInterval(() => set(passAir(system, latest.current, (TICK_MS / 1_000) * FASTER)), TICK_MS);
    return () => clearInterval(timer);
  }, [system, check.part, set]);
  const act = useCallback(
    (each: AirAct) => {
      const next = actAir(system, latest.current, each);
      set(next);
      keep({ check: next, taken: {} });
    },
    [system, set, keep],
  );
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (isWriting(event) || event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
      // Once it is done, the keys are the pads'.
      if (latest.current.part === 'done') return;
      const worked = buttonsOf(latest.current).find(({ key }) => key === event.key)?.act;
      const its = BESIDE_DASH.find(({ key }) => key === event.key)?.act ?? worked;
      if (!its) return;
      event.preventDefault();
      act(its);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [act]);
  return { check, act };
}

/** What was seen so far: the watch, and the needle as it stood, to be read. */
function Seen({ shown }: { shown: Shown }) {
  const needles = useMemo(() => seenDrawing(shown), [shown]);
  if (shown.buildUp === null && !needles) return null;
  return (
    <Card title="What you saw">
      {shown.buildUp === null ? null : <Text>{`By the watch, ${TIMED_WORDS}: ${shown.buildUp} s`}</Text>}
      {needles ? <Drawn drawing={needles} still /> : null}
    </Card>
  );
}

interface ControlProps {
  button: AirButton;
  of: { width: number; height: number };
  onWork: (act: AirAct) => void;
}

/** What lies over a knob, the pedal, the key: it is worked where it is drawn. */
function Control({ button: { control, act, key, label }, of, onWork }: ControlProps) {
  const { x, y, w, h } = AIR_CONTROLS[control];
  return (
    <Pressable
      role="button"
      aria-label={label}
      aria-keyshortcuts={key}
      onPress={() => onWork(act)}
      className="absolute rounded-xl active:bg-focus/20"
      style={{
        left: `${(100 * x) / of.width}%`,
        top: `${(100 * y) / of.height}%`,
        width: `${(100 * w) / of.width}%`,
        height: `${(100 * h) / of.height}%`,
      }}
    />
  );
}

function Dash({ check, act }: { check: Check; act: (act: AirAct) => void }) {
  const drawing = useMemo(() => airDrawing(check.state), [check.state]);
  const part = AIR_PART_SAYS[check.part];
  return (
    <>
      <Card title={`${check.order.indexOf(check.part) + 1}. ${part.name}`} note={part.says}>
        {check.mistake ? <Notice look="stop">{`${check.mistake} The check starts over.`}</Notice> : null}
        <View className="relative w-full max-w-[560px] self-center">
          <Drawn drawing={drawing} still />
          {buttonsOf(check).map((button) => (
            <Control key={button.control} button={button} of={drawing} onWork={act} />
          ))}
        </View>
        <Text size="small" tone="soft">
          {`Work what is drawn, or use the keys: ${buttonsOf(check)
            .map(({ key, control }) => `${key} ${control}`)
            .join(', ')}.`}
        </Text>
        <Button tall label={WATCH.label} hint={`key ${WATCH.key}`} onPress={() => act(WATCH.act)} />
        <Button
          tall
          label={check.chocked ? 'Chocked, both ways' : CHOCK.label}
          hint={check.chocked ? undefined : `key ${CHOCK.key}`}
          disabled={check.chocked}
          onPress={() => act(CHOCK.act)}
        />
      </Card>
      <Seen shown={check.shown} />
    </>
  );
}

const STEPS: Step[] = AIR_TESTS_ASKED.map((item) => ({ kind: 'air-test', item, axle: null, side: null, tyre: null }));

function padsOf(shown: Shown, seed: number, rules: FleetRules): Draft {
  const draft = newDraft({
    inspection: `air/${seed}`,
    unit: {
      id: 'made-up',
      number: 'P-1',
      body: 'Combination',
      kind: 'tractor',
      axles: [{ brake: 's-cam', tyres: 'single', hub: 'oil' }],
    },
    rules,
    purpose: 'walk',
    job: null,
    previous: {},
    startedAt: '',
    steps: STEPS,
    route: null,
  });
  return STEPS.reduce((now, step) => {
    const seconds =
      step.item === 'build-up' ? Math.max(1, shown.buildUp ?? 1) : step.item?.startsWith('leak') ? 60 : null;
    return seconds === null ? now : withNote(now, step, { seconds, vehicles: 'combination' });
  }, draft);
}

/** What was written down, judged, beside what the gauges showed and what was wrong. */
function Told({
  system,
  check,
  readings,
  task,
  seed,
}: {
  system: AirSystem;
  check: Check;
  readings: readonly Reading[];
  task: string | null;
  seed: number;
}) {
  const book = useBook();
  const rows = AIR_TESTS_ASKED.map((test) => {
    const truth = airReading(check.shown, test);
    const own = readings.find((each) => each.kind === 'air-test' && each.test === test) ?? null;
    return { test, ...airVerdicts(book, own, truth) };
  });
  const right = rows.filter(({ same }) => same).length;
  const marks = airMarks(right, rows.length, check.begunAgain);
  const [sent, setSent] = useState(false);
  useEffect(() => {
    if (sent) return;
    setSent(true);
    void send(
      'finish-practice',
      {
        result: uuidv7(),
        task,
        exercise: { what: 'air', seed, level: null, of: null, vehicle: null },
        marks,
        seconds: Math.min(86_400, Math.round(check.state.seconds / FASTER)),
        items: rows.map(({ test, same }) => ({ item: TEST_NAMES[test] ?? test, right: same })),
        off: [],
      },
      'The air brake check',
    );
  }, [sent, task, seed, marks, check, rows]);
  return (
    <>
      <Card
        title={`${marks} of 100`}
        note={
          check.begunAgain
            ? `Started over ${check.begunAgain === 1 ? 'once' : `${check.begunAgain} times`}.`
            : 'Right order on the first try.'
        }
      >
        <Text bold>
          {system.fault ? `What was wrong: ${airFaultWords(system.fault)}.` : 'Nothing was wrong with this one.'}
        </Text>
        {rows.map(({ test, read, is, same }) => (
          <View key={test} className="border-t border-line py-2">
            <Text bold tone={same ? 'within' : 'out'}>{`${TEST_NAMES[test]}: ${same ? 'as it is' : 'wrong'}`}</Text>
            <Text size="small" tone="soft">{`You: ${read}. It is: ${is}.`}</Text>
          </View>
        ))}
      </Card>
      <Button tall look="act" label="Another one" onPress={() => router.replace(`/practice/air?seed=${seed + 1}`)} />
      <Button tall label="Print" onPress={() => window.print()} />
      <Button tall label="Back to practice" onPress={() => router.replace('/practice')} />
    </>
  );
}

function Pads({
  come: { check, taken: before },
  seed,
  Pad,
  keep,
  onDone,
}: {
  come: Come;
  seed: number;
  Pad: PadOf;
  keep: Keep;
  onDone: (readings: Reading[]) => void;
}) {
  const { shown } = check;
  const session = useSession();
  const [draft, setDraft] = useState(() => ({
    ...padsOf(shown, seed, rulesOf(session)),
    cursor: Object.keys(before).length,
  }));
  const [taken, setTaken] = useState(before);
  const note = useCallback(
    (at: Step, value: Reading | null) => setTaken((now) => ({ ...now, [keyOf(at)]: value })),
    [],
  );
  const onTaken = useCallback((at: Step, value: Reading) => note(at, value), [note]);
  const onSkipped = useCallback((at: Step) => note(at, null), [note]);
  const done = Object.keys(taken).length >= STEPS.length;
  useEffect(() => {
    if (Object.keys(taken).length) keep(done ? null : { check, taken });
    if (done) onDone(Object.values(taken).flatMap((each) => each ?? []));
  }, [done, check, taken, keep, onDone]);
  const above: ReactNode = <Seen shown={shown} />;
  return <Pad draft={draft} update={setDraft} onTaken={onTaken} onSkipped={onSkipped} above={above} />;
}

interface CheckProps {
  seed: number;
  task: string | null;
  Pad: PadOf;
}

function Checking(props: CheckProps) {
  const [come, keep] = useBegun<Come>('air', String(props.seed));
  return come === undefined ? null : <Begun {...props} from={come} keep={keep} />;
}

function Begun({ seed, task, Pad, from, keep }: CheckProps & { from: Come | null; keep: Keep }) {
  const system = useMemo(() => airSystem(seed), [seed]);
  const [begun] = useState(from);
  const { check, act } = useDash(system, begun, keep);
  const [pads, setPads] = useState(Object.keys(begun?.taken ?? {}).length > 0);
  const [readings, setReadings] = useState<Reading[] | null>(null);
  const title = 'The air brake check';
  if (readings)
    return (
      <PracticeScreen narrow title={title} back={goBack('/practice')}>
        <Told system={system} check={check} readings={readings} task={task} seed={seed} />
      </PracticeScreen>
    );
  if (pads)
    return (
      <PracticeScreen fixed title={title} under="On the pads" back={() => setPads(false)} backLabel="Back">
        <View className="mx-auto min-h-0 w-full max-w-2xl flex-1">
          <Pads come={{ check, taken: begun?.taken ?? {} }} seed={seed} Pad={Pad} keep={keep} onDone={setReadings} />
        </View>
      </PracticeScreen>
    );
  return (
    <PracticeScreen narrow title={title} under="Time goes four times as fast" back={goBack('/practice')}>
      <Dash check={check} act={act} />
      {check.part === 'done' ? (
        <Button tall look="act" label="Record it on the pads" onPress={() => setPads(true)} />
      ) : null}
    </PracticeScreen>
  );
}

/** The air brake check at a made-up dash: in its order, then on the real pads. */
export function AirCheck({ Pad }: { Pad: PadOf }) {
  const { seed, task } = useLocalSearchParams<{ seed?: string; task?: string }>();
  const number = Number.parseInt(seed ?? '1', 10) || 1;
  return <Checking key={number} seed={number} task={task ?? null} Pad={Pad} />;
}
