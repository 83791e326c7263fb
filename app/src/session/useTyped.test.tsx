import { act, renderHook, waitFor } from '@testing-library/react-native';
import * as storage from '../device/device';
import { useTyped } from './useTyped';

let mockPerson = 'ada';
jest.mock('./session', () => ({ useSession: () => ({ person: { id: mockPerson } }) }));
beforeEach(async () => {
  mockPerson = 'ada';
  await (await storage.device()).clear('typed');
});

const EMPTY = { words: '', photos: [] as string[] };
const HEAVY = ['photos'] as const;
/** The form as a screen that just opened has it. */
async function opened(form = 'report') {
  const { result, unmount } = await renderHook(() => useTyped(form, EMPTY, HEAVY));
  await waitFor(() => expect(result.current).not.toBeNull());
  return {
    now: () => result.current,
    change: (part: Parameters<NonNullable<typeof result.current>['change']>[0]) =>
      act(async () => result.current?.change(part)),
    clear: () => act(async () => void (await result.current?.clear())),
    close: unmount,
  };
}

test('what was typed stands when the screen opens again, and says that it was begun earlier', async () => {
  const before = await opened();
  expect(before.now()).toMatchObject({ value: EMPTY, earlier: false });
  await before.change({ words: 'Hisses' });
  expect(before.now()).toMatchObject({ earlier: false });
  await before.close();
  const after = await opened();
  expect(after.now()).toMatchObject({ value: { words: 'Hisses', photos: [] }, earlier: true });
});

test('two changes at once are both kept', async () => {
  const form = await opened();
  await act(async () => {
    form.now()?.change((now) => ({ photos: [...now.photos, 'a'] }));
    form.now()?.change((now) => ({ photos: [...now.photos, 'b'] }));
  });
  expect(form.now()?.value.photos).toEqual(['a', 'b']);
});

test('sent or begun anew, nothing of it is left', async () => {
  const form = await opened();
  await form.change({ words: 'Hisses' });
  await form.clear();
  expect(form.now()).toMatchObject({ value: EMPTY, earlier: false });
  await form.close();
  expect((await opened()).now()).toMatchObject({ value: EMPTY, earlier: false });
});

test('forms and persons do not see one another', async () => {
  await (await opened('report')).change({ words: 'Hisses' });
  expect((await opened('finish')).now()?.value).toEqual(EMPTY);
  mockPerson = 'ben';
  expect((await opened('report')).now()?.value).toEqual(EMPTY);
});

test('where the storage takes nothing the form stands in its window, which asks before it goes', async () => {
  const leaving = () => !window.dispatchEvent(new Event('beforeunload', { cancelable: true }));
  const full = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  const before = await opened();
  await before.change({ words: 'Hisses' });
  await waitFor(() => expect(leaving()).toBe(true));
  await before.close();
  const after = await opened();
  expect(after.now()).toMatchObject({ value: { words: 'Hisses' }, earlier: true });
  full.mockRestore();
  await after.change({ words: 'Hisses, held' });
  await waitFor(() => expect(leaving()).toBe(false));
});

/** What is written before the next line runs. */
function keptAtOnce(): Map<string, string> {
  const kept = new Map<string, string>();
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
      removeItem: (key: string) => void kept.delete(key),
    },
  });
  return kept;
}

test('what was typed in the moment the page went stands, though the database never got it', async () => {
  const kept = keptAtOnce();
  const before = await opened();
  const slow = jest.spyOn(storage, 'device').mockReturnValue(new Promise(() => {}));
  await before.change({ words: 'Hisses' });
  await before.close();
  slow.mockRestore();
  expect((await opened()).now()).toMatchObject({ value: { words: 'Hisses' }, earlier: true });
  const form = await opened();
  await form.change({ words: 'Hisses at 2L' });
  await waitFor(() => expect(kept.size).toBe(0));
  await form.clear();
  Reflect.deleteProperty(globalThis, 'localStorage');
});

test('what is heavy is never written at once, and stands beside what was', async () => {
  const wrote: string[] = [];
  const kept = keptAtOnce();
  const set = kept.set.bind(kept);
  kept.set = (key, text) => {
    wrote.push(text);
    return set(key, text);
  };
  const form = await opened();
  await form.change({ photos: ['a picture'] });
  await form.change({ words: 'Hisses' });
  expect(wrote.length).toBeGreaterThan(0);
  expect(wrote.join()).not.toContain('a picture');
  await form.close();
  // The last key was on its way to the database when the window closed; the photos had come.
  kept.set('za-at-once ada report', JSON.stringify({ words: 'Hisses loudly' }));
  expect((await opened()).now()?.value).toEqual({ words: 'Hisses loudly', photos: ['a picture'] });
  Reflect.deleteProperty(globalThis, 'localStorage');
});
