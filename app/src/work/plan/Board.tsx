import type { Board as BoardData, KeptSlot, PlanRun } from '@zealous-axle/core';
import { planDifference } from '@zealous-axle/core';
import { router } from 'expo-router';
import { useEffect, useMemo, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { Notice } from '../../parts/Notice';
import { isWriting } from '../../parts/Shortcuts';
import { Text } from '../../parts/Text';
import { MARKS } from './Bar';
import { Chart } from './Chart';
import { Chosen } from './Chosen';
import { Load, Presses } from './Presses';
import { Proposals } from './Proposals';
import { type Published, publishPlan } from './publish';
import { ZOOMS } from './time-scale';
import { useDraft } from './useDraft';
import type { Rows } from './useDragging';
import { WithoutPlace } from './WithoutPlace';
import { differenceWords, named, namesOf } from './words';

/** How long a search is asked for, in seconds. */
const SEARCH_SECONDS = 10;

/** The plan as it is, what is being changed of it, and what is proposed instead. */
export function Board({ board, mayChange }: { board: BoardData; mayChange: boolean }) {
  const draft = useDraft(board);
  const names = useMemo(() => namesOf(board), [board]);
  const [rows, setRows] = useState<Rows>('bays');
  const [zoom, setZoom] = useState<string>('Day');
  const [chosen, setChosen] = useState<string | null>(null);
  const [hint, setHint] = useState<string | null>(null);
  const [shown, setShown] = useState<string | null>(null);
  const [sending, setSending] = useState(false);
  const [answer, setAnswer] = useState<Published | null>(null);
  const opened = useRef(board);
  const run = board.runs.find(({ id }) => id === shown && board.runs.length > 0);
  const proposed: readonly KeptSlot[] | null = run?.answer
    ? run.answer.slots.map((slot) => ({ ...slot, pinned: false }))
    : null;
  const slots = proposed ?? draft.slots;
  const before = useMemo(() => new Map(draft.published.map((slot) => [slot.job, slot])), [draft.published]);
  const chosenSlot = [...draft.begun, ...slots].find(({ job }) => job === chosen);

  // Somebody else's plan, while this one was being changed.
  const overtaken = draft.changed && board.version !== opened.current.version ? opened.current : null;
  useEffect(() => {
    if (!draft.changed) opened.current = board;
  }, [draft.changed, board]);

  const publish = async (all: readonly KeptSlot[], version: number, from?: PlanRun) => {
    if (sending) return;
    setSending(true);
    const done = await publishPlan({ version, slots: [...all], ...(from ? { run: from.id } : {}) });
    setSending(false);
    setAnswer(done);
    if (done.how !== 'published') return;
    draft.drop();
    setShown(null);
  };
  const take = (found: PlanRun) => {
    const pins = new Set(draft.published.filter(({ pinned }) => pinned).map(({ job }) => job));
    const all = found.answer?.slots.map((slot) => ({ ...slot, pinned: pins.has(slot.job) })) ?? [];
    void publish(all, board.version, found);
  };
  const ask = (how: 'anew' | 'again') => {
    setAnswer(null);
    void send(
      'ask-plan',
      { run: uuidv7(), how, seconds: SEARCH_SECONDS },
      how === 'anew' ? 'Plan everything anew' : 'Plan what must move',
    );
  };

  const { undo, redo } = draft;
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (isWriting(event) || !(event.ctrlKey || event.metaKey)) return;
      const back = event.key === 'z' && !event.shiftKey;
      const again = event.key === 'y' || (event.key === 'z' && event.shiftKey) || event.key === 'Z';
      if (!back && !again) return;
      event.preventDefault();
      (back ? undo : redo)?.();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [undo, redo]);

  const searching = board.runs.some(({ state }) => state === 'waiting' || state === 'searching');
  const view = ZOOMS.find(({ name }) => name === zoom) ?? ZOOMS[0];
  return (
    <View className="min-h-0 flex-1 flex-row">
      <View className="min-w-0 flex-1">
        <View className="flex-row flex-wrap items-center gap-2 border-b border-line bg-card px-3 py-1.5">
          <Choice
            hideLabel
            label="Rows"
            options={[
              { value: 'bays', label: 'Bays' },
              { value: 'people', label: 'People' },
            ]}
            value={rows}
            onChange={setRows}
          />
          <Choice
            hideLabel
            label="In view"
            options={ZOOMS.map(({ name }) => ({ value: name, label: name }))}
            value={zoom}
            onChange={setZoom}
          />
          {mayChange ? (
            <>
              <Button look="bare" label="Undo" disabled={!draft.undo || draft.busy} onPress={() => draft.undo?.()} />
              <Button look="bare" label="Redo" disabled={!draft.redo || draft.busy} onPress={() => draft.redo?.()} />
            </>
          ) : null}
        </View>
        <View className="min-h-0 flex-1">
          <Chart
            board={board}
            slots={slots}
            begun={draft.begun}
            before={before}
            rows={rows}
            zoom={view}
            names={names}
            chosen={chosen}
            mayChange={mayChange && !proposed && !draft.busy}
            onChoose={setChosen}
            onMove={(job, place) => void draft.move(job, place)}
            tryPlace={draft.tryPlace}
            onSay={setHint}
            onPin={(job) => draft.setPinned(job, !slots.find((slot) => slot.job === job)?.pinned)}
          />
        </View>
        <WithoutPlace board={board} slots={[...draft.begun, ...slots]} unplaced={run?.answer?.unplaced ?? []} />
        <View className="min-h-11 flex-row items-center gap-3 border-t border-line bg-card px-3 py-1.5">
          <View role="status" aria-live="polite" className="min-w-0 flex-1">
            <Text numberOfLines={2} tone={hint || draft.said ? 'ink' : 'soft'}>
              {hint ?? draft.said ?? usualWords(mayChange, proposed !== null, draft.busy)}
            </Text>
          </View>
          <Text size="small" tone="soft">
            {`${MARKS.held} held  ${MARKS.late} late  ${MARKS.begun} at work  ${MARKS.pinned} pinned`}
          </Text>
        </View>
      </View>
      <ScrollView className="w-[23rem] shrink-0 grow-0 border-l border-line" contentContainerClassName="gap-3 p-3">
        {board.bays.length === 0 || board.people.length === 0 ? (
          <View className="gap-2">
            <Notice look="ask">Without a bay, and somebody with hours of work, nothing can be planned.</Notice>
            <Button label="Bays and days" onPress={() => router.navigate('/bays')} />
            <Button label="People and their hours" onPress={() => router.navigate('/people')} />
          </View>
        ) : null}
        {answer && answer.how !== 'published' ? <Notice look="stop">{named(answer.words, board)}</Notice> : null}
        {overtaken ? (
          <View className="gap-2">
            <Notice look="ask">{`${board.published?.by ?? 'Somebody'} made another plan, ${clock(board.published?.at ?? board.now, board.zone)}: ${theirsWords(overtaken, board)}.`}</Notice>
            <Button label="Go on from theirs" hint="drops your changes" onPress={draft.drop} />
          </View>
        ) : null}
        {draft.changed && !proposed ? (
          <View className="gap-2 rounded-2xl border-2 border-act bg-card p-3.5">
            <Text level={2} size="lead" bold>
              Your changes
            </Text>
            <Text>{differenceWords(draft.difference)}</Text>
            <Button
              tall
              look="act"
              label={sending ? 'Publishing…' : 'Publish this plan'}
              disabled={sending || draft.busy}
              onPress={() => void publish(draft.slots, board.version)}
            />
            <View className="flex-row flex-wrap gap-2">
              <Button label="Search on from here" disabled={draft.busy} onPress={() => void draft.searchOn()} />
              <Button look="bare" label="Drop them" disabled={draft.busy} onPress={draft.drop} />
            </View>
          </View>
        ) : null}
        {chosenSlot ? (
          <Chosen
            board={board}
            draft={draft}
            slot={chosenSlot}
            names={names}
            mayChange={mayChange && !proposed}
            onClose={() => setChosen(null)}
          />
        ) : null}
        <Proposals board={board} draft={draft} mayChange={mayChange} shown={shown} onShow={setShown} onTake={take} />
        {mayChange ? (
          <View className="flex-row flex-wrap gap-2">
            <Button
              className="grow"
              look={board.slots.length ? 'plain' : 'act'}
              label="Plan all anew"
              disabled={searching}
              onPress={() => ask('anew')}
            />
            {board.slots.length ? (
              <Button className="grow" label="What must move" disabled={searching} onPress={() => ask('again')} />
            ) : null}
          </View>
        ) : null}
        <Presses board={board} draft={draft} names={names} onChoose={setChosen} />
        <Load board={board} slots={[...draft.begun, ...slots]} />
      </ScrollView>
    </View>
  );
}

function usualWords(mayChange: boolean, proposed: boolean, busy: boolean): string {
  if (proposed) return 'This is the proposal; the plan itself stands until it is taken.';
  if (busy) return 'Planning…';
  return mayChange ? 'Drag a job, or choose it and use the arrow keys; p pins it.' : 'Planned by the foreman.';
}

const NONE = { heldMinutes: 0, weightedLateness: 0, setupMinutes: 0, makespanMinutes: 0 };
const theirsWords = (old: BoardData, now: BoardData): string =>
  differenceWords(planDifference({ slots: old.slots, objective: NONE }, { slots: now.slots, objective: NONE }));
