import {
  COMMANDS,
  defectWords,
  type JobPage,
  keyOf,
  placeWords,
  stillToRemeasure,
  subjectWords,
  toRemeasure,
} from '@zealous-axle/core';
import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { openDrafts } from '../../../device/drafts';
import { Button } from '../../../parts/Button';
import { ChangeList } from '../../../parts/ChangeList';
import { defectPlace } from '../../../parts/DefectRow';
import { Drawer } from '../../../parts/Drawer';
import { Field } from '../../../parts/Field';
import { Notice } from '../../../parts/Notice';
import { Sentence } from '../../../parts/Sentence';
import { Text } from '../../../parts/Text';
import { WordsForm } from '../../../parts/WordsForm';
import { useUnit } from '../../../server/queries';
import { useKeptForm } from '../../../session/forms';
import { useSession } from '../../../session/session';
import { startInspection } from '../../../session/start-inspection';
import type { StageProps } from './stage';

function MeasureAgain({ page }: { page: JobPage }) {
  const { job, defects, standing, fitted, work } = page;
  const session = useSession();
  const unit = useUnit(job.unit.id);
  const [draft, setDraft] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    void openDrafts(job.unit.id).then((drafts) =>
      setDraft(drafts.find((each) => each.job === job.id)?.inspection ?? null),
    );
  }, [job.id, job.unit.id]);
  const steps = toRemeasure(job.unit, defects, work.measures);
  const open = stillToRemeasure(steps, standing, job.finished);
  if (steps.length === 0) return <Text>Nothing to measure: check this repair by eye.</Text>;
  if (open.length === 0)
    return (
      <Notice look="good">{`Measured again at ${[...new Set(steps.map(({ axle, side }) => placeWords({ axle, side })))].join(', ')}: inside the limits.`}</Notice>
    );
  const measure = async () => {
    if (busy) return;
    setBusy(true);
    const inspection =
      draft ??
      (await startInspection({
        unit: {
          ...job.unit,
          standing: unit.data?.standing ?? standing,
          lives: [...(unit.data?.lives ?? []), ...fitted],
        },
        session,
        by: { job: job.id, steps },
      }));
    router.navigate(`/inspect/${inspection}`);
  };
  return (
    <>
      {open.map(({ step, because }) => (
        <Sentence key={keyOf(step)} said={`• ${subjectWords(step)}: ${because}`} />
      ))}
      <Button
        tall
        look="act"
        label={
          draft ? 'Continue measuring' : `Measure again, ${steps.length} ${steps.length === 1 ? 'reading' : 'readings'}`
        }
        onPress={measure}
        disabled={busy}
      />
    </>
  );
}

type Unneeded = { defect: string; reason: string }[];

/** Every defect of the job is certified as repaired, unless it is said why it needed no repair. */
function Outcomes({
  defects,
  unneeded,
  onChange,
}: {
  defects: JobPage['defects'];
  unneeded: Unneeded;
  onChange: (unneeded: Unneeded) => void;
}) {
  const [asking, setAsking] = useState<string | null>(null);
  return (
    <View className="gap-1">
      {defects.map((each) => {
        const left = unneeded.find(({ defect }) => defect === each.id);
        const name = `${defectPlace(each)} ${defectWords(each.code)}`;
        return (
          <View key={each.id} className="min-h-12 flex-row items-center gap-2 border-t border-line">
            <Text className="min-w-0 flex-1">
              {left ? `${name}: no repair needed, ${left.reason}` : `${name}: repaired`}
            </Text>
            <Button
              look="bare"
              label={left ? 'Repaired' : 'Not needed…'}
              hint={name}
              onPress={() => (left ? onChange(unneeded.filter((one) => one !== left)) : setAsking(each.id))}
            />
          </View>
        );
      })}
      {asking ? (
        <Drawer title="No repair needed" onClose={() => setAsking(null)}>
          <WordsForm
            short
            label="Why?"
            words={COMMANDS['reopen-job'].body.shape.reason}
            usual={NO_REPAIR}
            act="No repair was needed"
            onWords={(reason) => {
              onChange([...unneeded, { defect: asking, reason }]);
              setAsking(null);
            }}
          />
        </Drawer>
      ) : null}
    </View>
  );
}

