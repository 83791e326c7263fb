import { useCallback, useEffect, useRef, useState } from 'react';
import type { Draft } from '../../data/draft';
import { findDraft, keepDraft } from '../../data/drafts';

/** The inspection in progress: every change is on the device before the next one is made. `null` when it is not here. */
export function useDraft(inspection: string): [Draft | null | undefined, (change: (draft: Draft) => Draft) => void] {
  const [draft, setDraft] = useState<Draft | null>();
  const latest = useRef<Draft | null>(null);

  useEffect(() => {
    let here = true;
    void findDraft(inspection).then((found) => {
      if (!here) return;
      latest.current = found;
      setDraft(found);
    });
    return () => {
      here = false;
    };
  }, [inspection]);

  const update = useCallback((change: (draft: Draft) => Draft) => {
    if (!latest.current) return;
    latest.current = change(latest.current);
    setDraft(latest.current);
    void keepDraft(latest.current);
  }, []);
  return [draft, update];
}
