import { type Draft, entryOf, isDone, keyOf, keyWords, type Reading, type Step, stepAt } from '@zealous-axle/core';
import {
  firstLook,
  firstView,
  isNight,
  type View as Look,
  type MadeUp,
  SAID,
  SAID_WORDS,
  type Said,
  sceneOf,
  VEHICLE_WORDS,
} from '@zealous-axle/core/practice';
import { router } from 'expo-router';
import { type ComponentType, type ReactNode, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Notice } from '../../parts/Notice';
import { RadioGroup } from '../../parts/RadioGroup';
import { goBack } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { useOwn } from './own';
import { PracticeScreen } from './PracticeScreen';
import { Station } from './Station';
import { useKept } from './usePractice';
import { isWalked, madeUpOf, type Walk, withTaken } from './walk';

/** The real pad, given by whoever puts the rooms together. */
export type PadOf = ComponentType<{
  draft: Draft;
  update: (change: (draft: Draft) => Draft) => void;
  onTaken: (step: Step, value: Reading) => void;
  onSkipped?: (step: Step) => void;
  above: ReactNode;
  beside?: ReactNode;
}>;

/** How much a finding presses, in one row: what is said before it is taken. */
function HowMuch({ said, onSaid }: { said: Said; onSaid: (said: Said) => void }) {
  return (
    <RadioGroup label="How urgent is it?" className="flex-row gap-1.5">
      {SAID.map((each) => (
        <Pressable
          key={each}
          role="radio"
          aria-checked={each === said}
          onPress={() => onSaid(each)}
          className={`min-h-11 flex-1 items-center justify-center rounded-xl border-2 px-0.5 ${each === said ? 'border-act bg-act' : 'border-edge bg-card'}`}
        >
          <Text size="small" bold={each === said} tone={each === said ? 'on-act' : 'ink'}>
            {SAID_WORDS[each]}
          </Text>
        </Pressable>
      ))}
    </RadioGroup>
  );
}

/** The end of a walk: may it go? */
function Decide({ walk, onDecide }: { walk: Walk; onDecide: (mayGo: boolean) => void }) {
  const open = walk.drafts.flatMap((draft) => draft.steps.filter((step) => !isDone(entryOf(draft, step)))).length;
  return (
    <View className="gap-4 p-5">
      <Text level={2} bold size="title">
        May it go?
      </Text>
      {open ? <Notice look="ask">{`${open} steps not done or skipped.`}</Notice> : null}
      <Text>You decide, as you would in the yard. Then each reading is compared with the true value.</Text>
      <Button tall look="act" label="Go" onPress={() => onDecide(true)} />
      <Button tall look="stop" label="Hold" onPress={() => onDecide(false)} />
    </View>
  );
}

/** Chocks before anything else: the mark for it is lost otherwise. */
function Chocks({ walk, onChock }: { walk: Walk; onChock: () => void }) {
  if (walk.chocked) return null;
  return (
    <View className="flex-row items-center gap-3 rounded-xl border-2 border-shop bg-shop-tint p-2">
      <Text className="min-w-0 flex-1">
        {walk.taken.length ? 'Not chocked: no mark for it.' : 'Before touching anything?'}
      </Text>
      <Button label="Set the chocks" onPress={onChock} />
    </View>
  );
}

/** Tells whoever set the task how far it is: who watches looks now, and what could not be told then is of no use later. */
function tellHowFar({ task, taken, drafts }: Walk, at: Step): void {
  if (!task || !navigator.onLine) return;
  const of = drafts.reduce((sum, each) => sum + each.steps.length, 0);
  void send(
    'tell-practice',
    { task, words: keyWords(keyOf(at), ' at ').slice(0, 120), done: Math.min(of, taken.length), of },
    'Practice progress',
  );
}

/** The walk as it changes: always from its latest state, however quickly one tap follows another. */
function useWalk(walk: Walk, keep: (walk: Walk) => void) {
  const latest = useRef(walk);
  latest.current = walk;
  const change = useCallback(
    (some: (now: Walk) => Walk) => {
      latest.current = some(latest.current);
      keep(latest.current);
    },
    [keep],
  );
  const update = useCallback(
    (some: (now: Draft) => Draft) =>
      change((now) => ({ ...now, drafts: now.drafts.map((each, nth) => (nth === now.at ? some(each) : each)) })),
    [change],
  );
  return { latest, change, update };
}

interface WalkingProps {
  walk: Walk;
  made: MadeUp;
  keep: (walk: Walk) => void;
  Pad: PadOf;
}

