import fc from 'fast-check';
import { HISTORY_FORM, type HistoryEntry, pathTo, type Sha256, type UnitHistory, wrongIn } from './history';

/** What any device has, and the core asks for nowhere itself. */
interface Device {
  crypto: { subtle: { digest: (name: string, bytes: Uint8Array) => Promise<ArrayBuffer> } };
  TextEncoder: new () => { encode: (text: string) => Uint8Array };
}
const { crypto, TextEncoder } = globalThis as unknown as Device;
const sha256: Sha256 = async (of) => {
  const bytes = typeof of === 'string' ? new TextEncoder().encode(of) : of;
  const sum = await crypto.subtle.digest('SHA-256', bytes);
  return [...new Uint8Array(sum)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
};
const sums = (...hex: string[]): Promise<string> =>
  sha256(Uint8Array.from(hex.join('').match(/../g) ?? [], (pair) => Number.parseInt(pair, 16)));
const backOf = (nr: number): number => nr - (nr & -nr);

const UNIT = 'u-1';

/** A chain as the database writes it: each `true` is an act on our unit, each `false` one on another. */
async function chainOf(ours: readonly boolean[]): Promise<HistoryEntry[]> {
  const chain: HistoryEntry[] = [];
  let last: number | undefined;
  for (const [index, own] of ours.entries()) {
    const nr = index + 1;
    const event = JSON.stringify({ type: 'take-reading', unit_id: own ? UNIT : 'u-2', nr });
    const unitBefore = own ? last : undefined;
    const text = `reading {"id": "${nr}"}`;
    const rows = [{ tab: 'reading', key: String(nr), hash: await sha256(text), text }];
    const content = await sha256(unitBefore === undefined ? event : `${event}\n${unitBefore}`);
    const facts = await sums(await sha256(text));
    const before = chain[index - 1]?.hash ?? '';
    const back = chain[backOf(nr) - 1]?.hash ?? '';
    const hash = await sums(before, back, content, facts);
    const named = { what: 'take-reading', event, rows, ...(unitBefore === undefined ? {} : { unitBefore }) };
    chain.push({ nr, before, back, content, facts, hash, ...(own ? named : {}) });
    if (own) last = nr;
  }
  return chain;
}

/** Our unit's history out of it: its own entries, and those that lead down to them. */
async function historyOf(ours: readonly boolean[]): Promise<UnitHistory> {
  const chain = await chainOf(ours);
  const own = chain.filter(({ event }) => event).map(({ nr }) => nr);
  const entries = pathTo(chain.length, own).flatMap((nr) => chain[nr - 1] ?? []);
  const head = { nr: chain.length, hash: chain.at(-1)?.hash ?? '' };
  return {
    form: HISTORY_FORM,
    fleet: { id: 'f', name: 'F' },
    unit: { id: UNIT, number: 'T-1' },
    made: '',
    head,
    entries,
  };
}

const acts = fc.array(fc.boolean(), { minLength: 1, maxLength: 120 }).filter((ours) => ours.includes(true));

test('from the newest down to any entry lead few others, each by a step the chain has', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 2_000_000 }), fc.nat(), (head, seed) => {
      const wanted = 1 + (seed % head);
      const path = pathTo(head, [wanted]);
      expect([path[0], path.at(-1)]).toEqual([head, wanted]);
      for (const [index, nr] of path.slice(1).entries())
        expect([path[index] === nr + 1, backOf(path[index] ?? 0) === nr]).toContain(true);
      const bits = Math.ceil(Math.log2(head + 1));
      expect(path.length).toBeLessThanOrEqual(bits * bits + 2);
    }),
  );
});

test('what is past the newest, or before the first, is asked for in vain', () => {
  expect(pathTo(5, [9, 0, -1])).toEqual([5]);
  expect(pathTo(5, [5, 5])).toEqual([5]);
});

test('a history as it was written holds', () =>
  fc.assert(fc.asyncProperty(acts, async (ours) => expect(await wrongIn(await historyOf(ours), sha256)).toEqual([]))));

test('whatever is changed in it, left out of it or put elsewhere shows', () =>
  fc.assert(
    fc.asyncProperty(acts, fc.nat(), fc.integer({ min: 0, max: 7 }), async (ours, seed, how) => {
      const history = await historyOf(ours);
      const own = history.entries.filter(({ event }) => event);
      const entry = own[seed % own.length];
      const [row] = entry?.rows ?? [];
      if (!entry?.event || !row) throw new Error('no own entry');
      const other = '0'.repeat(64);
      const changes = [
        () => Object.assign(entry, { event: entry.event?.replace('take', 'fake') }),
        () => Object.assign(entry, { what: 'see-held' }),
        () => Object.assign(row, { text: `${row.text} ` }),
        () => Object.assign(row, { hash: other }),
        () => Object.assign(entry, { facts: other }),
        () => Object.assign(entry, { content: other }),
        () => Object.assign(entry, { hash: other }),
        // That the newest of its own was left out shows only to whoever knows of it from elsewhere.
        () => (own[1] ? history.entries.splice(history.entries.indexOf(own[1]), 1) : Object.assign(entry, { nr: 0 })),
      ];
      changes[how]?.();
      expect(await wrongIn(history, sha256)).not.toEqual([]);
    }),
  ));

test('an event nobody can read belongs to no unit, and is not what was sealed', async () => {
  const history = await historyOf([true]);
  Object.assign(history.entries[0] ?? {}, { event: 'not JSON' });
  expect((await wrongIn(history, sha256)).map(({ wrong }) => wrong)).toContain('event');
});
