import { TZDate } from '@date-fns/tz';
import { type DragEndEvent, type DragMoveEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import type { KeptSlot } from '@zealous-axle/core';
import { format } from 'date-fns/format';
import { useRef, useState } from 'react';
import type { Place } from './asked';
import type { Landing, Row } from './ChartRow';
import { at, HOUR_MS, snapped, type TimeScale } from './time-scale';
import type { Names } from './words';

/** How far a pointer goes before a press is a drag, in pixels. */
const DRAG_PX = 6;

/** What stands against time: bays, or people. */
export type Rows = 'bays' | 'people';

/** The place of a job that is moved from a row to another, to begin at `start`. */
export const placeAt = (rows: Rows, slot: KeptSlot, row: string, target: string, start: number): Place => ({
  bay: rows === 'bays' ? target : slot.bay,
  technicians:
    rows === 'people' && target !== row ? slot.technicians.map((id) => (id === row ? target : id)) : slot.technicians,
  start: new Date(start).toISOString(),
});

interface Dragging {
  rows: Rows;
  lines: readonly Row[];
  /** Where each row begins, in pixels from the first. */
  tops: readonly number[];
  heights: readonly number[];
  scale: TimeScale;
  zone: string;
  names: Names;
  tryPlace: (job: string, place: Place) => Promise<{ place: Place | null; why: string | null }>;
  onMove: (job: string, place: Place) => void;
  /** Says what a drag would do, while it lasts. */
  onSay: (words: string | null) => void;
}

/** A bar that is dragged: where it would land, and what that would break. */
export function useDragging({ rows, lines, tops, heights, scale, zone, names, tryPlace, onMove, onSay }: Dragging) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_PX } }));
  const trying = useRef({ key: '', running: false });
  const [drop, setDrop] = useState<Landing | null>(null);
  const landing = ({ active, delta }: DragMoveEvent | DragEndEvent) => {
    const { slot, row } = active.data.current as { slot: KeptSlot; row: string };
    const from = lines.findIndex(({ id }) => id === row);
    const middle = (tops[from] ?? 0) + (heights[from] ?? 0) / 2;
    const above = tops.filter((top) => top <= middle + delta.y).length;
    const target = lines[Math.max(1, above) - 1]?.id ?? row;
    return { slot, row, target, start: snapped(at(slot.start) + (delta.x / scale.hour) * HOUR_MS) };
  };
  /** What a place would do, in words: when, and by whom where that changes. */
  const placeWords = (place: Place, slot: KeptSlot, start: number): string => {
    const others = rows === 'bays' && place.technicians.join() !== slot.technicians.join();
    const whom = others ? `, by ${place.technicians.map(names.person).join(' and ')}` : '';
    return `${format(new TZDate(start, zone), 'EEE HH:mm')}${whom}`;
  };
  /** Every place passed over is tried against every rule; what is slower than the hand is skipped. */
  const onDragMove = (event: DragMoveEvent) => {
    const { slot, row, target, start } = landing(event);
    const key = `${target} ${start}`;
    const box = { row: target, left: scale.x(start), width: scale.x(slot.end) - scale.x(slot.start) };
    if (key === trying.current.key || trying.current.running) return;
    trying.current = { key, running: true };
    void tryPlace(slot.job, placeAt(rows, slot, row, target, start)).then(({ place, why }) => {
      trying.current.running = false;
      setDrop({ ...box, ok: place !== null });
      onSay(place ? placeWords(place, slot, start) : why);
    });
  };
  const onDragEnd = (event: DragEndEvent) => {
    const { slot, row, target, start } = landing(event);
    setDrop(null);
    trying.current = { key: '', running: false };
    onSay(null);
    if (target !== row || start !== snapped(at(slot.start))) onMove(slot.job, placeAt(rows, slot, row, target, start));
  };
  return { drop, handlers: { sensors, onDragMove, onDragEnd, onDragCancel: () => setDrop(null) } };
}
