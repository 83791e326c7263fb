import { type Draft, withTime } from '@zealous-axle/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import { findDraft, keepDraft } from '../../device/drafts';
import { whenIdle } from '../../device/idle';

const KEPT_WITHIN_MS = 100;

/** After the frame that shows what just changed; at once when the page is hidden, where frames no longer come. */
function afterFrame(work: () => void): void {
  if (document.hidden) work();
  else requestAnimationFrame(() => whenIdle(work, KEPT_WITHIN_MS));
}

type Update = (change: (draft: Draft) => Draft) => void;

/**
 * The inspection in progress: every change is shown first, and is on the device right after. `null` when it is not here.
 * The last of the three is false while only this window holds the latest change.
 */
export function useDraft(inspection: string): [Draft | null | undefined, Update, boolean] {
  const [kept, setKept] = useState(true);
  const [draft, setDraft] = useState<Draft | null>();
  const latest = useRef<Draft | null>(null);
  const touched = useRef(Date.now());
  const waits = useRef(false);

  const keep = useCallback(() => {
    if (!waits.current || !latest.current) return;
    waits.current = false;
    void keepDraft(latest.current).then(setKept);
  }, []);
  useEffect(() => {
    document.addEventListener('visibilitychange', keep);
    return () => document.removeEventListener('visibilitychange', keep);
  }, [keep]);

  useEffect(() => {
    let here = true;
    void findDraft(inspection).then((found) => {
      if (!here) return;
      latest.current = found;
      touched.current = Date.now();
      setDraft(found);
    });
    return () => {
      here = false;
      keep();
    };
  }, [inspection, keep]);

  const update = useCallback(
    (change: (draft: Draft) => Draft) => {
      if (!latest.current) return;
      const now = Date.now();
      latest.current = change(withTime(latest.current, touched.current, now));
      touched.current = now;
      setDraft(latest.current);
      if (!waits.current) afterFrame(keep);
      waits.current = true;
    },
    [keep],
  );
  return [draft, update, kept];
}
