import {
  COMMANDS,
  dayAfter,
  isOpenJob,
  JOB_LIFE,
  type JobAct,
  type JobPage,
  type JobState,
  mayNow,
  type UnitPage,
} from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../../device/outbox';
import { useDoneHere, useOutbox } from '../../../device/useOutbox';
import { clock, dayName } from '../../../look/dates';
import { minutesWords } from '../../../look/minutes';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { DefectRow } from '../../../parts/DefectRow';
import { Drawer } from '../../../parts/Drawer';
import { endsOf } from '../../../parts/ends';
import { Loaded } from '../../../parts/Loaded';
import { hasMeter, useMeter } from '../../../parts/MeterField';
import { Notice } from '../../../parts/Notice';
import { endCode, RunningGear } from '../../../parts/RunningGear';
import { goBack, Screen } from '../../../parts/Screen';
import { Text } from '../../../parts/Text';
import { VerdictMark } from '../../../parts/VerdictMark';
import { WordsForm } from '../../../parts/WordsForm';
import { useBayDay, useJob, useUnit, useWhileThere } from '../../../server/queries';
import { useShown } from '../../../session/rules';
import { useSession } from '../../../session/session';
import { useJudgedStanding } from '../../../session/standing';
import { Holding } from '../Holding';
import { onHoldWords } from '../words';
import { Certify } from './Certify';
import { Clock } from './Clock';
import { Finish } from './Finish';
import { PartsNeeded } from './PartsNeeded';
import { usePending } from './pending';
import { Steps } from './Steps';
import type { Act, StageProps } from './stage';
import { Wheels } from './Wheels';
import { WhileThere } from './WhileThere';

const DAYS_AHEAD = 7;
const ORDER: readonly JobState[] = ['open', 'placed', 'started', 'done', 'certified'];

/** One step of the job: done, now, or still to come. */
function Stage({ title, at, state, children }: { title: string; at: JobState; state: JobState; children?: ReactNode }) {
  const passed = ORDER.indexOf(state) > ORDER.indexOf(at);
  const now = state === at;
  return (
    <View className={`gap-2 rounded-xl border-2 p-3 ${now ? 'border-act bg-card' : 'border-line'}`}>
      <View className="flex-row items-center gap-3">
        <VerdictMark verdict={passed ? 'within' : 'not-judged'} size={24} />
        <Text bold size="lead" tone={now || passed ? 'ink' : 'soft'} className="shrink">
          {title}
        </Text>
      </View>
      {children}
    </View>
  );
}

function Place({ page, act }: StageProps) {
  const { job, bays, today } = page;
  const [bay, setBay] = useState<string | null>(job.bay?.id ?? bays[0]?.id ?? null);
  const [day, setDay] = useState<string | null>(job.day && job.day >= today ? job.day : today);
  const { data: full } = useBayDay(bay, day, job.id);
  const { person } = useSession();
  if (!mayNow(JOB_LIFE, job.state, 'place', person.role))
    return <Text tone="soft">The foreman assigns a bay and day.</Text>;
  const days = Array.from({ length: DAYS_AHEAD }, (_, index) => dayAfter(today, index));
  const moved = bay !== job.bay?.id || day !== job.day;
  const over = full !== undefined && full.booked + job.minutes > full.open;
  return (
    <>
      <Choice
        stacked
        label="Bay"
        options={bays.map(({ id, name }) => ({ value: id, label: name }))}
        value={bay}
        onChange={setBay}
      />
      <Choice
        label="Day"
        options={days.map((value) => ({ value, label: value === today ? 'Today' : dayName(value) }))}
        value={day}
        onChange={setDay}
      />
      {full && over ? (
        <Notice look="stop">
          {full.open
            ? `${minutesWords(full.booked + job.minutes)} of work that day; the bay is open ${minutesWords(full.open)}.`
            : 'The bay is closed that day.'}
        </Notice>
      ) : null}
      <Button
        tall
        look={over ? 'stop' : 'act'}
        label={over ? 'Schedule anyway' : job.state === 'open' ? 'Schedule' : 'Move it there'}
        disabled={!bay || !day || !moved}
        onPress={() =>
          bay &&
          day &&
          act('place-job', { job: job.id, version: job.version, bay, day }, `${job.unit.number}: job scheduled`)
        }
      />
    </>
  );
}

/** Takes a job back: its defects wait for another. */
function Cancel({ page, act }: StageProps) {
  const { job } = page;
  const [asking, setAsking] = useState(false);
  const { person } = useSession();
  if (!mayNow(JOB_LIFE, job.state, 'cancel', person.role)) return null;
  return (
    <>
      <Button label="Cancel this job" onPress={() => setAsking(true)} />
      {asking ? (
        <Drawer title={`Cancel the job for ${job.unit.number}`} onClose={() => setAsking(false)}>
          <Text>Its defects go back to the list that needs a job.</Text>
          <WordsForm
            short
            label="Why?"
            words={COMMANDS['cancel-job'].body.shape.reason}
            act="Cancel this job"
            look="stop"
            onWords={(reason) => {
              setAsking(false);
              act('cancel-job', { job: job.id, version: job.version, reason }, `${job.unit.number}: job canceled`);
            }}
          />
        </Drawer>
      ) : null}
    </>
  );
}

