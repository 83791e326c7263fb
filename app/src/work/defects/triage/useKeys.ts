import { useEffect } from 'react';
import { isWriting } from '../../../parts/Shortcuts';

/** Keys of a list that is worked through: each is heard while nothing is being written. */
export function useKeys(keys: Readonly<Record<string, () => void>>): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (isWriting(event) || event.ctrlKey || event.metaKey || event.altKey) return;
      const act = keys[event.key];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [keys]);
}
