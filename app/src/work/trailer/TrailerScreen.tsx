import { COMMAND_ROLES, type InspectionHead, isOpenDefect, releaseBarriers, type UnitPage } from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import CircleAlert from 'lucide-react-native/icons/circle-alert';
import Ruler from 'lucide-react-native/icons/ruler';
import { useEffect, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import type { Draft } from '../../data/draft';
import { entryOf, isDone } from '../../data/draft';
import { openDrafts } from '../../data/drafts';
import { useUnit } from '../../data/queries';
import { useMay, useSession } from '../../data/session';
import { clock, dayName, dayOf } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { DefectRow, defectPlace } from '../../parts/DefectRow';
import { endsOf } from '../../parts/ends';
import { Loaded } from '../../parts/Loaded';
import { RunningGear } from '../../parts/RunningGear';
import { goBack, Screen } from '../../parts/Screen';
import { T } from '../../parts/T';
import { VerdictBadge, VerdictMark } from '../../parts/VerdictMark';
import { VERDICT_LOOK } from '../../parts/verdict';
import { Acknowledge } from './Acknowledge';
import { Holding } from './Holding';
import { startInspection } from './start';

/** The inspection in progress on this device, if there is one. */
function useOpenDraft(unit: string): Draft | null | undefined {
  const [draft, setDraft] = useState<Draft | null>();
  useEffect(() => {
    let here = true;
    void openDrafts(unit).then(([first]) => here && setDraft(first ?? null));
    return () => {
      here = false;
    };
  }, [unit]);
  return draft;
}

function InspectButton({ unit }: { unit: UnitPage }) {
  const { fleet } = useSession();
  const draft = useOpenDraft(unit.id);
  const [busy, setBusy] = useState(false);
  if (draft === undefined) return null;
  if (draft) {
    const done = draft.steps.filter((step) => isDone(entryOf(draft, step))).length;
    return (
      <Button
        tall
        look="act"
        icon={Ruler}
        className="grow"
        label={`Go on measuring, ${done} of ${draft.steps.length}`}
        onPress={() => router.navigate(`/inspect/${draft.inspection}`)}
      />
    );
  }
  const begin = async () => {
    if (busy) return;
    setBusy(true);
    router.navigate(`/inspect/${await startInspection({ unit, book: fleet.book })}`);
  };
  return <Button tall look="act" icon={Ruler} className="grow" label="Measure" onPress={begin} disabled={busy} />;
}

function Acts({ unit }: { unit: UnitPage }) {
  const mayMeasure = useMay(COMMAND_ROLES['start-inspection']);
  return (
    <View className="flex-row flex-wrap gap-2">
      <Button
        tall
        icon={CircleAlert}
        className="grow"
        look={mayMeasure ? 'plain' : 'act'}
        label="Report a defect"
        onPress={() => router.navigate(`/report/${unit.id}`)}
      />
      {mayMeasure ? <InspectButton unit={unit} /> : null}
    </View>
  );
}

function InspectionRow({ inspection }: { inspection: InspectionHead }) {
  const { fleet } = useSession();
  const what = inspection.purpose === 'full' ? 'Measured' : 'Measured again';
  const outcome = inspection.closedAt ? inspection.outcome : 'in progress';
  return (
    <Pressable
      role="link"
      onPress={() => router.navigate(`/sheet/${inspection.id}`)}
      className="min-h-14 flex-row items-center gap-3 border-t border-line py-2 active:opacity-70"
    >
      <VerdictMark verdict={inspection.verdict ?? 'not-judged'} size={24} />
      <View className="min-w-0 flex-1">
        <T bold>
          {dayOf(inspection.startedAt, fleet.zone)}
          {inspection.verdict ? `  ${VERDICT_LOOK[inspection.verdict].word}` : ''}
        </T>
        <T size="small" tone="soft">
          {`${what} by ${inspection.by} · ${outcome}`}
        </T>
      </View>
    </Pressable>
  );
}

/** The state of the unit in one line: held or not, and what its standing readings meet. */
function State({ unit }: { unit: UnitPage }) {
  const last = unit.inspections.find((each) => each.closedAt !== null);
  return (
    <View className="flex-row flex-wrap gap-2">
      {unit.holds.length ? <VerdictBadge large verdict="out-of-service" word="Held" /> : null}
      <VerdictBadge large verdict={last?.verdict ?? 'not-judged'} word={last ? undefined : 'Never measured'} />
    </View>
  );
}

/** Everything of one trailer: the plan with its latest readings, what is wrong, what is planned, what was. */
export function TrailerBody({ unit }: { unit: UnitPage }) {
  const { fleet } = useSession();
  const [chosen, setChosen] = useState<string | null>(null);
  const open = unit.defects.filter(({ state }) => isOpenDefect(state));
  const certified = unit.defects.filter(({ state }) => state === 'certified');
  const jobs = unit.jobs.filter(({ state }) => state !== 'certified' && state !== 'cancelled');
  const [newest] = [...unit.standing].sort((a, b) => b.at.localeCompare(a.at));
  const barriers = releaseBarriers({
    held: unit.holds.length > 0,
    defects: open.map((each) => ({ ...each, place: defectPlace(each) })),
    readings: unit.standing.map((each) => ({ ...each, place: each.key.split('@')[1] ?? '' })),
  });
  const select = (code: string) => setChosen(code === chosen ? null : code);
  const here = chosen ? unit.standing.filter(({ key }) => key.split('@')[1]?.startsWith(chosen)) : [];
  return (
    <>
      <State unit={unit} />
      {certified.map((defect) => (
        <Acknowledge key={defect.id} defect={defect} />
      ))}
      <Card
        title="Running gear"
        note={newest ? `Last reading ${clock(newest.at, fleet.zone)}` : 'Nothing measured yet'}
      >
        <RunningGear unit={unit} ends={endsOf(unit, unit.standing)} size="medium" selected={chosen} onSelect={select} />
        {chosen ? (
          <View className="gap-2 border-t border-line pt-3">
            <T bold>{`At ${chosen}`}</T>
            {here.map((each) => (
              <View key={each.key} className="flex-row items-center gap-2">
                <VerdictMark verdict={each.verdict} size={20} />
                <T>{`${each.key.replace('@', ' ')}: ${clock(each.at, fleet.zone)}`}</T>
              </View>
            ))}
            <Button
              label={`Report a defect at ${chosen}`}
              onPress={() => router.navigate(`/report/${unit.id}?at=${chosen}`)}
            />
          </View>
        ) : (
          <T size="small" tone="soft">
            Touch a wheel end to see it or to report a defect there.
          </T>
        )}
      </Card>
      {unit.holds.length ? <Holding unit={unit} barriers={barriers} /> : null}
      <Card title="Open defects">
        {open.length === 0 ? <T tone="soft">None reported and none measured.</T> : null}
        {open.map((defect) => (
          <DefectRow key={defect.id} defect={defect} />
        ))}
      </Card>
      {jobs.length ? (
        <Card title="Jobs">
          {jobs.map((job) => (
            <Pressable
              key={job.id}
              role="link"
              onPress={() => router.navigate(`/job/${job.id}`)}
              className="min-h-14 justify-center border-t border-line py-2"
            >
              <T bold>{job.title}</T>
              <T size="small" tone="soft">
                {job.day ? `${dayName(job.day)}, ${job.bay?.name} · ${job.state}` : `${job.state}, not placed yet`}
              </T>
            </Pressable>
          ))}
        </Card>
      ) : null}
      <Card title="History">
        {unit.inspections.length === 0 ? <T tone="soft">No inspection yet.</T> : null}
        {unit.inspections.map((inspection) => (
          <InspectionRow key={inspection.id} inspection={inspection} />
        ))}
      </Card>
      {unit.papers.map(({ paper, on }) => (
        <T key={paper} tone="soft">{`${paper}: good until ${dayName(on)} ${on.slice(0, 4)}`}</T>
      ))}
    </>
  );
}

/** The trailer beside the yard's list. */
export function TrailerPanel({ id }: { id: string }) {
  const query = useUnit(id);
  return (
    <Loaded query={query}>
      {(unit) => (
        <>
          <View className="border-b border-line px-5 py-3">
            <T level={2} size="title" bold>
              {unit.number} <T tone="soft">{unit.body}</T>
            </T>
          </View>
          <ScrollView className="min-h-0 flex-1" contentContainerClassName="gap-4 p-5">
            <TrailerBody unit={unit} />
          </ScrollView>
          <View className="border-t border-line bg-card p-3">
            <Acts unit={unit} />
          </View>
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
