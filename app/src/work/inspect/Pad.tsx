import { type Step, stepKey } from '@zealous-axle/core';
import { router } from 'expo-router';
import { ScrollView, View } from 'react-native';
import { bookOf, type Draft, entryOf, withEntry, withNote, withText } from '../../data/draft';
import { currentField, nextEmptyField, textOf } from '../../data/fields';
import { Button } from '../../parts/Button';
import { Notice } from '../../parts/Notice';
import { type EndState, endCode } from '../../parts/RunningGear';
import { useStable } from '../../parts/useStable';
import { judgeStep } from './judged';
import { PhotoButton } from './PhotoButton';
import { Place } from './Place';
import { type PadProps, padFor } from './pads';
import { quickAt } from './pads/quick';
import { ReservoirPad } from './pads/ReservoirPad';
import { QuickAnswer } from './QuickAnswer';
import type { Inspecting } from './useInspecting';
import { howWords, kindWords } from './words';

/** The pad on the page: where the keyboard goes when a step was chosen from a list. */
export const PAD_ID = 'pad';

interface Props {
  draft: Draft;
  ends: Readonly<Record<string, EndState>>;
  step: Step;
  update: (change: (draft: Draft) => Draft) => void;
  inspecting: Inspecting;
  why: boolean;
  onWhy: () => void;
  onSkip: () => void;
}

/** What the big button does now: takes the reading, or goes to the figure still missing. */
function saveLabel(draft: Draft, step: Step, ready: boolean): { label: string; ready: boolean } {
  if (ready) return { label: `Save ${kindWords(step)}`, ready };
  const field = currentField(draft, step);
  const next = field && textOf(draft, step, field.id) !== '' ? nextEmptyField(draft, step) : null;
  return next ? { label: `Next: ${next.label}`, ready: true } : { label: `Save ${kindWords(step)}`, ready };
}

/** One reading: where, what and how, the limit beside it, the keys, the verdict as it is entered. */
export function Pad({ draft, ends, step, update, inspecting, why, onWhy, onSkip }: Props) {
  const book = bookOf(draft);
  const back = useStable(() => update((now) => ({ ...now, cursor: Math.max(0, now.cursor - 1) })));
  const whyNow = useStable(onWhy);
  const skipNow = useStable(onSkip);
  const saveNow = useStable(inspecting.save);
  const defect = useStable(() => {
    const at = step.axle && step.side ? `at=${endCode({ axle: step.axle, side: step.side })}&` : '';
    router.navigate(`/report/${draft.unit.id}?${at}inspection=${draft.inspection}`);
  });
  const photoTaken = useStable((photo: string) =>
    update((now) => withEntry(now, step, { photos: [...(entryOf(now, step).photos ?? []), photo] })),
  );
  if (step.kind === 'stroke-applied' && draft.reservoir === '' && book.reservoir)
    return (
      <ScrollView contentContainerClassName="p-4">
        <ReservoirPad
          prescribed={book.reservoir}
          unit={draft.airUnit}
          reservoir={draft.reservoir}
          onSet={(reservoir) => update((now) => ({ ...now, reservoir }))}
        />
      </ScrollView>
    );

  const judged = judgeStep(draft, step);
  const entry = entryOf(draft, step);
  const Keys = padFor(step.kind);
  const pad: PadProps = {
    draft,
    step,
    entry,
    judged,
    update,
    note: (change) => update((now) => withNote(now, step, change)),
    type: (field, text) => update((now) => withText(now, step, field, text)),
    saveWith: inspecting.saveWith,
  };
  const { label, ready } = saveLabel(draft, step, judged.entered.ok);
  const quick = judged.entered.ok && entry.saved ? null : quickAt(draft, step);
  const section = draft.route?.sections.find(({ id }) => id === step.section);
  const begins = draft.steps[draft.cursor - 1]?.section !== step.section;
  const reasons = judged.opinion ? `${judged.opinion.because} ${judged.opinion.rule ?? ''}` : howWords(step);
  return (
    <>
      <ScrollView
        id={PAD_ID}
        tabIndex={-1}
        className="min-h-0 flex-1 outline-none"
        contentContainerClassName="gap-2 p-3"
      >
        {begins && section?.says ? <Notice>{`${section.name}: ${section.says}`}</Notice> : null}
        <Place
          unit={draft.unit}
          ends={ends}
          step={step}
          limit={judged.limit}
          before={draft.previous[stepKey(step)]}
          verdict={step.kind === 'hub-oil' ? (judged.opinion?.verdict ?? null) : null}
        />
        {why ? <Notice>{reasons}</Notice> : null}
        <Keys {...pad} />
      </ScrollView>
      <View className="gap-2 border-t border-line bg-card p-3">
        <View className="flex-row gap-2">
          <Button className="flex-1" label="Back" disabled={draft.cursor === 0} onPress={back} />
          <Button className="flex-1" label="Why?" onPress={whyNow} />
          <Button className="flex-1" label="Skip" onPress={skipNow} />
          <Button className="flex-1" label="Defect" onPress={defect} />
        </View>
        <View className="flex-row gap-2">
          <PhotoButton
            unit={draft.unit.id}
            inspection={draft.inspection}
            stepKey={stepKey(step)}
            label={`${draft.unit.number}: photo at ${kindWords(step)}`}
            count={entry.photos?.length ?? 0}
            onTaken={photoTaken}
            className="justify-center"
          />
          {quick ? (
            <QuickAnswer label={quick.label} onPress={() => inspecting.saveWith(quick.note)} />
          ) : (
            <Button tall look="act" className="flex-1" label={label} disabled={!ready} onPress={saveNow} />
          )}
        </View>
      </View>
    </>
  );
}
