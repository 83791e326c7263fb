import { useQuery } from '@tanstack/react-query';
import { type Frame, type OutsideWay, parseFrame } from '@zealous-axle/core';
import { useEffect, useRef, useState } from 'react';
import { call } from '../../server/client';
import { followStream } from '../../server/stream';

export type GaugeState = 'off' | 'looking' | 'on' | 'lost';

const KEY = 'za-gauge';

/** Whether this device listens for gauges. */
export const gaugeWanted = (): boolean => globalThis.localStorage?.getItem(KEY) === 'on';
export const wantGauge = (on: boolean): void => localStorage.setItem(KEY, on ? 'on' : 'off');

/** How the fleet uses electronic gauges; null while that is not known here. */
export const useGaugesWay = (): OutsideWay | null =>
  useQuery({ queryKey: ['gauges'], queryFn: () => call<{ way: OutsideWay }>('GET', '/gauges') }).data?.way ?? null;

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
    return followStream('/api/v1/gauges/stream', {
      opened: () => setState('on'),
      lost: () => setState('lost'),
      heard: (line) => {
        const parsed = parseFrame(line);
        if (parsed.ok) latest.current.onFrame(parsed.value);
        else latest.current.onTrouble(parsed.message);
      },
    });
  }, [on]);
  return state;
}
