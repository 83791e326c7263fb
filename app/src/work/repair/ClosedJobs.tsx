import type { JobsPage, UnitPage } from '@zealous-axle/core';
import { useState } from 'react';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { LinkRow } from '../../parts/LinkRow';
import { Loaded } from '../../parts/Loaded';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';
import { usePages } from '../../server/queries';
import { useSession } from '../../session/session';

function List({ unit }: { unit: UnitPage }) {
  const { fleet } = useSession();
  const pages = usePages(['unit', unit.id, 'jobs'], (after) =>
    call<JobsPage>('GET', `/units/${unit.id}/jobs?${after ? `after=${encodeURIComponent(after)}` : ''}`),
  );
  return (
    <>
      <Loaded query={pages}>
        {({ pages: read }) => {
          const jobs = read.flatMap((page) => page.jobs);
          if (jobs.length === 0) return <Text tone="soft">None yet.</Text>;
          return jobs.map((job) => (
            <LinkRow key={job.id} href={`/job/${job.id}`} className="min-h-14 justify-center border-t border-line py-2">
              <Text bold>{job.title}</Text>
              <Text size="small" tone="soft">
                {job.certified ? `Certified by ${job.certified.by}, ${clock(job.certified.at, fleet.zone)}` : job.state}
              </Text>
            </LinkRow>
          ));
        }}
      </Loaded>
      {pages.hasNextPage ? <Button label="Show older" onPress={() => void pages.fetchNextPage()} /> : null}
    </>
  );
}

/** What was repaired on a unit, the newest first: asked for when somebody wants to know. */
export function ClosedJobs({ unit }: { unit: UnitPage }) {
  const [open, setOpen] = useState(false);
  return (
    <Card title="Repairs done">
      {open ? <List unit={unit} /> : <Button label="Show them" hint="repairs done" onPress={() => setOpen(true)} />}
    </Card>
  );
}
