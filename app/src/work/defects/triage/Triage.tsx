import type { TriagePage, TriageReport } from '@zealous-axle/core';
import { memo, useCallback, useState } from 'react';
import { View } from 'react-native';
import { useOutbox } from '../../../device/useOutbox';
import { Button } from '../../../parts/Button';
import { DefectRow } from '../../../parts/DefectRow';
import { LinkRow } from '../../../parts/LinkRow';
import { leavesWords } from '../../../parts/leaves';
import { Notice } from '../../../parts/Notice';
import { Text } from '../../../parts/Text';
import { VerdictBadge } from '../../../parts/VerdictMark';
import { useWords } from '../../../session/rules';
import { useSession } from '../../../session/session';
import { Answer } from './Answer';
import { type Answered, answer, answerWords, asProposed, placeOf, takeBack, urgencyWords } from './answers';
import { useKeys } from './useKeys';

type Group = TriagePage['groups'][number];

interface ReportProps {
  report: TriageReport;
  current: boolean;
  may: boolean;
  onProposed: (report: TriageReport) => void;
  onOther: (report: TriageReport) => void;
}

/** One report, why it stands where it stands, and the answer that is proposed. Drawn again only where it changed. */
const Report = memo(function Report({ report, current, may, onProposed, onOther }: ReportProps) {
  const { proposal } = report;
  const why = useWords();
  const words = answerWords(asProposed(report));
  return (
    <View
      aria-current={current ? 'true' : undefined}
      className={`rounded-xl px-2 ${current ? 'border-2 border-act' : 'border-2 border-card'}`}
    >
      <DefectRow defect={report.defect}>
        <Text size="small">
          <Text bold size="small">
            {`${urgencyWords(report)}. `}
          </Text>
          {why(proposal.said)}
        </Text>
        {may ? (
          <View className="flex-row flex-wrap gap-2">
            <Button
              className="min-w-0 max-w-full shrink grow"
              look="act"
              label={capital(words)}
              hint={placeOf(report)}
              onPress={() => onProposed(report)}
            />
            <Button label="Other decision…" hint={placeOf(report)} onPress={() => onOther(report)} />
          </View>
        ) : null}
      </DefectRow>
    </View>
  );
});

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** A report as it stands: changed meanwhile, it may be answered again. */
const nameOf = ({ defect: { id, version } }: TriageReport): string => `${id} ${version}`;

/** What was answered last: said, and taken back in one tap. */
function Last({ last, onUndo }: { last: readonly TriageReport[]; onUndo: () => void }) {
  const [first] = last;
  if (!first) return null;
  const words = last.length === 1 ? placeOf(first) : `${first.defect.unit.number}, ${last.length} reports`;
  return (
    <View className="flex-row items-center gap-2">
      <View className="min-w-0 flex-1">
        <Notice look="good">{`Decided: ${words}.`}</Notice>
      </View>
      <Button label="Undo" onPress={onUndo} />
    </View>
  );
}

interface GroupProps {
  group: Group;
  may: boolean;
  current: TriageReport | undefined;
  onAll: () => void;
  onProposed: (report: TriageReport) => void;
  onOther: (report: TriageReport) => void;
}

/** The reports of one trailer, with what presses it. */
function OfTrailer({ group, may, current, onAll, onProposed, onOther }: GroupProps) {
  const { fleet } = useSession();
  const { unit, held, leaves, reports } = group;
  return (
    <View className="gap-1 border-t border-line pt-2">
      <LinkRow
        aria-label={`Open ${unit.number}`}
        href={`/trailer/${unit.id}`}
        className="min-h-11 flex-row flex-wrap items-center gap-2"
      >
        <Text bold size="lead">
          {unit.number}
        </Text>
        <Text tone="soft">{unit.body}</Text>
        {held ? <VerdictBadge verdict="out-of-service" word="Held" /> : null}
        {leaves ? <Text size="small">{leavesWords(leaves, fleet.zone)}</Text> : null}
      </LinkRow>
      {may && reports.length > 1 ? (
        <Button label={`Accept all ${reports.length} for ${unit.number}`} onPress={onAll} />
      ) : null}
      {reports.map((report) => (
        <Report
          key={report.defect.id}
          report={report}
          current={may && report === current}
          may={may}
          onProposed={onProposed}
          onOther={onOther}
        />
      ))}
    </View>
  );
}

/** What was answered here, so that nothing is answered twice, and which of the reports are left. */
function useAnswering(groups: readonly Group[]) {
  const { entries } = useOutbox();
  const [given] = useState(() => new Set<string>());
  const [last, setLast] = useState<readonly TriageReport[]>([]);
  const refused = new Set(
    entries.filter((entry) => entry.refused).map(({ body }) => (body as { defect?: string }).defect),
  );
  const isLeft = (report: TriageReport) => !given.has(nameOf(report)) || refused.has(report.defect.id);
  const left = groups
    .map((group) => ({ ...group, reports: group.reports.filter(isLeft) }))
    .filter(({ reports }) => reports.length > 0);
  const give = useCallback(
    (reports: readonly TriageReport[], what: (report: TriageReport) => Answered) => {
      // A second key before the list is drawn again must not answer a report twice.
      const fresh = reports.filter((report) => !given.has(nameOf(report)));
      if (fresh.length === 0) return;
      setLast(fresh);
      for (const report of fresh) {
        given.add(nameOf(report));
        void answer(report, what(report));
      }
    },
    [given],
  );
  const undo = () => {
    setLast([]);
    for (const report of last) void takeBack(report);
  };
  return { left, last, give, undo };
}

/** Reports nobody has answered yet, by trailer. By keyboard: n next, a as proposed, o otherwise, u undo. */
export function Triage({ groups, may, today }: { groups: readonly Group[]; may: boolean; today: string }) {
  const { left, last, give, undo } = useAnswering(groups);
  const [open, setOpen] = useState<TriageReport | null>(null);
  const [at, setAt] = useState(0);
  const all = left.flatMap(({ reports }) => reports);
  const current = all[Math.min(at, all.length - 1)];
  const giveProposed = useCallback((report: TriageReport) => give([report], asProposed), [give]);
  useKeys(
    may && !open
      ? {
          n: () => setAt((now) => (now + 1) % Math.max(1, all.length)),
          a: () => current && give([current], asProposed),
          o: () => current && setOpen(current),
          u: undo,
        }
      : {},
  );
  return (
    <View className="gap-2">
      <Last last={last} onUndo={undo} />
      {all.length === 0 ? <Text tone="soft">No reports to review.</Text> : null}
      {left.map((group) => (
        <OfTrailer
          key={group.unit.id}
          group={group}
          may={may}
          current={current}
          onAll={() => give(group.reports, asProposed)}
          onProposed={giveProposed}
          onOther={setOpen}
        />
      ))}
      {open ? (
        <Answer
          report={open}
          today={today}
          onAnswer={(given) => {
            setOpen(null);
            give([open], () => given);
          }}
          onClose={() => setOpen(null)}
        />
      ) : null}
    </View>
  );
}
