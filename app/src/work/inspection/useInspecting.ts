import {
  correctedEnds,
  type Doubt,
  type Draft,
  doubtAt,
  type Frame,
  frameKey,
  type Note,
  type Reading,
  type Step,
  stepAt,
  takeFrame,
  textOf,
  toNextOpen,
  withEntry,
  withNote,
  withoutFitted,
  withText,
} from '@zealous-axle/core';
import { useRef, useState } from 'react';
import type { Good } from './allGood';
import { asksChocks } from './chocks';
import { composed } from './compose';
import { currentField, nextEmptyField } from './fields';
import { type EndCorrection, padOf } from './kinds';
import { asRenewed, renewedAt } from './renewed';
import { type Keeper, SENDS, takeReading, type Update } from './taking';
import { kindWords } from './words';

/** Takes a gauge's value into the field in hand, shows where it came from, and goes on to the next step. */
function useGaugeValues(
  draft: Draft | null | undefined,
  update: Update,
  asking: boolean,
  saveFrom: (draft: Draft) => void,
) {
  const [gaugeMessage, setGaugeMessage] = useState<string | null>(null);
  const seen = useRef(new Set<string>());
  const takeGauge = (frame: Frame) => {
    if (!draft || asking) return;
    const step = stepAt(draft);
    const taken = takeFrame(frame, step?.kind ?? null, seen.current);
    if (!taken.take) return taken.message && setGaugeMessage(taken.message);
    if (!step) return;
    const field = currentField(draft, step);
    if (asksChocks(draft, step)) return setGaugeMessage('First chock the wheels, both ways, and confirm it.');
    if (padOf(step.kind).reservoir && draft.reservoir === '')
      return setGaugeMessage('Enter the reservoir pressure first.');
    seen.current.add(frameKey(frame));
    if (!field) return;
    const { value, ...gauge } = frame;
    const filled = withEntry(withText(draft, step, field.id, value), step, { gauge });
    update(() => filled);
    setGaugeMessage(`${kindWords(step)}: ${value} from gauge ${frame.serial}`);
    const next = nextEmptyField(filled, step);
    if (next && !composed(filled, step).ok) return update((now) => withEntry(now, step, { field: next.id }));
    saveFrom(filled);
  };
  return {
    /** What a gauge sent, in a sentence. */
    gaugeMessage,
    setGaugeMessage,
    takeGauge,
  };
}

/** Taking, skipping and correcting readings of an inspection in progress. */
export function useInspecting(draft: Draft | null | undefined, update: Update, keeper: Keeper = SENDS) {
  const [doubt, setDoubt] = useState<{ doubt: Doubt; value: Reading } | null>(null);
  const step = draft ? stepAt(draft) : null;
  const another = keeper.renewed && step && doubt ? renewedAt(step, doubt.doubt) : null;

  const take = (now: Draft, at: Step, value: Reading, again = false) => {
    setDoubt(null);
    takeReading(keeper, update, now, at, value, again);
  };

  /** Takes what is entered in `now` at its step, asks once when it is doubtful, or goes to the field still empty. */
  const saveFrom = (now: Draft) => {
    const at = stepAt(now);
    if (!at) return;
    const entered = composed(now, at);
    if (!entered.ok) {
      const field = currentField(now, at);
      const next = field && textOf(now, at, field.id) !== '' ? nextEmptyField(now, at) : null;
      if (next) update((draftNow) => withEntry(draftNow, at, { field: next.id }));
      return;
    }
    const doubted = doubtAt(now, at, entered.value);
    if (!doubted) return take(now, at, entered.value);
    update((next) => withEntry(next, at, { asked: true }));
    setDoubt({ doubt: doubted, value: entered.value });
  };

  return {
    step,
    doubt,
    ...useGaugeValues(draft, update, doubt !== null, saveFrom),
    save: () => draft && saveFrom(draft),
    /** Chooses and takes at once. */
    saveWith(change: Note) {
      if (!draft || !step) return;
      update((now) => withNote(now, step, change));
      saveFrom(withNote(draft, step, change));
    },
    /** Takes what was looked at together and found good; what is doubtful stays open and is asked by itself. */
    takeTogether(good: readonly Good[]) {
      for (const { step: at, note } of draft ? good : []) {
        const noted = withNote(draft as Draft, at, note);
        const entered = composed(noted, at);
        if (!entered.ok || doubtAt(noted, at, entered.value)) continue;
        update((now) => withNote(now, at, note));
        take(noted, at, entered.value);
      }
    },
    confirm: () => draft && step && doubt && take(draft, step, doubt.value),
    again: () => draft && step && doubt && take(draft, step, doubt.value, true),
    dismiss: () => setDoubt(null),
    /** The part is another than was read last time: its life begins, and this is its first reading. Null where it cannot be. */
    renewed: another
      ? () => {
          if (!draft || !step || !doubt) return;
          keeper.renewed?.(draft, another);
          take(asRenewed(draft, another), step, doubt.value);
          update((now) => asRenewed(now, another));
        }
      : null,
    /** Puts right what is fitted at ends of axles, here and on the server; null where that may not be done. */
    correct: keeper.correct
      ? (correction: EndCorrection) => {
          if (!draft) return;
          keeper.correct?.(draft, correction);
          const { ends, facts } = correction;
          update((now) => ({ ...now, unit: { ...now.unit, axles: correctedEnds(now.unit.axles, ends, facts) } }));
        }
      : null,
    skip(reason: string) {
      if (!draft || !step) return;
      keeper.skip(draft, step, reason);
      update((now) => toNextOpen(withEntry(now, step, { skipped: reason })));
    },
    /** The unit does not have it: the step is closed, and it is not asked for again. */
    notFitted() {
      if (!draft || !step) return;
      keeper.lacks(draft, step);
      update((now) => withoutFitted(now, step));
    },
  };
}
export type Inspecting = ReturnType<typeof useInspecting>;
