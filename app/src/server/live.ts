import type { Happened } from './refresh';
import { followStream } from './stream';

/** What happens close together is told at once, and never later than this, however much happens. */
const TOLD_WITHIN_MS = 100;
/** How long the event of an own command is waited for, before its effects are read again without it. */
const OWN_WITHIN_MS = 1_000;
/** Own commands whose event may still come: the oldest are forgotten. */
const MOST_OWN = 200;

export interface Live {
  /** An own command was answered: its event is on its way, or its effects are told once without it. */
  answered: (command: string, happened: Happened) => void;
  close: () => void;
}

/**
 * Says what happened in the fleet, each thing once: what others did, and what was done here. Whenever the stream opens,
 * anything may have been missed, and that is said.
 */
export function followLive(onChange: (events: readonly Happened[]) => void): Live {
  let waiting: Happened[] = [];
  let timer: ReturnType<typeof setTimeout> | undefined;
  let open = false;
  const tell = (event: Happened) => {
    waiting.push(event);
    timer ??= setTimeout(() => {
      timer = undefined;
      const events = waiting;
      waiting = [];
      onChange(events);
    }, TOLD_WITHIN_MS);
  };
  /** Commands that were told of already, by their events or without them, with the units told of: undefined is any. */
  const told = new Map<string, Set<Happened['unit']>>();
  const heard = (command: string | null | undefined, event: Happened) => {
    if (!command) return tell(event);
    const made = { ...event, command };
    const units = told.get(command) ?? new Set();
    if (units.has(event.unit) || units.has(undefined)) return;
    told.set(command, units.add(event.unit));
    if (told.size > MOST_OWN) told.delete(told.keys().next().value ?? '');
    tell(made);
  };
  const unlessHeard = (command: string, event: Happened) => {
    if (!told.has(command)) heard(command, event);
  };
  const pending = new Set<ReturnType<typeof setTimeout>>();
  const leave = followStream('/api/v1/live', {
    opened: () => {
      open = true;
      tell({ type: 'read-again' });
    },
    heard: (data) => {
      const { command, ...event } = JSON.parse(data) as Happened;
      heard(command, event);
    },
    lost: () => {
      open = false;
    },
  });
  return {
    answered(command, event) {
      if (!open) return unlessHeard(command, event);
      const late = setTimeout(() => {
        pending.delete(late);
        unlessHeard(command, event);
      }, OWN_WITHIN_MS);
      pending.add(late);
    },
    close() {
      leave();
      clearTimeout(timer);
      for (const late of pending) clearTimeout(late);
    },
  };
}
