import {
  BOOKS,
  type Doubt,
  judgedLength,
  MEASURED_WORDS,
  positionCode,
  type Reading,
  type Step,
  stepKey,
} from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import {
  type Draft,
  doubtAt,
  entryOf,
  isDone,
  type PadUnit,
  shortReading,
  stepAt,
  toNextOpen,
  withEntry,
  writtenLength,
} from '../../data/draft';
import { send } from '../../data/outbox';
import { useSession } from '../../data/session';
import { dayOf } from '../../look/dates';
import { useWide } from '../../look/wide';
import { Button } from '../../parts/Button';
import { endsOf } from '../../parts/ends';
import { MarginRuler } from '../../parts/MarginRuler';
import { Notice } from '../../parts/Notice';
import { endCode, RunningGear } from '../../parts/RunningGear';
import { Screen } from '../../parts/Screen';
import { Sheet } from '../../parts/Sheet';
import { T } from '../../parts/T';
import { VerdictBadge } from '../../parts/VerdictMark';
import { Doubted } from './Doubted';
import { HOW, HowTo } from './HowTo';
import { HubPad } from './HubPad';
import { judgeStep, type StepJudgement, verdictOf } from './judged';
import { LengthKeys } from './LengthKeys';
import { NOT_NOTED, PressurePad } from './PressurePad';
import { Skip } from './Skip';
import { Steps } from './Steps';
import { useDraft } from './useDraft';
import { usePadKeys } from './usePadKeys';

const kindWords = (step: Step) => `${positionCode(step)} ${MEASURED_WORDS[step.kind].toLowerCase()}`;

/** The plan's state from what was taken so far. */
const draftEnds = (draft: Draft) =>
  endsOf(
    draft.unit,
    draft.steps.flatMap((step) => {
      const { saved } = entryOf(draft, step);
      return saved ? [{ ...step, verdict: verdictOf(draft, saved.value), value: saved.value }] : [];
    }),
  );

function Place({ draft, step, judged }: { draft: Draft; step: Step; judged: StepJudgement }) {
  const { fleet } = useSession();
  const before = draft.previous[stepKey(step)];
  return (
    <View className="flex-row items-center gap-4">
      <RunningGear unit={draft.unit} ends={draftEnds(draft)} size="small" selected={endCode(step)} />
      <View className="min-w-0 flex-1">
        <View className="min-h-14 flex-row items-center justify-between">
          <T bold size="title">
            {positionCode(step)}
          </T>
          {step.kind === 'hub-oil' && judged.opinion ? (
            <VerdictBadge verdict={judged.opinion.verdict} />
          ) : (
            <HowTo kind={step.kind} />
          )}
        </View>
        <T level={2} bold size="lead">
          {MEASURED_WORDS[step.kind]}
        </T>
        {judged.limit ? (
          <T>{`${judged.limit.is === 'at-most' ? 'Not more than' : judged.limit.is === 'at-least' ? 'Not less than' : 'More than'} ${judged.limit.value}`}</T>
        ) : null}
        <T size="small" tone="soft">
          {before ? `Last ${before.text}, ${dayOf(before.at, fleet.zone)}` : 'Not read before'}
        </T>
      </View>
    </View>
  );
}

function Value({ draft, step, judged }: { draft: Draft; step: Step; judged: StepJudgement }) {
  const { typed } = entryOf(draft, step);
  const shown = writtenLength(step.kind, typed, draft.padUnit).replace(/(\d)\/32$/, '$1/32 in');
  const { entered, opinion } = judged;
  return (
    <View className="flex-row flex-wrap items-center justify-between gap-2">
      <T reading bold size="huge" tone={typed ? 'ink' : 'soft'} aria-live="polite">
        {typed ? shown : '–'}
      </T>
      {opinion ? <VerdictBadge verdict={opinion.verdict} /> : null}
      {!entered.ok && entered.message ? <T tone="out">{entered.message}</T> : null}
    </View>
  );
}

function UnitSwitch({ padUnit, onChange }: { padUnit: PadUnit; onChange: (unit: PadUnit) => void }) {
  const other: PadUnit = padUnit === 'in' ? 'mm' : 'in';
  return (
    <Pressable
      role="button"
      aria-label={`Measure in ${other === 'mm' ? 'millimetres' : 'inches'}`}
      onPress={() => onChange(other)}
      className="min-h-11 min-w-16 items-center justify-center rounded-xl border-2 border-edge px-3"
    >
      <T bold>{`${padUnit} → ${other}`}</T>
    </Pressable>
  );
}

interface PadProps {
  draft: Draft;
  step: Step;
  update: (change: (draft: Draft) => Draft) => void;
  why: boolean;
  onWhy: () => void;
  onSave: () => void;
  onSkip: () => void;
}

