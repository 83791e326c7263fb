import { BOOKS, type Draft, type Reading, readingText, type Step } from '@zealous-axle/core';
import { type ReactNode, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Button } from '../../parts/Button';
import { BookWords } from '../../parts/verdict';
import { type Current, CurrentContext } from './current';
import { Doubted } from './Doubted';
import { useDraftEnds } from './ends';
import { judgeStep } from './judged';
import { Answering, asksReservoir, Entering, PAD_ID, Reservoir } from './Pad';
import type { Keeper, Update } from './taking';
import { useInspecting } from './useInspecting';
import { kindWords } from './words';

interface Props {
  /** Held by whoever shows the pad: nothing of it is sent. */
  draft: Draft;
  update: Update;
  onTaken: (step: Step, value: Reading) => void;
  onSkipped: (step: Step) => void;
  /** What stands above the keys: what is to be read. */
  above: ReactNode;
  /** What stands above the button that takes the reading. */
  beside?: ReactNode;
}

/** The pad over a draft that is nobody's inspection. The verdict is not said: whoever learns says it. */
export function HeldPad({ draft, update, onTaken, onSkipped, above, beside }: Props) {
  const keeper = useMemo(
    (): Keeper => ({
      take: (_, at, { value }) => onTaken(at, value),
      skip: (_, at) => onSkipped(at),
      lacks: (_, at) => onSkipped(at),
    }),
    [onTaken, onSkipped],
  );
  const inspecting = useInspecting(draft, update, keeper);
  const [why, setWhy] = useState(false);
  const ends = useDraftEnds(draft);
  const { step, doubt } = inspecting;
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
  const reservoir = asksReservoir(draft, step);
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
          {reservoir ? <Reservoir /> : <Entering alone />}
        </ScrollView>
        {reservoir ? null : (
          <View className="gap-2 border-t border-line bg-card px-3 py-2">
            {beside}
            <View className="flex-row flex-wrap gap-2">
              <Button
                label="Back"
                disabled={draft.cursor === 0}
                onPress={() => update((now) => ({ ...now, cursor: Math.max(0, now.cursor - 1) }))}
              />
              <Button label="Why?" onPress={toggleWhy} />
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
            onClose={inspecting.dismiss}
          />
        ) : null}
      </CurrentContext.Provider>
    </BookWords.Provider>
  );
}
export type HeldPadProps = Props;
