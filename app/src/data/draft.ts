import {
  BOOKS,
  type BookId,
  type Doubt,
  doubtOf,
  type JudgeAnswer,
  judge,
  judgedLength,
  type MeasuredKind,
  measuringRoute,
  parseLength,
  parsePressure,
  type Reading,
  type ReadingOf,
  type ReportedDefect,
  type Step,
  seenDefects,
  stepKey,
  type Unit,
  type UnitKind,
} from '@zealous-axle/core';

export type PadUnit = 'in' | 'mm';
export type HubNotes = Pick<ReadingOf<'hub-oil'>, 'level' | 'condition' | 'leak' | 'cap' | 'smoking'>;

/** What was entered at one step. `typed` is kept at every keystroke; `saved` is what was taken as a reading. */
export interface Entry {
  typed: string;
  hub: HubNotes;
  saved: { reading: string; value: Reading } | null;
  skipped: string | null;
  /** A doubtful change was asked about here: it is asked once. */
  asked?: boolean;
}

/** An inspection in progress, whole, as the device keeps it. */
export interface Draft {
  inspection: string;
  unit: Unit & { number: string; body: string; kind: UnitKind };
  book: BookId;
  purpose: 'full' | 're-measure';
  job: string | null;
  steps: Step[];
  cursor: number;
  padUnit: PadUnit;
  /** Reservoir pressure as typed; every stroke takes it along. */
  reservoir: string;
  entries: Record<string, Entry>;
  /** What each place read last time. */
  previous: Record<string, { text: string; at: string }>;
  startedAt: string;
  closed: boolean;
}

export const EMPTY_ENTRY: Entry = { typed: '', hub: {}, saved: null, skipped: null };

export type NewDraft = Pick<Draft, 'inspection' | 'unit' | 'book' | 'purpose' | 'job' | 'previous' | 'startedAt'> & {
  steps?: Step[];
};

/** A new inspection of a unit: every step of the measuring route, or the given ones. */
export const newDraft = ({ steps, ...given }: NewDraft): Draft => ({
  ...given,
  steps: steps ?? measuringRoute(given.unit),
  cursor: 0,
  padUnit: 'in',
  reservoir: '',
  entries: {},
  closed: false,
});

export const stepAt = (draft: Draft): Step | null => draft.steps[draft.cursor] ?? null;
export const entryOf = (draft: Draft, step: Step): Entry => draft.entries[stepKey(step)] ?? EMPTY_ENTRY;
export const isDone = ({ saved, skipped }: Entry): boolean => saved !== null || skipped !== null;

export const withEntry = (draft: Draft, step: Step, change: Partial<Entry>): Draft => ({
  ...draft,
  entries: { ...draft.entries, [stepKey(step)]: { ...entryOf(draft, step), ...change } },
});

/** Steps neither read nor skipped. */
export const openSteps = (draft: Draft): Step[] => draft.steps.filter((step) => !isDone(entryOf(draft, step)));
/** Steps without a reading: what keeps an inspection from being complete. */
export const unreadSteps = (draft: Draft): Step[] => draft.steps.filter((step) => entryOf(draft, step).saved === null);

/** The draft moved to the next open step after the cursor, or to the first open one; past the end when none is left. */
export function toNextOpen(draft: Draft): Draft {
  const open = (index: number) => {
    const step = draft.steps[index];
    return step !== undefined && !isDone(entryOf(draft, step));
  };
  const order = draft.steps.map((_, offset) => (draft.cursor + 1 + offset) % draft.steps.length);
  const next = order.find(open);
  return { ...draft, cursor: next ?? draft.steps.length };
}

const UNIT_OF: Record<PadUnit, string> = { in: 'in', mm: 'mm' };

