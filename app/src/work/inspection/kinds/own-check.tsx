import { type Draft, ownCheckOf, type Step } from '@zealous-axle/core';
import { OwnCheckPad } from '../pads/OwnCheckPad';
import { stepPlace } from '../words';
import type { KindPad } from './kind';

const askedAt = (draft: Draft, { item }: Step) => ownCheckOf(draft.rules.checks, item ?? '');

/** A fleet's own check: looked at, and counted or measured where it asks for that. */
export const ownCheck: KindPad = {
  how: () => 'Check it the way the shop describes.',
  // A figure of the shop's own has the unit the shop gave it: it is no length that is read as one.
  body: ({ draft, step, entry: { note, texts } }) => {
    const figure = askedAt(draft, step)?.figure;
    const value = texts.value?.trim();
    if (figure ? !value : !note.found) return null;
    return {
      check: step.item,
      found: note.found ?? [],
      ...(figure && value ? { value, unit: figure.unit } : {}),
      ...(note.words?.trim() ? { words: note.words.trim() } : {}),
    };
  },
  looksGood: ({ draft, step }) => {
    const asked = askedAt(draft, step);
    return asked && !asked.figure ? { note: { found: [], how: 'seen' }, words: asked.good } : null;
  },
  quick: ({ draft, step, entry: { note } }) => {
    const asked = askedAt(draft, step);
    if (!asked || asked.figure || note.found?.length) return null;
    const words = [stepPlace(step), asked.name].filter(Boolean).join(' ');
    return { label: `Good: ${words}`, note: { found: [], how: 'seen' } };
  },
  Pad: OwnCheckPad,
};
