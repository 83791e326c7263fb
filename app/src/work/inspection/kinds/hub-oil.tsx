import { bookOf, type Draft, goodHub, type WheelEnd, wheelEnd } from '@zealous-axle/core';
import { HubPad } from '../pads/HubPad';
import type { KindPad, PadProps } from './kind';

const hasLevel = (draft: Draft, end: WheelEnd | null): boolean =>
  end !== null && bookOf(draft).hubOil.levelAppliesTo.includes(end.hub);

function Pad({ entry, judged, note, saveWith, draft }: PadProps) {
  const oil = hasLevel(draft, judged.end);
  // What was noted already is not taken back and saved in one tap.
  const untouched = Object.values(entry.note).every((each) => each === undefined);
  return <HubPad hub={entry.note} oil={oil} onNote={note} onGood={untouched ? saveWith : note} />;
}

export const hubOil: KindPad = {
  how: () => 'Level ground, settled oil, clean glass.',
  body: ({ entry: { note } }) => {
    const { level, condition, leak, cap, smoking, heat } = note;
    const noted = Object.entries({ level, condition, leak, cap, smoking, heat }).filter(
      ([, each]) => each !== undefined,
    );
    return noted.length ? Object.fromEntries(noted) : null;
  },
  verdictAside: true,
  good: () => goodHub(),
  looksGood: ({ draft, step: { axle, side } }) =>
    hasLevel(draft, axle && side ? wheelEnd(draft.unit, axle, side) : null)
      ? { note: goodHub(), words: 'Between the marks, clear, dry' }
      : null,
  Pad,
};
