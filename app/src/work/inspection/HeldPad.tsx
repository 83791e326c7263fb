import {
  BOOKS,
  type Draft,
  entryOf,
  limitWords,
  type Reading,
  readingText,
  type Step,
  withNote,
  withText,
} from '@zealous-axle/core';
import { type ReactNode, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Button } from '../../parts/Button';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { BookWords } from '../../parts/verdict';
import { type Current, CurrentContext } from './current';
import { Doubted } from './Doubted';
import { useDraftEnds } from './ends';
import { judgeStep } from './judged';
import { padOf } from './kinds';
import { Answering, AtGate, asksReservoir, PAD_ID } from './Pad';
import { FigurePad } from './pads/FigurePad';
import type { Keeper, Update } from './taking';
import { useInspecting } from './useInspecting';
import { usePadKeys } from './usePadKeys';
import { kindWords } from './words';

interface Props {
  /** Held by whoever shows the pad: nothing of it is sent. */
  draft: Draft;
  update: Update;
  onTaken: (step: Step, value: Reading) => void;
  onSkipped?: (step: Step) => void;
  /** What stands above the keys: what is to be read. */
  above: ReactNode;
  /** What stands above the button that takes the reading. */
  beside?: ReactNode;
}

/** What to read and its limit in a line, and the keys: the verdict is not said. */
function Keys({ current: { draft, now, update, inspecting, onWhy }, why }: { current: Current; why: boolean }) {
  if (!now) return null;
  const { step, judged } = now;
  const { policies } = draft.rules;
  const pad = padOf(step.kind);
  const Pad = pad.Pad ?? FigurePad;
  return (
    <>
      <View className="flex-row items-center gap-2">
        <Text bold size="lead" level={2} className="min-w-0 flex-1">
          {capital(kindWords(step))}
        </Text>
        <Button look="bare" label="How?" hint={kindWords(step)} onPress={onWhy} />
      </View>
      {why ? (
        <Notice>
          {[pad.how(step, policies, draft.unit.features), judged.limit ? capital(limitWords(judged.limit)) : '']
            .filter(Boolean)
            .join(' ')}
        </Notice>
      ) : null}
      <Pad
        draft={draft}
        step={step}
        entry={entryOf(draft, step)}
        judged={judged}
        update={update}
        note={(change) => update((latest) => withNote(latest, step, change))}
        type={(field, text) => update((latest) => withText(latest, step, field, text))}
        saveWith={inspecting.saveWith}
        correct={null}
        Figures={FigurePad}
      />
    </>
  );
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** The pad over a draft that is nobody's inspection. The verdict is not said: whoever learns says it. */
export function HeldPad({ draft, update, onTaken, onSkipped, above, beside }: Props) {
  const keeper = useMemo(
    (): Keeper => ({
      take: (_, at, { value }) => onTaken(at, value),
      skip: (_, at) => onSkipped?.(at),
      lacks: (_, at) => onSkipped?.(at),
    }),
    [onTaken, onSkipped],
  );
  const inspecting = useInspecting(draft, update, keeper);
  const [why, setWhy] = useState(false);
  const ends = useDraftEnds(draft);
  const { step, doubt } = inspecting;
  usePadKeys({
    draft,
    step,
    update,
    save: inspecting.save,
    saveWith: inspecting.saveWith,
    skip: () => inspecting.skip('passed over'),
    why: () => setWhy((now) => !now),
    defect: null,
    busy: doubt !== null,
  });
  if (!step) return null;
  const toggleWhy = () => setWhy((now) => !now);
  const current: Current = {
    draft,
    ends,
    now: { step, judged: { ...judgeStep(draft, step), opinion: null } },
    update,
    inspecting,
    why,
    onWhy: toggleWhy,
    onSkip: () => inspecting.skip('passed over'),
    onGo: (cursor) => update((now) => ({ ...now, cursor })),
  };
  // Whether the chocks are laid is the learner’s own to think of.
  const gate = asksReservoir(draft, step) ? 'reservoir' : null;
  return (
    <BookWords.Provider value={BOOKS[draft.rules.book].words.verdicts}>
      <CurrentContext.Provider value={current}>
        <ScrollView
          id={PAD_ID}
          tabIndex={-1}
          className="min-h-0 flex-1 outline-none"
          contentContainerClassName="gap-2 p-3"
        >
          {above}
          {gate ? <AtGate gate={gate} /> : <Keys current={current} why={why} />}
        </ScrollView>
        {gate ? null : (
          <View className="gap-2 border-t border-line bg-card px-3 py-2">
            {beside}
            <View className="flex-row flex-wrap gap-2">
              <Button
                label="Back"
                disabled={draft.cursor === 0}
                onPress={() => update((now) => ({ ...now, cursor: Math.max(0, now.cursor - 1) }))}
              />
              <Button label="Skip" onPress={current.onSkip} />
              <Answering />
            </View>
          </View>
        )}
        {doubt ? (
          <Doubted
            what={kindWords(step)}
            kind={step.kind}
            doubt={doubt.doubt}
            before={null}
            now={readingText(doubt.value)}
            onConfirm={inspecting.confirm}
            onAgain={inspecting.again}
            onRenewed={inspecting.renewed}
            onClose={inspecting.dismiss}
          />
        ) : null}
      </CurrentContext.Provider>
    </BookWords.Provider>
  );
}
