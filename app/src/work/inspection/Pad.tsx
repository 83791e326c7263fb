import {
  bookOf,
  type Draft,
  entryOf,
  keyOf,
  lifeOf,
  type Step,
  textOf,
  withEntry,
  withNote,
  withText,
} from '@zealous-axle/core';
import { router } from 'expo-router';
import { type ComponentProps, memo } from 'react';
import { ScrollView, View } from 'react-native';
import { largeLetters } from '../../look/large';
import { Button } from '../../parts/Button';
import { Notice } from '../../parts/Notice';
import { PhotoButton } from '../../parts/PhotoButton';
import { endCode } from '../../parts/RunningGear';
import { useStable } from '../../parts/useStable';
import { useMaySend } from '../../session/may';
import { useWords } from '../../session/rules';
import { asksChocks, asksChocksOut } from './chocks';
import { useCurrent } from './current';
import { currentField, nextEmptyField } from './fields';
import { GoodTogether } from './GoodTogether';
import { type PadProps, padOf } from './kinds';
import { Place } from './Place';
import { type ChocksGate, ChocksPad } from './pads/ChocksPad';
import { FigurePad } from './pads/FigurePad';
import { ReservoirPad } from './pads/ReservoirPad';
import { QuickAnswer } from './QuickAnswer';
import { kindWords } from './words';

/** The pad on the page: where the keyboard goes when a step was chosen from a list. */
export const PAD_ID = 'pad';

/** Strokes take the reservoir pressure along: it is asked for before the first of them. */
export const asksReservoir = (draft: Draft, step: Step): boolean =>
  padOf(step.kind).reservoir === true && draft.reservoir === '' && bookOf(draft).reservoir !== null;

/** What holds for a whole section, said where it begins: before its first step, where something is asked there. */
function SectionSays({ draft, step }: { draft: Draft; step: Step }) {
  const section = draft.route?.sections.find(({ id }) => id === step.section);
  const begins = draft.steps[draft.cursor - 1]?.section !== step.section;
  return begins && section?.says ? <Notice>{`${section.name}: ${section.says}`}</Notice> : null;
}

/** The reservoir's pressure, that every stroke takes along. */
function Reservoir() {
  const { draft, update, now } = useCurrent();
  return (
    <View className="gap-3">
      {now ? <SectionSays draft={draft} step={now.step} /> : null}
      <ReservoirPad
        prescribed={bookOf(draft).reservoir}
        unit={draft.airUnit}
        reservoir={draft.reservoir}
        onSet={(reservoir) => update((latest) => ({ ...latest, reservoir }))}
      />
    </View>
  );
}

export type Gate = ChocksGate | 'reservoir';

/** What is asked before a step: whether the wheels are chocked, or the chocks out, then the reservoir's pressure; null where nothing is. */
export function gateAt(draft: Draft, step: Step): Gate | null {
  if (asksChocks(draft, step)) return 'chocks';
  if (asksChocksOut(draft, step)) return 'chocks-out';
  return asksReservoir(draft, step) ? 'reservoir' : null;
}

function Chocks({ gate }: { gate: ChocksGate }) {
  const { draft, update, now } = useCurrent();
  return (
    <View className="gap-3">
      {now ? <SectionSays draft={draft} step={now.step} /> : null}
      <ChocksPad gate={gate} onDone={() => update((latest) => ({ ...latest, chocked: gate === 'chocks' }))} />
    </View>
  );
}

export const AtGate = ({ gate }: { gate: Gate }) => (gate === 'reservoir' ? <Reservoir /> : <Chocks gate={gate} />);

/** Where, what and how, the limit beside it, what is entered with its verdict, and the keys. */
function Entering() {
  const { draft, ends, now, update, inspecting, why } = useCurrent();
  const mayCorrect = useMaySend('correct-ends');
  const words = useWords();
  if (!now) return null;
  const { step, judged } = now;
  const Keys = padOf(step.kind).Pad ?? FigurePad;
  const pad: PadProps = {
    draft,
    step,
    entry: entryOf(draft, step),
    judged,
    update,
    note: (change) => update((latest) => withNote(latest, step, change)),
    type: (field, text) => update((latest) => withText(latest, step, field, text)),
    saveWith: inspecting.saveWith,
    correct: mayCorrect ? inspecting.correct : null,
    Figures: FigurePad,
  };
  const reasons = judged.opinion
    ? [words([...judged.opinion.said, ...(judged.opinion.open ?? [])]), judged.opinion.rule].filter(Boolean).join(' ')
    : padOf(step.kind).how(step, draft.rules.policies, draft.unit.features);
  return (
    <>
      {padOf(step.kind).reservoir ? null : <SectionSays draft={draft} step={step} />}
      <Place
        unit={draft.unit}
        policies={draft.rules.policies}
        ends={ends}
        step={step}
        limit={judged.limit}
        otherSide={judged.otherSide}
        before={draft.previous[keyOf(step)]}
        life={lifeOf(draft.lives ?? [], step)}
        verdict={padOf(step.kind).verdictAside ? (judged.opinion?.verdict ?? null) : null}
      />
      {why ? <Notice>{reasons}</Notice> : null}
      <GoodTogether />
      <Keys {...pad} />
    </>
  );
}

