import {
  COMMANDS,
  type Draft,
  holds,
  keyWords,
  PURPOSE_ROLES,
  placeWords,
  readingKey,
  readingText,
  sectionSeconds,
  sentences,
  takenReadings,
} from '@zealous-axle/core';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { dropDraft, keepDraft } from '../../../device/drafts';
import { send } from '../../../device/outbox';
import { Button } from '../../../parts/Button';
import { Drawer } from '../../../parts/Drawer';
import { Field } from '../../../parts/Field';
import { Search } from '../../../parts/Search';
import { Text } from '../../../parts/Text';
import { WordsForm } from '../../../parts/WordsForm';
import { useKeptForm } from '../../../session/forms';
import { useMay, useMaySend } from '../../../session/may';
import { useShown } from '../../../session/rules';
import { useCorrecting } from './useCorrecting';
import type { Judged } from './useJudged';

const closing = COMMANDS['close-inspection'].body.shape;
const becauseSchema = z.object({ because: closing.because.unwrap() });
const wantsReason = COMMANDS['hold-trailer'].body.shape.reason;

/** What the finding that weighs most gives as a reason to hold. */
function holdWords({ judgement }: Judged): string {
  const [first] = judgement.findings;
  if (!first || judgement.verdict === 'within') return '';
  return `${placeWords(first)}: ${sentences(first.said)}`.slice(0, wantsReason.maxLength ?? undefined);
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
      <Text>What is not measured stays open and is never a pass. Give the reason.</Text>
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
        label="Close as incomplete"
        onPress={() => void close()}
        disabled={!form.formState.isValid || form.formState.isSubmitting}
      />
    </Drawer>
  );
}

const WRONG = ['The wrong route', 'Begun twice', 'Called away'] as const;

/** Ends what was begun by mistake: at once where nothing was saved, else with why. */
function Drop({ draft, onClose }: { draft: Draft; onClose: () => void }) {
  const { inspection, unit } = draft;
  const saved = takenReadings(draft).length;
  const drop = async (because?: string) => {
    onClose();
    await send(
      'drop-inspection',
      { inspection, ...(because ? { because } : {}) },
      `${unit.number}: inspection discarded`,
    );
    await dropDraft(inspection);
    router.replace(draft.job ? `/job/${draft.job}` : `/trailer/${unit.id}`);
  };
  return (
    <Drawer title={`Discard this inspection of ${unit.number}`} onClose={onClose}>
      <Text>
        {saved
          ? `${saved} ${saved === 1 ? 'reading was' : 'readings were'} saved. The readings stay on ${unit.number}. A wrong one is corrected first.`
          : 'Nothing was saved. It leaves no record.'}
      </Text>
      {saved ? (
        WRONG.map((why) => <Button key={why} tall label={why} onPress={() => void drop(why)} />)
      ) : (
        <Button tall look="stop" label="Drop it" onPress={() => void drop()} />
      )}
    </Drawer>
  );
}

/** So many are looked through without a search. */
const FEW = 12;

/** Which of the readings of a closed inspection is to be corrected. */
function Correct({ id, judged, onClose }: { id: string; judged: Judged; onClose: () => void }) {
  const correct = useCorrecting(id, judged);
  const { shown } = useShown();
  const [text, setText] = useState('');
  const all = judged.taken.map((value) => ({
    value,
    words: `${keyWords(readingKey(value))}: ${shown(readingText(value))}`,
  }));
  const found = all.filter(({ words }) => words.toLowerCase().includes(text.trim().toLowerCase()));
  return (
    <Drawer title="Which reading was wrong?" onClose={onClose}>
      <Text>Both stay on record: the first reading and the correction, with your name and the time.</Text>
      {all.length > FEW ? <Search hint="Part or place: lining, 1L" text={text} onChange={setText} /> : null}
      {found.length === 0 ? <Text tone="soft">No reading matches.</Text> : null}
      {found.map(({ value, words }) => (
        <Button key={readingKey(value)} label={words} disabled={!correct} onPress={() => void correct?.(value)} />
      ))}
    </Drawer>
  );
}

interface BesidesProps {
  judged: Judged;
  onDrop: () => void;
  onCorrect: () => void;
}

/** What is seldom done: what was begun by mistake is dropped, what was read wrong is corrected. */
function Besides({ judged: { draft, closed }, onDrop, onCorrect }: BesidesProps) {
  const mayCorrect = useMay(PURPOSE_ROLES.full);
  return (
    <View className="flex-row flex-wrap gap-2">
      {draft && !draft.closed ? (
        <Button look="bare" className="max-w-full shrink" label="Discard it: started by mistake" onPress={onDrop} />
      ) : null}
      {closed && mayCorrect ? (
        <Button look="bare" className="max-w-full shrink" label="Correct a reading" onPress={onCorrect} />
      ) : null}
    </View>
  );
}

/** What can be done with what was found: hold, go on, close; correct what is closed, drop what was begun by mistake. */
export function Acts({ judged, id }: { judged: Judged; id: string }) {
  const [asking, setAsking] = useState<'close' | 'hold' | 'drop' | 'correct' | null>(null);
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
              <Button tall className="grow" label="Close as incomplete" onPress={() => setAsking('close')} />
              <Button
                tall
                look="act"
                className="grow"
                label={`Continue, ${open} left`}
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
      <Besides judged={judged} onDrop={() => setAsking('drop')} onCorrect={() => setAsking('correct')} />
      {asking === 'drop' && draft ? <Drop draft={draft} onClose={() => setAsking(null)} /> : null}
      {asking === 'correct' ? <Correct id={id} judged={judged} onClose={() => setAsking(null)} /> : null}
      {asking === 'close' ? (
        <CloseIncomplete id={id} open={open} onClose={() => setAsking(null)} onDone={close} />
      ) : null}
      {asking === 'hold' ? (
        <Drawer title={`Hold ${unit.number}`} onClose={() => setAsking(null)}>
          <Text>It stays on hold until every holding defect is certified and someone releases it.</Text>
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