function Walking({ walk, made, keep, Pad }: WalkingProps) {
  const walking = useWalk(walk, keep);
  const { change } = walking;
  const draft = walk.drafts[walk.at];
  const unit = made.units[walk.at];
  const step = draft ? stepAt(draft) : null;
  const last = walk.at === walk.drafts.length - 1;
  const decide = (mayGo: boolean) => {
    change((now) => ({ ...now, mayGo, finishedAt: new Date().toISOString() }));
    router.replace('/practice/debrief');
  };
  if (!draft || !unit || isWalked(walk) || (!step && last)) return <Decide walk={walk} onDecide={decide} />;
  if (!step || draft.steps.every((each) => isDone(entryOf(draft, each))))
    return (
      <View className="gap-4 p-5">
        <Text level={2} bold size="title">{`${draft.unit.number} is walked`}</Text>
        <Button
          tall
          look="act"
          label={`On to ${walk.drafts[walk.at + 1]?.unit.number}`}
          onPress={() => change((now) => ({ ...now, at: now.at + 1 }))}
        />
      </View>
    );
  return <AtStation walk={walk} walking={walking} Pad={Pad} draft={draft} unit={unit} step={step} />;
}

interface AtStationProps extends Pick<WalkingProps, 'walk' | 'Pad'> {
  walking: ReturnType<typeof useWalk>;
  draft: Draft;
  unit: MadeUp['units'][number];
  step: Step;
}

/** A step of the walk: what is seen there, the real pad, and how much the finding presses. */
function AtStation({ walk, walking, Pad, draft, unit, step }: AtStationProps) {
  const { latest, change, update } = walking;
  const scene = useMemo(() => sceneOf(unit, step), [unit, step]);
  const night = isNight(walk.level);
  const [look, setLook] = useState<Look>(firstView(night));
  const [said, setSaid] = useState<Said>('good');
  // Another station is looked at anew.
  useEffect(() => {
    if (scene) setLook(firstLook(scene, firstView(night)));
    setSaid('good');
  }, [scene, night]);
  const saidNow = useRef(said);
  saidNow.current = said;
  const unitId = unit.unit.id;
  const onTaken = useCallback(
    (at: Step, value: Reading) => {
      change((now) => withTaken(now, unitId, at, value, saidNow.current));
      setSaid('good');
      tellHowFar(latest.current, at);
    },
    [change, latest, unitId],
  );
  return (
    <View className="mx-auto min-h-0 w-full max-w-2xl flex-1">
      <Pad
        draft={draft}
        update={update}
        onTaken={onTaken}
        above={
          <>
            <Chocks
              walk={walk}
              onChock={() => change((now) => ({ ...now, chocked: true, unchocked: now.taken.length > 0 }))}
            />
            {scene ? <Station key={keyOf(step)} scene={scene} level={walk.level} look={look} onLook={setLook} /> : null}
          </>
        }
        beside={<HowMuch said={said} onSaid={setSaid} />}
      />
    </View>
  );
}

/** A walk round something made up: the stations drawn, the real pads, one's own judgement. */
export function YardWalk({ Pad }: { Pad: PadOf }) {
  const [walk, keep, kept] = useKept<Walk>('walk');
  const own = useOwn();
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was made up follows from the walk's own words.
  const made = useMemo(() => (walk ? madeUpOf(walk, own) : null), [walk?.id, own]);
  const done = walk
    ? walk.drafts.reduce((sum, draft) => sum + draft.steps.filter((step) => isDone(entryOf(draft, step))).length, 0)
    : 0;
  const of = walk ? walk.drafts.reduce((sum, draft) => sum + draft.steps.length, 0) : 0;
  const current = walk?.drafts[walk.at];
  return (
    <PracticeScreen
      fixed
      focused
      title={current ? `${current.unit.number} – ${current.unit.body}` : 'Practice yard'}
      under={walk ? `${done} of ${of} · ${VEHICLE_WORDS[walk.vehicle]}, level ${walk.level}` : undefined}
      back={goBack('/practice')}
    >
      {kept ? null : <Notice look="stop">This device cannot save more. The walk-around is only in this window.</Notice>}
      {walk && made && !walk.finishedAt ? (
        <Walking walk={walk} made={made} keep={keep} Pad={Pad} />
      ) : walk === undefined ? null : (
        <View className="gap-4 p-5">
          <Text>{walk?.finishedAt ? 'This walk-around is over.' : 'No walk-around was started on this device.'}</Text>
          <Button tall look="act" label="Choose one" onPress={() => router.replace('/practice')} />
        </View>
      )}
    </PracticeScreen>
  );
}
