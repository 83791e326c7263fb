import { useEffect } from 'react';
import { isWriting } from '../../parts/Shortcuts';

/** Undo and redo by the keys everybody knows. */
export function useUndoKeys(undo: (() => void) | null, redo: (() => void) | null): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (isWriting(event) || !(event.ctrlKey || event.metaKey)) return;
      const back = event.key === 'z' && !event.shiftKey;
      const again = event.key === 'y' || (event.key === 'z' && event.shiftKey) || event.key === 'Z';
      if (!back && !again) return;
      event.preventDefault();
      (back ? undo : redo)?.();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [undo, redo]);
}
