import { type BookId, type Draft, EMPTY_ENTRY, type Entry, type Note, type Reading } from '@zealous-axle/core';
import type { Waiting } from './waiting';

interface EntryV1 {
  typed: string;
  hub: Note;
  saved: { reading: string; value: Reading } | null;
  skipped: string | null;
  asked?: boolean;
}
/** An inspection in progress as the device's first version kept it: the four measured things alone. */
export interface DraftV1
  extends Pick<
    Draft,
    'inspection' | 'unit' | 'job' | 'steps' | 'cursor' | 'padUnit' | 'reservoir' | 'previous' | 'startedAt' | 'closed'
  > {
  book: BookId;
  purpose: 'full' | 're-measure';
  entries: Record<string, EntryV1>;
}

const entryFrom = ({ typed, hub, saved, skipped, asked }: EntryV1): Entry => ({
  ...EMPTY_ENTRY,
  texts: typed ? { value: typed } : {},
  note: hub,
  saved,
  skipped,
  ...(asked ? { asked } : {}),
});

/** An inspection in progress as versions 2 and 3 kept it: with older words for the same things. */
export interface DraftV3 extends Omit<Draft, 'rules' | 'returnTo' | 'entries' | 'carried'> {
  rules: Omit<Draft['rules'], 'policies'> & { schools: Draft['rules']['policies'] };
  place: number | null;
  carried: NoteV3 & { texts?: Record<string, string> };
  entries: Record<string, Omit<Entry, 'note'> & { note: NoteV3 }>;
}
type NoteV3 = Omit<Note, 'spots'> & { places?: number };

/** Nothing typed is lost: a draft of the first version in the third's shape. One that is newer is given back as it is. */
export function draftFromV1(old: Draft | DraftV3 | DraftV1): Draft | DraftV3 {
  if ('rules' in old) return old;
  const { book, entries, ...kept } = old;
  return {
    ...kept,
    rules: { book, schools: {}, limits: [] },
    route: null,
    place: null,
    airUnit: 'psi',
    carried: {},
    spent: {},
    entries: Object.fromEntries(Object.entries(entries).map(([key, entry]) => [key, entryFrom(entry)])),
  } as DraftV3;
}

const noteFrom = ({ places, ...note }: NoteV3): Note => (places === undefined ? note : { ...note, spots: places });

/** A draft of version 3 in today's words. Today's own is given back as it is. */
export function draftFromV3(old: Draft | DraftV3): Draft {
  if (!('schools' in old.rules)) return old as Draft;
  const { place, rules, carried, entries, ...kept } = old as DraftV3;
  const { schools, ...others } = rules;
  return {
    ...kept,
    rules: { ...others, policies: schools },
    returnTo: place,
    carried: noteFrom(carried),
    entries: Object.fromEntries(
      Object.entries(entries).map(([key, entry]) => [key, { ...entry, note: noteFrom(entry.note) }]),
    ),
  };
}

/** A command that waits since version 3, in today's words. */
export function waitingFromV3(entry: Waiting): Waiting {
  const { schools, ...body } = (entry.body ?? {}) as { schools?: unknown };
  return schools === undefined ? entry : { ...entry, body: { ...body, policies: schools } };
}
