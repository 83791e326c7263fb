import type { BoardJob, KeptSlot } from '@zealous-axle/core';
import type { ReactNode } from 'react';
import type { Stay } from './stays';
import { at, HOUR_MS, NAME_PX, type TimeScale } from './time-scale';

/** A bay or a person, and when they are there. */
export interface Row {
  id: string;
  name: string;
  open: readonly (readonly [string, string])[];
}

/** Where a bar that is dragged would land, and whether it may. */
export interface Landing {
  row: string;
  left: number;
  width: number;
  ok: boolean;
}

/** The hours in which somebody works: the others stay shaded. */
function Open({ open, scale: { from, span, x } }: { open: Row['open']; scale: TimeScale }) {
  const until = from + span * HOUR_MS;
  return open
    .filter(([begin]) => at(begin) < until)
    .map(([begin, end]) => {
      const left = x(Math.max(from, at(begin)));
      const width = x(Math.min(until, at(end))) - left;
      return <div key={begin} className="absolute inset-y-0 bg-ground" style={{ left, width }} />;
    });
}

/** When a unit leaves, on the row where it was worked on last. */
function Leaves({ job, slot, scale }: { job: BoardJob; slot: KeptSlot; scale: TimeScale }) {
  const leaves = job.leaves?.at ?? '';
  const look = slot.end > leaves ? 'border-violation text-violation' : 'border-within text-within';
  return (
    <div
      title={`${job.number} leaves${job.leaves?.madeUp ? ' (made up)' : ''}`}
      className={`absolute z-20 border-l-2 pl-0.5 font-words text-small leading-4 ${look}`}
      style={{ left: scale.x(leaves), bottom: 0, height: 16 }}
    >
      {scale.hour >= 20 ? `${job.number} leaves${job.leaves?.madeUp ? ' (made up)' : ''}` : ''}
    </div>
  );
}

interface Props {
  row: Row;
  top: number;
  height: number;
  scale: TimeScale;
  stays: readonly Stay[];
  leaving: readonly { slot: KeptSlot; job: BoardJob }[];
  drop: Landing | null;
  /** Its bars. */
  children: ReactNode;
}

/** One bay or person against time: open hours, the stays of trailers, the jobs, departures, and where a drag would land. */
export function ChartRow({ row, top, height, scale, stays, leaving, drop, children }: Props) {
  const { width, x } = scale;
  return (
    <div className="absolute flex border-b border-line" style={{ top, height, width: NAME_PX + width }}>
      <div
        className="sticky left-0 z-30 flex shrink-0 items-center border-r border-line bg-card px-2 font-words text-small font-semibold leading-5 text-ink"
        style={{ width: NAME_PX }}
      >
        {row.name}
      </div>
      <div className="relative bg-raised" style={{ width }}>
        <Open open={row.open} scale={scale} />
        {stays.map(({ key, start, end }) => (
          <div
            key={key}
            aria-hidden
            className="absolute rounded-lg bg-line opacity-50"
            style={{ left: x(start) - 2, width: x(end) - x(start) + 4, top: 2, height: height - 5 }}
          />
        ))}
        {children}
        {leaving.map(({ job, slot }) => (
          <Leaves key={job.unit} job={job} slot={slot} scale={scale} />
        ))}
        {drop ? (
          <div
            aria-hidden
            className={`absolute z-20 rounded-md border-2 ${drop.ok ? 'border-within bg-within-tint' : 'border-out bg-out-tint'}`}
            style={{ left: drop.left, width: drop.width, top: 5, height: height - 11, opacity: 0.8 }}
          />
        ) : null}
      </div>
    </div>
  );
}
