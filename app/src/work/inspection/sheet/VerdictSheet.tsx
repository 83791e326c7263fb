import {
  BOOKS,
  type BookId,
  chockedWords,
  type Finding,
  findingWords,
  type Judgement,
  keyWords,
  ownFindings,
  PURPOSE_ROLES,
  placeWords,
  reservoirSays,
  type SectionTime,
  unreadWords,
  verdictSentence,
} from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useOutbox } from '../../../device/useOutbox';
import { clock, exactly } from '../../../look/dates';
import { useWide } from '../../../look/wide';
import { BrakeSum } from '../../../parts/BrakeSum';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';
import { ChangeList } from '../../../parts/ChangeList';
import { endsOf } from '../../../parts/ends';
import { FindingRow } from '../../../parts/FindingRow';
import { Notice } from '../../../parts/Notice';
import { RunningGear } from '../../../parts/RunningGear';
import { Screen } from '../../../parts/Screen';
import { Text } from '../../../parts/Text';
import { VerdictBadge } from '../../../parts/VerdictMark';
import { BookWords } from '../../../parts/verdict';
import { useMay } from '../../../session/may';
import { useShown, useWords } from '../../../session/rules';
import { useSession } from '../../../session/session';
import { Acts } from './Acts';
import { Files } from './Files';
import { Photos } from './Photos';
import { Suggestions } from './Suggestions';
import { sectionName } from './sections';
import { type Judged, useJudged } from './useJudged';
import { WalkOn } from './WalkOn';

const isOpen = ({ verdict }: Finding) => verdict === 'not-judged';

/** What has no verdict, shortly: by kind, with its places. */
function OpenList({ findings }: { findings: readonly Finding[] }) {
  const kinds = [...new Set(findings.map(({ kind }) => kind))];
  const measured = findings.filter((each) => each.measured !== null);
  const why = useWords();
  return (
    <Card title="No verdict" note="Not measured, or measured in a way that gives no verdict. Never a pass.">
      {measured.map((each) => (
        <Text key={`${each.kind} ${each.axle} ${each.side} ${each.tyre}`}>
          {`${place(each)} ${words(each.kind)}: ${why(each.said)}`}
        </Text>
      ))}
      {kinds.map((kind) => {
        const here = findings.filter((each) => each.kind === kind && each.measured === null);
        return here.length ? (
          <View key={kind}>
            <Text bold>{words(kind)}</Text>
            <View className="flex-row flex-wrap gap-x-4">
              {here.map((each) => (
                <Text key={place(each)}>{place(each)}</Text>
              ))}
            </View>
          </View>
        ) : null;
      })}
    </Card>
  );
}

const words = (kind: string): string => findingWords({ kind });
const place = (finding: Finding): string => placeWords(finding);

/** What was passed over, and why. */
function Skips({ judged: { skips } }: { judged: Judged }) {
  if (skips.length === 0) return null;
  return (
    <Card title={`${skips.length} skipped`} note="Not checked, for the reason given. Never a pass.">
      {skips.map(({ key, reason }) => (
        <Text key={key}>
          <Text bold>{keyWords(key)}</Text>
          {`  ${reason}`}
        </Text>
      ))}
    </Card>
  );
}

/** Readings of a device whose clock was off: what it said, and when that was. */
function Clocks({ judged: { clocks } }: { judged: Judged }) {
  const { fleet } = useSession();
  if (clocks.length === 0) return null;
  return (
    <Card
      title="A device’s clock was off"
      note="Times here are corrected for its clock error when it sent. The times it recorded are shown too."
    >
      {clocks.map(({ key, at, said }) => (
        <Text key={key}>
          <Text bold>{keyWords(key)}</Text>
          {`  ${exactly(at, fleet.zone)}, by its clock ${exactly(said, fleet.zone)}`}
        </Text>
      ))}
    </Card>
  );
}

