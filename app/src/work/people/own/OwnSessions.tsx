import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { OwnSessions as Own } from '@zealous-axle/core';
import { useState } from 'react';
import { clock } from '../../../look/dates';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';
import { Notice } from '../../../parts/Notice';
import { Text } from '../../../parts/Text';
import { call } from '../../../server/client';
import { useSession } from '../../../session/session';

const KEY = ['own-sessions'];

/** Where one is signed in, and an end to all but here. */
export function OwnSessions() {
  const { fleet } = useSession();
  const client = useQueryClient();
  const [problem, setProblem] = useState<string | null>(null);
  const { data } = useQuery({ queryKey: KEY, queryFn: () => call<Own>('GET', '/session/all') });
  const others = data?.filter(({ here }) => !here) ?? [];
  if (others.length === 0) return null;
  const end = () =>
    void call('DELETE', '/session/others')
      .then(() => client.invalidateQueries({ queryKey: KEY }))
      .catch((error: Error) => setProblem(error.message));
  return (
    <Card title="Signed in elsewhere">
      {others.map(({ opened }) => (
        <Text key={opened} size="small" tone="soft">{`Also signed in since ${clock(opened, fleet.zone)}`}</Text>
      ))}
      <Button label="Sign out everywhere else" onPress={end} />
      {problem ? <Notice look="stop">{problem}</Notice> : null}
    </Card>
  );
}
