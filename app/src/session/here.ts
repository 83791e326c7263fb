import {
  type Book,
  type BookId,
  bookFor,
  bookOf,
  type Draft,
  type FoundDefect,
  foundDefects,
  holdsFromReport,
  judgeDraft,
  judgeReading,
  ownFindings,
  type Reading,
  type ReportedDefect,
  readingKey,
  readingPlace,
  rulesFor,
  type Session,
  type SignRules,
  type Standing,
  standingVerdict,
  takenReadings,
  type UnitPage,
  wheelEnd,
} from '@zealous-axle/core';
import { useEffect, useState } from 'react';
import { findDrafts } from '../device/drafts';
import { useOutbox } from '../device/useOutbox';
import type { Waiting } from '../device/waiting';
import { rulesOf } from './rules';
import { useSession } from './session';

/** A reading, a report or a closing that this device holds and the server does not know. */
type Body = {
  inspection?: string;
  reading?: string;
  unit?: string;
  value?: Reading;
  code?: string;
  place?: Pick<ReportedDefect, 'axle' | 'side' | 'tyre'>;
};

/** What this device knows of a unit that the server does not yet: its readings, what they find, what was reported here. */
export interface Here {
  /** Inspections that something of waits to be sent. */
  inspections: readonly string[];
  /** One of them was closed here. */
  closed: boolean;
  /** Readings that will stand once they are sent, by whoever is signed in. */
  standing: readonly Standing[];
  found: readonly FoundDefect[];
  /** Reports that wait. */
  reports: readonly ReportedDefect[];
  /** What was found or reported here holds the unit; what was reported alone does. */
  holds: boolean;
  holdsByReport: boolean;
}

export const NOTHING_HERE: Here = {
  inspections: [],
  closed: false,
  standing: [],
  found: [],
  reports: [],
  holds: false,
  holdsByReport: false,
};

const bodyOf = ({ body }: Waiting): Body => body as Body;
const live = (entries: readonly Waiting[]): Waiting[] => entries.filter(({ refused }) => !refused);

/** The inspections that something of waits to be sent. */
const inspectionsWaiting = (entries: readonly Waiting[]): string[] => [
  ...new Set(live(entries).flatMap((entry) => bodyOf(entry).inspection ?? [])),
];

function standsHere(draft: Draft, book: Book, taken: readonly Waiting[], person: string): Standing[] {
  const own = new Map<string, Standing>();
  for (const { at, body } of taken) {
    const { value, reading = '' } = body as Body;
    if (!value) continue;
    const place = readingPlace(value);
    const end = place.axle && place.side ? wheelEnd(draft.unit, place.axle, place.side) : null;
    const key = readingKey(value);
    own.set(key, {
      ...place,
      reading,
      inspection: draft.inspection,
      key,
      kind: value.kind as Standing['kind'],
      verdict: standingVerdict(judgeReading(book, end, value)),
      value,
      at,
      by: person,
      recordedAt: at,
      doubtful: false,
    });
  }
  return [...own.values()];
}

/** What a device holds of one unit: pure, from what waits and the inspections it keeps. */
export function hereOf(
  unit: Pick<UnitPage, 'id' | 'features'>,
  { session, entries, drafts }: { session: Session; entries: readonly Waiting[]; drafts: readonly Draft[] },
): Here {
  const waiting = live(entries);
  const own = drafts.filter(({ unit: { id } }) => id === unit.id);
  const reported = waiting.filter((entry) => entry.name === 'report-defect' && bodyOf(entry).unit === unit.id);
  if (own.length === 0 && reported.length === 0) return NOTHING_HERE;
  const book = bookFor(rulesFor(rulesOf(session), unit.features));
  const signRules: SignRules = { book: book.id as BookId, signs: book.signs ?? [] };
  const found = own.flatMap((draft) => {
    const { findings } = judgeDraft(draft);
    const faults = foundDefects(ownFindings(findings, takenReadings(draft)), [], signRules);
    // A limit of the shop is reported once the inspection is closed.
    return faults.filter(({ holds, verdict }) => draft.closed || holds || verdict !== 'shop-limit');
  });
  const reports = reported.map((entry): ReportedDefect => {
    const { code = '', place } = bodyOf(entry);
    return { code, axle: place?.axle ?? null, side: place?.side ?? null, tyre: place?.tyre ?? null, state: 'reported' };
  });
  const holdsByReport = reports.some(({ code }) => holdsFromReport(code, signRules));
  return {
    inspections: own.map(({ inspection }) => inspection),
    closed: own.some(({ closed }) => closed),
    standing: own.flatMap((draft) =>
      standsHere(
        draft,
        bookOf(draft),
        waiting.filter((entry) => entry.name === 'take-reading' && bodyOf(entry).inspection === draft.inspection),
        session.person.id,
      ),
    ),
    found,
    reports,
    holds: holdsByReport || found.some(({ holds }) => holds),
    holdsByReport,
  };
}

/** A unit as it stands with the readings of this device in the place of older ones. */
export function withHere(unit: UnitPage, { standing }: Here): UnitPage {
  if (standing.length === 0) return unit;
  const fresh = new Map(standing.map((each) => [each.key, each]));
  return { ...unit, standing: [...unit.standing.filter(({ key }) => !fresh.has(key)), ...fresh.values()] };
}

const nameOf = ({ code, axle, side, tyre }: Pick<FoundDefect, 'code' | 'axle' | 'side' | 'tyre'>): string =>
  `${code} ${axle} ${side} ${tyre}`;

/** What this device knows beside the reports that the server tells of. */
export function beside(here: Here, { defects }: Pick<UnitPage, 'defects'>): Here {
  if (here === NOTHING_HERE) return here;
  const told = new Set(defects.map(nameOf));
  const found = here.found.filter((each) => !told.has(nameOf(each)));
  return { ...here, found, holds: here.holdsByReport || found.some(({ holds }) => holds) };
}

/** The inspections of this device that something of waits to be sent, as they stand. */
function useWaitingDrafts(): readonly Draft[] {
  const { entries } = useOutbox();
  const [drafts, setDrafts] = useState<readonly Draft[]>([]);
  const wanted = inspectionsWaiting(entries).join();
  // biome-ignore lint/correctness/useExhaustiveDependencies: read again whenever what waits changes.
  useEffect(() => {
    let here = true;
    void findDrafts(wanted ? wanted.split(',') : []).then((found) => here && setDrafts(found));
    return () => {
      here = false;
    };
  }, [wanted, entries]);
  return drafts;
}

/** What this device knows of a unit that the server does not yet. */
export function useHere(unit: Pick<UnitPage, 'id' | 'features'>): Here {
  const session = useSession();
  const { entries } = useOutbox();
  const drafts = useWaitingDrafts();
  return hereOf(unit, { session, entries, drafts });
}

/** The same for every unit that something waits of, by its id. */
export function useHereAll(): ReadonlyMap<string, Here> {
  const session = useSession();
  const { entries } = useOutbox();
  const drafts = useWaitingDrafts();
  const units = new Set([
    ...drafts.map(({ unit }) => unit.id),
    ...live(entries).flatMap((entry) => (entry.name === 'report-defect' ? (bodyOf(entry).unit ?? []) : [])),
  ]);
  return new Map([...units].map((id) => [id, hereOf({ id, features: {} }, { session, entries, drafts })]));
}
