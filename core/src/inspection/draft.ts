import { type Doubt, doubtOf, type JudgeAnswer } from '../judge';
import { type Book, bookFor, type FleetRules } from '../limits';
import { type DisplayUnits, parseLength } from '../measure';
import type { EarlierReading } from '../patterns';
import { implausible, judgedFigure, keyOf, type Reading, type Step } from '../reading';
import { type PartLife, renewedBy, type Unit, type UnitKind } from '../trailer';
import type { GaugeSource } from './gauge';
import type { SectionTime } from './life';
import type { Note } from './note';
import { fittedSteps, measuringRoute } from './route';
import { judgeTogether, type StandingThere } from './together';

export type PadUnit = 'in' | 'mm';
export type AirUnit = DisplayUnits['pressure'];

/** What was entered at one step. Everything is kept at every keystroke; `saved` is what was taken as a reading. */
export interface Entry {
  /** What was typed, by field. */
  texts: Record<string, string>;
  /** The field being typed into; null is the first that is empty. */
  field: string | null;
  /** What was chosen rather than typed. */
  note: Note;
  /** The gauge the value came from, until it is typed over. */
  gauge?: GaugeSource;
  saved: { reading: string; value: Reading; gauge?: GaugeSource } | null;
  skipped: string | null;
  /** A doubtful change was asked about here: it is asked once. */
  asked?: boolean;
  /** Photos attached here. */
  photos?: string[];
}

/** An inspection in progress, whole, as the device keeps it. */
export interface Draft {
  inspection: string;
  unit: Unit & { number: string; body: string; kind: UnitKind };
  /** What the fleet judges by, as it stood when the inspection began. */
  rules: FleetRules;
  purpose: 'full' | 're-measure' | 'walk';
  route: {
    id: string;
    name: string;
    sections: { id: string; name: string; says: string; oneByOne?: true | undefined }[];
  } | null;
  job: string | null;
  steps: Step[];
  cursor: number;
  /** The step to go back to after something was noted out of order. */
  returnTo: number | null;
  padUnit: PadUnit;
  airUnit: AirUnit;
  /** Missing in what a device kept from before it was asked for. */
  temperatureUnit?: DisplayUnits['temperature'];
  /** Reservoir pressure as typed; every stroke takes it along. */
  reservoir: string;
  /** Whether whoever measures said that the wheels are chocked, both ways, or that the chocks are out; left out before either. */
  chocked?: boolean;
  /** What is the same for many steps and no measurement: target pressures, stud holes, what is coupled. */
  carried: Note & { texts?: Record<string, string> };
  entries: Record<string, Entry>;
  /** Parts fitted new on the unit: what was read before is of those they replaced. */
  lives?: PartLife[];
  /** What the part before the present one read last at a place. */
  replaced?: Record<string, { text: string; at: string }>;
  /** What each place read last time; the reading itself and where it was taken, since inspections keep them. */
  previous: Record<string, { text: string; at: string; value?: Reading; inspection?: string }>;
  startedAt: string;
  /** Milliseconds spent in each section. */
  spent: Record<string, number>;
  closed: boolean;
}

export const EMPTY_ENTRY: Entry = { texts: {}, field: null, note: {}, saved: null, skipped: null };

export type NewDraft = Pick<Draft, 'inspection' | 'unit' | 'rules' | 'purpose' | 'job' | 'previous' | 'startedAt'> &
  Partial<Pick<Draft, 'steps' | 'route' | 'padUnit' | 'airUnit' | 'temperatureUnit' | 'lives' | 'replaced'>>;

/** A new inspection of a unit: the given steps, or those of the basic measuring route. */
export const newDraft = ({ steps, route = null, ...given }: NewDraft): Draft => ({
  padUnit: 'in',
  airUnit: 'psi',
  ...given,
  route,
  steps: steps ?? measuringRoute(given.unit),
  cursor: 0,
  returnTo: null,
  reservoir: '',
  carried: {},
  entries: {},
  spent: {},
  closed: false,
});

