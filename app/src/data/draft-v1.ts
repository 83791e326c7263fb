import type { BookId, Reading } from '@zealous-axle/core';
import { type Draft, EMPTY_ENTRY, type Entry } from './draft';
import type { Note } from './note';

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

/** Nothing typed is lost: a draft of the first version, in today's shape. Today's own is given back as it is. */
export function draftFromV1(old: Draft | DraftV1): Draft {
  if ('rules' in old) return old;
  const { book, entries, ...kept } = old;
  return {
    ...kept,
    rules: { book, policies: {}, limits: [] },
    route: null,
    place: null,
    airUnit: 'psi',
    carried: {},
    spent: {},
    entries: Object.fromEntries(Object.entries(entries).map(([key, entry]) => [key, entryFrom(entry)])),
  };
}
