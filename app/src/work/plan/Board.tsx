import type { Board as BoardData } from '@zealous-axle/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { Text } from '../../parts/Text';
import { MARKS } from './Bar';
import { BoardSide, proposedSlots } from './BoardSide';
import { Chart } from './Chart';
import { ZOOMS } from './time-scale';
import { type Draft, useDraft } from './useDraft';
import type { Rows } from './useDragging';
import { usePublishing } from './usePublishing';
import { useUndoKeys } from './useUndoKeys';
import { WithoutPlace } from './WithoutPlace';
import { namesOf } from './words';

/** The board somebody else's plan came over, while it was being changed here. */
function useOvertaken(board: BoardData, changed: boolean): BoardData | null {
  const opened = useRef(board);
  useEffect(() => {
    if (!changed) opened.current = board;
  }, [changed, board]);
  return changed && board.version !== opened.current.version ? opened.current : null;
}

/** The plan as it is, what is being changed of it, and what is proposed instead. */
export function Board({ board, mayChange }: { board: BoardData; mayChange: boolean }) {
  const draft = useDraft(board);
  const names = useMemo(() => namesOf(board), [board]);
  const [rows, setRows] = useState<Rows>('bays');
  const [zoom, setZoom] = useState<string>('Day');
  const [chosen, setChosen] = useState<string | null>(null);
  const [hint, setHint] = useState<string | null>(null);
  const [shown, setShown] = useState<string | null>(null);
  const publishing = usePublishing(board, draft, () => setShown(null));
  const overtaken = useOvertaken(board, draft.changed);
  useUndoKeys(draft.undo, draft.redo);
  const run = board.runs.find(({ id }) => id === shown);
  const isProposal = Boolean(run?.answer);
  const slots = isProposal ? proposedSlots(board, shown) : draft.slots;
  const before = useMemo(() => new Map(draft.published.map((slot) => [slot.job, slot])), [draft.published]);
  const all = [...draft.begun, ...slots];
  return (
    <View className="min-h-0 flex-1 flex-row">
      <View className="min-w-0 flex-1">
        <ViewBar rows={rows} zoom={zoom} draft={draft} mayChange={mayChange} onRows={setRows} onZoom={setZoom} />
        <View className="min-h-0 flex-1">
          <Chart
            board={board}
            slots={slots}
            begun={draft.begun}
            before={before}
            rows={rows}
            zoom={ZOOMS.find(({ name }) => name === zoom) ?? ZOOMS[0]}
            names={names}
            chosen={chosen}
            mayChange={mayChange && !isProposal && !draft.busy}
            onChoose={setChosen}
            onMove={(job, place) => void draft.move(job, place)}
            tryPlace={draft.tryPlace}
            onSay={setHint}
            onPin={(job) => draft.setPinned(job, !slots.find((slot) => slot.job === job)?.pinned)}
          />
        </View>
        <WithoutPlace board={board} slots={all} unplaced={run?.answer?.unplaced ?? []} />
        <StatusBar said={hint ?? draft.said} usual={usualWords(mayChange, isProposal, draft.busy)} />
      </View>
      <BoardSide
        board={board}
        draft={draft}
        publishing={publishing}
        names={names}
        mayChange={mayChange}
        overtaken={overtaken}
        shown={shown}
        isProposal={isProposal}
        chosen={all.find(({ job }) => job === chosen)}
        onShow={setShown}
        onChoose={setChosen}
      />
    </View>
  );
}

interface ViewProps {
  rows: Rows;
  zoom: string;
  draft: Draft;
  mayChange: boolean;
  onRows: (rows: Rows) => void;
  onZoom: (zoom: string) => void;
}

/** What the chart shows, and the way back. */
function ViewBar({ rows, zoom, draft, mayChange, onRows, onZoom }: ViewProps) {
  return (
    <View className="flex-row flex-wrap items-center gap-2 border-b border-line bg-card px-3 py-1.5">
      <Choice
        hideLabel
        label="Rows"
        options={[
          { value: 'bays', label: 'Bays' },
          { value: 'people', label: 'People' },
        ]}
        value={rows}
        onChange={onRows}
      />
      <Choice
        hideLabel
        label="In view"
        options={ZOOMS.map(({ name }) => ({ value: name, label: name }))}
        value={zoom}
        onChange={onZoom}
      />
      {mayChange ? (
        <>
          <Button look="bare" label="Undo" disabled={!draft.undo || draft.busy} onPress={() => draft.undo?.()} />
          <Button look="bare" label="Redo" disabled={!draft.redo || draft.busy} onPress={() => draft.redo?.()} />
        </>
      ) : null}
    </View>
  );
}

/** What a change would do, or did, else what can be done here; and what the marks mean. */
function StatusBar({ said, usual }: { said: string | null; usual: string }) {
  return (
    <View className="min-h-11 flex-row items-center gap-3 border-t border-line bg-card px-3 py-1.5">
      <View role="status" aria-live="polite" className="min-w-0 flex-1">
        <Text numberOfLines={2} tone={said ? 'ink' : 'soft'}>
          {said ?? usual}
        </Text>
      </View>
      <Text size="small" tone="soft">
        {`${MARKS.held} held  ${MARKS.late} late  ${MARKS.begun} at work  ${MARKS.pinned} pinned`}
      </Text>
    </View>
  );
}

function usualWords(mayChange: boolean, proposed: boolean, busy: boolean): string {
  if (proposed) return 'This is a proposal. The current plan stays until you use it.';
  if (busy) return 'Planning…';
  return mayChange
    ? 'Drag a job, or choose it and use the arrow keys; p pins it.'
    : 'View only. The foreman makes the plan.';
}
