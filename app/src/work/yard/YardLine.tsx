import { DUE_SOON_DAYS, daysBetween, type Verdict, type YardRow } from '@zealous-axle/core';
import { memo } from 'react';
import { View } from 'react-native';
import { dayOf, dueWords } from '../../look/dates';
import { useWide } from '../../look/wide';
import { LinkRow } from '../../parts/LinkRow';
import { Text } from '../../parts/Text';
import { VerdictBadge, VerdictMark } from '../../parts/VerdictMark';
import { useSession } from '../../session/session';

const isDue = (row: YardRow, today: string) => row.due !== null && daysBetween(today, row.due.on) <= DUE_SOON_DAYS;

/** What a unit is marked by: its last inspection, unless something was found since that nobody has put right. */
const markOf = ({ verdict, held, openDefects }: YardRow): Verdict =>
  verdict === null || (verdict === 'within' && (held || openDefects > 0)) ? 'not-judged' : verdict;

/** One unit as it stands, in two lines. */
export const YardLine = memo(function YardLine({
  row,
  today,
  chosen,
}: {
  row: YardRow;
  today: string;
  chosen: boolean;
}) {
  const wide = useWide();
  const { fleet } = useSession();
  const facts = [
    row.openDefects ? `${row.openDefects} open ${row.openDefects === 1 ? 'defect' : 'defects'}` : '',
    row.toAcknowledge ? `${row.toAcknowledge} ${row.toAcknowledge === 1 ? 'repair' : 'repairs'} to acknowledge` : '',
    row.lastMeasured ? `Measured ${dayOf(row.lastMeasured, fleet.zone)}` : 'Never measured',
    row.due && isDue(row, today) ? `${row.due.paper} ${dueWords(today, row.due.on)}` : '',
  ].filter(Boolean);
  return (
    <LinkRow
      aria-label={`${row.number}, ${row.body}${row.held ? ', held' : ''}. ${facts.join('. ')}`}
      aria-current={chosen ? 'true' : undefined}
      href={wide ? `/?unit=${row.id}` : `/trailer/${row.id}`}
      className={`min-h-16 flex-row flex-wrap items-center gap-3 border-b border-line px-4 py-3 active:opacity-70 ${chosen ? 'bg-raised' : 'bg-card'}`}
    >
      <VerdictMark verdict={markOf(row)} size={30} />
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
      {row.held ? <VerdictBadge verdict="out-of-service" word="Held" /> : null}
    </LinkRow>
  );
});
