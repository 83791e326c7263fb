import { bookOf, goodHub } from '@zealous-axle/core';
import { HubPad } from '../pads/HubPad';
import type { KindPad, PadProps } from './kind';

function Pad({ entry, judged, note, draft }: PadProps) {
  const oil = judged.end ? bookOf(draft).hubOil.levelAppliesTo.includes(judged.end.hub) : false;
  return <HubPad hub={entry.note} oil={oil} onNote={note} />;
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
  Pad,
};
