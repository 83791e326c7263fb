import {
  bookOf,
  type Draft,
  entryOf,
  isDone,
  jumpTo,
  keyOf,
  mayLack,
  progressWords,
  readingText,
  type Step,
} from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import { memo, useEffect, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { dayOf } from '../../look/dates';
import { useWide } from '../../look/wide';
import { Button } from '../../parts/Button';
import { Drawer } from '../../parts/Drawer';
import { Notice } from '../../parts/Notice';
import { type EndState, endCode, RunningGear } from '../../parts/RunningGear';
import { Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { useStable } from '../../parts/useStable';
import { BookWords } from '../../parts/verdict';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { type Current, CurrentContext, useCurrent } from './current';
import { Doubted } from './Doubted';
import { useDraftEnds } from './ends';
import { GaugeBar } from './GaugeBar';
import { type GaugeState, gaugeWanted, useGauge, useGaugesWay, wantGauge } from './gauge';
import { judgeStep } from './judged';
import { type Gate, gateAt, PAD_ID, Pad, reportHere } from './Pad';
import { Skip } from './Skip';
import { Steps } from './Steps';
import { useDraft } from './useDraft';
import { type Inspecting, useInspecting } from './useInspecting';
import { usePadKeys } from './usePadKeys';
import { kindWords } from './words';

function Finished() {
  const { draft } = useCurrent();
  const skipped = draft.steps.filter((step) => entryOf(draft, step).saved === null).length;
  // What a repair is measured again for is few readings: their sheet says the rest.
  const straight = draft.job !== null && skipped === 0;
  useEffect(() => {
    if (straight) router.replace(`/sheet/${draft.inspection}`);
  }, [straight, draft.inspection]);
  if (straight) return null;
  return (
    <View className="gap-4 p-5">
      <Text level={2} bold size="title">
        {skipped ? `${skipped} steps were skipped` : 'Every step is done'}
      </Text>
      <Text>The verdict sheet lists the findings, worst first. Close the inspection there.</Text>
      <Button
        tall
        look="act"
        label="Open the verdict sheet"
        onPress={() => router.replace(`/sheet/${draft.inspection}`)}
      />
    </View>
  );
}

interface FrameProps {
  unit: Draft['unit'];
  section: string | undefined;
  /** How far it is. */
  done: string;
  route: string;
  ends: Readonly<Record<string, EndState>>;
  /** The step's key, null when none is left. */
  step: string | null;
  /** The axle end the step is at. */
  at: string | null;
  gate: Gate | null;
  /** The device keeps what is entered; else this window alone does. */
  kept: boolean;
  gauge: GaugeState | null;
  gaugeMessage: string | null;
  onGaugeOff: () => void;
  onSelect: (end: string) => void;
  onLeave: () => void;
  onList: () => void;
  onSheet: () => void;
}

const NOT_KEPT =
  'This device cannot save more. New entries are only in this window: free up storage and keep it open until everything is sent.';

/** The screen around the pad: drawn again when a step ends, not at a keystroke. */
const Frame = memo(function Frame(props: FrameProps) {
  const { unit, section, done, route, ends, step, at, gate, kept, gauge, gaugeMessage } = props;
  const { onGaugeOff, onSelect, onLeave, onList, onSheet } = props;
  const wide = useWide();
  const right = useMemo(
    () => (
      <View className="flex-row gap-2 pr-2">
        {wide ? null : <Button label="Steps" onPress={onList} />}
        <Button label="Sheet" onPress={onSheet} />
      </View>
    ),
    [wide, onList, onSheet],
  );
  return (
    <Screen
      focused
      fixed
      title={`${unit.number}${section ? ` – ${section}` : ''}`}
      under={wide ? `${done} · ${route}` : done}
      backLabel="Leave"
      back={onLeave}
      right={right}
    >
      <View className="min-h-0 flex-1 flex-row">
        {wide ? (
          <View className="w-[400px] border-r border-line">
            <ScrollView contentContainerClassName="p-4">
              <RunningGear unit={unit} ends={ends} size="medium" selected={at} onSelect={onSelect} />
            </ScrollView>
          </View>
        ) : null}
        <View className="mx-auto min-h-0 min-w-0 max-w-xl flex-1">
          {kept ? null : (
            <View className="px-3 pt-3">
              <Notice look="stop">{NOT_KEPT}</Notice>
            </View>
          )}
          {gauge ? <GaugeBar state={gauge} gaugeMessage={gaugeMessage} onToggle={onGaugeOff} /> : null}
          {step ? <Pad key={step} gate={gate} /> : <Finished />}
        </View>
        {wide ? (
          <View className="w-[340px] border-l border-line">
            <ScrollView>
              <Steps />
            </ScrollView>
          </View>
        ) : null}
      </View>
    </Screen>
  );
});

/** Whether gauges are listened to here, and how that stands. */
function useListening({ takeGauge, setGaugeMessage }: Inspecting) {
  const [wanted, setOn] = useState(gaugeWanted);
  const there = useGaugesWay() !== 'none';
  const on = wanted && there;
  const state = useGauge(on, takeGauge, setGaugeMessage);
  useEffect(() => {
    if (state === 'lost') setGaugeMessage(null);
  }, [state, setGaugeMessage]);
  const listen = useStable((wanted: boolean) => {
    wantGauge(wanted);
    setOn(wanted);
  });
  return { state: on ? state : null, listen, there };
}

/** An inspection: one step after another by its route, on this device at every keystroke. */
export function Inspect() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const [draft, update, kept] = useDraft(id);
  if (draft === undefined)
    return (
      <Screen title="Measuring" focused>
        {null}
      </Screen>
    );
  if (draft === null)
    return (
      <Screen title="Measuring" focused back={() => router.replace('/')}>
        <Notice look="ask">
          Not on this device. Continue it where it was started; what was sent is on its verdict sheet.
        </Notice>
        <Button tall label="Open its verdict sheet" onPress={() => router.replace(`/sheet/${id}`)} />
      </Screen>
    );
  return <Measuring draft={draft} update={update} kept={kept} />;
}

interface MeasuringProps {
  draft: Draft;
  update: (change: (draft: Draft) => Draft) => void;
  kept: boolean;
}

/** What lies over the pad: the list of steps, or the question why one is skipped. */
type Over = 'steps' | 'skip' | null;

function Measuring({ draft, update, kept }: MeasuringProps) {
  const [over, setOver] = useState<Over>(null);
  const [why, setWhy] = useState(false);
  const inspecting = useInspecting(draft, update);
  const { step, doubt } = inspecting;
  const gauge = useListening(inspecting);
  const onWhy = () => setWhy((now) => !now);
  const onSkip = () => setOver('skip');
  usePadKeys({
    draft,
    step,
    update,
    save: inspecting.save,
    saveWith: inspecting.saveWith,
    skip: onSkip,
    why: onWhy,
    defect: () => reportHere(draft, step),
    busy: over !== null || doubt !== null || (step !== null && gateAt(draft, step) !== null),
  });
  const ends = useDraftEnds(draft);
  const go = useStable((cursor: number) => {
    setOver(null);
    update((now) => jumpTo(now, cursor));
    // The keys belong to the pad again, not to the list the step was chosen from.
    requestAnimationFrame(() => document.getElementById(PAD_ID)?.focus());
  });
  const select = useStable((code: string) => go(firstAt(draft, code)));
  const list = useStable(() => setOver('steps'));
  const gaugeOff = useStable(() => gauge.listen(false));
  const sheet = useStable(() => router.navigate(`/sheet/${draft.inspection}`));
  const leave = useStable(() => router.replace(draft.job ? `/job/${draft.job}` : `/trailer/${draft.unit.id}`));
  const now = step && { step, judged: judgeStep(draft, step) };
  const current: Current = { draft, ends, now, update, inspecting, why, onWhy, onSkip, onGo: go };
  return (
    <BookWords.Provider value={bookOf(draft).words.verdicts}>
      <CurrentContext.Provider value={current}>
        <Frame
          unit={draft.unit}
          section={draft.route?.sections.find(({ id: own }) => own === step?.section)?.name}
          done={progressWords(draft)}
          route={draft.route?.name ?? 'Measuring again'}
          ends={ends}
          step={step && keyOf(step)}
          at={step?.axle && step.side ? endCode({ axle: step.axle, side: step.side }) : null}
          gate={step && gateAt(draft, step)}
          kept={kept}
          gauge={gauge.state}
          gaugeMessage={inspecting.gaugeMessage}
          onGaugeOff={gaugeOff}
          onSelect={select}
          onLeave={leave}
          onList={list}
          onSheet={sheet}
        />
        {over === 'steps' ? (
          <StepList
            onListen={gauge.state || !gauge.there ? null : () => gauge.listen(true)}
            onClose={() => setOver(null)}
          />
        ) : null}
        <DoubtHere />
        {over === 'skip' && step ? <SkipHere step={step} onClose={() => setOver(null)} /> : null}
      </CurrentContext.Provider>
    </BookWords.Provider>
  );
}

/** Every step of the route, and the way back to where it was left. */
function StepList({ onListen, onClose }: { onListen: (() => void) | null; onClose: () => void }) {
  const { draft, onGo } = useCurrent();
  const listen = () => {
    onListen?.();
    onClose();
  };
  return (
    <Drawer title="Steps" onClose={onClose}>
      {draft.returnTo !== null ? <Button label="Back to your step" onPress={() => onGo(draft.returnTo ?? 0)} /> : null}
      {onListen ? <Button label="Listen for gauges" onPress={listen} /> : null}
      <Steps />
    </Drawer>
  );
}

/** The question about a doubtful reading, with the one before it. */
function DoubtHere() {
  const { draft, inspecting } = useCurrent();
  const { fleet } = useSession();
  const { step, doubt } = inspecting;
  if (!doubt || !step) return null;
  const before = draft.previous[keyOf(step)];
  return (
    <Doubted
      what={kindWords(step)}
      kind={step.kind}
      doubt={doubt.doubt}
      before={before ? { text: before.text, on: dayOf(before.at, fleet.zone) } : null}
      now={readingText(doubt.value)}
      onConfirm={inspecting.confirm}
      onAgain={inspecting.again}
      onRenewed={inspecting.renewed}
      onClose={inspecting.dismiss}
    />
  );
}

/** Why the step is skipped, or that the unit does not have it. */
function SkipHere({ step, onClose }: { step: Step; onClose: () => void }) {
  const { inspecting } = useCurrent();
  const mayFit = useMaySend('set-fitted');
  const after = (act: () => void) => () => {
    onClose();
    act();
  };
  return (
    <Skip
      what={kindWords(step)}
      onSkip={(reason) => after(() => inspecting.skip(reason))()}
      onNotFitted={mayFit && mayLack(step) ? after(inspecting.notFitted) : null}
      onClose={onClose}
    />
  );
}

/** The first open step at an axle end, or its first step. */
function firstAt(draft: Draft, code: string): number {
  const here = draft.steps.flatMap(({ axle, side }, index) =>
    axle && side && endCode({ axle, side }) === code ? [index] : [],
  );
  const open = here.find((index) => {
    const step = draft.steps[index];
    return step && !isDone(entryOf(draft, step));
  });
  return open ?? here[0] ?? draft.cursor;
}
