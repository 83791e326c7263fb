import { useCallback, useEffect, useRef, useState } from 'react';
import { type Draft, withTime } from '../../data/draft';
import { findDraft, keepDraft } from '../../data/drafts';

/** The inspection in progress: every change is on the device before the next one is made. `null` when it is not here. */
export function useDraft(inspection: string): [Draft | null | undefined, (change: (draft: Draft) => Draft) => void] {
  const [draft, setDraft] = useState<Draft | null>();
  const latest = useRef<Draft | null>(null);
  const touched = useRef(Date.now());

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
    };
  }, [inspection]);

  const update = useCallback((change: (draft: Draft) => Draft) => {
    if (!latest.current) return;
    const now = Date.now();
    latest.current = change(withTime(latest.current, touched.current, now));
    touched.current = now;
    setDraft(latest.current);
    void keepDraft(latest.current);
  }, []);
  return [draft, update];
}
