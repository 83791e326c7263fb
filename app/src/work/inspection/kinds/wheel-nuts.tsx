import { NutsPad, USUAL_HOLES } from '../pads/NutsPad';
import { stepPlace } from '../words';
import type { KindPad } from './kind';

export const wheelNuts: KindPad = {
  how: () => 'Positions count clockwise from the top. Tap the ones that are not tight.',
  body: ({ entry: { note } }) => {
    const { holes, loose = [], missing = [], rust = [] } = note;
    return holes ? { holes, loose, missing, rust } : null;
  },
  quick: ({ draft, step, entry: { note } }) => {
    if (note.loose?.length || note.missing?.length || note.rust?.length) return null;
    const holes = note.holes ?? draft.carried.holes ?? USUAL_HOLES;
    return {
      label: `${stepPlace(step)}: all ${holes} present and tight`,
      note: { holes, loose: [], missing: [], rust: [] },
    };
  },
  carry: ({ entry: { note } }) => ({ holes: note.holes }),
  Pad: NutsPad,
};
