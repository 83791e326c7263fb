import { checkEntry, goodOf, isCaseOf, subjectWords } from '@zealous-axle/core';
import { CheckPad } from '../pads/CheckPad';
import { stepPlace } from '../words';
import type { KindPad } from './kind';

export const check: KindPad = {
  how: ({ item }, policies, features) => {
    const entry = checkEntry(item ?? '');
    return entry ? goodOf(entry, policies, features) : '';
  },
  body: ({ step, entry: { note } }) =>
    note.found
      ? {
          check: step.item,
          found: note.found,
          how: note.how ?? 'seen',
          ...(note.found.length && note.on ? { on: note.on } : {}),
          ...(note.lamps && note.found.some((code) => isCaseOf(code, 'lamp-out')) ? { lamps: note.lamps } : {}),
          ...(note.words?.trim() ? { words: note.words.trim() } : {}),
        }
      : null,
  looksGood: ({ draft, step: { item } }) => {
    const entry = checkEntry(item ?? '');
    return entry
      ? { note: { found: [], how: 'seen' }, words: goodOf(entry, draft.rules.policies, draft.unit.features) }
      : null;
  },
  quick: ({ step, entry: { note } }) => {
    if (note.found?.length) return null;
    const words = [stepPlace(step), subjectWords(step)].filter(Boolean).join(' ');
    return { label: `Good: ${words}`, note: { found: [], how: 'seen' } };
  },
  Pad: CheckPad,
};
