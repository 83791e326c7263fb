import { deleteDB, openDB } from 'idb';
import { begun } from '../testing/inspection';
import { DEVICE_VERSION, type DeviceStore, device, upgradeDevice } from './device';
import { newer, onNewer } from './newer';

const NAME = 'device-of-old';
const today = () =>
  openDB<DeviceStore>(NAME, DEVICE_VERSION, {
    upgrade: (db, from, _, upgrade) => upgradeDevice(db, from, upgrade),
  });
const waiting = { id: 'c', person: 'ada', name: 'hold-trailer', at: '2026-03-02T12:00:00Z', body: {}, label: 'held' };
const { steps, unit, startedAt } = begun();

/** A draft in the words of versions 2 and 3. */
const oldWords = ({ rules: { policies, ...rules }, returnTo, ...draft }: ReturnType<typeof begun>) => ({
  ...draft,
  rules: { ...rules, schools: policies },
  place: returnTo,
});

/** A device as its version left it, with an inspection begun and a command that waits. */
async function left(version: number, draft: object) {
  const db = await openDB(NAME, version, {
    upgrade(old) {
      old.createObjectStore('outbox', { keyPath: 'seq', autoIncrement: true });
      old.createObjectStore('drafts', { keyPath: 'inspection' }).createIndex('unit', 'unit.id');
      old.createObjectStore('answers');
      if (version > 2) old.createObjectStore('typed');
    },
  });
  await db.put('drafts', draft);
  await db.put('outbox', waiting);
  await db.put('answers', { shape: 2, state: {} }, 'ada');
  db.close();
}
afterEach(() => deleteDB(NAME));

test.each([
  [
    1,
    {
      inspection: 'i',
      unit,
      steps,
      startedAt,
      book: 'na',
      purpose: 'full',
      job: null,
      cursor: 2,
      padUnit: 'in',
      reservoir: '95',
      previous: {},
      closed: false,
      entries: { 'stroke-applied@1L': { typed: '1 7/8', hub: {}, saved: null, skipped: null } },
    },
  ],
  [
    2,
    {
      ...oldWords(begun({ cursor: 2, reservoir: '95' })),
      entries: {
        'stroke-applied@1L': { texts: { value: '1 7/8' }, field: null, note: {}, saved: null, skipped: null },
      },
    },
  ],
])('a device of version %i keeps what was typed and what waits', async (version, draft) => {
  await left(version, draft);
  const db = await today();
  expect(await db.get('drafts', 'i')).toMatchObject({
    cursor: 2,
    reservoir: '95',
    rules: { book: 'na' },
    entries: { 'stroke-applied@1L': { texts: { value: '1 7/8' } } },
  });
  expect(await db.getAllFromIndex('drafts', 'unit', unit.id)).toHaveLength(1);
  expect(await db.getAll('outbox')).toMatchObject([waiting]);
  expect(await db.count('answers')).toBe(0);
  await db.put('typed', { words: 'Hisses' }, 'ada report');
  expect(await db.get('typed', 'ada report')).toEqual({ words: 'Hisses' });
  db.close();
});

test('what version 3 kept is told in today’s words', async () => {
  const note = { several: true, places: 4, grooves: 3 };
  const entries = { 'tread@1L-out': { texts: {}, field: null, note, saved: null, skipped: null } };
  await left(3, { ...oldWords(begun({ returnTo: 5 })), entries });
  const old = await openDB(NAME, 3);
  const body = { version: 1, book: 'na', schools: { 'mud-flap': '6' }, units: {} };
  await old.put('outbox', { ...waiting, id: 'd', name: 'set-fleet-rules', body });
  old.close();
  const db = await today();
  const draft = await db.get('drafts', 'i');
  expect(draft).toMatchObject({ returnTo: 5, rules: { policies: {} } });
  expect(draft?.entries['tread@1L-out']?.note).toEqual({ several: true, spots: 4, grooves: 3 });
  const [, rules] = await db.getAll('outbox');
  expect(rules?.body).toEqual({ version: 1, book: 'na', policies: { 'mud-flap': '6' }, units: {} });
  db.close();
});

test('a new device has every store, and an id under which it counts its acts', async () => {
  const db = await today();
  const stores = [...db.objectStoreNames];
  const id = await db.get('own', 'id');
  db.close();
  expect(stores).toEqual(['answers', 'drafts', 'keys', 'outbox', 'own', 'practice', 'rows', 'typed']);
  expect(id).toMatch(/^[0-9a-f-]{36}$/);
});

describe('a program that is newer, in another window,', () => {
  const page = { hidden: false, addEventListener: jest.fn() };
  const reload = jest.fn();
  beforeEach(() => {
    reload.mockClear();
    Object.assign(window, { location: { reload } });
    Object.assign(globalThis, { document: page });
  });
  afterEach(() => Reflect.deleteProperty(globalThis, 'document'));

  test('is offered while somebody looks at this page, and gets the database once it is taken', async () => {
    page.hidden = false;
    let offered: () => void = () => {};
    const leave = onNewer(() => {
      offered = newer() ?? offered;
      setTimeout(() => {
        expect(reload).not.toHaveBeenCalled();
        offered();
      });
    });
    const here = await device();
    const other = await openDB(here.name, DEVICE_VERSION + 1);
    expect(reload).toHaveBeenCalledTimes(1);
    other.close();
    leave();
  });
});
