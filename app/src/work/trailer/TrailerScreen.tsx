import {
  BOOKS,
  bookIdOf,
  causesOf,
  dayIn,
  defectWords,
  type Finding,
  headVerdict,
  isOpenDefect,
  isOpenJob,
  keyWords,
  type UnitPage,
  type Verdict,
} from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import CircleAlert from 'lucide-react-native/icons/circle-alert';
import { useEffect, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { noteOpened } from '../../device/lately';
import { send } from '../../device/outbox';
import { useOutbox } from '../../device/useOutbox';
import { clock, dayName, dayOf } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { DefectRow, defectPlace } from '../../parts/DefectRow';
import { endsOf } from '../../parts/ends';
import { FindingRow } from '../../parts/FindingRow';
import { LinkRow } from '../../parts/LinkRow';
import { Loaded } from '../../parts/Loaded';
import { LookedList } from '../../parts/LookedList';
import { Notice } from '../../parts/Notice';
import { RunningGear } from '../../parts/RunningGear';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { VerdictBadge } from '../../parts/VerdictMark';
import { BookWords } from '../../parts/verdict';
import { useUnit, useUnitPlan } from '../../server/queries';
import { beside, type Here, useHere, withHere } from '../../session/here';
import { useMaySend } from '../../session/may';
import { useShown } from '../../session/rules';
import { useSession } from '../../session/session';
import { useJudgedStanding } from '../../session/standing';
import { AddToReport } from '../defects/AddToReport';
import { Certified } from '../defects/Certified';
import { PutRight } from '../defects/PutRight';
import { InspectButton } from '../inspection/InspectButton';
import { ClosedJobs } from '../repair/ClosedJobs';
import { Holding } from '../repair/Holding';
import { Retorques } from '../repair/Retorques';
import { Papers } from '../units/Papers';
import { AtEnd } from './AtEnd';
import { History, UnitPhotos } from './History';
import { InThePlan } from './InThePlan';
import { ItsUnit } from './ItsUnit';
import { PastRepairs } from './PastRepairs';
import { RunsWith } from './RunsWith';
import { BeforeUse, LastSigned, SignWalk } from './SignWalk';
import { UnitActs } from './UnitActs';

/** What was entered here about this unit and is not sent yet: it is shown at once, and as what it is. */
function NotSentYet({ unit, here }: { unit: UnitPage; here: Here }) {
  const { entries } = useOutbox();
  const own = entries.filter(
    ({ name, body, refused }) =>
      !refused && name !== 'start-inspection' && (body as { unit?: string }).unit === unit.id,
  );
  const readings = here.standing.length;
  if (own.length === 0 && here.inspections.length === 0) return null;
  return (
    <Card title="Not sent yet" note="Saved on this device until there is a signal. No one else sees it yet.">
      {here.closed ? <Text bold>Inspection closed here</Text> : null}
      {readings ? <Text bold>{`${readings} ${readings === 1 ? 'reading' : 'readings'}`}</Text> : null}
      {here.found.map((each) => (
        <Text key={`${each.code} ${each.axle} ${each.side} ${each.tyre}`} bold tone={each.holds ? 'out' : 'ink'}>
          {`${defectPlace(each)}: ${defectWords(each.code)}`}
        </Text>
      ))}
      {own.map(({ id, label }) => (
        <Text key={id} bold>
          {label}
        </Text>
      ))}
    </Card>
  );
}

function Acts({ unit }: { unit: UnitPage }) {
  return (
    <View className="flex-row flex-wrap gap-2">
      <Button
        tall
        icon={CircleAlert}
        className="grow"
        label="Report a defect"
        onPress={() => router.navigate(`/report/${unit.id}`)}
      />
      <InspectButton unit={unit} />
    </View>
  );
}

/** The word over a unit: no surer than what is known of it. */
function headWord(unit: UnitPage, head: Verdict, verdict: Verdict): string | undefined {
  if (head === verdict) return unit.standing.length || unit.defects.length ? undefined : 'Never measured';
  return 'Not all checked';
}

/** The state of the unit: held or not, what it meets as it stands, and what of it was looked at, when and by whom. */
function State({ unit, verdict, here }: { unit: UnitPage; verdict: Verdict; here: Here }) {
  const { fleet } = useSession();
  const head = headVerdict(verdict, unit.looked, unit.walked !== null);
  const found = unit.holds.some(({ inspection }) => inspection?.open);
  return (
    <View className="gap-3">
      <View className="flex-row flex-wrap gap-2">
        {unit.holds.length ? <VerdictBadge large verdict="out-of-service" word="Held" /> : null}
        {unit.holds.length === 0 && here.holds ? (
          <VerdictBadge large verdict="out-of-service" word="On hold here, not sent" />
        ) : null}
        <VerdictBadge large verdict={head} word={headWord(unit, head, verdict)} />
      </View>
      {unit.helpSince ? (
        <LinkRow href={`/road/${unit.id}`}>
          <Notice look="stop">{`Help was called at ${clock(unit.helpSince, fleet.zone)}. No answer yet.`}</Notice>
        </LinkRow>
      ) : null}
      {found ? <Notice look="stop">Found, inspection still open</Notice> : null}
      {unit.judging ? <Notice look="ask">The rules changed. A new verdict is on its way.</Notice> : null}
      <Inspecting unit={unit} />
      <LookedList unit={unit} zone={fleet.zone} today={dayIn(fleet.zone, new Date())} />
    </View>
  );
}

/** Who is at an inspection of it, and how far that is. */
function Inspecting({ unit }: { unit: UnitPage }) {
  const { fleet } = useSession();
  return unit.inspecting.map(({ id, route, by, startedAt, read }) => (
    <LinkRow key={id} href={`/sheet/${id}`} className="min-h-11 justify-center">
      <Text size="small" bold>
        {`Inspection open: ${route ?? 'measuring again'}, ${by}, since ${clock(startedAt, fleet.zone)}, ${read} saved`}
      </Text>
    </LinkRow>
  ));
}

/** What was reported and taken back, because its reading was corrected. */
function TakenBack({ unit }: { unit: UnitPage }) {
  const { fleet } = useSession();
  if (unit.takenBack.length === 0) return null;
  return (
    <Card title="Taken back" note="Reported from a reading that was corrected later.">
      {unit.takenBack.map((each) => (
        <View key={each.id} className="border-t border-line pt-2">
          <Text bold>{`${defectPlace(each)}: ${defectWords(each.code)}`}</Text>
          <Text size="small">{each.reason}</Text>
          <Text size="small" tone="soft">
            {clock(each.at, fleet.zone)}
          </Text>
        </View>
      ))}
    </Card>
  );
}

/** What its verdict rests on and no open defect says. */
function Causes({ unit, findings }: { unit: UnitPage; findings: readonly Finding[] }) {
  const causes = causesOf(findings, unit.defects);
  if (causes.length === 0) return null;
  return (
    <Card title="Past a limit now" note="Measured, but not in the open defects.">
      {causes.map((finding) => (
        <FindingRow
          key={`${finding.kind} ${finding.axle} ${finding.side} ${finding.tyre}`}
          finding={finding}
          unit={unit}
        />
      ))}
    </Card>
  );
}

/** What it was found not to have; whoever measures may say that it does. */
function NotFitted({ unit }: { unit: UnitPage }) {
  const may = useMaySend('set-fitted');
  if (unit.notFitted.length === 0) return null;
  return (
    <Card title="Not fitted" note="Not checked on this unit.">
      {unit.notFitted.map((key) => (
        <View key={key} className="min-h-12 flex-row items-center justify-between gap-3 border-t border-line">
          <Text className="min-w-0 flex-1">{keyWords(key)}</Text>
          {may ? (
            <Button
              look="bare"
              label="Mark as fitted"
              hint={keyWords(key)}
              onPress={() =>
                void send(
                  'set-fitted',
                  { unit: unit.id, key, fitted: true },
                  `${unit.number}: ${keyWords(key)} is fitted`,
                )
              }
            />
          ) : null}
        </View>
      ))}
    </Card>
  );
}

/** From when the readings are that count. */
function readingDays({ standing }: UnitPage, zone: string): string {
  const days = standing.map(({ at }) => at).sort();
  const [oldest, newest] = [days[0], days.at(-1)];
  if (!oldest || !newest) return 'Nothing measured yet';
  const from = dayOf(oldest, zone);
  return from === dayOf(newest, zone)
    ? `Read ${from}`
    : `Oldest current reading ${from}, newest ${clock(newest, zone)}`;
}

/** Everything of one trailer: the plan with its latest readings, what is wrong, what is planned, what was. */
function TrailerBody({ unit }: { unit: UnitPage }) {
  const { fleet } = useSession();
  return (
    <BookWords.Provider value={BOOKS[bookIdOf(unit.features, fleet)].words.verdicts}>
      <Trailer key={unit.id} unit={unit} />
    </BookWords.Provider>
  );
}

/** A unit with what this device knows of it that the server does not. */
function Trailer({ unit: known }: { unit: UnitPage }) {
  useEffect(() => noteOpened(known.id), [known.id]);
  const all = useHere(known);
  const here = beside(all, known);
  const unit = useMemo(() => withHere(known, all), [known, all]);
  const alone = useMemo(() => [unit], [unit]);
  const { fleet } = useSession();
  const [chosen, setChosen] = useState<string | null>(null);
  // What comes after the page is shown stands below everything: it moves nothing.
  const planned = useUnitPlan(unit.id).data !== undefined;
  const [early] = useState(planned);
  const { shown } = useShown();
  const open = unit.defects.filter(({ state }) => isOpenDefect(state));
  const certified = unit.defects.filter(({ state }) => state === 'certified');
  const jobs = unit.jobs.filter(({ state }) => isOpenJob(state));
  const judged = useJudgedStanding(unit, unit);
  const select = (code: string) => setChosen(code === chosen ? null : code);
  return (
    <>
      <State unit={unit} verdict={judged.units[0]?.verdict ?? 'not-judged'} here={here} />
      <BeforeUse unit={unit} />
      <SignWalk units={alone} ids={[unit.id]} asks />
      <NotSentYet unit={unit} here={here} />
      <LastSigned unit={unit} />
      <Certified defects={certified} />
      <Retorques unit={unit} today={dayIn(fleet.zone, new Date())} />
      <Card title="Running gear" note={readingDays(unit, fleet.zone)}>
        <RunningGear
          unit={unit}
          ends={endsOf(unit, unit.standing, judged.findings, shown)}
          size="medium"
          selected={chosen}
          onSelect={select}
        />
        {chosen ? (
          <AtEnd key={chosen} unit={unit} at={chosen} />
        ) : (
          <Text size="small" tone="soft">
            Tap a wheel end to see it or to report a defect there.
          </Text>
        )}
      </Card>
      <RunsWith unit={unit} />
      {unit.holds.length ? <Holding unit={unit} /> : null}
      <Causes unit={unit} findings={judged.findings} />
      <Card title="Open defects">
        {open.length === 0 ? <Text tone="soft">None reported.</Text> : null}
        {open.map((defect) => (
          <DefectRow key={defect.id} defect={defect}>
            <AddToReport defect={defect} />
            <PutRight defect={defect} />
          </DefectRow>
        ))}
      </Card>
      <TakenBack unit={unit} />
      {jobs.length ? (
        <Card title="Jobs">
          {jobs.map((job) => (
            <LinkRow key={job.id} href={`/job/${job.id}`} className="min-h-14 justify-center border-t border-line py-2">
              <Text bold>{job.title}</Text>
              <Text size="small" tone="soft">
                {job.day ? `${dayName(job.day)}, ${job.bay?.name} · ${job.state}` : `${job.state}, not scheduled`}
              </Text>
            </LinkRow>
          ))}
        </Card>
      ) : null}
      {early ? <InThePlan unit={unit.id} number={unit.number} /> : null}
      <LinkRow
        href={`/wear/${unit.id}`}
        className="min-h-14 justify-center rounded-2xl border border-line bg-card px-3.5 active:opacity-70"
      >
        <Text bold tone="act">
          Wear, and when a limit is reached
        </Text>
      </LinkRow>
      <History unit={unit} />
      <PastRepairs unit={unit.id} />
      <UnitActs unit={unit} />
      <ClosedJobs unit={unit} />
      <UnitPhotos unit={unit} />
      <NotFitted unit={unit} />
      <Papers unit={unit} />
      <ItsUnit unit={unit} />
      <Button label="Roadside: call service or drive in…" onPress={() => router.navigate(`/road/${unit.id}`)} />
      <Button label="Its walk-around by heart" onPress={() => router.navigate(`/practice/by-heart?unit=${unit.id}`)} />
      <Button label="What if it ran with other units…" onPress={() => router.navigate(`/combine/${unit.id}`)} />
      {early ? null : <InThePlan unit={unit.id} number={unit.number} />}
    </>
  );
}

const HEADING = 'trailer-heading';

/** Chosen from the list, the keyboard goes on in the trailer. */
function FromTheList({ id }: { id: string }) {
  // biome-ignore lint/correctness/useExhaustiveDependencies: for each trailer chosen anew.
  useEffect(() => {
    if (document.activeElement instanceof HTMLAnchorElement) document.getElementById(HEADING)?.focus();
  }, [id]);
  return null;
}

/** The trailer beside the yard's list. */
export function TrailerPanel({ id }: { id: string }) {
  const query = useUnit(id);
  const plan = useUnitPlan(id);
  return (
    <Loaded query={query} beside={[plan]}>
      {(unit) => (
        <>
          <View className="border-b border-line px-5 py-3">
            <Text level={2} size="title" bold id={HEADING} tabIndex={-1} className="outline-none">
              {unit.number} <Text tone="soft">{unit.body}</Text>
            </Text>
          </View>
          <FromTheList id={unit.id} />
          <View className="order-last border-t border-line bg-card p-3">
            <Acts unit={unit} />
          </View>
          <ScrollView className="min-h-0 flex-1" contentContainerClassName="gap-4 p-5">
            <TrailerBody unit={unit} />
          </ScrollView>
        </>
      )}
    </Loaded>
  );
}

/** One trailer on its own screen. */
export function TrailerScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const query = useUnit(id);
  const plan = useUnitPlan(id);
  const unit = query.data;
  return (
    <Screen
      title={unit?.number ?? 'Trailer'}
      under={unit?.body}
      back={goBack('/')}
      footer={unit ? <Acts unit={unit} /> : undefined}
    >
      <Loaded query={query} beside={[plan]}>
        {(page) => <TrailerBody unit={page} />}
      </Loaded>
    </Screen>
  );
}
