import {
  type Finding,
  findingWords,
  holds,
  type Judgement,
  placeWords,
  type SectionTime,
  sectionSeconds,
  type Verdict,
} from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { keepDraft } from '../../../device/drafts';
import { send } from '../../../device/outbox';
import { useOutbox } from '../../../device/useOutbox';
import { clock } from '../../../look/dates';
import { useWide } from '../../../look/wide';
import { BrakeSum } from '../../../parts/BrakeSum';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';
import { Drawer } from '../../../parts/Drawer';
import { endsOf } from '../../../parts/ends';
import { FindingRow } from '../../../parts/FindingRow';
import { Notice } from '../../../parts/Notice';
import { RunningGear } from '../../../parts/RunningGear';
import { Screen } from '../../../parts/Screen';
import { Text } from '../../../parts/Text';
import { TextField } from '../../../parts/TextField';
import { VerdictBadge } from '../../../parts/VerdictMark';
import { useBook } from '../../../session/rules';
import { useMaySend, useSession } from '../../../session/session';
import { useTyped } from '../../../session/useTyped';
import { Files } from './Files';
import { Photos } from './Photos';
import { Suggestions } from './Suggestions';
import { sectionName } from './sections';
import { type Judged, useJudged } from './useJudged';

const SENTENCE: Record<Verdict, string> = {
  'out-of-service': 'Meets an out-of-service criterion. The trailer is held.',
  violation: 'Past an in-service limit. Repair before it is used; it fails the periodic inspection.',
  'shop-limit': 'Legal, but past a limit of the shop or the maker.',
  within: 'Everything expected was measured, and every reading is inside its limits.',
  'not-judged': 'Nothing found past a limit, but not everything has a verdict. This is not a pass.',
};
const isOpen = ({ verdict }: Finding) => verdict === 'not-judged';

