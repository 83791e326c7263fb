import { TZDate } from '@date-fns/tz';
import { scaleUtc } from 'd3-scale';
import { startOfDay } from 'date-fns/startOfDay';
import { useMemo } from 'react';

/** How a bar is snapped, and moved by a key: minutes. */
export const SNAP = 15;
export const MINUTE_MS = 60_000;
export const HOUR_MS = 3_600_000;
/** What stands left of the time, and above the rows. */
export const NAME_PX = 132;
export const HEAD_PX = 46;
/** How far ahead is drawn, whatever is in view. Days. */
const LEAST_DAYS = 14;

/** Days in view, and how wide an hour is drawn at least: as wide as they then fill the view. */
export const ZOOMS = [
  { days: 1, least: 52, name: 'Day' },
  { days: 3, least: 12, name: '3 days' },
  { days: 7, least: 5, name: 'Week' },
  { days: 14, least: 2.5, name: '2 weeks' },
] as const;
export type Zoom = (typeof ZOOMS)[number];

export const at = (instant: string): number => Date.parse(instant);
export const snapped = (time: number): number => Math.round(time / (SNAP * MINUTE_MS)) * SNAP * MINUTE_MS;

/** Time as it lies on the chart: from the midnight before now, `span` hours, each `hour` pixels wide. */
export interface TimeScale {
  from: number;
  span: number;
  hour: number;
  width: number;
  /** Where an instant lies, in pixels. */
  x: (instant: string | number) => number;
}

export function useTimeScale(now: string, zone: string, { days, least }: Zoom, room: number): TimeScale {
  const from = startOfDay(new TZDate(at(now), zone)).getTime();
  const hour = Math.max(least, (room - NAME_PX) / (days * 24));
  return useMemo(() => {
    const span = Math.max(days, LEAST_DAYS) * 24;
    const width = span * hour;
    const scale = scaleUtc()
      .domain([from, from + span * HOUR_MS])
      .range([0, width]);
    return { from, span, hour, width, x: (instant) => scale(typeof instant === 'string' ? at(instant) : instant) };
  }, [from, days, hour]);
}
