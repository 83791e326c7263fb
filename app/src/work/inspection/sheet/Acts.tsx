import { COMMANDS, holds, placeWords, sectionSeconds } from '@zealous-axle/core';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { keepDraft } from '../../../device/drafts';
import { send } from '../../../device/outbox';
import { Button } from '../../../parts/Button';
import { Drawer } from '../../../parts/Drawer';
import { Field } from '../../../parts/Field';
import { Text } from '../../../parts/Text';
import { WordsForm } from '../../../parts/WordsForm';
import { useKeptForm } from '../../../session/forms';
import { useMaySend } from '../../../session/may';
import type { Judged } from './useJudged';

const closing = COMMANDS['close-inspection'].body.shape;
const becauseSchema = z.object({ because: closing.because.unwrap() });
const wantsReason = COMMANDS['hold-trailer'].body.shape.reason;

/** What the finding that weighs most gives as a reason to hold. */
function holdWords({ judgement }: Judged): string {
  const [first] = judgement.findings;
  if (!first || judgement.verdict === 'within') return '';
  return `${placeWords(first)}: ${first.because}`.slice(0, wantsReason.maxLength ?? undefined);
}

function CloseIncomplete({
  id,
  open,
  onClose,
  onDone,
}: {
  id: string;
  open: number;
  onClose: () => void;
  onDone: (because: string) => Promise<void>;
}) {
  const form = useKeptForm(`close ${id}`, becauseSchema, { because: '' });
  if (!form.ready) return null;
  const close = form.handleSubmit(async ({ because }) => {
    await onDone(because);
    await form.clear();
  });
  return (
    <Drawer title={`Close with ${open} open`} onClose={onClose}>
      <Text>What is not measured stays open on the sheet, and is never a pass. Say why it was left.</Text>
      <Field
        control={form.control}
        name="because"
        label="Because"
        multiline
        maxLength={becauseSchema.shape.because.maxLength ?? undefined}
        autoFocus
      />
      <Button
        tall
        look="act"
        label="Close incomplete"
        onPress={() => void close()}
        disabled={!form.formState.isValid || form.formState.isSubmitting}
      />
    </Drawer>
  );
}

/** What can be done with what was found: hold, go on, close. */
export function Acts({ judged, id }: { judged: Judged; id: string }) {
  const [asking, setAsking] = useState<'close' | 'hold' | null>(null);
  const [busy, setBusy] = useState(false);
  const { draft, unit, open } = judged;
  const mayHold = useMaySend('hold-trailer');

  const close = async (because?: string) => {
    if (!draft || busy) return;
    setBusy(true);
    const ending = because ? { outcome: 'incomplete' as const, because } : { outcome: 'complete' as const };
    await send(
      'close-inspection',
      { inspection: id, ...ending, sections: sectionSeconds(draft) },
      `${unit.number}: inspection closed`,
    );
    await keepDraft({ ...draft, closed: true });
    router.replace(draft.job ? `/job/${draft.job}` : `/trailer/${unit.id}`);
  };
  const hold = (reason: string) => {
    setAsking(null);
    void send('hold-trailer', { hold: uuidv7(), unit: unit.id, reason }, `${unit.number}: held`);
  };
  return (
    <>
      <View className="flex-row flex-wrap gap-2">
        {!mayHold || judged.stale || (judged.closed && holds(judged.judgement.verdict)) ? null : (
          <Button tall look="stop" className="grow" label="Hold trailer" onPress={() => setAsking('hold')} />
        )}
        {draft && !draft.closed ? (
          open ? (
            <>
              <Button tall className="grow" label="Close incomplete" onPress={() => setAsking('close')} />
              <Button
                tall
                look="act"
                className="grow"
                label={`Go on, ${open} open`}
                onPress={() => router.replace(`/inspect/${id}`)}
              />
            </>
          ) : (
            <Button
              tall
              look="act"
              className="grow"
              label="Close inspection"
              onPress={() => void close()}
              disabled={busy}
            />
          )
        ) : null}
      </View>
      {asking === 'close' ? (
        <CloseIncomplete id={id} open={open} onClose={() => setAsking(null)} onDone={close} />
      ) : null}
      {asking === 'hold' ? (
        <Drawer title={`Hold ${unit.number}`} onClose={() => setAsking(null)}>
          <Text>It stays held until every holding defect is certified and someone releases it.</Text>
          <WordsForm
            label="Reason"
            words={wantsReason}
            first={holdWords(judged)}
            act={`Hold ${unit.number}`}
            look="stop"
            onWords={hold}
          />
        </Drawer>
      ) : null}
    </>
  );
}