/** Sends an act of this job, once: until the page has moved on from where one was sent, and before a tap is kept, no other. */
function useAct({ id: job, version }: JobPage['job']): { act: Act; kept: boolean } {
  const { entries } = useOutbox();
  const acts = useDoneHere().filter(
    ({ name, body }) => (body as { job?: string }).job === job && name.endsWith('-job'),
  );
  const kept = acts.some(({ id }) => entries.some((entry) => entry.id === id));
  // A start that waits counts here already: what follows is sent after it.
  const waits = acts.some(
    ({ name, body }) => name !== 'start-job' && ((body as { version?: number }).version ?? version) >= version,
  );
  const sent = useRef(false);
  useEffect(() => {
    if (!waits) sent.current = false;
  }, [waits]);
  const act: Act = (name, body, label) => {
    if (waits || sent.current) return false;
    sent.current = true;
    void send(name, body, label);
    return true;
  };
  return { act, kept };
}

/** What is to be put right, and where on the trailer. */
function WhatIsWrong({ page }: { page: JobPage }) {
  const { job, defects } = page;
  const judged = useJudgedStanding(job.unit, { ...page, features: job.unit.features });
  const { shown } = useShown();
  const covered = [...new Set(defects.flatMap(({ axle, side }) => (axle && side ? [endCode({ axle, side })] : [])))];
  return (
    <Card title={job.title} note={`${minutesWords(job.minutes)}${job.wheelsOff ? ', wheels off' : ''}`}>
      {defects.map((defect) => (
        <DefectRow key={defect.id} defect={defect} />
      ))}
      {covered.length ? (
        <RunningGear
          unit={job.unit}
          ends={endsOf(job.unit, page.standing, judged.findings, shown)}
          size="medium"
          covered={covered}
        />
      ) : null}
    </Card>
  );
}

/** Where and when, until work starts. */
function PlaceStage({ page, act }: StageProps) {
  const { job } = page;
  const [moving, setMoving] = useState(false);
  const title = job.bay && job.day ? `${dayName(job.day)}, ${job.bay.name}` : 'Bay and day';
  return (
    <Stage title={title} at="open" state={job.state}>
      {job.state === 'open' ? <Place page={page} act={act} /> : null}
      {job.state === 'placed' && !moving ? (
        <Button label="Move to another bay or day" onPress={() => setMoving(true)} />
      ) : null}
      {job.state === 'placed' && moving ? <Place page={page} act={act} /> : null}
    </Stage>
  );
}

/** The work itself: steps, parts, wheels, time, and what was written down of them. */
function RepairStage({ page, act, may }: StageProps & { may: (what: JobAct) => boolean }) {
  const { fleet } = useSession();
  const { job } = page;
  return (
    <Stage title="Repair" at="started" state={job.state}>
      <Steps page={page} may={may('work on')} />
      <PartsNeeded page={page} may={may('work on')} />
      <Wheels page={page} may={may('work on')} />
      <Clock page={page} may={may('work on')} />
      {may('finish') ? <Finish page={page} act={act} /> : null}
      {job.done ? <Text>{job.done}</Text> : null}
      {page.documents.map(({ title, text, at }) => (
        <Text key={at}>{`${title}: ${text}`}</Text>
      ))}
      {page.retorque ? (
        <Text>{`Re-torque by ${dayName(page.retorque.on)}${page.retorque.done ? `: done ${clock(page.retorque.done, fleet.zone)}` : ''}`}</Text>
      ) : null}
      {job.torque
        .filter(({ wheel }) => wheel === null)
        .map((check) => (
          <Text
            key={check.at}
            size="small"
            tone="soft"
          >{`Torque ${check.value}, ${check.tool}. ${check.by}, ${clock(check.at, fleet.zone)}`}</Text>
        ))}
    </Stage>
  );
}

function CertifyStage({ page, act, may }: StageProps & { may: (what: JobAct) => boolean }) {
  const { fleet } = useSession();
  const { job } = page;
  return (
    <Stage title="Measure again and certify" at="done" state={job.state}>
      {may('certify') ? <Certify page={page} act={act} /> : null}
      {job.certified ? (
        <>
          <Text>{job.certified.statement}</Text>
          <Text
            size="small"
            tone="soft"
          >{`${job.certified.by}${job.certified.qualification ? `, ${job.certified.qualification}` : ''}, ${clock(job.certified.at, fleet.zone)}`}</Text>
        </>
      ) : null}
    </Stage>
  );
}

