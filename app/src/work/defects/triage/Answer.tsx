import {
  bookIdOf,
  byDaylight,
  COMMANDS,
  dayAfter,
  dayText,
  distanceText,
  FIRST_DEFERRAL_DAYS,
  holdsByLaw,
  severityOf,
  type TriageReport,
  wordsText,
} from '@zealous-axle/core';
import { useState } from 'react';
import { z } from 'zod';
import { clock } from '../../../look/dates';
import { Button } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { DefectRow } from '../../../parts/DefectRow';
import { Drawer } from '../../../parts/Drawer';
import { Field } from '../../../parts/Field';
import { Text } from '../../../parts/Text';
import { WordsForm } from '../../../parts/WordsForm';
import { useZodForm } from '../../../session/forms';
import { useWords } from '../../../session/rules';
import { useSession } from '../../../session/session';
import { type Answered, placeOf } from './answers';

const HOLD = [
  { value: 'yes', label: 'Hold the trailer', note: 'Not used until this repair is certified' },
  { value: 'no', label: 'Not held', note: 'Repaired by its urgency' },
] as const;

const deferSchema = z.object({
  until: dayText,
  untilMeter: z.union([z.literal(''), distanceText]),
  reason: wordsText(300),
});

function Defer({ today, onAnswer }: { today: string; onAnswer: (answered: Answered) => void }) {
  const { control, handleSubmit, formState } = useZodForm(deferSchema, {
    until: dayAfter(today, FIRST_DEFERRAL_DAYS),
    untilMeter: '',
    reason: '',
  });
  const done = handleSubmit(({ untilMeter, ...more }) =>
    onAnswer({ name: 'defer-defect', more: { ...more, ...(untilMeter ? { untilMeter } : {}) } }),
  );
  return (
    <>
      <Text>It returns for review on that day or at that meter reading, whichever is first.</Text>
      <Field control={control} name="until" label="Until" placeholder="2026-12-31" />
      <Field control={control} name="untilMeter" label="Or until meter reading (optional)" placeholder="48 210 km" />
      <Field control={control} name="reason" label="Why can it wait?" multiline maxLength={300} autoFocus />
      <Button tall look="act" label="Defer" disabled={!formState.isValid} onPress={() => void done()} />
    </>
  );
}

type Asking = 'defer' | 'run-by-daylight' | 'find-no-fault' | 'dismiss-defect' | null;
const ASKS = {
  'run-by-daylight': { ask: 'Why may it leave like this?', act: 'By daylight only' },
  'find-no-fault': { ask: 'What was checked, and how?', act: 'No fault found' },
  'dismiss-defect': { ask: 'Why is it no defect?', act: 'Dismiss this report' },
} as const;

interface Props {
  report: TriageReport;
  today: string;
  onAnswer: (answered: Answered) => void;
  onClose: () => void;
}

/** Every answer a foreman may give to one report, each with what it needs. */
export function Answer({ report, today, onAnswer, onClose }: Props) {
  const { fleet } = useSession();
  const why = useWords();
  const { defect, proposal, daylight } = report;
  const book = bookIdOf(defect.unit.features, fleet);
  const rule = severityOf(defect.code, book);
  const byLaw = holdsByLaw(defect.code, book);
  const [answered, setAnswered] = useState<'yes' | 'no'>(proposal.holds ? 'yes' : 'no');
  const holds = byLaw || answered === 'yes';
  const [asking, setAsking] = useState<Asking>(null);
  // What the law asks for before the next use is not put off, held or not.
  const mayWait = proposal.severity !== 'hold' && proposal.severity !== 'before-use';
  return (
    <Drawer title={placeOf(report)} onClose={onClose}>
      <DefectRow defect={defect} />
      <Text size="small" tone="soft">
        {`${why(proposal.said)}${rule?.share ? ' It counts as a defective brake.' : ''}`}
      </Text>
      {asking === null ? (
        <>
          {byLaw ? (
            <Text>On hold until it is repaired or no fault is found. The limit book allows no other decision.</Text>
          ) : (
            <Choice stacked label="Until it is repaired" options={HOLD} value={answered} onChange={setAnswered} />
          )}
          <Button
            tall
            look="act"
            label="To be repaired"
            onPress={() => onAnswer({ name: 'triage-defect', more: { holds } })}
          />
          <Button label="Measure first" onPress={() => onAnswer({ name: 'measure-defect', more: {} })} />
          {proposal.joins ? (
            <Button
              label="Merge with the existing report"
              onPress={() => onAnswer({ name: 'join-defect', more: { with: proposal.joins ?? '' } })}
            />
          ) : null}
          {mayWait ? (
            <Button label="Defer…" onPress={() => setAsking('defer')} />
          ) : (
            <Text size="small" tone="soft">
              The rule does not let it wait. It cannot be deferred.
            </Text>
          )}
          {daylight ? (
            <Button
              label={`By daylight only, until ${clock(daylight, fleet.zone)} …`}
              onPress={() => setAsking('run-by-daylight')}
            />
          ) : byDaylight(defect.code, book) && !defect.holds ? (
            <Text size="small" tone="soft">
              By daylight only: not now. It is dark or soon will be.
            </Text>
          ) : null}
          <Button label="No fault found…" onPress={() => setAsking('find-no-fault')} />
          <Button label="Not a defect…" onPress={() => setAsking('dismiss-defect')} />
        </>
      ) : (
        <>
          {asking === 'run-by-daylight' && daylight ? (
            <Text>{`The law lets a tail, license plate or marker lamp wait during daylight if it is recorded. The next driver sees that it may run until ${clock(daylight, fleet.zone)}; then it needs a decision again.`}</Text>
          ) : null}
          {asking === 'defer' ? (
            <Defer today={today} onAnswer={onAnswer} />
          ) : (
            <WordsForm
              label={ASKS[asking].ask}
              words={COMMANDS[asking].body.shape.reason}
              act={ASKS[asking].act}
              look="stop"
              onWords={(reason) => onAnswer({ name: asking, more: { reason } })}
            />
          )}
          <Button label="Back" onPress={() => setAsking(null)} />
        </>
      )}
    </Drawer>
  );
}
