import { DndContext } from '@dnd-kit/core';
import type { Board, BoardJob, KeptSlot } from '@zealous-axle/core';
import { type KeyboardEvent, useEffect, useMemo, useRef } from 'react';
import type { Place } from './asked';
import { Bar, type BarProps, LEAST_BAR_PX } from './Bar';
import { ChartHead } from './ChartHead';
import { ChartRow, type Row } from './ChartRow';
import { type Lanes, lanesOf } from './lanes';
import { staysIn } from './stays';
import {
  at,
  HEAD_PX,
  HOUR_MS,
  MINUTE_MS,
  NAME_PX,
  SNAP,
  snapped,
  type TimeScale,
  useTimeScale,
  type Zoom,
} from './time-scale';
import { placeAt, type Rows, useDragging } from './useDragging';
import { useRoom } from './useRoom';
import { type Names, slotWords } from './words';

const LEAST_ROW_PX = 62;
const MOST_ROW_PX = 96;
/** What is seen of the time that passed, when the board opens. Hours. */
const SEEN_BEFORE = 1.5;

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

const lookOf = (job: BoardJob, slot: KeptSlot): BarProps['look'] =>
  job.begun ? 'begun' : job.held ? 'held' : job.leaves && slot.end > job.leaves.at ? 'late' : 'plain';

const isMoved = (slot: KeptSlot, before: KeptSlot | undefined): boolean =>
  before !== undefined &&
  (before.start !== slot.start || before.bay !== slot.bay || before.technicians.join() !== slot.technicians.join());

/** The bays, or the people, with the hours they are there. */
const linesOf = ({ bays, people, request }: Board, rows: Rows): Row[] =>
  rows === 'bays'
    ? bays.map(({ id, name }) => ({ id, name, open: request.bays.find((each) => each.id === id)?.open ?? [] }))
    : people.map(({ id, name }) => ({
        id,
        name,
        open: request.technicians.find((each) => each.id === id)?.shifts ?? [],
      }));

/** Where each unit that leaves was last worked on: its departure is drawn there. */
function leavingOf(all: readonly KeptSlot[], jobs: ReadonlyMap<string, BoardJob>) {
  const last = new Map<string, { slot: KeptSlot; job: BoardJob }>();
  for (const slot of all) {
    const job = jobs.get(slot.job);
    if (job?.leaves && slot.end > (last.get(job.unit)?.slot.end ?? '')) last.set(job.unit, { slot, job });
  }
  return [...last.values()];
}