/** Begins the work; what the meter reads is asked below, where the unit has one. */
function StartWork({ unit, onStart }: { unit: string; onStart: () => void }) {
  const { data } = useUnit(unit);
  return data && hasMeter(data) ? (
    <StartMetered unit={data} onStart={onStart} />
  ) : (
    <Button tall look="act" label="Start work" onPress={onStart} />
  );
}

function StartMetered({ unit, onStart }: { unit: UnitPage; onStart: () => void }) {
  const meter = useMeter(unit);
  const bad = meter.written && !meter.valid;
  const start = () => {
    if (meter.written) meter.keep();
    onStart();
  };
  return (
    <>
      <Button tall look="act" label="Start work" disabled={bad} onPress={start} />
      {meter.field}
      {bad ? <Text size="small">Not saved as typed. Correct it or clear it.</Text> : null}
    </>
  );
}

function Stages({ page }: { page: JobPage }) {
  const { person } = useSession();
  const { job } = page;
  const { act, kept } = useAct(job);
  const may = (what: JobAct) => mayNow(JOB_LIFE, job.state, what, person.role);
  // What comes after the page is shown stands below everything: it moves nothing.
  const known = useWhileThere(job.unit.id).data !== undefined;
  const [early] = useState(known);
  const there =
    isOpenJob(job.state) && job.state !== 'done' ? <WhileThere unit={job.unit.id} number={job.unit.number} /> : null;
  const start = () => {
    if (!act('start-job', { job: job.id, version: job.version }, `${job.unit.number}: work started`)) return;
    if (page.work.steps.length)
      void send('clock-on', { job: job.id, time: uuidv7() }, `${job.unit.number}: clocked in`);
  };
  return (
    <>
      {kept ? <Notice look="ask">Saved on this device, not sent yet.</Notice> : null}
      {job.waits.length && isOpenJob(job.state) ? <Notice look="ask">{onHoldWords(job)}</Notice> : null}
      <WhatIsWrong page={page} />
      {job.state === 'cancelled' ? <Notice>This job was canceled.</Notice> : null}
      {early ? there : null}
      <PlaceStage page={page} act={act} />
      <Stage title="Start" at="placed" state={job.state}>
        {may('start') ? <StartWork unit={job.unit.id} onStart={start} /> : null}
      </Stage>
      <RepairStage page={page} act={act} may={may} />
      <CertifyStage page={page} act={act} may={may} />
      {job.state === 'certified' && page.held ? <StillHeld unit={job.unit.id} /> : null}
      <Button label="On paper" onPress={() => router.navigate(`/certificate/${job.id}`)} />
      <Button tall label={`Open ${job.unit.number}`} onPress={() => router.navigate(`/trailer/${job.unit.id}`)} />
      <Cancel page={page} act={act} />
      {early ? null : there}
    </>
  );
}

/** What still stands in the way of the release of the unit that was repaired, and the release. */
function StillHeld({ unit }: { unit: string }) {
  const query = useUnit(unit);
  return <Loaded query={query}>{(known) => (known.holds.length ? <Holding unit={known} /> : null)}</Loaded>;
}

/** Whether it was just made here: it waits to be sent, or its page is on its way. */
function useMadeHere(job: string): 'waits' | 'sent' | null {
  const { entries } = useOutbox();
  const own = useDoneHere().find(({ name, body }) => name === 'make-job' && (body as { job?: string }).job === job);
  if (!own) return null;
  return entries.some(({ id }) => id === own.id) ? 'waits' : 'sent';
}

/** The version a start was sent for from here, until it is refused or the server's page tells of it. */
function useStartedFrom(job: string): number | null {
  const own = usePending(job, 'start-job').at(-1);
  return own?.version ?? null;
}

/** The job as it is once its start, kept on this device, was sent. */
function begun(page: JobPage, from: number | null): JobPage {
  if (page.job.state !== 'placed' || page.job.version !== from) return page;
  return { ...page, job: { ...page.job, state: 'started', version: from + 1 } };
}

/** One job from bay and day to the signed certificate. */
export function Job() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const query = useJob(id);
  const unit = query.data?.job.unit.id ?? '';
  // Whether a meter is asked where work begins, and what else could be done: both stand above what follows.
  const [there, asked] = [useWhileThere(unit), useUnit(unit)];
  const from = useStartedFrom(id);
  const madeHere = useMadeHere(id);
  return (
    <Screen
      title={query.data ? `Job on ${query.data.job.unit.number}` : 'Job'}
      under={query.data?.job.title}
      back={goBack('/shop')}
    >
      {madeHere && !query.data ? (
        <Notice look="ask">
          {madeHere === 'waits' ? 'Saved on this device. The job appears when the server has it.' : 'Reading…'}
        </Notice>
      ) : (
        <Loaded query={query} beside={[there, asked]}>
          {(page) => <Stages key={begun(page, from).job.state} page={begun(page, from)} />}
        </Loaded>
      )}
    </Screen>
  );
}