const books = new WeakMap<FleetRules, Book>();
/** The book a draft is judged by. */
export function bookOf({ rules }: Pick<Draft, 'rules'>): Book {
  const known = books.get(rules) ?? bookFor(rules);
  books.set(rules, known);
  return known;
}

export const stepAt = (draft: Draft): Step | null => draft.steps[draft.cursor] ?? null;

const keys = new WeakMap<Step, string>();
/** A step's key, put together once: every step is asked for it at every keystroke. */
function stepKey(step: Step): string {
  const known = keys.get(step) ?? keyOf(step);
  keys.set(step, known);
  return known;
}
export const entryOf = (draft: Draft, step: Step): Entry => draft.entries[stepKey(step)] ?? EMPTY_ENTRY;
export const isDone = ({ saved, skipped }: Entry): boolean => saved !== null || skipped !== null;

export const withEntry = (draft: Draft, step: Step, change: Partial<Entry>): Draft => ({
  ...draft,
  entries: { ...draft.entries, [stepKey(step)]: { ...entryOf(draft, step), ...change } },
});

/** Changes what was chosen at a step. */
export const withNote = (draft: Draft, step: Step, change: Note): Draft =>
  withEntry(draft, step, { note: { ...entryOf(draft, step).note, ...change } });

/** Types into a field; what a gauge sent is then no longer a gauge's. */
export const withText = (draft: Draft, step: Step, field: string, text: string): Draft =>
  withEntry(draft, step, { texts: { ...entryOf(draft, step).texts, [field]: text }, field, gauge: undefined });

/** What stands in a field: typed here, or carried along from the step before. */
export const textOf = (draft: Draft, step: Step, field: string): string =>
  entryOf(draft, step).texts[field] ?? draft.carried.texts?.[field] ?? '';

/** The reading an entry stands for; or why it stands for none, null while nothing, or not everything needed, is entered. */
export type Composed = { ok: true; value: Reading } | { ok: false; message: string | null };

/** Without what the unit does not have: the step is closed, and the unit is not asked for it again. */
export function withoutFitted(draft: Draft, step: Step): Draft {
  const key = keyOf(step);
  const unit = { ...draft.unit, notFitted: [...(draft.unit.notFitted ?? []), key] };
  const steps = fittedSteps(unit, draft.steps);
  return toNextOpen({ ...draft, unit, steps, cursor: Math.min(draft.cursor, steps.length - 1) });
}

/** What was skipped, and why, in the order of the route. */
export const skippedSteps = (draft: Draft): { key: string; reason: string }[] =>
  draft.steps.flatMap((step) => {
    const { skipped } = entryOf(draft, step);
    return skipped === null ? [] : [{ key: keyOf(step), reason: skipped }];
  });

/** Steps neither read nor skipped. */
export const openSteps = (draft: Draft): Step[] => draft.steps.filter((step) => !isDone(entryOf(draft, step)));
/** Steps without a reading: what keeps an inspection from being complete. */
export const unreadSteps = (draft: Draft): Step[] => draft.steps.filter((step) => entryOf(draft, step).saved === null);

/** How far an inspection has come: `158 of 161, 3 skipped`. What was passed over is not counted as looked at. */
export function progressWords(draft: Draft): string {
  const skipped = skippedSteps(draft).length;
  const read = draft.steps.length - unreadSteps(draft).length;
  return `${read} of ${draft.steps.length}${skipped ? `, ${skipped} skipped` : ''}`;
}

/** The draft moved to the next open step after the cursor: out of order too, its neighbour is next. */
export function toNextOpen(draft: Draft): Draft {
  const open = (index: number) => {
    const step = draft.steps[index];
    return step !== undefined && !isDone(entryOf(draft, step));
  };
  const from = draft.cursor + 1;
  const order = draft.steps.map((_, offset) => (from + offset) % draft.steps.length);
  const next = order.find(open);
  const cursor = next ?? draft.steps.length;
  const back = draft.returnTo;
  // Back where it was left, or nothing left to go back to.
  const there = back === null || cursor === back || !open(back);
  return { ...draft, cursor, returnTo: there ? null : back };
}

