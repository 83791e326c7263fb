import { AREA_WORDS, DUE_SOON_DAYS, daysBetween, headVerdict, type Verdict, type YardRow } from '@zealous-axle/core';
import { memo } from 'react';
import { View } from 'react-native';
import { clock, dayOf, dueWords } from '../../look/dates';
import { useWide } from '../../look/wide';
import { LinkRow } from '../../parts/LinkRow';
import { Text } from '../../parts/Text';
import { VerdictBadge, VerdictMark } from '../../parts/VerdictMark';
import type { Here } from '../../session/here';
import { useSession } from '../../session/session';

const isDue = (row: YardRow, today: string) => row.due !== null && daysBetween(today, row.due.on) <= DUE_SOON_DAYS;

/** What a unit is marked by: no surer than the least known of it; a report that waits for its reading leaves it open. */
const markOf = ({ verdict, looked, walked, held, openDefects, judging }: YardRow, here: boolean): Verdict => {
  if (verdict === null) return 'not-judged';
  const head = headVerdict(verdict, looked, walked !== null);
  return head === 'within' && (held || openDefects > 0 || judging || here) ? 'not-judged' : head;
};

/** When its axle ends were measured, and what of it nobody looked at. */
function knownWords({ lastMeasured, looked }: YardRow, zone: string): string {
  if (!lastMeasured) return 'Never measured';
  const measured = `Measured ${dayOf(lastMeasured, zone)}`;
  const unseen = looked.filter(({ area, read }) => area !== 'ends' && read === 0);
  if (unseen.length === 0) return measured;
  if (unseen.length === looked.length - 1) return `${measured}, nothing else checked`;
  return `${measured}, not checked: ${unseen.map(({ area }) => AREA_WORDS[area].toLowerCase()).join(', ')}`;
}

/** What this device knows of it and nobody else does yet. */
const hereWords = (here: Here | undefined): string => {
  if (!here) return '';
  if (here.closed) return 'Inspection closed here, not sent';
  return here.standing.length || here.reports.length ? 'Entries here, not sent' : '';
};

/** One unit as it stands, in two lines. */
export const YardLine = memo(function YardLine({
  row,
  today,
  chosen,
  here,
}: {
  row: YardRow;
  today: string;
  chosen: boolean;
  /** What this device knows of it beside. */
  here?: Here | undefined;
}) {
  const wide = useWide();
  const { fleet } = useSession();
  const facts = [
    row.openDefects ? `${row.openDefects} open ${row.openDefects === 1 ? 'defect' : 'defects'}` : '',
    row.toAcknowledge ? `${row.toAcknowledge} ${row.toAcknowledge === 1 ? 'repair' : 'repairs'} to acknowledge` : '',
    row.helpSince ? `Help asked ${clock(row.helpSince, fleet.zone)}, not answered` : '',
    row.inspecting ? `Inspection open, ${row.inspecting.by}` : '',
    row.judging ? 'Rules changed, new verdict on its way' : '',
    hereWords(here),
    knownWords(row, fleet.zone),
    row.due && isDue(row, today) ? `${row.due.paper} ${dueWords(today, row.due.on)}` : '',
  ].filter(Boolean);
  return (
    <LinkRow
      aria-label={`${row.number}, ${row.body}${row.held ? ', held' : here?.holds ? ', on hold here, not sent' : ''}. ${facts.join('. ')}`}
      aria-current={chosen ? 'true' : undefined}
      href={wide ? `/?unit=${row.id}` : `/trailer/${row.id}`}
      className={`min-h-16 flex-row flex-wrap items-center gap-3 border-b border-line px-4 py-3 active:opacity-70 ${chosen ? 'bg-raised' : 'bg-card'}`}
    >
      <VerdictMark verdict={markOf(row, here !== undefined)} size={30} />
      <View className="min-w-[9rem] flex-1">
        <View className="flex-row flex-wrap items-baseline gap-x-2">
          <Text bold size="lead">
            {row.number}
          </Text>
          <Text tone="soft">{row.body}</Text>
        </View>
        <Text size="small" tone={row.openDefects ? 'ink' : 'soft'}>
          {facts.join('\u00a0· ')}
        </Text>
      </View>
      {row.held ? (
        <VerdictBadge verdict="out-of-service" word="Held" />
      ) : here?.holds ? (
        <VerdictBadge verdict="out-of-service" word="On hold here, not sent" />
      ) : null}
    </LinkRow>
  );
});
