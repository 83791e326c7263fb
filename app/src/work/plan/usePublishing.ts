import type { Board, KeptSlot, PlanRun } from '@zealous-axle/core';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { type Published, publishPlan } from './publish';
import type { Draft } from './useDraft';

/** How long a search is asked for, in seconds. */
const SEARCH_SECONDS = 10;

/** Makes the changes here, or a proposal, the plan people work by, and asks the server for another one. `done` follows what was published. */
export function usePublishing(board: Board, draft: Draft, done: () => void) {
  const [sending, setSending] = useState(false);
  const [answer, setAnswer] = useState<Published | null>(null);
  const publish = async (all: readonly KeptSlot[], from?: PlanRun) => {
    if (sending) return;
    setSending(true);
    const found = await publishPlan({
      version: board.version,
      slots: [...all],
      ...(from ? { run: from.id } : {}),
    });
    setSending(false);
    setAnswer(found);
    if (found.how !== 'published') return;
    draft.drop();
    done();
  };
  return {
    sending,
    answer,
    publish: () => void publish(draft.slots),
    take(found: PlanRun) {
      const pins = new Set(draft.published.filter(({ pinned }) => pinned).map(({ job }) => job));
      void publish(found.answer?.slots.map((slot) => ({ ...slot, pinned: pins.has(slot.job) })) ?? [], found);
    },
    ask(how: 'anew' | 'again') {
      setAnswer(null);
      void send(
        'ask-plan',
        { run: uuidv7(), how, seconds: SEARCH_SECONDS },
        how === 'anew' ? 'Re-plan everything' : 'Re-plan only what must move',
      );
    },
  };
}
export type Publishing = ReturnType<typeof usePublishing>;
