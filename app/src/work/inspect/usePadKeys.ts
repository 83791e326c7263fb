import type { Step } from '@zealous-axle/core';
import { router } from 'expo-router';
import { useEffect, useRef } from 'react';
import { type Draft, entryOf, withEntry } from '../../data/draft';
import { endCode } from '../../parts/RunningGear';
import { isWriting } from '../../parts/Shortcuts';

interface Pad {
  draft: Draft | null | undefined;
  step: Step | null;
  update: (change: (draft: Draft) => Draft) => void;
  save: () => void;
  skip: () => void;
  why: () => void;
  /** Something lies over the pad. */
  busy: boolean;
}

const HUB_GOOD = { level: 'between', condition: 'clear', leak: 'none' } as const;

function press(pad: Pad, event: KeyboardEvent): boolean {
  const { draft, step, update } = pad;
  if (!draft || !step) return false;
  const { typed } = entryOf(draft, step);
  const type = (text: string) => update((now) => withEntry(now, step, { typed: text }));
  const move = (by: number) =>
    update((now) => ({ ...now, cursor: Math.min(Math.max(0, now.cursor + by), now.steps.length - 1) }));
  const onButton =
    event.target instanceof HTMLElement && event.target.closest('[role="button"], [role="radio"]') !== null;
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
      router.navigate(`/report/${draft.unit.id}?at=${endCode(step)}&inspection=${draft.inspection}`);
      return true;
  }
  if (step.kind === 'hub-oil') {
    if (event.key !== 'g') return false;
    update((now) => withEntry(now, step, { hub: HUB_GOOD }));
    return true;
  }
  if (!/^[0-9 ./]$/.test(event.key) || typed.length >= 12 || (event.key === ' ' && onButton)) return false;
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
