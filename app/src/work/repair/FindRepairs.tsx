import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { FoundRepairs } from '@zealous-axle/core';
import { useDeferredValue, useState } from 'react';
import { Card } from '../../parts/Card';
import { DefectRow } from '../../parts/DefectRow';
import { LinkRow } from '../../parts/LinkRow';
import { Loaded } from '../../parts/Loaded';
import { goBack, Screen } from '../../parts/Screen';
import { Search } from '../../parts/Search';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';
import { useSession } from '../../session/session';

const LEAST_LETTERS = 2;

function Found({ found }: { found: FoundRepairs }) {
  const { defects, jobs, more } = found;
  if (defects.length + jobs.length === 0) return <Text tone="soft">No match.</Text>;
  return (
    <>
      {more ? <Text tone="soft">Showing the newest. Add words to narrow it down.</Text> : null}
      {jobs.length ? (
        <Card title="Jobs">
          {jobs.map((job) => (
            <LinkRow key={job.id} href={`/job/${job.id}`} className="min-h-14 justify-center border-t border-line py-2">
              <Text bold>{`${job.unit.number}  ${job.title}`}</Text>
              <Text size="small" tone="soft">
                {[job.state, job.done].filter(Boolean).join(' · ')}
              </Text>
            </LinkRow>
          ))}
        </Card>
      ) : null}
      {defects.length ? (
        <Card title="Defects">
          {defects.map((defect) => (
            <LinkRow key={defect.id} href={`/trailer/${defect.unit.id}`} aria-label={`Open ${defect.unit.number}`}>
              <DefectRow defect={defect} withUnit />
            </LinkRow>
          ))}
        </Card>
      ) : null}
    </>
  );
}

/** Searches every defect and job of the fleet by its words. */
export function FindRepairs() {
  const { fleet } = useSession();
  const [typed, setTyped] = useState('');
  const text = useDeferredValue(typed.trim());
  const query = useQuery({
    queryKey: ['repairs', text],
    queryFn: () => call<FoundRepairs>('GET', `/repairs?text=${encodeURIComponent(text)}`),
    enabled: text.length >= LEAST_LETTERS,
    placeholderData: keepPreviousData,
    // Of what is typed letter by letter the device keeps no answers.
    persister: undefined,
  });
  return (
    <Screen narrow title="Search repairs" under={fleet.name} back={goBack('/shop')}>
      <Search hint="Number, code or words" text={typed} onChange={setTyped} />
      {text.length < LEAST_LETTERS ? (
        <Text tone="soft">Two letters or more.</Text>
      ) : (
        <Loaded query={query}>{(found) => <Found found={found} />}</Loaded>
      )}
    </Screen>
  );
}