/** One reading: where, what and how, the limit beside it, the keys, the verdict as it is entered. */
function Pad({ draft, step, update, why, onWhy, onSave, onSkip }: PadProps) {
  const [asking, setAsking] = useState(false);
  const judged = judgeStep(draft, step);
  const entry = entryOf(draft, step);
  const stroke = step.kind === 'stroke-applied';

  if (stroke && (draft.reservoir === '' || asking))
    return (
      <ScrollView contentContainerClassName="p-4">
        <PressurePad
          book={BOOKS[draft.book]}
          reservoir={draft.reservoir}
          onSet={(reservoir) => {
            setAsking(false);
            update((now) => ({ ...now, reservoir }));
          }}
        />
      </ScrollView>
    );

  const reasons = (
    <Notice>{judged.opinion ? `${judged.opinion.because} ${judged.opinion.rule ?? ''}` : HOW[step.kind]}</Notice>
  );
  const type = (typed: string) => update((now) => withEntry(now, step, { typed }));
  return (
    <>
      <ScrollView className="min-h-0 flex-1" contentContainerClassName="gap-2 p-3">
        <Place draft={draft} step={step} judged={judged} />
        {why && step.kind === 'hub-oil' ? reasons : null}
        {step.kind === 'hub-oil' ? (
          <HubPad
            hub={entry.hub}
            oil={judged.oilHub}
            onNote={(hub) => update((now) => withEntry(now, step, { hub }))}
          />
        ) : (
          <>
            <Value draft={draft} step={step} judged={judged} />
            {judged.limit ? (
              <MarginRuler
                limit={judged.limit}
                nm={judged.entered.ok ? judgedLength(judged.entered.value) : null}
                verdict={judged.opinion?.verdict ?? 'not-judged'}
              />
            ) : (
              <Notice look="ask">
                The book has no limit for this equipment: the reading is kept, and gives no verdict.
              </Notice>
            )}
            {why ? reasons : null}
            <LengthKeys kind={step.kind} padUnit={draft.padUnit} typed={entry.typed} onType={type} />
            <View className="flex-row items-center justify-between gap-2">
              {stroke ? (
                <Pressable role="button" onPress={() => setAsking(true)} className="min-h-11 justify-center">
                  <T bold tone="act">
                    {draft.reservoir === NOT_NOTED ? 'Pressure not noted' : `At ${draft.reservoir} psi`}
                  </T>
                </Pressable>
              ) : (
                <View />
              )}
              <UnitSwitch
                padUnit={draft.padUnit}
                onChange={(padUnit) => update((now) => withEntry({ ...now, padUnit }, step, { typed: '' }))}
              />
            </View>
          </>
        )}
      </ScrollView>
      <View className="gap-2 border-t border-line bg-card p-3">
        <View className="flex-row gap-2">
          <Button
            className="flex-1"
            label="Back"
            disabled={draft.cursor === 0}
            onPress={() => update((now) => ({ ...now, cursor: Math.max(0, now.cursor - 1) }))}
          />
          <Button className="flex-1" label="Why?" onPress={onWhy} />
          <Button className="flex-1" label="Skip" onPress={onSkip} />
          <Button
            className="flex-1"
            label="Defect"
            onPress={() =>
              router.navigate(`/report/${draft.unit.id}?at=${endCode(step)}&inspection=${draft.inspection}`)
            }
          />
        </View>
        <Button tall look="act" label={`Save ${kindWords(step)}`} disabled={!judged.entered.ok} onPress={onSave} />
      </View>
    </>
  );
}

function Finished({ draft }: { draft: Draft }) {
  const skipped = draft.steps.filter((step) => entryOf(draft, step).saved === null).length;
  return (
    <View className="gap-4 p-5">
      <T level={2} bold size="title">
        {skipped ? `${skipped} readings were skipped` : 'Every position is measured'}
      </T>
      <T>The sheet says what the readings meet, worst first. There you close the inspection.</T>
      <Button
        tall
        look="act"
        label="Open the verdict sheet"
        onPress={() => router.replace(`/sheet/${draft.inspection}`)}
      />
    </View>
  );
}

