import { useDraggable } from '@dnd-kit/core';
import type { BoardJob, KeptSlot } from '@zealous-axle/core';
import { type KeyboardEvent, memo } from 'react';

/** Narrower than this a bar has its number alone, upright. */
const WORDS_PX = 44;
/** Lower than this its number does not stand upright. */
const UPRIGHT_PX = 48;
/** No bar is narrower, or lower, than can be pressed. */
export const LEAST_BAR_PX = 26;

export interface BarProps {
  job: BoardJob;
  slot: KeptSlot;
  row: string;
  left: number;
  width: number;
  setUp: number;
  /** Where it stands on its row. */
  top: number;
  words: string;
  look: 'held' | 'late' | 'begun' | 'plain';
  height: number;
  moved: boolean;
  chosen: boolean;
  movable: boolean;
  onChoose: (job: string | null) => void;
  onKey: (event: KeyboardEvent, slot: KeptSlot) => void;
}

const LOOKS = {
  held: 'bg-out-tint border-out text-out',
  late: 'bg-violation-tint border-violation text-violation',
  begun: 'bg-within-tint border-within text-within',
  plain: 'bg-card border-edge text-ink',
} as const;
/** A state is a word, a shape and a colour. */
export const MARKS = { held: '■', late: '▲', begun: '●', pinned: '◆' } as const;

/** One job where it stands: dragged by hand, moved by the arrow keys. */
export const Bar = memo(function Bar({
  job,
  slot,
  row,
  left,
  width,
  setUp,
  top,
  words,
  look,
  height,
  moved,
  chosen,
  movable,
  onChoose,
  onKey,
}: BarProps) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({
    id: `${job.id} ${row}`,
    data: { slot, row },
    disabled: !movable,
  });
  const shapes = [look === 'plain' ? '' : MARKS[look], slot.pinned && look !== 'begun' ? MARKS.pinned : ''].join('');
  const number = shapes ? `${shapes} ${job.number}` : job.number;
  return (
    <button
      type="button"
      ref={setNodeRef}
      {...listeners}
      aria-label={words}
      aria-pressed={chosen}
      data-job={job.id}
      title={words}
      onClick={() => onChoose(chosen ? null : job.id)}
      onKeyDown={(event) => onKey(event, slot)}
      className={`absolute overflow-hidden rounded-md text-left border px-1 font-words text-small leading-5 ${LOOKS[look]} ${chosen ? 'ring-2 ring-focus' : ''} ${moved ? 'border-dashed border-2' : ''}`}
      style={{
        left,
        width: Math.max(width, LEAST_BAR_PX),
        top,
        height,
        zIndex: isDragging ? 30 : chosen ? 20 : 10,
        opacity: isDragging ? 0.55 : 1,
        cursor: movable ? 'grab' : 'default',
        touchAction: 'none',
        transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
      }}
    >
      {setUp > 3 ? <span className="absolute inset-y-0 left-0 bg-raised opacity-70" style={{ width: setUp }} /> : null}
      {width >= WORDS_PX ? (
        <>
          <span className="relative block truncate font-semibold">{number}</span>
          {height >= UPRIGHT_PX ? <span className="relative block truncate">{job.title}</span> : null}
        </>
      ) : (
        <span
          className={`absolute inset-0 flex items-center justify-center font-semibold ${height >= UPRIGHT_PX ? '[writing-mode:vertical-rl]' : 'truncate'}`}
        >
          {number}
        </span>
      )}
    </button>
  );
});