/** What the keys do on a bar: choose, pin, and move it in time or to another row. */
function keysOf({ rows, chosen, mayChange, onChoose, onMove, onPin }: Props, lines: readonly Row[], row: string) {
  return (event: KeyboardEvent, slot: KeptSlot) => {
    const index = lines.findIndex(({ id }) => id === row);
    const sideways = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    const upward = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (event.key === 'Enter' || event.key === ' ') onChoose(chosen === slot.job ? null : slot.job);
    else if (event.key === 'Escape') onChoose(null);
    else if (event.key === 'p' && mayChange) onPin(slot.job);
    else if (sideways && mayChange) {
      const by = sideways * (event.shiftKey ? 60 : SNAP) * MINUTE_MS;
      onMove(slot.job, placeAt(rows, slot, row, row, snapped(at(slot.start) + by)));
    } else if (upward && mayChange) {
      const target = lines[index + upward]?.id;
      if (target) onMove(slot.job, placeAt(rows, slot, row, target, at(slot.start)));
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
}

interface JobBarProps extends Props {
  job: BoardJob | undefined;
  slot: KeptSlot;
  row: Row;
  lines: readonly Row[];
  scale: ReturnType<typeof useTimeScale>;
  height: number;
  lanes: Lanes;
}

/** What lies above, below and between the lanes of a row. */
const GAP_PX = 2;
const ROW_GAP_PX = 10;
const ONE_LANE: Lanes = { laneOf: new Map(), count: 1 };

const isOn = (rows: Rows, row: Row, slot: KeptSlot): boolean =>
  rows === 'bays' ? slot.bay === row.id : slot.technicians.includes(row.id);

/** A slot as it is drawn: never narrower than can be pressed. */
const drawnOf = ({ job, start, end }: KeptSlot, x: TimeScale['x']) => ({
  id: job,
  left: x(start),
  width: Math.max(LEAST_BAR_PX, x(end) - x(start)),
});

/** A job as a bar on a row. */
function JobBar({ job, slot, row, lines, scale, height, lanes, ...props }: JobBarProps) {
  const { board, before, names, chosen, mayChange, onChoose } = props;
  const { hour, x } = scale;
  if (!job) return null;
  const lane = (height - ROW_GAP_PX) / lanes.count;
  return (
    <Bar
      job={job}
      slot={slot}
      row={row.id}
      left={x(slot.start)}
      width={x(slot.end) - x(slot.start) - 1}
      setUp={(slot.setupMinutes / 60) * hour}
      words={slotWords(job, slot, names, board.zone)}
      look={lookOf(job, slot)}
      top={ROW_GAP_PX / 2 + (lanes.laneOf.get(slot.job) ?? 0) * lane}
      height={lane - GAP_PX}
      moved={isMoved(slot, before.get(slot.job))}
      chosen={chosen === slot.job}
      movable={mayChange && !job.begun}
      onChoose={onChoose}
      onKey={keysOf(props, lines, row.id)}
    />
  );
}

/** Bays or people against time: every job a bar, each stay of a trailer behind its jobs, the hours in which nobody works shaded. */
export function Chart(props: Props) {
  const { board, slots, begun, rows, zoom } = props;
  const { zone } = board;
  const { element, height, width: room } = useRoom();
  const scale = useTimeScale(board.now, zone, zoom, room);
  const { from, hour, width, x } = scale;
  const jobs = useMemo(() => new Map(board.jobs.map((job) => [job.id, job])), [board.jobs]);
  const lines = useMemo(() => linesOf(board, rows), [board, rows]);
  const fair = Math.floor((height - HEAD_PX) / Math.max(1, lines.length));
  const rowPx = Math.max(LEAST_ROW_PX, Math.min(MOST_ROW_PX, fair));
  const all = useMemo(() => [...begun, ...slots], [begun, slots]);
  const lanes = useMemo(
    () => lines.map((row) => lanesOf(all.filter((slot) => isOn(rows, row, slot)).map((slot) => drawnOf(slot, x)))),
    [lines, all, rows, x],
  );
  const heights = lanes.map(({ count }) => Math.max(rowPx, count * (LEAST_BAR_PX + GAP_PX) + ROW_GAP_PX));
  const tops = heights.map((_, index) => heights.slice(0, index).reduce((sum, each) => sum + each, 0));
  const whole = heights.reduce((sum, each) => sum + each, 0);
  const leaving = useMemo(() => leavingOf(all, jobs), [all, jobs]);
  const opened = useRef(at(board.now));
  useEffect(() => {
    const now = (opened.current - from) / HOUR_MS;
    element.current?.scrollTo({ left: Math.max(0, (now - SEEN_BEFORE) * hour) });
  }, [from, hour, element]);
  const { drop, handlers } = useDragging({ ...props, lines, tops, heights, scale, zone });
  return (
    <DndContext {...handlers}>
      <section
        ref={element}
        className="relative h-full overflow-auto bg-ground"
        aria-label={rows === 'bays' ? 'Bays by time' : 'People by time'}
      >
        <div style={{ width: NAME_PX + width, height: HEAD_PX + whole }} className="relative">
          <ChartHead scale={scale} zone={zone} />
          {lines.map((row, index) => (
            <ChartRow
              key={row.id}
              row={row}
              top={HEAD_PX + (tops[index] ?? 0)}
              height={heights[index] ?? rowPx}
              scale={scale}
              stays={rows === 'bays' ? staysIn(row.id, all, jobs) : []}
              leaving={leaving.filter(({ slot }) => isOn(rows, row, slot))}
              drop={drop?.row === row.id ? drop : null}
            >
              {all
                .filter((slot) => isOn(rows, row, slot))
                .map((slot) => (
                  <JobBar
                    key={slot.job}
                    {...props}
                    job={jobs.get(slot.job)}
                    slot={slot}
                    row={row}
                    lines={lines}
                    scale={scale}
                    lanes={lanes[index] ?? ONE_LANE}
                    height={heights[index] ?? rowPx}
                  />
                ))}
            </ChartRow>
          ))}
          <div
            aria-hidden
            className="absolute z-20 w-0.5 bg-focus"
            style={{ left: NAME_PX + x(board.now), top: HEAD_PX, height: whole }}
          />
        </div>
      </section>
    </DndContext>
  );
}
