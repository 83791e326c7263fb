import type { BookId, Step, UnitPage } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { newDraft, shortReading } from '../../data/draft';
import { keepDraft } from '../../data/drafts';
import { send } from '../../data/outbox';

interface Beginning {
  unit: Pick<UnitPage, 'id' | 'number' | 'body' | 'kind' | 'axles' | 'standing'>;
  book: BookId;
  job?: { id: string; steps: Step[] };
}

/** Begins an inspection on this device, and tells the server in its turn. Gives the inspection's id. */
export async function startInspection({ unit, book, job }: Beginning): Promise<string> {
  const inspection = uuidv7();
  const purpose = job ? 're-measure' : 'full';
  await keepDraft(
    newDraft({
      inspection,
      unit: { id: unit.id, number: unit.number, body: unit.body, kind: unit.kind, axles: unit.axles },
      book,
      purpose,
      job: job?.id ?? null,
      steps: job?.steps,
      previous: Object.fromEntries(unit.standing.map(({ key, value, at }) => [key, { text: shortReading(value), at }])),
      startedAt: new Date().toISOString(),
    }),
  );
  await send(
    'start-inspection',
    { inspection, unit: unit.id, purpose, ...(job ? { job: job.id } : {}) },
    `${unit.number}: inspection started`,
  );
  return inspection;
}
