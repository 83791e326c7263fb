import { checkEntry, type Draft, entryOf, type Note, type Step, textOf, withNote, withText } from '@zealous-axle/core';
import { useEffect, useRef } from 'react';
import { isWriting } from '../../parts/Shortcuts';
import { currentField } from './fields';
import { padOf } from './kinds';

interface Pad {
  draft: Draft | null | undefined;
  step: Step | null;
  update: (change: (draft: Draft) => Draft) => void;
  save: () => void;
  saveWith: (change: Note) => void;
  skip: () => void;
  why: () => void;
  /** Reports a defect here; null where nothing is reported. */
  defect: (() => void) | null;
  /** Something lies over the pad. */
  busy: boolean;
}

const ANSWERS = ['Enter', 'g', 'k', 'd', 'w'];

/** A digit at a check finds, or takes back, the sign of that number. */
function findSign(draft: Draft, step: Step, digit: number): Note | null {
  const sign = checkEntry(step.item ?? '')?.signs[digit - 1];
  if (!sign) return null;
  const found = entryOf(draft, step).note.found ?? [];
  const now = found.includes(sign.code) ? found.filter((code) => code !== sign.code) : [...found, sign.code];
  return { found: now.length ? now : undefined, how: 'seen' };
}

function press(pad: Pad, event: KeyboardEvent): boolean {
  const { draft, step, update } = pad;
  if (!draft || !step) return false;
  // A key held down answers once: the steps after it have not been looked at.
  if (event.repeat && ANSWERS.includes(event.key)) return true;
  const field = currentField(draft, step);
  const typed = field ? textOf(draft, step, field.id) : '';
  const type = (text: string) => field && update((now) => withText(now, step, field.id, text));
  const move = (by: number) =>
    update((now) => ({ ...now, cursor: Math.min(Math.max(0, now.cursor + by), now.steps.length - 1) }));
  const onButton =
    event.target instanceof HTMLElement &&
    event.target.closest('[role="button"], [role="radio"], [role="checkbox"]') !== null;
  switch (event.key) {
    case 'Enter':
      if (onButton) return false;
      pad.save();
      return true;
    case 'ArrowLeft':
      move(-1);
      return true;
    case 'ArrowRight':
      move(1);
      return true;
    case 'Backspace':
      type(typed.slice(0, -1));
      return true;
    case 'k':
      pad.skip();
      return true;
    case 'w':
      pad.why();
      return true;
    case 'd':
      pad.defect?.();
      return pad.defect !== null;
    case 'g': {
      const at = { draft, step, entry: entryOf(draft, step) };
      const quick = padOf(step.kind).quick?.(at);
      const good = padOf(step.kind).good?.(at);
      if (quick) pad.saveWith(quick.note);
      else if (good) update((now) => withNote(now, step, good));
      return Boolean(quick ?? good);
    }
  }
  if (step.kind === 'check') {
    const note = /^[1-9]$/.test(event.key) ? findSign(draft, step, Number(event.key)) : null;
    if (note) update((now) => withNote(now, step, note));
    return note !== null;
  }
  if (!field || !/^[0-9 ./-]$/.test(event.key) || typed.length >= 12 || (event.key === ' ' && onButton)) return false;
  type(typed + event.key);
  return true;
}

/** Every reading can be entered from a keyboard alone. */
export function usePadKeys(pad: Pad): void {
  const latest = useRef(pad);
  latest.current = pad;
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (latest.current.busy || isWriting(event) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (press(latest.current, event)) event.preventDefault();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}
