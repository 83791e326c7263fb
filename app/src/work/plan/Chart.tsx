import { TZDate } from '@date-fns/tz';
import { DndContext, type DragEndEvent, type DragMoveEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import type { Board, BoardJob, KeptSlot } from '@zealous-axle/core';
import { scaleUtc } from 'd3-scale';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { startOfDay } from 'date-fns/startOfDay';
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import { Bar, type BarProps } from './Bar';
import { staysIn } from './stays';
import type { Place } from './useDraft';
import { useRoom } from './useRoom';
import { type Names, slotWords } from './words';

/** How a bar is snapped, and moved by a key: minutes. */
const SNAP = 15;
const MINUTE_MS = 60_000;
const HOUR_MS = 3_600_000;
const LEAST_ROW_PX = 62;
const MOST_ROW_PX = 96;
const NAME_PX = 132;
const HEAD_PX = 46;

export type Rows = 'bays' | 'people';
/** Days in view, and how wide an hour is drawn. */
export const ZOOMS = [
  { days: 1, hour: 52, name: 'Day' },
  { days: 3, hour: 22, name: '3 days' },
  { days: 7, hour: 12, name: 'Week' },
  { days: 14, hour: 6, name: '2 weeks' },
] as const;
export type Zoom = (typeof ZOOMS)[number];

interface Row {
  id: string;
  name: string;
  open: readonly (readonly [string, string])[];
}

interface Props {
  board: Board;
  slots: readonly KeptSlot[];
  begun: readonly KeptSlot[];
  /** Where a job stood before it was changed here. */
  before: ReadonlyMap<string, KeptSlot>;
  rows: Rows;
  zoom: Zoom;
  names: Names;
  chosen: string | null;
  mayChange: boolean;
  onChoose: (job: string | null) => void;
  onMove: (job: string, place: Place) => void;
  tryPlace: (job: string, place: Place) => Promise<{ place: Place | null; why: string | null }>;
  /** Says what a drag would do, while it lasts. */
  onSay: (words: string | null) => void;
  onPin: (job: string) => void;
}

const at = (instant: string): number => Date.parse(instant);
const snapped = (time: number): number => Math.round(time / (SNAP * MINUTE_MS)) * SNAP * MINUTE_MS;

/** Bays or people against time: every job a bar, each stay of a trailer behind its jobs, the hours in which nobody works shaded. */
export function Chart(props: Props) {
  const {
    board,
    slots,
    begun,
    before,
    rows,
    zoom,
    names,
    chosen,
    mayChange,
    onChoose,
    onMove,
    tryPlace,
    onSay,
    onPin,
  } = props;
  const { zone } = board;
  const { element, height } = useRoom();
  const first = startOfDay(new TZDate(at(board.now), zone));
  const from = first.getTime();
  const span = Math.max(zoom.days, 14) * 24;
  const scale = useMemo(
    () =>
      scaleUtc()
        .domain([from, from + span * HOUR_MS])
        .range([0, span * zoom.hour]),
    [from, span, zoom.hour],
  );
  const width = span * zoom.hour;
  const x = (instant: string | number) => scale(typeof instant === 'string' ? at(instant) : instant);
  const jobs = useMemo(() => new Map(board.jobs.map((job) => [job.id, job])), [board.jobs]);
  const lines: Row[] = useMemo(
    () =>
      rows === 'bays'
        ? board.bays.map(({ id, name }) => ({
            id,
            name,
            open: board.request.bays.find((each) => each.id === id)?.open ?? [],
          }))
        : board.people.map(({ id, name }) => ({
            id,
            name,
            open: board.request.technicians.find((each) => each.id === id)?.shifts ?? [],
          })),
    [rows, board],
  );
  const rowPx = Math.max(
    LEAST_ROW_PX,
    Math.min(MOST_ROW_PX, Math.floor((height - HEAD_PX) / Math.max(1, lines.length))),
  );
  const all = useMemo(() => [...begun, ...slots], [begun, slots]);
  const rowsOf = (slot: KeptSlot) => (rows === 'bays' ? [slot.bay] : slot.technicians);
  const opened = useRef(at(board.now));
  useEffect(() => {
    const now = (opened.current - from) / HOUR_MS;
    element.current?.scrollTo({ left: Math.max(0, (now - 1.5) * zoom.hour) });
  }, [from, zoom.hour, element]);

  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const trying = useRef({ key: '', running: false });
  const [drop, setDrop] = useState<{ row: string; left: number; width: number; ok: boolean } | null>(null);

  const placeAt = (slot: KeptSlot, row: string, target: string, start: number): Place => ({
    bay: rows === 'bays' ? target : slot.bay,
    technicians:
      rows === 'people' && target !== row ? slot.technicians.map((id) => (id === row ? target : id)) : slot.technicians,
    start: new Date(start).toISOString(),
  });
  const landing = ({ active, delta }: DragMoveEvent | DragEndEvent) => {
    const { slot, row } = active.data.current as { slot: KeptSlot; row: string };
    const index = lines.findIndex(({ id }) => id === row) + Math.round(delta.y / rowPx);
    const target = lines[Math.min(lines.length - 1, Math.max(0, index))]?.id ?? row;
    return { slot, row, target, start: snapped(at(slot.start) + (delta.x / zoom.hour) * HOUR_MS) };
  };
  /** Every place passed over is tried against every rule; what is slower than the hand is skipped. */
  const dragging = (event: DragMoveEvent) => {
    const { slot, row, target, start } = landing(event);
    const key = `${target} ${start}`;
    const box = { row: target, left: x(start), width: x(slot.end) - x(slot.start) };
    if (key === trying.current.key || trying.current.running) return;
    trying.current = { key, running: true };
    void tryPlace(slot.job, placeAt(slot, row, target, start)).then(({ place, why }) => {
      trying.current.running = false;
      setDrop({ ...box, ok: place !== null });
      const whom =
        place && rows === 'bays' && place.technicians.join() !== slot.technicians.join()
          ? `, by ${place.technicians.map(names.person).join(' and ')}`
          : '';
      onSay(place ? `${format(new TZDate(start, zone), 'EEE HH:mm')}${whom}` : why);
    });
  };
  const dropped = (event: DragEndEvent) => {
    const { slot, row, target, start } = landing(event);
    setDrop(null);
    trying.current = { key: '', running: false };
    onSay(null);
    if (target !== row || start !== snapped(at(slot.start))) onMove(slot.job, placeAt(slot, row, target, start));
  };

  const onKey = (row: string) => (event: KeyboardEvent, slot: KeptSlot) => {
    const index = lines.findIndex(({ id }) => id === row);
    const sideways = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    const upward = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (event.key === 'Enter' || event.key === ' ') onChoose(chosen === slot.job ? null : slot.job);
    else if (event.key === 'Escape') onChoose(null);
    else if (event.key === 'p' && mayChange) onPin(slot.job);
    else if (sideways && mayChange) {
      const by = sideways * (event.shiftKey ? 60 : SNAP) * MINUTE_MS;
      onMove(slot.job, placeAt(slot, row, row, snapped(at(slot.start) + by)));
    } else if (upward && mayChange) {
      const target = lines[index + upward]?.id;
      if (target) onMove(slot.job, placeAt(slot, row, target, at(slot.start)));
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };

  /** Where each unit that leaves was last worked on: its departure is drawn there. */
  const leaving = useMemo(() => {
    const last = new Map<string, { slot: KeptSlot; job: BoardJob }>();
    for (const slot of all) {
      const job = jobs.get(slot.job);
      if (job?.leaves && slot.end > (last.get(job.unit)?.slot.end ?? '')) last.set(job.unit, { slot, job });
    }
    return [...last.values()];
  }, [all, jobs]);

  const days = Array.from({ length: span / 24 }, (_, n) => addDays(first, n));
  const step = zoom.hour >= 40 ? 1 : zoom.hour >= 20 ? 3 : zoom.hour >= 10 ? 6 : 0;
  const lookOf = (job: BoardJob, slot: KeptSlot): BarProps['look'] =>
    job.begun ? 'begun' : job.held ? 'held' : job.leaves && slot.end > job.leaves.at ? 'late' : 'plain';

  return (
    <DndContext sensors={sensors} onDragMove={dragging} onDragEnd={dropped} onDragCancel={() => setDrop(null)}>
      <section
        ref={element}
        className="relative h-full overflow-auto bg-ground"
        aria-label={rows === 'bays' ? 'Bays by time' : 'People by time'}
      >
        <div style={{ width: NAME_PX + width, height: HEAD_PX + lines.length * rowPx }} className="relative">
          <div className="sticky top-0 z-40 flex border-b border-line bg-card" style={{ height: HEAD_PX }}>
            <div className="sticky left-0 z-50 shrink-0 border-r border-line bg-card" style={{ width: NAME_PX }} />
            <div className="relative" style={{ width }}>
              {days.map((day) => (
                <div
                  key={day.getTime()}
                  className="absolute top-0 border-l border-line font-words text-small font-semibold text-ink"
                  style={{ left: x(day.getTime()), width: 24 * zoom.hour, height: HEAD_PX }}
                >
                  <span className="sticky inline-block pl-1" style={{ left: NAME_PX }}>
                    {format(day, zoom.hour < 10 ? 'EEE d' : 'EEE d MMM')}
                  </span>
                </div>
              ))}
              {step
                ? days.flatMap((day) =>
                    Array.from({ length: 24 / step }, (_, n) => n * step)
                      .filter((hour) => hour > 0)
                      .map((hour) => (
                        <div
                          key={`${day.getTime()} ${hour}`}
                          className="absolute bottom-0 font-reading text-small text-soft"
                          style={{ left: x(day.getTime() + hour * HOUR_MS) - 9 }}
                        >
                          {String(hour).padStart(2, '0')}
                        </div>
                      )),
                  )
                : null}
            </div>
          </div>
          {lines.map((line, index) => (
            <div
              key={line.id}
              className="absolute flex border-b border-line"
              style={{ top: HEAD_PX + index * rowPx, height: rowPx, width: NAME_PX + width }}
            >
              <div
                className="sticky left-0 z-30 flex shrink-0 items-center border-r border-line bg-card px-2 font-words text-small font-semibold leading-5 text-ink"
                style={{ width: NAME_PX }}
              >
                {line.name}
              </div>
              <div className="relative bg-raised" style={{ width }}>
                {line.open
                  .filter(([begin]) => at(begin) < from + span * HOUR_MS)
                  .map(([begin, end]) => (
                    <div
                      key={begin}
                      className="absolute inset-y-0 bg-ground"
                      style={{
                        left: x(Math.max(from, at(begin))),
                        width: x(Math.min(from + span * HOUR_MS, at(end))) - x(Math.max(from, at(begin))),
                      }}
                    />
                  ))}
                {rows === 'bays'
                  ? staysIn(line.id, all, jobs).map(({ key, start, end }) => (
                      <div
                        key={key}
                        aria-hidden
                        className="absolute rounded-lg bg-line opacity-50"
                        style={{ left: x(start) - 2, width: x(end) - x(start) + 4, top: 2, height: rowPx - 5 }}
                      />
                    ))
                  : null}
                {all
                  .filter((slot) => rowsOf(slot).includes(line.id))
                  .map((slot) => {
                    const job = jobs.get(slot.job);
                    if (!job) return null;
                    const old = before.get(slot.job);
                    return (
                      <Bar
                        key={slot.job}
                        job={job}
                        slot={slot}
                        row={line.id}
                        left={x(slot.start)}
                        width={x(slot.end) - x(slot.start) - 1}
                        setUp={(slot.setupMinutes / 60) * zoom.hour}
                        words={slotWords(job, slot, names, zone)}
                        look={lookOf(job, slot)}
                        height={rowPx}
                        moved={
                          old !== undefined &&
                          (old.start !== slot.start ||
                            old.bay !== slot.bay ||
                            old.technicians.join() !== slot.technicians.join())
                        }
                        chosen={chosen === slot.job}
                        movable={mayChange && !job.begun}
                        onChoose={onChoose}
                        onKey={onKey(line.id)}
                      />
                    );
                  })}
                {leaving
                  .filter(({ slot }) => rowsOf(slot).includes(line.id))
                  .map(({ job, slot }) => (
                    <div
                      key={job.unit}
                      title={`${job.number} leaves`}
                      className={`absolute z-20 border-l-2 pl-0.5 font-words text-small leading-4 ${slot.end > (job.leaves?.at ?? '') ? 'border-violation text-violation' : 'border-within text-within'}`}
                      style={{ left: x(job.leaves?.at ?? ''), bottom: 0, height: 16 }}
                    >
                      {zoom.hour >= 20 ? `${job.number} leaves` : ''}
                    </div>
                  ))}
                {drop?.row === line.id ? (
                  <div
                    aria-hidden
                    className={`absolute z-20 rounded-md border-2 ${drop.ok ? 'border-within bg-within-tint' : 'border-out bg-out-tint'}`}
                    style={{ left: drop.left, width: drop.width, top: 5, height: rowPx - 11, opacity: 0.8 }}
                  />
                ) : null}
              </div>
            </div>
          ))}
          <div
            aria-hidden
            className="absolute z-20 w-0.5 bg-focus"
            style={{ left: NAME_PX + x(board.now), top: HEAD_PX, height: lines.length * rowPx }}
          />
        </div>
      </section>
    </DndContext>
  );
}
