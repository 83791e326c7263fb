import type { Board, KeptSlot } from '@zealous-axle/core';
import { planDifference } from '@zealous-axle/core';
import { router } from 'expo-router';
import { ScrollView, View } from 'react-native';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { Chosen } from './Chosen';
import { Load, Presses } from './Presses';
import { Proposals } from './Proposals';
import type { Draft } from './useDraft';
import type { Publishing } from './usePublishing';
import { differenceWords, type Names, named } from './words';

interface Props {
  board: Board;
  draft: Draft;
  publishing: Publishing;
  names: Names;
  mayChange: boolean;
  /** The board as it was before somebody else's plan came, while this one was being changed. */
  overtaken: Board | null;
  /** The proposal on the chart instead of the plan. */
  shown: string | null;
  isProposal: boolean;
  chosen: KeptSlot | undefined;
  onShow: (run: string | null) => void;
  onChoose: (job: string | null) => void;
}

/** What is said and asked beside the chart: what stands in the way, one's changes, the job that was chosen, proposals, who has how much to do. */
export function BoardSide(props: Props) {
  const { board, draft, publishing, names, mayChange, overtaken, shown, isProposal, chosen, onShow, onChoose } = props;
  const { answer } = publishing;
  return (
    <ScrollView className="w-[23rem] shrink-0 grow-0 border-l border-line" contentContainerClassName="gap-3 p-3">
      {board.bays.length === 0 || board.people.length === 0 ? <NothingToPlanWith /> : null}
      {answer && answer.how !== 'published' ? <Notice look="stop">{named(answer.words, board)}</Notice> : null}
      {overtaken ? (
        <View className="gap-2">
          <Notice look="ask">{`${board.published?.by ?? 'Somebody'} made another plan, ${clock(board.published?.at ?? board.now, board.zone)}: ${theirsWords(overtaken, board)}.`}</Notice>
          <Button label="Use their plan" hint="drops your changes" onPress={draft.drop} />
        </View>
      ) : null}
      {draft.changed && !isProposal ? <Changes draft={draft} publishing={publishing} /> : null}
      {chosen ? (
        <Chosen
          board={board}
          draft={draft}
          slot={chosen}
          names={names}
          mayChange={mayChange && !isProposal}
          onClose={() => onChoose(null)}
        />
      ) : null}
      <Proposals
        board={board}
        draft={draft}
        mayChange={mayChange}
        shown={shown}
        onShow={onShow}
        onTake={publishing.take}
      />
      {mayChange ? <Searches board={board} publishing={publishing} /> : null}
      <Presses board={board} draft={draft} names={names} onChoose={onChoose} />
      <Load board={board} slots={[...draft.begun, ...(isProposal ? proposedSlots(board, shown) : draft.slots)]} />
    </ScrollView>
  );
}

/** The slots of a proposal, nothing pinned; none where it has no answer. */
export const proposedSlots = (board: Board, run: string | null): readonly KeptSlot[] =>
  board.runs.find(({ id }) => id === run)?.answer?.slots.map((slot) => ({ ...slot, pinned: false })) ?? [];

function NothingToPlanWith() {
  return (
    <View className="gap-2">
      <Notice look="ask">Planning needs at least one bay and one person with work hours.</Notice>
      <Button label="Bays and days" onPress={() => router.navigate('/bays')} />
      <Button label="People and their hours" onPress={() => router.navigate('/people')} />
    </View>
  );
}

/** What was changed here and is nobody else's plan yet. */
function Changes({ draft, publishing }: { draft: Draft; publishing: Publishing }) {
  return (
    <View className="gap-2 rounded-2xl border-2 border-act bg-card p-3.5">
      <Text level={2} size="lead" bold>
        Your changes
      </Text>
      <Text>{differenceWords(draft.difference)}</Text>
      <Button
        tall
        look="act"
        label={publishing.sending ? 'Publishing…' : 'Publish this plan'}
        disabled={publishing.sending || draft.busy}
        onPress={publishing.publish}
      />
      <View className="flex-row flex-wrap gap-2">
        <Button label="Improve from here" disabled={draft.busy} onPress={() => void draft.searchOn()} />
        <Button look="bare" label="Drop them" disabled={draft.busy} onPress={draft.drop} />
      </View>
    </View>
  );
}

function Searches({ board, publishing }: { board: Board; publishing: Publishing }) {
  const searching = board.runs.some(({ state }) => state === 'waiting' || state === 'searching');
  return (
    <View className="flex-row flex-wrap gap-2">
      <Button
        className="grow"
        look={board.slots.length ? 'plain' : 'act'}
        label="Re-plan everything"
        disabled={searching}
        onPress={() => publishing.ask('anew')}
      />
      {board.slots.length ? (
        <Button
          className="grow"
          label="Re-plan only what must move"
          disabled={searching}
          onPress={() => publishing.ask('again')}
        />
      ) : null}
    </View>
  );
}

const NONE = { heldMinutes: 0, weightedLateness: 0, setupMinutes: 0, makespanMinutes: 0 };
const theirsWords = (old: Board, now: Board): string =>
  differenceWords(planDifference({ slots: old.slots, objective: NONE }, { slots: now.slots, objective: NONE }));
