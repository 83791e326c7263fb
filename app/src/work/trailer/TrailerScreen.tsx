import {
  BOOKS,
  causesOf,
  dayIn,
  type Finding,
  findingWords,
  isOpenDefect,
  isOpenJob,
  keyWords,
  parseKey,
  readingText,
  releaseBarriers,
  subjectOf,
  type UnitPage,
  type Verdict,
} from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import CircleAlert from 'lucide-react-native/icons/circle-alert';
import { useEffect, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
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
import { endCode, RunningGear } from '../../parts/RunningGear';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { VerdictBadge, VerdictMark } from '../../parts/VerdictMark';
import { BookWords } from '../../parts/verdict';
import { useUnit } from '../../server/queries';
import { useMaySend } from '../../session/may';
import { useShown } from '../../session/rules';
import { useSession } from '../../session/session';
import { useJudgedStanding } from '../../session/standing';
import { MakerLimits } from '../fleet/MakerLimits';
import { Papers } from '../fleet/Papers';
import { InspectButton } from '../inspection/InspectButton';
import { Certified } from '../repair/Certified';
import { ClosedJobs } from '../repair/ClosedJobs';
import { Holding } from '../repair/Holding';
import { Retorques } from '../repair/Retorques';
import { AddToReport } from '../report/AddToReport';
import { History, UnitPhotos } from './History';
import { InThePlan } from './InThePlan';
import { ItsUnit } from './ItsUnit';
import { RunsWith } from './RunsWith';

/** A walk round that found nothing is signed in two taps, with or without a signal. */
function NothingFound({ unit }: { unit: UnitPage }) {
  const { person } = useSession();
  const [asking, setAsking] = useState(false);
  if (!useMaySend('report-nothing') || person.role !== 'driver') return null;
  const sign = () => {
    setAsking(false);
    void send('report-nothing', { report: uuidv7(), unit: unit.id }, `${unit.number}: walked round, nothing found`);
  };
  return asking ? (
    <Button tall look="act" className="grow" label={`Sign: ${unit.number}, nothing found`} onPress={sign} />
  ) : (
    <Button tall className="grow" label="Nothing found" onPress={() => setAsking(true)} />
  );
}

/** What was entered here about this unit and is not sent yet: it is shown at once, and as what it is. */
function NotSentYet({ unit }: { unit: UnitPage }) {
  const { entries } = useOutbox();
  const own = entries.filter(({ body, refused }) => !refused && (body as { unit?: string }).unit === unit.id);
  if (own.length === 0) return null;
  return (
    <Card title="Not sent yet" note="Kept on this device until there is a signal.">
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

/** The state of the unit in one line: held or not, and what it meets as it stands. */
function State({ unit, verdict }: { unit: UnitPage; verdict: Verdict }) {
  return (
    <View className="flex-row flex-wrap gap-2">
      {unit.holds.length ? <VerdictBadge large verdict="out-of-service" word="Held" /> : null}
      <VerdictBadge large verdict={verdict} word={unit.standing.length ? undefined : 'Never measured'} />
    </View>
  );
}

/** What its verdict rests on and no open defect says. */
function Causes({ unit, findings }: { unit: UnitPage; findings: readonly Finding[] }) {
  const causes = causesOf(findings, unit.defects);
  if (causes.length === 0) return null;
  return (
    <Card title="Stands past a limit" note="Read, and not among the open defects.">
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
    <Card title="Not fitted" note="Not asked for on this unit.">
      {unit.notFitted.map((key) => (
        <View key={key} className="min-h-12 flex-row items-center justify-between gap-3 border-t border-line">
          <Text className="min-w-0 flex-1">{keyWords(key)}</Text>
          {may ? (
            <Button
              look="bare"
              label="It is fitted"
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
    : `Oldest reading that counts ${from}, newest ${clock(newest, zone)}`;
}

/** What a standing reading is of: `Outer tread`. */
function standingWords({ key, tyre }: UnitPage['standing'][number]): string {
  const what = findingWords({ kind: subjectOf(parseKey(key)) });
  if (tyre !== 'inner' && tyre !== 'outer') return what;
  return `${tyre === 'inner' ? 'Inner' : 'Outer'} ${what.charAt(0).toLowerCase()}${what.slice(1)}`;
}

/** Everything of one trailer: the plan with its latest readings, what is wrong, what is planned, what was. */
function TrailerBody({ unit }: { unit: UnitPage }) {
  const { fleet } = useSession();
  return (
    <BookWords.Provider value={BOOKS[unit.features.book ?? fleet.book].words.verdicts}>
      <Trailer unit={unit} />
    </BookWords.Provider>
  );
}

function Trailer({ unit }: { unit: UnitPage }) {
  useEffect(() => noteOpened(unit.id), [unit.id]);
  const { fleet } = useSession();
  const [chosen, setChosen] = useState<string | null>(null);
  const { shown } = useShown();
  const open = unit.defects.filter(({ state }) => isOpenDefect(state));
  const certified = unit.defects.filter(({ state }) => state === 'certified');
  const jobs = unit.jobs.filter(({ state }) => isOpenJob(state));
  const judged = useJudgedStanding(unit, unit);
  const barriers = releaseBarriers({
    held: unit.holds.length > 0,
    defects: open.map((each) => ({ ...each, place: defectPlace(each) })),
    readings: unit.standing.map((each) => ({
      ...each,
      kind: subjectOf(parseKey(each.key)),
      place: defectPlace(each),
    })),
  });
  const select = (code: string) => setChosen(code === chosen ? null : code);
  const here = unit.standing.filter(({ axle, side }) => axle && side && endCode({ axle, side }) === chosen);
  return (
    <>
      <State unit={unit} verdict={judged.units[0]?.verdict ?? 'not-judged'} />
      <NothingFound unit={unit} />
      <NotSentYet unit={unit} />
      {unit.nothingFound ? (
        <Text tone="soft">{`Walked round, nothing found: ${unit.nothingFound.by}, ${clock(unit.nothingFound.at, fleet.zone)}`}</Text>
      ) : null}
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
          <View className="gap-2 border-t border-line pt-3">
            <Text bold>{`At ${chosen}`}</Text>
            {here.map((each) => (
              <View key={each.key} className="flex-row items-center gap-2">
                <VerdictMark verdict={each.verdict} size={20} />
                <Text className="min-w-0 flex-1">
                  <Text bold>{`${standingWords(each)} `}</Text>
                  {`${shown(readingText(each.value))}, ${clock(each.at, fleet.zone)}`}
                  {each.doubtful ? '. Which of two readings is the later is not known: look again' : ''}
                </Text>
              </View>
            ))}
            <MakerLimits key={chosen} unit={unit} at={chosen} />
            <Button
              label={`Report a defect at ${chosen}`}
              onPress={() => router.navigate(`/report/${unit.id}?at=${chosen}`)}
            />
          </View>
        ) : (
          <Text size="small" tone="soft">
            Touch a wheel end to see it or to report a defect there.
          </Text>
        )}
      </Card>
      <RunsWith unit={unit} />
      {unit.holds.length ? <Holding unit={unit} barriers={barriers} /> : null}
      <Causes unit={unit} findings={judged.findings} />
      <Card title="Open defects">
        {open.length === 0 ? <Text tone="soft">None reported.</Text> : null}
        {open.map((defect) => (
          <DefectRow key={defect.id} defect={defect}>
            <AddToReport defect={defect} />
          </DefectRow>
        ))}
      </Card>
      {jobs.length ? (
        <Card title="Jobs">
          {jobs.map((job) => (
            <LinkRow key={job.id} href={`/job/${job.id}`} className="min-h-14 justify-center border-t border-line py-2">
              <Text bold>{job.title}</Text>
              <Text size="small" tone="soft">
                {job.day ? `${dayName(job.day)}, ${job.bay?.name} · ${job.state}` : `${job.state}, not placed yet`}
              </Text>
            </LinkRow>
          ))}
        </Card>
      ) : null}
      <InThePlan unit={unit.id} number={unit.number} />
      <LinkRow
        href={`/wear/${unit.id}`}
        className="min-h-14 justify-center rounded-2xl border border-line bg-card px-3.5 active:opacity-70"
      >
        <Text bold tone="act">
          Wear, and when a limit is reached
        </Text>
      </LinkRow>
      <History unit={unit} />
      <ClosedJobs unit={unit} />
      <UnitPhotos unit={unit} />
      <NotFitted unit={unit} />
      <Papers unit={unit} />
      <ItsUnit unit={unit} />
      <Button label="On the road: service, or drive there …" onPress={() => router.navigate(`/road/${unit.id}`)} />
      <Button label="What if it ran with other units …" onPress={() => router.navigate(`/combine/${unit.id}`)} />
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
  return (
    <Loaded query={query}>
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
  const unit = query.data;
  return (
    <Screen
      title={unit?.number ?? 'Trailer'}
      under={unit?.body}
      back={goBack('/')}
      footer={unit ? <Acts unit={unit} /> : undefined}
    >
      <Loaded query={query}>{(page) => <TrailerBody unit={page} />}</Loaded>
    </Screen>
  );
}