const NOT_RIGHT = ['Measured again: not inside the limits', 'Still leaks', 'Still loose'] as const;
const NO_REPAIR = ['Checked: as it should be', 'Measured: it is inside the limits'] as const;

/** What is usually signed where everything was repaired, of what was done and measured here: offered, never signed by itself. */
function usualStatement({ job, defects, work }: JobPage): string {
  const measured = toRemeasure(job.unit, defects, work.measures).length > 0;
  return measured
    ? 'Repaired as recorded, measured again: inside the limits'
    : 'Repaired as recorded, and checked again';
}

const certifying = COMMANDS['certify-job'].body;

/** The statement and its signature, of somebody whose papers allow it. */
function Sign({ page, act, open, unneeded }: StageProps & { open: boolean; unneeded: Unneeded }) {
  const { job } = page;
  const { person } = useSession();
  const form = useKeptForm(`certify ${job.id}`, certifying.pick({ statement: true }), { statement: '' });
  if (!form.ready) return null;
  const head = { job: job.id, version: job.version };
  const certify = (statement: string) => {
    if (
      act(
        'certify-job',
        { ...head, statement, ...(unneeded.length ? { unneeded } : {}) },
        `${job.unit.number}: repair certified`,
      )
    )
      void form.clear();
  };
  return (
    <>
      <Field
        control={form.control}
        name="statement"
        label="Statement"
        placeholder="What was done, what needed no repair"
        multiline
        maxLength={certifying.shape.statement.maxLength ?? undefined}
      />
      <Text size="small" tone="soft">{`Signed as ${person.name}, with the time.`}</Text>
      <Button
        tall
        look={open ? 'plain' : 'act'}
        label="Sign and certify"
        disabled={open || !form.formState.isValid}
        onPress={() => void form.handleSubmit(({ statement }) => certify(statement))()}
      />
      {open || unneeded.length || form.watch('statement') ? null : (
        <Button
          look="act"
          className="max-w-full"
          label={`Sign: “${usualStatement(page)}”`}
          onPress={() => certify(usualStatement(page))}
        />
      )}
    </>
  );
}

/** The readings taken again, and the signed statement; or the way back to the work. */
export function Certify({ page, act }: StageProps) {
  const { job, defects, standing, work } = page;
  const [reopening, setReopening] = useState(false);
  const [unneeded, setUnneeded] = useState<Unneeded>([]);
  const open = stillToRemeasure(toRemeasure(job.unit, defects, work.measures), standing, job.finished).length > 0;
  return (
    <>
      <MeasureAgain page={page} />
      <ChangeList
        changes={page.unitChanges}
        says="Unit data changed since the first report: check whether it is right"
      />
      <Outcomes defects={defects} unneeded={unneeded} onChange={setUnneeded} />
      {page.cannotSign ? (
        <Notice look="stop">{page.cannotSign}</Notice>
      ) : (
        <Sign page={page} act={act} open={open} unneeded={unneeded} />
      )}
      <Button label="Not right yet: reopen job" onPress={() => setReopening(true)} />
      {reopening ? (
        <Drawer title="Work on it again" onClose={() => setReopening(false)}>
          <WordsForm
            short
            label="Why?"
            words={COMMANDS['reopen-job'].body.shape.reason}
            usual={NOT_RIGHT}
            act="Reopen this job"
            onWords={(reason) => {
              setReopening(false);
              act('reopen-job', { job: job.id, version: job.version, reason }, `${job.unit.number}: job reopened`);
            }}
          />
        </Drawer>
      ) : null}
    </>
  );
}
