import {
  type Draft,
  EMPTY_ENTRY,
  jumpTo,
  keyOf,
  newDraft,
  parseKey,
  type Reading,
  readingKey,
  rulesFor,
  type Session,
  type Sheet,
  saidChocked,
  stepSchema,
  type UnitPage,
} from '@zealous-axle/core';
import { router } from 'expo-router';
import { findDraft, keepDraft } from '../../../device/drafts';
import { useOutbox } from '../../../device/useOutbox';
import { useSheet, useUnit } from '../../../server/queries';
import { rulesOf } from '../../../session/rules';
import { useSession } from '../../../session/session';
import type { Judged } from './useJudged';

/** A closed inspection as a device would have kept it: every reading that stands, each to be corrected at its pad. */
function draftOf(sheet: Sheet, unit: UnitPage, session: Session): Draft {
  const units = session.person.units ?? session.fleet.units;
  const live = sheet.readings.filter(({ supersededBy }) => supersededBy === null);
  const steps = live.flatMap(({ value }) => stepSchema.safeParse(parseKey(readingKey(value))).data ?? []);
  const { id, number, body, kind, axles, features, notFitted, lives } = unit;
  const purpose = sheet.purpose === 'import' ? 'full' : sheet.purpose;
  const draft = newDraft({
    inspection: sheet.id,
    unit: { id, number, body, kind, axles, features, notFitted },
    rules: rulesFor(rulesOf(session), unit.features),
    purpose,
    route: sheet.route === null ? null : { id: 'closed', name: sheet.route, sections: [] },
    job: sheet.job,
    steps,
    padUnit: units.length,
    airUnit: units.pressure,
    temperatureUnit: units.temperature,
    previous: {},
    lives,
    startedAt: sheet.startedAt,
  });
  const entries = live.map(({ id: reading, value }) => [
    readingKey(value),
    { ...EMPTY_ENTRY, saved: { reading, value } },
  ]);
  const chocked = live.some(({ value }) => saidChocked(value)) ? { chocked: true } : {};
  return { ...draft, ...chocked, closed: true, cursor: steps.length, entries: Object.fromEntries(entries) };
}

/** Opens the pad at a reading of a closed inspection, to correct it. Null until what it needs is known. */
export function useCorrecting(id: string, judged: Judged): ((value: Reading) => Promise<void>) | null {
  const session = useSession();
  const { data: sheet } = useSheet(id);
  const { data: unit } = useUnit(judged.unit.id);
  const { entries } = useOutbox();
  const waits = entries.some(({ body }) => (body as { inspection?: string }).inspection === id);
  if (!sheet || !unit) return null;
  return async (value) => {
    // What waits here to be sent is newer than the server's; else somebody may have corrected it elsewhere.
    const draft = (waits ? await findDraft(id) : null) ?? draftOf(sheet, unit, session);
    const at = draft.steps.findIndex((step) => keyOf(step) === readingKey(value));
    if (at < 0) return;
    await keepDraft(jumpTo(draft, at));
    router.navigate(`/inspect/${id}`);
  };
}
