import { z } from 'zod';

/*
 * A fleet's records are a chain. An entry covers its event word by word (`content`), the rows of facts its act wrote (`facts`), the
 * entry before it (`before`) and one further back (`back`: its number without its lowest bit), each by SHA-256:
 *
 *   row     = sha256(text)                      text: the table, a space, the row as canonical JSON
 *   facts   = sha256(row ‖ row ‖ …)             in the order of table and key
 *   content = sha256(event [⏎ unitBefore])      or, of a task without an event, sha256(what)
 *   hash    = sha256(before ‖ back ‖ content ‖ facts)
 *
 * `unitBefore` is the number of the entry before it whose event is about the same unit: so none of them can be left out.
 *
 * A unit's history holds its own entries in full and, of the others, the few that lead from the newest down to them.
 */

const sum = z.string().regex(/^([0-9a-f]{64})?$/);

const historyRowSchema = z.strictObject({
  tab: z.string(),
  key: z.string(),
  hash: sum,
  /** The row; absent where it is of another unit. */
  text: z.string().optional(),
});
const historyEntrySchema = z.strictObject({
  nr: z.int().positive(),
  /** The command, or the task; absent where it is not of this unit. */
  what: z.string().optional(),
  before: sum,
  back: sum,
  content: sum,
  facts: sum,
  hash: sum,
  /** The event; absent where it is not of this unit, or where a task had none. */
  event: z.string().optional(),
  /** The number of this unit's entry before it; absent of the first. */
  unitBefore: z.int().optional(),
  /** What its act wrote; absent where it is not of this unit. */
  rows: z.array(historyRowSchema).optional(),
  /** Only the rows of this unit are here, because its act wrote so many others: that they belong to it is not shown. */
  partly: z.literal(true).optional(),
});
export type HistoryEntry = z.infer<typeof historyEntrySchema>;

export const HISTORY_FORM = 'zealous-axle/history/1';
export const historySchema = z.strictObject({
  form: z.literal(HISTORY_FORM),
  fleet: z.strictObject({ id: z.string(), name: z.string() }),
  unit: z.strictObject({ id: z.string(), number: z.string() }),
  made: z.string(),
  /** The newest entry of the fleet when the file was made: what a certificate of then or later can be held against. */
  head: z.strictObject({ nr: z.int(), hash: sum }),
  /** From the newest down. */
  entries: z.array(historyEntrySchema),
});
export type UnitHistory = z.infer<typeof historySchema>;

const BACK_OF = (nr: number): number => nr - Number(BigInt(nr) & -BigInt(nr));

/** The numbers that lead from `head` down to each of `wanted`, from the newest down: few, however long the chain is. */
export function pathTo(head: number, wanted: Iterable<number>): number[] {
  const targets = [...new Set(wanted)].filter((nr) => nr >= 1 && nr <= head).sort((one, other) => other - one);
  const path: number[] = [head];
  let at = head;
  for (const target of targets)
    while (at > target) {
      at = BACK_OF(at) >= target ? BACK_OF(at) : at - 1;
      path.push(at);
    }
  return path;
}

const bytesOf = (hex: string): Uint8Array =>
  Uint8Array.from(hex.match(/../g) ?? [], (pair) => Number.parseInt(pair, 16));
/** SHA-256 of a text as UTF-8, or of bytes, in hexadecimal: whoever asks brings their own. */
export type Sha256 = (of: string | Uint8Array) => Promise<string>;

/** What is wrong with a history, and at which entry. */
export interface HistoryWrong {
  nr: number;
  wrong: 'entry' | 'event' | 'row' | 'rows' | 'order' | 'head' | 'left-out';
  row?: string;
}

async function wrongRows({ nr, rows, facts, partly }: HistoryEntry, sha256: Sha256): Promise<HistoryWrong[]> {
  if (!rows) return [];
  const wrong: HistoryWrong[] = [];
  for (const { tab, key, hash, text } of rows)
    if (text !== undefined && (!text.startsWith(`${tab} `) || (await sha256(text)) !== hash))
      wrong.push({ nr, wrong: 'row', row: `${tab} ${key}` });
  if (!partly && (await sha256(bytesOf(rows.map(({ hash }) => hash).join('')))) !== facts)
    wrong.push({ nr, wrong: 'rows' });
  return wrong;
}

/** What an event says of itself; nothing where it cannot be read. */
function readEvent(event: string): { type?: unknown; unit_id?: unknown } {
  try {
    return JSON.parse(event);
  } catch {
    return {};
  }
}
const typeOf = (event: string): unknown => readEvent(event).type;

async function wrongEntry(entry: HistoryEntry, sha256: Sha256): Promise<HistoryWrong[]> {
  const { nr, what, event, unitBefore, before, back, content, facts, hash } = entry;
  const wrong = await wrongRows(entry, sha256);
  // A task has no event: its entry covers its name.
  if (event === undefined && what !== undefined && (await sha256(what)) !== content) wrong.push({ nr, wrong: 'event' });
  if (event !== undefined && typeOf(event) !== what) wrong.push({ nr, wrong: 'event' });
  if (event !== undefined && (await sha256(unitBefore === undefined ? event : `${event}\n${unitBefore}`)) !== content)
    wrong.push({ nr, wrong: 'event' });
  if ((await sha256(bytesOf(before + back + content + facts))) !== hash) wrong.push({ nr, wrong: 'entry' });
  return wrong;
}

/** Whether an entry is the one that the entry before it in the file names. */
const follows = (later: HistoryEntry, { nr, hash }: HistoryEntry): boolean =>
  nr < later.nr &&
  ((nr === later.nr - 1 && hash === later.before) || (nr === BACK_OF(later.nr) && hash === later.back));

/** Entries of the unit that others of it name, and that are not here. */
function leftOut({ unit, entries }: UnitHistory): HistoryWrong[] {
  const own = entries.filter(({ event }) => event !== undefined && readEvent(event).unit_id === unit.id);
  return own.flatMap(({ unitBefore }, index) => {
    const next = own[index + 1];
    if (unitBefore === next?.nr) return [];
    return [{ nr: unitBefore ?? next?.nr ?? 0, wrong: 'left-out' as const }];
  });
}

/**
 * Holds a history against itself: every row, event and entry against its sum, and each entry against the one that names it.
 * Needs nobody's word but the head, which stands on certificates and wherever else it was kept. Empty where all holds.
 * That nothing newer was left out is known only of entries up to one that is known from elsewhere.
 */
export async function wrongIn(history: UnitHistory, sha256: Sha256): Promise<HistoryWrong[]> {
  const { head, entries } = history;
  const [first] = entries;
  if (!first || first.nr !== head.nr || first.hash !== head.hash) return [{ nr: head.nr, wrong: 'head' }];
  const wrong: HistoryWrong[] = [];
  for (const [index, entry] of entries.entries()) {
    wrong.push(...(await wrongEntry(entry, sha256)));
    const later = entries[index - 1];
    if (later && !follows(later, entry)) wrong.push({ nr: entry.nr, wrong: 'order' });
  }
  return [...wrong, ...leftOut(history)];
}