/** Jumps to a step out of order; the step one comes from is kept. */
export const jumpTo = (draft: Draft, cursor: number): Draft => ({
  ...draft,
  cursor,
  returnTo: cursor === draft.cursor ? draft.returnTo : (draft.returnTo ?? draft.cursor),
});

/** What is odd of a part that was fitted new and reads no better than the one it replaced; null where nothing is. */
function noBetterThanReplaced({ replaced }: Draft, step: Step, now: number | null): string | null {
  const old = replaced?.[stepKey(step)];
  const renewed = renewedBy(step.kind);
  const parsed = old ? parseLength(old.text, '32nds') : null;
  if (!old || !renewed || !parsed?.ok || now === null) return null;
  const better = renewed.way === 'grown' ? now > parsed.value : now < parsed.value;
  return better
    ? null
    : `It was replaced since, but reads no better than the old one: ${old.text}. Is this the new part?`;
}

const DAY_MS = 86_400_000;

/** The doubt that what is entered raises, by itself or against the last reading here; null when there is none, or it was asked already. */
export function doubtAt(draft: Draft, step: Step, value: Reading): Doubt | null {
  const before = draft.previous[stepKey(step)];
  const now = judgedFigure(value);
  const last = before ? parseLength(before.text, '32nds') : null;
  if (entryOf(draft, step).asked) return null;
  const days = before ? (Date.parse(draft.startedAt) - Date.parse(before.at)) / DAY_MS : null;
  const doubt = now === null ? null : doubtOf(bookOf(draft), step.kind, last?.ok ? last.value : null, now, days);
  const odd = doubt ? null : (implausible(value) ?? (before ? null : noBetterThanReplaced(draft, step, now)));
  return odd ? { way: 'odd', by: 0, because: odd } : doubt;
}

/** The readings taken so far, in the order of the route. */
export const takenReadings = (draft: Draft): Reading[] =>
  draft.steps.flatMap((step) => entryOf(draft, step).saved?.value ?? []);

/** What the unit read before this inspection. */
export const earlierReadings = (draft: Draft): EarlierReading[] =>
  Object.values(draft.previous).flatMap(({ at, value, inspection }) =>
    value && inspection ? { at, value, inspection } : [],
  );

/**
 * What the book says of the readings so far: the same arithmetic as the server's, on the device. `standing` are the
 * readings that stand on the unit, `defects` what was reported there.
 */
export const judgeDraft = (draft: Draft, beside: StandingThere = { standing: [], defects: [] }): JudgeAnswer =>
  judgeTogether(bookOf(draft), draft.unit, {
    purpose: draft.purpose,
    inspection: draft.inspection,
    steps: draft.steps,
    own: takenReadings(draft),
    ...beside,
  });

/** The longest pause that still counts as work on a section. */
const LONGEST_PAUSE_MS = 5 * 60_000;

/** Counts the time since the last change to the section at the cursor. */
export function withTime(draft: Draft, since: number, now: number): Draft {
  const section = stepAt(draft)?.section;
  const passed = now - since;
  if (!section || passed <= 0 || passed > LONGEST_PAUSE_MS) return draft;
  return { ...draft, spent: { ...draft.spent, [section]: (draft.spent[section] ?? 0) + passed } };
}

/** Seconds spent in each section, in the route's order. */
export const sectionSeconds = ({ spent, route }: Draft): SectionTime[] =>
  (route?.sections ?? []).flatMap(({ id, name }) =>
    spent[id] ? [{ id, name, seconds: Math.round(spent[id] / 1_000) }] : [],
  );

/** Whether the same check was found good at the other end of the axle in this inspection. */
export function otherEndGood(draft: Draft, step: Step): boolean {
  if (!step.axle || !step.side) return false;
  const other: Step = { ...step, side: step.side === 'left' ? 'right' : 'left' };
  const saved = entryOf(draft, other).saved?.value;
  return saved?.kind === 'check' && saved.found.length === 0;
}
