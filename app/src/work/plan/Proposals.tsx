import { type Board, type PlanRun, planDifference, weightsOf } from '@zealous-axle/core';
import { View } from 'react-native';
import { send } from '../../device/outbox';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import type { Draft } from './useDraft';
import { differenceWords, named, provenWords } from './words';

interface Props {
  board: Board;
  draft: Draft;
  mayChange: boolean;
  shown: string | null;
  onShow: (run: string | null) => void;
  onTake: (run: PlanRun) => void;
}

function stateWords({ state, progress, seconds }: PlanRun): string {
  if (state === 'waiting') return 'In line to start.';
  if (state !== 'searching') return state === 'cancelled' ? 'Stopped. This is the best plan so far.' : '';
  return progress ? `Searching: ${Math.round(progress.elapsedMs / 1000)} of ${seconds} s.` : 'Searching.';
}

/** Searches under way, and plans that were found: each beside the plan that stands, in words and numbers. */
export function Proposals({ board, draft, mayChange, shown, onShow, onTake }: Props) {
  if (board.runs.length === 0) return null;
  return (
    <Card title="Proposals">
      {board.runs.map((run) => {
        const { answer } = run;
        const asked = run.by ? `${run.by} asked` : (run.because ?? 'Automatic');
        const running = run.state === 'waiting' || run.state === 'searching';
        const before = draft.publishedTerms;
        const proven = provenWords(run, weightsOf(board.request));
        const difference = answer && before && planDifference({ slots: draft.published, objective: before }, answer);
        return (
          <View key={run.id} className="gap-2 border-t border-line pt-2">
            <Text
              bold
            >{`${run.how === 'anew' ? 'Re-plan of everything' : 'Re-plan of what must move'} · ${asked}, ${clock(run.at, board.zone)}`}</Text>
            {stateWords(run) ? <Text tone="soft">{stateWords(run)}</Text> : null}
            {run.problem ? <Notice look="stop">{named(run.problem, board)}</Notice> : null}
            {difference ? <Text>{differenceWords(difference)}</Text> : null}
            {answer && proven ? (
              <Text size="small" tone="soft">
                {proven}
              </Text>
            ) : null}
            {answer?.unplaced.map(({ job, reason }) => (
              <Text key={job} size="small" tone="violation">
                {`${board.jobs.find(({ id }) => id === job)?.number ?? ''}: ${named(reason, board)}`}
              </Text>
            ))}
            {mayChange && answer && draft.changed ? (
              <Text tone="soft">Publish or discard your own changes before you use this.</Text>
            ) : null}
            {mayChange ? (
              <View className="flex-row flex-wrap gap-2">
                {running ? (
                  <Button
                    label="Stop"
                    hint="uses the best so far"
                    onPress={() => void send('cancel-plan', { run: run.id }, 'Stop the search')}
                  />
                ) : null}
                {answer ? (
                  <>
                    <Button
                      label={shown === run.id ? 'Hide' : 'Show'}
                      onPress={() => onShow(shown === run.id ? null : run.id)}
                    />
                    <Button
                      look="act"
                      label="Use this plan"
                      disabled={draft.busy || draft.changed}
                      onPress={() => onTake(run)}
                    />
                  </>
                ) : null}
                {running ? null : (
                  <Button
                    look="bare"
                    label="Dismiss"
                    onPress={() => void send('put-plan-aside', { run: run.id }, 'Discard a proposal')}
                  />
                )}
              </View>
            ) : null}
          </View>
        );
      })}
    </Card>
  );
}