/** What was typed as a quantity of the wire: `1 7/8` becomes `1 7/8 in`, `6` on a tread pad `6/32`. */
export function writtenLength(kind: MeasuredKind, typed: string, padUnit: PadUnit): string {
  const text = typed.trim();
  if (text === '' || /[a-z"″]/i.test(text)) return text;
  if (padUnit === 'in' && kind === 'tread' && /^\d+$/.test(text)) return `${text}/32`;
  return `${text} ${UNIT_OF[padUnit]}`;
}

/** The doubt that what is entered raises against the last reading here; null when there is none, or it was asked already. */
export function doubtAt(draft: Draft, step: Step, value: Reading): Doubt | null {
  const before = draft.previous[stepKey(step)];
  const now = judgedLength(value);
  const last = before ? parseLength(before.text, '32nds') : null;
  if (entryOf(draft, step).asked || now === null || !last?.ok) return null;
  return doubtOf(BOOKS[draft.book], step.kind, last.value, now);
}

export type Composed = { ok: true; value: Reading } | { ok: false; message: string | null };

/** The reading that the entry stands for now; `message` is null while nothing is entered yet. */
export function composed(draft: Draft, step: Step): Composed {
  const { typed, hub } = entryOf(draft, step);
  const { axle, side } = step;
  if (step.kind === 'hub-oil') {
    if (Object.keys(hub).length === 0) return { ok: false, message: null };
    return { ok: true, value: { kind: 'hub-oil', axle, side, ...hub } };
  }
  const text = writtenLength(step.kind, typed, draft.padUnit);
  if (text === '') return { ok: false, message: null };
  const parsed = parseLength(text, step.kind === 'tread' ? '32nds' : 'none');
  if (!parsed.ok) return { ok: false, message: parsed.message };
  switch (step.kind) {
    case 'stroke-applied': {
      const reservoir = reservoirText(draft.reservoir);
      return {
        ok: true,
        value: { kind: 'stroke-applied', axle, side, value: text, ...(reservoir ? { reservoir } : {}) },
      };
    }
    case 'lining':
      return { ok: true, value: { kind: 'lining', axle, side, points: [text] } };
    case 'tread':
      return { ok: true, value: { kind: 'tread', axle, side, tyre: step.tyre ?? 'single', grooves: [[text]] } };
  }
}

/** The reservoir pressure as a quantity; null while it is not one. */
export function reservoirText(typed: string): string | null {
  const text = /^\d+(\.\d+)?$/.test(typed.trim()) ? `${typed.trim()} psi` : typed.trim();
  return parsePressure(text).ok ? text : null;
}

/** The readings taken so far, in the order of the route. */
export const takenReadings = (draft: Draft): Reading[] =>
  draft.steps.flatMap((step) => entryOf(draft, step).saved?.value ?? []);

/** What is known of the unit beside the draft: readings that stand, and defects reported. */
export interface Known {
  standing: readonly { key: string; value: Reading }[];
  defects: readonly ReportedDefect[];
}

/**
 * What the book says of the readings so far: the same arithmetic as the server's, on the device. After a repair the
 * readings that stand elsewhere on the unit are judged with the new ones; defects found by eye always are.
 */
export function judgeDraft(draft: Draft, known: Known = { standing: [], defects: [] }): JudgeAnswer {
  const taken = takenReadings(draft);
  const again = new Set(draft.steps.map(stepKey));
  const rest = draft.purpose === 'full' ? [] : known.standing.filter(({ key }) => !again.has(key));
  const readings = [...taken, ...rest.map(({ value }) => value), ...seenDefects(known.defects)];
  return judge({
    book: draft.book,
    units: [{ id: draft.unit.id, kind: draft.unit.kind, axles: draft.unit.axles }],
    readings: readings.map((value) => ({ ...value, unit: draft.unit.id })),
  });
}

/** A reading in a few characters, for lists and the plan. */
export function shortReading(value: Reading): string {
  switch (value.kind) {
    case 'stroke-applied':
    case 'stroke-free':
    case 'pressure':
      return value.value;
    case 'lining':
      return shortest(value.points);
    case 'tread':
      return shortest(value.grooves.flat()).replace(/ in$/, '');
    case 'hub-oil':
      return hubWords(value);
    case 'defect':
      return value.code;
  }
}

const LEVEL_WORDS: Record<NonNullable<HubNotes['level']>, string> = {
  'above-full': 'above full',
  full: 'full',
  between: 'between marks',
  'at-add': 'at add',
  'below-add': 'below add',
  empty: 'empty',
  unreadable: 'not readable',
};
const LEAK_WORDS = { none: '', seep: 'seep', outside: 'leaking', 'onto-lining': 'leaks on lining' } as const;

/** A hub in words: what stands out first. */
export function hubWords({ level, condition, leak, cap, smoking }: HubNotes): string {
  const odd = [
    smoking ? 'smoking' : '',
    cap === 'missing' ? 'cap missing' : '',
    leak ? LEAK_WORDS[leak] : '',
    condition && condition !== 'clear' ? condition : '',
  ].filter(Boolean);
  return [...odd, ...(level ? [LEVEL_WORDS[level]] : [])].join(', ') || 'dry';
}

const depth = (text: string): number => {
  const parsed = parseLength(text, '32nds');
  return parsed.ok ? parsed.value : Number.POSITIVE_INFINITY;
};
const shortest = (texts: readonly string[]): string => [...texts].sort((a, b) => depth(a) - depth(b))[0] ?? '';