/** What a gauge sent: a stand-in's is made up, and said to be. */
function FromGauges({ judged: { gauges } }: { judged: Judged }) {
  if (gauges.length === 0) return null;
  return (
    <Card title="Sent by gauges">
      {gauges.map(({ key, words: by }) => (
        <Text key={key}>
          <Text bold>{keyWords(key)}</Text>
          {`  ${by}`}
        </Text>
      ))}
    </Card>
  );
}

/** What is inside its limits of this inspection's own reading: of a walk by eye, what was looked at. */
function withinWords(within: readonly Finding[], { taken }: Judged): string {
  const own = ownFindings(within, taken).length;
  const looked = taken.every(({ kind }) => kind === 'check');
  return looked ? `${own} checked and found good` : `${own} readings and checks inside their limits`;
}

function olderWords(within: readonly Finding[], { taken }: Judged): string | undefined {
  const older = within.length - ownFindings(within, taken).length;
  return older ? `Plus ${older} earlier readings still in use, dated on the unit page.` : undefined;
}

function Findings({ judged }: { judged: Judged }) {
  const { findings } = judged.judgement;
  const faults = findings.filter(({ verdict }) => verdict !== 'within' && verdict !== 'not-judged');
  const within = findings.filter(({ verdict }) => verdict === 'within');
  const open = findings.filter(isOpen);
  const [all, setAll] = useState(false);
  return (
    <>
      <Card title={faults.length ? 'Findings, worst first' : 'No finding past a limit'}>
        {faults.map((finding) => (
          <FindingRow
            key={`${finding.kind} ${finding.axle} ${finding.side} ${finding.tyre} ${finding.measured} ${JSON.stringify(finding.said)}`}
            finding={finding}
            unit={judged.unit}
          />
        ))}
      </Card>
      <ChangeList
        changes={judged.unitChanges}
        says="The unit’s data changed after this started, and the verdict depends on it"
      />
      <Suggestions judged={judged} />
      <Photos judged={judged} />
      {open.length ? <OpenList findings={open} /> : null}
      <Skips judged={judged} />
      <Clocks judged={judged} />
      <FromGauges judged={judged} />
      {within.length ? (
        <Card title={withinWords(within, judged)} note={olderWords(within, judged)}>
          <Button label={all ? 'Hide them' : 'Show them'} onPress={() => setAll(!all)} />
          {all
            ? within.map((finding) => (
                <FindingRow
                  key={`${finding.kind} ${finding.axle} ${finding.side} ${finding.tyre} ${finding.measured} ${JSON.stringify(finding.said)}`}
                  finding={finding}
                  unit={judged.unit}
                />
              ))
            : null}
        </Card>
      ) : null}
    </>
  );
}

/** Time spent, as a whole and by section. */
function timeWords(sections: readonly SectionTime[]): string {
  const minutes = (seconds: number) => `${Math.max(1, Math.round(seconds / 60))} min`;
  const all = sections.reduce((sum, { seconds }) => sum + seconds, 0);
  return `Took ${minutes(all)}: ${sections.map((section) => `${sectionName(section)} ${minutes(section.seconds)}`).join(', ')}`;
}

const chockedSaid = (said: NonNullable<Judged['chocked']>, zone: string): string =>
  chockedWords(said === 'here' ? null : `${said.by}, ${clock(said.at, zone)}`);