interface ActsProps {
  first: boolean;
  onBack: () => void;
  onWhy: () => void;
  onSkip: () => void;
  onDefect: () => void;
}

/** Four in a row; fewer where letters are large. */
const OTHER = 'min-w-[4.8rem] flex-1';

const OtherActs = memo(function OtherActs({ first, onBack, onWhy, onSkip, onDefect }: ActsProps) {
  return (
    <View className="flex-row flex-wrap gap-2">
      <Button className={OTHER} label="Back" disabled={first} onPress={onBack} />
      <Button className={OTHER} label="Why?" onPress={onWhy} />
      <Button className={OTHER} label="Skip" onPress={onSkip} />
      <Button className={OTHER} label="Defect" onPress={onDefect} />
    </View>
  );
});

/** What the big button does now: takes the reading, or goes to the figure still missing. */
function saveLabel(draft: Draft, step: Step, ready: boolean): { label: string; ready: boolean } {
  if (ready) return { label: `Save ${kindWords(step)}`, ready };
  const field = currentField(draft, step);
  const next = field && textOf(draft, step, field.id) !== '' ? nextEmptyField(draft, step) : null;
  return next ? { label: `Next: ${next.label}`, ready: true } : { label: `Save ${kindWords(step)}`, ready };
}

/** The one button that answers the step. */
export function Answering() {
  const { draft, now, inspecting } = useCurrent();
  const save = useStable(inspecting.save);
  if (!now) return null;
  const { step, judged } = now;
  const quick =
    judged.entered.ok && entryOf(draft, step).saved
      ? null
      : (padOf(step.kind).quick?.({ draft, step, entry: entryOf(draft, step) }) ?? null);
  if (quick) return <QuickAnswer label={quick.label} onPress={() => inspecting.saveWith(quick.note)} />;
  const { label, ready } = saveLabel(draft, step, judged.entered.ok);
  return <Button tall look="act" className="min-w-[11rem] flex-1" label={label} disabled={!ready} onPress={save} />;
}

const ANSWER = <Answering />;

const AnswerRow = memo(function AnswerRow(photo: ComponentProps<typeof PhotoButton>) {
  return (
    <View className="flex-row flex-wrap gap-2">
      <PhotoButton {...photo} />
      {ANSWER}
    </View>
  );
});

/** Goes to report a defect where the inspection stands. */
export function reportHere({ unit, inspection }: Draft, step: Step | null): void {
  const at = step?.axle && step.side ? `at=${endCode({ axle: step.axle, side: step.side })}&` : '';
  router.navigate(`/report/${unit.id}?${at}inspection=${inspection}`);
}

/** Going back, asking why, skipping, noting a defect. */
function AsideActs() {
  const { draft, now, update, onWhy, onSkip } = useCurrent();
  const step = now?.step;
  const back = useStable(() => update((latest) => ({ ...latest, cursor: Math.max(0, latest.cursor - 1) })));
  const why = useStable(onWhy);
  const skip = useStable(onSkip);
  const defect = useStable(() => reportHere(draft, step ?? null));
  return step ? (
    <OtherActs first={draft.cursor === 0} onBack={back} onWhy={why} onSkip={skip} onDefect={defect} />
  ) : null;
}

/** Answering the step, with a picture where it needs one. */
function MainActs() {
  const { draft, now, update } = useCurrent();
  const step = now?.step;
  const photographed = useStable(
    (photo: string) =>
      step && update((latest) => withEntry(latest, step, { photos: [...(entryOf(latest, step).photos ?? []), photo] })),
  );
  return step ? (
    <AnswerRow
      unit={draft.unit.id}
      inspection={draft.inspection}
      keyOf={keyOf(step)}
      label={`${draft.unit.number}: photo at ${kindWords(step)}`}
      count={entryOf(draft, step).photos?.length ?? 0}
      onTaken={photographed}
      className="justify-center"
    />
  ) : null;
}

const ENTERING = <Entering />;
const ASIDE = <AsideActs />;
const MAIN = <MainActs />;

/** One reading of the inspection one is at. Where letters are large, the acts aside leave the thumb's place to the reading. */
export function Pad({ gate }: { gate: Gate | null }) {
  const large = largeLetters();
  if (gate)
    return (
      <ScrollView contentContainerClassName="p-4">
        <AtGate gate={gate} />
      </ScrollView>
    );
  return (
    <>
      <ScrollView
        id={PAD_ID}
        tabIndex={-1}
        className="min-h-0 flex-1 outline-none"
        contentContainerClassName="gap-2 p-3"
      >
        {ENTERING}
        {large ? ASIDE : null}
      </ScrollView>
      <View className="gap-2 border-t border-line bg-card px-3 py-2">
        {large ? null : ASIDE}
        {MAIN}
      </View>
    </>
  );
}