/** What has no verdict, shortly: by kind, with its places. */
function OpenList({ findings }: { findings: readonly Finding[] }) {
  const kinds = [...new Set(findings.map(({ kind }) => kind))];
  const measured = findings.filter((each) => each.measured !== null);
  return (
    <Card title="Not judged" note="Not measured, or measured so that no verdict follows. Never a pass.">
      {measured.map((each) => (
        <Text
          key={`${each.kind} ${each.axle} ${each.side} ${each.tyre}`}
        >{`${place(each)} ${words(each.kind)}: ${each.because}`}</Text>
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
            key={`${finding.kind} ${finding.axle} ${finding.side} ${finding.tyre} ${finding.measured} ${finding.because}`}
            finding={finding}
            unit={judged.unit}
          />
        ))}
      </Card>
      <Suggestions judged={judged} />
      <Photos judged={judged} />
      {open.length ? <OpenList findings={open} /> : null}
      {within.length ? (
        <Card title={`${within.length} readings and checks inside their limits`}>
          <Button label={all ? 'Hide them' : 'Show them'} onPress={() => setAll(!all)} />
          {all
            ? within.map((finding) => (
                <FindingRow
                  key={`${finding.kind} ${finding.axle} ${finding.side} ${finding.tyre} ${finding.measured} ${finding.because}`}
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

function Head({ judged }: { judged: Judged }) {
  const { fleet } = useSession();
  const { judgement, closed } = judged;
  const book = useBook();
  return (
    <View className="gap-2">
      <VerdictBadge large verdict={judgement.verdict} />
      <Text>{SENTENCE[judgement.verdict]}</Text>
      {judgement.verdict !== 'not-judged' && !judgement.complete ? (
        <Text bold>Incomplete: some readings have no verdict.</Text>
      ) : null}
      <Text size="small" tone="soft">
        {closed
          ? `Closed ${closed.outcome}${closed.because ? `, because: ${closed.because}` : ''}. ${closed.by}, ${clock(closed.at, fleet.zone)}.`
          : 'Not closed yet: judged on this device.'}
        {judged.sections.length ? ` ${timeWords(judged.sections)}.` : ''}
        {` Limit book ${book.name}, ${judgement.book.edition}. ${book.caution}`}
      </Text>
    </View>
  );
}

function Acts({ judged, id }: { judged: Judged; id: string }) {
  const [asking, setAsking] = useState<'close' | 'hold' | null>(null);
  const typed = useTyped(`close ${id}`, { because: '' });
  const [reason, setReason] = useState('');
  const [busy, setBusy] = useState(false);
  const { draft, unit, open } = judged;
  const mayHold = useMaySend('hold-trailer');
  if (!typed) return null;
  const { because } = typed.value;

  const close = async () => {
    if (!draft || busy) return;
    setBusy(true);
    const outcome = open ? 'incomplete' : 'complete';
    await send(
      'close-inspection',
      { inspection: id, outcome, ...(open ? { because: because.trim() } : {}), sections: sectionSeconds(draft) },
      `${unit.number}: inspection closed`,
    );
    await keepDraft({ ...draft, closed: true });
    await typed.clear();
    router.replace(draft.job ? `/job/${draft.job}` : `/trailer/${unit.id}`);
  };
  const hold = async () => {
    setAsking(null);
    await send('hold-trailer', { hold: uuidv7(), unit: unit.id, reason: reason.trim() }, `${unit.number}: held`);
    setReason('');
  };
  const startHold = () => {
    const [first] = judged.judgement.findings;
    setReason(first && judged.judgement.verdict !== 'within' ? `${place(first)}: ${first.because}`.slice(0, 300) : '');
    setAsking('hold');
  };
  return (
    <>
      <View className="flex-row flex-wrap gap-2">
        {!mayHold || (judged.closed && holds(judged.judgement.verdict)) ? null : (
          <Button tall look="stop" className="grow" label="Hold trailer" onPress={startHold} />
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
            <Button tall look="act" className="grow" label="Close inspection" onPress={close} disabled={busy} />
          )
        ) : null}
      </View>
      {asking === 'close' ? (
        <Drawer title={`Close with ${open} open`} onClose={() => setAsking(null)}>
          <Text>What is not measured stays open on the sheet, and is never a pass. Say why it was left.</Text>
          <TextField
            label="Because"
            value={because}
            onChangeText={(next) => typed.change({ because: next })}
            multiline
            maxLength={500}
            autoFocus
          />
          <Button tall look="act" label="Close incomplete" onPress={close} disabled={because.trim() === '' || busy} />
        </Drawer>
      ) : null}
      {asking === 'hold' ? (
        <Drawer title={`Hold ${unit.number}`} onClose={() => setAsking(null)}>
          <Text>It stays held until every holding defect is certified and someone releases it.</Text>
          <TextField label="Reason" value={reason} onChangeText={setReason} multiline maxLength={300} autoFocus />
          <Button tall look="stop" label={`Hold ${unit.number}`} onPress={hold} disabled={reason.trim() === ''} />
        </Drawer>
      ) : null}
    </>
  );
}

function Body({ judged, judgement, id }: { judged: Judged; judgement: Judgement; id: string }) {
  const wide = useWide();
  const files = judged.closed ? <Files id={id} /> : null;
  const brakes = (
    <Card title="Brake count">
      <BrakeSum count={judgement.brakes} />
      <Button
        label="With a tractor or other trailers …"
        onPress={() => router.navigate(`/combine/${judged.unit.id}`)}
      />
    </Card>
  );
  const plan = (
    <Card title="Running gear">
      <RunningGear unit={judged.unit} ends={endsOf(judged.unit, judged.readings)} size="medium" />
    </Card>
  );
  if (!wide)
    return (
      <>
        <Head judged={judged} />
        {brakes}
        <Findings judged={judged} />
        {plan}
        {files}
      </>
    );
  return (
    <View className="flex-row items-start gap-4">
      <View className="w-[440px] gap-4">
        <Head judged={judged} />
        {brakes}
        {plan}
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
  const { entries } = useOutbox();
  const unsent = entries.filter(({ body }) => (body as { inspection?: string }).inspection === id).length;
  const home = judged ? (`/trailer/${judged.unit.id}` as const) : ('/' as const);
  return (
    <Screen
      focused
      title={judged ? `${judged.unit.number} – verdict sheet` : 'Verdict sheet'}
      under={unsent ? `${unsent} entries of it wait to be sent` : judged?.unit.body}
      back={() => router.replace(judged?.draft && !judged.draft.closed ? `/inspect/${id}` : home)}
      footer={
        judged && !(judged.closed && holds(judged.judgement.verdict)) ? <Acts judged={judged} id={id} /> : undefined
      }
    >
      {judged ? (
        <Body judged={judged} judgement={judged.judgement} id={id} />
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
