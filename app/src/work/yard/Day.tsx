import { useQuery } from '@tanstack/react-query';
import type { ShopDay } from '@zealous-axle/core';
import type { Href } from 'expo-router';
import { ScrollView, View } from 'react-native';
import { clock, dayName } from '../../look/dates';
import { minutesWords } from '../../look/minutes';
import { Card } from '../../parts/Card';
import { LinkRow } from '../../parts/LinkRow';
import { Loaded } from '../../parts/Loaded';
import { Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';
import { useSession } from '../../session/session';

const AGAIN_MS = 60_000;

/** A figure that opens its list; calm where there is nothing to do. */
function Figure({
  label,
  count,
  note,
  href,
  calm,
}: {
  label: string;
  count: number;
  note?: string | undefined;
  href: Href;
  calm?: boolean;
}) {
  const look = count > 0 && !calm ? 'border-shop bg-shop-tint' : 'border-line bg-card';
  return (
    <LinkRow
      href={href}
      aria-label={`${label}: ${count}${note ? `, ${note}` : ''}`}
      className={`min-h-24 min-w-[150px] flex-1 justify-between gap-1 rounded-2xl border p-3 ${look}`}
    >
      <Text size="small" tone="soft">
        {label}
      </Text>
      <Text size="title" bold tone={count > 0 && !calm ? 'shop' : 'ink'}>
        {count}
      </Text>
      {note ? (
        <Text size="small" tone="soft">
          {note}
        </Text>
      ) : null}
    </LinkRow>
  );
}

function Held({ held }: Pick<ShopDay, 'held'>) {
  const { fleet } = useSession();
  return (
    <Card title={`On hold (${held.count})`}>
      {held.count === 0 ? <Text tone="soft">No unit is on hold.</Text> : null}
      {held.first.map(({ unit, why, since }) => (
        <LinkRow
          key={unit.id}
          href={`/trailer/${unit.id}`}
          className="min-h-14 justify-center border-t border-line py-2"
        >
          <Text bold>
            {unit.number} <Text tone="soft">{unit.body}</Text>
          </Text>
          <Text size="small" tone="out">{`${why} · since ${clock(since, fleet.zone)}`}</Text>
        </LinkRow>
      ))}
      {held.count > held.first.length ? (
        <Text tone="soft">{`And ${held.count - held.first.length} more, in the yard.`}</Text>
      ) : null}
    </Card>
  );
}

const unready = (held: boolean, open: number): string =>
  [held ? 'on hold' : '', open ? `${open} open ${open === 1 ? 'defect' : 'defects'}` : ''].filter(Boolean).join(', ');

function Leaving({ leaving }: Pick<ShopDay, 'leaving'>) {
  const { fleet } = useSession();
  return (
    <Card title={`Leaving, not ready (${leaving.count})`} note="Departures of today and tomorrow">
      {leaving.count === 0 ? <Text tone="soft">Nothing that leaves is on hold or has open defects.</Text> : null}
      {leaving.first.map(({ unit, at, to, held, openDefects }) => (
        <LinkRow
          key={unit.id}
          href={`/trailer/${unit.id}`}
          className="min-h-14 justify-center border-t border-line py-2"
        >
          <Text bold>{`${unit.number}, ${clock(at, fleet.zone)} to ${to}`}</Text>
          <Text size="small" tone={held ? 'out' : 'shop'}>
            {unready(held, openDefects)}
          </Text>
        </LinkRow>
      ))}
    </Card>
  );
}

function Working({ working }: Pick<ShopDay, 'working'>) {
  return (
    <Card title={`Clocked on (${working.length})`}>
      {working.length === 0 ? <Text tone="soft">No one is clocked in.</Text> : null}
      {working.map(({ person, job, unit, minutes, spent }) => (
        <LinkRow
          key={`${person} ${job.id}`}
          href={`/job/${job.id}`}
          className="min-h-14 justify-center border-t border-line py-2"
        >
          <Text bold>{`${person}: ${unit}, ${job.title}`}</Text>
          <Text size="small" tone={spent > minutes ? 'shop' : 'soft'}>
            {`${minutesWords(spent)} of ${minutesWords(minutes)}${spent > minutes ? ', over' : ''}`}
          </Text>
        </LinkRow>
      ))}
    </Card>
  );
}

function Figures({ day }: { day: ShopDay }) {
  const { fleet } = useSession();
  const { reports, parts, papers, wear, help, comeBacks, retorques, days } = day;
  const oldest = reports.oldest ? `oldest ${clock(reports.oldest, fleet.zone)}` : undefined;
  return (
    <View className="flex-row flex-wrap gap-3">
      <Figure
        label="Reports to review"
        count={reports.waiting}
        note={reports.overADay ? `${reports.overADay} more than a day old` : oldest}
        href="/shop"
      />
      {help ? <Figure label="Calls for help" count={help} note="not answered" href="/shop" /> : null}
      <Figure label="Re-torques overdue" count={retorques} href="/shop" />
      <Figure
        label="Parts on order"
        count={parts.awaited}
        note={parts.late ? `${parts.late} late` : undefined}
        href="/work"
        calm={parts.late === 0}
      />
      <Figure
        label="Units with a document past due"
        count={papers.over}
        note={`${papers.soon} due within ${days} days`}
        href="/"
        calm={papers.over === 0}
      />
      <Figure
        label="Units past a wear limit"
        count={wear.past}
        note={`${wear.soon} reach a limit within ${days} days`}
        href="/forecast"
      />
      <Figure label={`Comebacks, ${days} days`} count={comeBacks} href="/repairs" calm />
    </View>
  );
}

/** What the shop has before it today: each figure opens its list. */
function DayPanel() {
  const query = useQuery({
    queryKey: ['shop', 'day'],
    queryFn: () => call<ShopDay>('GET', '/day'),
    refetchInterval: AGAIN_MS,
  });
  return (
    <Loaded query={query}>
      {(day) => (
        <>
          <Text level={2} size="title" bold>
            {dayName(day.today)}
          </Text>
          <Figures day={day} />
          <Held held={day.held} />
          <Leaving leaving={day.leaving} />
          <Working working={day.working} />
        </>
      )}
    </Loaded>
  );
}

/** The same beside the yard, on a wide screen. */
export const DayBeside = () => (
  <ScrollView contentContainerClassName="gap-4 p-5 pb-8">
    <DayPanel />
  </ScrollView>
);

export function DayScreen() {
  const { fleet } = useSession();
  return (
    <Screen narrow title="Today" under={fleet.name}>
      <DayPanel />
    </Screen>
  );
}
