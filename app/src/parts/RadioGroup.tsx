import { type ReactNode, useEffect, useRef } from 'react';
import { View } from 'react-native';
import { elementOf } from './element';

const STEPS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/** Goes to the radio before or after the one in focus, round the ends, and chooses it. */
function step(group: HTMLElement, event: KeyboardEvent): void {
  const by = STEPS[event.key];
  const radios = [...group.querySelectorAll<HTMLElement>('[role="radio"]:not([aria-disabled="true"])')];
  const at = radios.indexOf(document.activeElement as HTMLElement);
  if (!by || at < 0) return;
  event.preventDefault();
  event.stopPropagation();
  const next = radios[(at + by + radios.length) % radios.length];
  next?.focus();
  next?.click();
}

interface Props {
  label: string;
  className: string;
  children: ReactNode;
}

/** Radios that answer to arrow keys, as people who use a keyboard expect. */
export function RadioGroup({ label, className, children }: Props) {
  const view = useRef<View>(null);
  useEffect(() => {
    const group = elementOf(view.current);
    if (!group) return;
    const onKey = (event: KeyboardEvent) => step(group, event);
    group.addEventListener('keydown', onKey);
    return () => group.removeEventListener('keydown', onKey);
  }, []);
  return (
    <View ref={view} role="radiogroup" aria-label={label} className={className}>
      {children}
    </View>
  );
}