/** The measuring inspection: one value after another, on this device at every keystroke. */
export function Inspect() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { fleet } = useSession();
  const [draft, update] = useDraft(id);
  const wide = useWide();
  const [listed, setListed] = useState(false);
  const [skipping, setSkipping] = useState(false);
  const [doubt, setDoubt] = useState<{ doubt: Doubt; value: Reading } | null>(null);
  const [why, setWhy] = useState(false);
  const toggleWhy = () => setWhy((now) => !now);
  const step = draft ? stepAt(draft) : null;

  /** Takes the reading. `again` stays at this step, so that the next one corrects it. */
  const take = (value: Reading, again = false) => {
    if (!draft || !step) return;
    setDoubt(null);
    const before = entryOf(draft, step).saved;
    const onward = (now: Draft) => (again ? now : toNextOpen(now));
    if (before && JSON.stringify(before.value) === JSON.stringify(value)) return update(onward);
    const reading = uuidv7();
    void send(
      'take-reading',
      { reading, inspection: draft.inspection, value, ...(before ? { supersedes: before.reading } : {}) },
      `${draft.unit.number}: ${kindWords(step)}`,
    );
    update((now) =>
      onward(withEntry(now, step, { saved: { reading, value }, skipped: null, ...(again ? { typed: '' } : {}) })),
    );
  };
  const save = () => {
    if (!draft || !step) return;
    const { entered } = judgeStep(draft, step);
    if (!entered.ok) return;
    const doubted = doubtAt(draft, step, entered.value);
    if (!doubted) return take(entered.value);
    update((now) => withEntry(now, step, { asked: true }));
    setDoubt({ doubt: doubted, value: entered.value });
  };
  const skip = (reason: string) => {
    if (!draft || !step) return;
    setSkipping(false);
    void send(
      'skip-reading',
      { skip: uuidv7(), inspection: draft.inspection, step, reason },
      `${draft.unit.number}: ${kindWords(step)} skipped`,
    );
    update((now) => toNextOpen(withEntry(now, step, { skipped: reason })));
  };
  usePadKeys({
    draft,
    step,
    update,
    save,
    skip: () => setSkipping(true),
    why: toggleWhy,
    busy: skipping || listed || doubt !== null,
  });

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
          This inspection is not on this device. It goes on where it was begun; what was sent of it stands on its sheet.
        </Notice>
        <Button tall label="Open its sheet" onPress={() => router.replace(`/sheet/${id}`)} />
      </Screen>
    );

  const done = draft.steps.filter((each) => isDone(entryOf(draft, each))).length;
  const go = (cursor: number) => {
    setListed(false);
    update((now) => ({ ...now, cursor }));
  };
  return (
    <Screen
      focused
      fixed
      title={draft.unit.number}
      under={`${draft.purpose === 'full' ? 'Measured' : 'Measured again'}: ${done} of ${draft.steps.length}`}
      backLabel="Leave"
      back={() => router.replace(draft.job ? `/job/${draft.job}` : `/trailer/${draft.unit.id}`)}
      right={
        <View className="flex-row gap-2 pr-2">
          {wide ? null : <Button label="Steps" onPress={() => setListed(true)} />}
          <Button label="Sheet" onPress={() => router.navigate(`/sheet/${draft.inspection}`)} />
        </View>
      }
    >
      <View className="min-h-0 flex-1 flex-row">
        {wide ? (
          <View className="w-[400px] border-r border-line">
            <ScrollView contentContainerClassName="p-4">
              <RunningGear
                unit={draft.unit}
                ends={draftEnds(draft)}
                size="medium"
                selected={step ? endCode(step) : null}
                onSelect={(code) => go(firstAt(draft, code))}
              />
            </ScrollView>
          </View>
        ) : null}
        <View className="mx-auto min-h-0 min-w-0 max-w-xl flex-1">
          {step ? (
            <Pad
              key={stepKey(step)}
              draft={draft}
              step={step}
              update={update}
              why={why}
              onWhy={toggleWhy}
              onSave={save}
              onSkip={() => setSkipping(true)}
            />
          ) : (
            <Finished draft={draft} />
          )}
        </View>
        {wide ? (
          <View className="w-[320px] border-l border-line">
            <ScrollView>
              <Steps draft={draft} onGo={go} />
            </ScrollView>
          </View>
        ) : null}
      </View>
      {listed ? (
        <Sheet title="Steps" onClose={() => setListed(false)}>
          <Steps draft={draft} onGo={go} />
        </Sheet>
      ) : null}
      {doubt && step ? (
        <Doubted
          what={kindWords(step)}
          kind={step.kind}
          doubt={doubt.doubt}
          before={previousAt(draft, step, fleet.zone)}
          now={shortReading(doubt.value)}
          onConfirm={() => take(doubt.value)}
          onAgain={() => take(doubt.value, true)}
          onClose={() => setDoubt(null)}
        />
      ) : null}
      {skipping && step ? <Skip what={kindWords(step)} onSkip={skip} onClose={() => setSkipping(false)} /> : null}
    </Screen>
  );
}

function previousAt(draft: Draft, step: Step, zone: string): { text: string; on: string } {
  const before = draft.previous[stepKey(step)];
  return { text: before?.text ?? '', on: before ? dayOf(before.at, zone) : '' };
}

/** The first open step at an axle end, or its first step. */
function firstAt(draft: Draft, code: string): number {
  const here = draft.steps.flatMap((step, index) => (endCode(step) === code ? [index] : []));
  return here.find((index) => !isDone(entryOf(draft, draft.steps[index] as Step))) ?? here[0] ?? draft.cursor;
}
