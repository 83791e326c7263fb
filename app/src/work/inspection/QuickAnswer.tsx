import { useEffect, useState } from 'react';
import { Button } from '../../parts/Button';
import { useStable } from '../../parts/useStable';

/** A second tap of a double tap comes sooner than this; nobody has looked at a new step by then. */
const LOOK_MS = 350;

interface Props {
  label: string;
  onPress: () => void;
}

/** The one-tap answer. It waits a moment when its step appears, so that it answers nothing that was not looked at. */
export function QuickAnswer({ label, onPress }: Props) {
  const [shown, setShown] = useState(false);
  const press = useStable(onPress);
  useEffect(() => {
    const timer = setTimeout(() => setShown(true), LOOK_MS);
    return () => clearTimeout(timer);
  }, []);
  return <Button tall look="act" className="min-w-[11rem] flex-1" label={label} waits={!shown} onPress={press} />;
}
