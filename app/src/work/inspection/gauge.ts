import { type Frame, parseFrame } from '@zealous-axle/core';
import { useEffect, useRef, useState } from 'react';

export type GaugeState = 'off' | 'looking' | 'on' | 'lost';

const KEY = 'za-gauge';

/** Whether this device listens for gauges. */
export const gaugeWanted = (): boolean => globalThis.localStorage?.getItem(KEY) === 'on';
export const wantGauge = (on: boolean): void => localStorage.setItem(KEY, on ? 'on' : 'off');

/**
 * Listens to the gauge receiver while `on`. Each readable line goes to `onFrame`, each other to `onTrouble` in a
 * sentence. A receiver that is lost is looked for again by itself.
 */
export function useGauge(
  on: boolean,
  onFrame: (frame: Frame) => void,
  onTrouble: (message: string) => void,
): GaugeState {
  const [state, setState] = useState<GaugeState>('off');
  const latest = useRef({ onFrame, onTrouble });
  latest.current = { onFrame, onTrouble };
  useEffect(() => {
    if (!on) return setState('off');
    setState('looking');
    const source = new EventSource('/api/v1/gauges/stream');
    source.onopen = () => setState('on');
    source.onerror = () => setState('lost');
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const parsed = parseFrame(data);
      if (parsed.ok) latest.current.onFrame(parsed.value);
      else latest.current.onTrouble(parsed.message);
    };
    return () => source.close();
  }, [on]);
  return state;
}