function Head({ judged }: { judged: Judged }) {
  const { fleet } = useSession();
  const { judgement, closed } = judged;
  const book = BOOKS[judgement.book.id as BookId];
  const reservoir = reservoirSays(book, judged.taken);
  const why = useWords();
  return (
    <View className="gap-2">
      <VerdictBadge large verdict={judgement.verdict} />
      {judged.stale ? (
        <Notice look="ask">There is a newer inspection. Current status is on the unit page.</Notice>
      ) : null}
      <Text>{verdictSentence(judgement)}</Text>
      {judged.job ? null : <Text bold>{unreadWords(judged.unit, judged.taken)}</Text>}
      {judged.draft?.chocked && !judged.draft.closed ? (
        <Notice look="ask">Chocks are in: remove every one before it moves.</Notice>
      ) : null}
      {judgement.verdict !== 'not-judged' && !judgement.complete ? (
        <Text bold>Incomplete: some readings have no verdict.</Text>
      ) : null}
      <Text size="small" tone="soft">
        {closed
          ? `Closed ${closed.outcome}${closed.because ? `, because: ${closed.because}` : ''}. ${closed.by}, ${clock(closed.at, fleet.zone)}.`
          : 'Not closed yet: judged on this device.'}
        {judged.sections.length ? ` ${timeWords(judged.sections)}.` : ''}
        {judged.chocked ? ` ${chockedSaid(judged.chocked, fleet.zone)}` : ''}
        {reservoir ? ` ${why([reservoir])}` : ''}
        {` Limit book ${book.name}, ${judgement.book.edition}. ${book.caution}`}
      </Text>
    </View>
  );
}

function Body({ judged, judgement, id }: { judged: Judged; judgement: Judgement; id: string }) {
  const wide = useWide();
  const { shown } = useShown();
  const files = judged.closed ? <Files id={id} /> : null;
  const share = BOOKS[judgement.book.id as BookId].brakeCount?.fraction ?? null;
  const combine = (
    <Button
      label="Count with a tractor or other trailers…"
      onPress={() => router.navigate(`/combine/${judged.unit.id}`)}
    />
  );
  // A book without a brake count has no sum to show.
  const brakes = share ? (
    <Card title="Brake count">
      <BrakeSum count={judgement.brakes} share={share} />
      {combine}
    </Card>
  ) : (
    combine
  );
  const plan = (
    <Card title="Running gear">
      <RunningGear
        unit={judged.unit}
        ends={endsOf(judged.unit, judged.readings, judged.judgement.findings, shown)}
        size="medium"
      />
    </Card>
  );
  if (!wide)
    return (
      <>
        <Head judged={judged} />
        {brakes}
        <Findings judged={judged} />
        {plan}
        <WalkOn unit={judged.unit.id} />
        {files}
      </>
    );
  return (
    <View className="flex-row items-start gap-4">
      <View className="w-[440px] gap-4">
        <Head judged={judged} />
        {brakes}
        {plan}
        <WalkOn unit={judged.unit.id} />
        {files}
      </View>
      <View className="min-w-0 flex-1 gap-4">
        <Findings judged={judged} />
      </View>
    </View>
  );
}

/** What the readings meet: worst first, each with its margin and rule; the brake count as a sum; what is still open. */
export function VerdictSheet() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { judged, waiting, problem } = useJudged(id);
  const mayCorrect = useMay(PURPOSE_ROLES.full);
  const { entries } = useOutbox();
  const unsent = entries.filter(({ body }) => (body as { inspection?: string }).inspection === id).length;
  const home = judged ? (`/trailer/${judged.unit.id}` as const) : ('/' as const);
  return (
    <Screen
      focused
      title={judged ? `${judged.unit.number} – verdict sheet` : 'Verdict sheet'}
      under={unsent ? `${unsent} entries of it wait to be sent` : judged?.unit.body}
      back={() => router.replace(judged?.draft && !judged.draft.closed ? `/inspect/${id}` : home)}
      footer={judged && (!judged.stale || (judged.closed && mayCorrect)) ? <Acts judged={judged} id={id} /> : undefined}
    >
      {judged ? (
        <BookWords.Provider value={BOOKS[judged.judgement.book.id as BookId].words.verdicts}>
          <Body judged={judged} judgement={judged.judgement} id={id} />
        </BookWords.Provider>
      ) : waiting ? (
        <Text tone="soft">Reading…</Text>
      ) : (
        <Notice look="ask">
          {problem ? problem.message : 'This inspection is still in progress on another device: it has no verdict yet.'}
        </Notice>
      )}
    </Screen>
  );
}
