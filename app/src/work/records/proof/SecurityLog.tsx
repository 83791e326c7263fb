import { SECURITY_KINDS, type SecurityEntry, type SecurityKind, type SecurityPage } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { exactly } from '../../../look/dates';
import { Button } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { Loaded } from '../../../parts/Loaded';
import { goBack, Screen } from '../../../parts/Screen';
import { Text } from '../../../parts/Text';
import { call } from '../../../server/client';
import { usePages } from '../../../server/queries';
import { useSession } from '../../../session/session';
import { REFUSALS, SECURITY_WORDS } from './words';

const CHOICES: readonly { value: SecurityKind | 'all'; label: string }[] = [
  { value: 'all', label: 'Everything' },
  ...SECURITY_KINDS.filter((kind) => ['signed-in', 'sign-in-refused', 'did', 'exported'].includes(kind)).map(
    (value) => ({
      value,
      label: SECURITY_WORDS[value],
    }),
  ),
];

/** What was done or tried, in the words of a command's name. */
const whatOf = ({ kind, what }: SecurityEntry): string | null =>
  kind === 'did' ? (what?.replaceAll('-', ' ') ?? null) : what;

function Line({ entry }: { entry: SecurityEntry }) {
  const { fleet } = useSession();
  const what = whatOf(entry);
  return (
    <View className="border-t border-line py-2">
      <Text bold tone={REFUSALS.includes(entry.kind) ? 'out' : 'ink'}>
        {[SECURITY_WORDS[entry.kind], what].filter(Boolean).join(': ')}
      </Text>
      <Text size="small" tone="soft">
        {[entry.by ?? 'No one in the fleet', exactly(entry.at, fleet.zone), entry.from && `from ${entry.from}`]
          .filter(Boolean)
          .join(' · ')}
      </Text>
    </View>
  );
}

/** Who came in, who was refused, and who changed what others may do. */
export function SecurityLog() {
  const { fleet } = useSession();
  const [kind, setKind] = useState<SecurityKind | 'all'>('all');
  const pages = usePages(['records', 'security', kind], (key) =>
    call<SecurityPage>(
      'GET',
      `/security-log?${new URLSearchParams({ ...(kind === 'all' ? {} : { kind }), ...(key ? { before: key } : {}) })}`,
    ),
  );
  return (
    <Screen narrow title="Security log" under={fleet.name} back={goBack('/records')}>
      <Choice label="Show" options={CHOICES} value={kind} onChange={setKind} pairs />
      <Loaded query={pages}>
        {({ pages: read }) => {
          const entries = read.flatMap((page) => page.entries);
          return (
            <View>
              {entries.length === 0 ? <Text tone="soft">Nothing of this kind on record.</Text> : null}
              {entries.map((entry) => (
                <Line key={entry.id} entry={entry} />
              ))}
            </View>
          );
        }}
      </Loaded>
      {pages.hasNextPage ? (
        <Button label="Show more" disabled={pages.isFetchingNextPage} onPress={() => void pages.fetchNextPage()} />
      ) : null}
    </Screen>
  );
}
