import { experimental_createQueryPersister, type PersistedQuery } from '@tanstack/query-persist-client-core';
import { device } from '../device/device';
import { whenIdle } from '../device/idle';
import { queryClient } from './queries';

const ANSWERS = 'answers';
/** Counted up when a view's shape changes: answers kept in an older one are not shown. */
const SHAPE = '8';
const WEEK_MS = 7 * 86_400_000;
const GC_WITHIN_MS = 30_000;

/** A device whose storage takes nothing shows answers as they come: they are the server's, so nothing is lost. */
const storage = {
  getItem: (key: string) =>
    device()
      .then((db) => db.get(ANSWERS, key))
      .catch(() => undefined) as Promise<PersistedQuery | undefined>,
  setItem: (key: string, value: PersistedQuery) =>
    device()
      .then((db) => db.put(ANSWERS, value, key))
      .catch(() => undefined),
  removeItem: (key: string) =>
    device()
      .then((db) => db.delete(ANSWERS, key))
      .catch(() => undefined),
  entries: () =>
    device().then(async (db) => {
      const keys = (await db.getAllKeys(ANSWERS)) as string[];
      return Promise.all(
        keys.map(async (key): Promise<[string, PersistedQuery]> => [key, await storage.getItem(key)] as never),
      );
    }),
};

/**
 * Keeps a person's answers on the device, each by itself as it comes in, and brings one back when it is asked for: so a
 * screen shows what was last known, and memory holds only what is looked at.
 */
export function keepAnswers(person: string): void {
  const { persisterFn, persisterGc } = experimental_createQueryPersister<PersistedQuery>({
    storage,
    prefix: person,
    buster: SHAPE,
    maxAge: WEEK_MS,
    // Asked again below, without a fault where there is no server.
    refetchOnRestore: false,
    serialize: (query) => query,
    deserialize: (query) => query,
  });
  const { queries, ...others } = queryClient.getDefaultOptions();
  // What happened since an answer was kept was told to nobody here: however young it is, it is asked for again.
  const keptOrAsked: typeof persisterFn = async (queryFn, context, query) => {
    let asked = false;
    const data = await persisterFn(
      (given) => {
        asked = true;
        return queryFn(given);
      },
      context,
      query,
    );
    if (!asked) setTimeout(() => void query.fetch().catch(() => undefined));
    return data;
  };
  queryClient.setDefaultOptions({ ...others, queries: { ...queries, persister: keptOrAsked as never } });
  whenIdle(() => void persisterGc().catch(() => undefined), GC_WITHIN_MS);
}

/** Forgets what a person saw, when they sign out. */
export async function forgetAnswers(): Promise<void> {
  queryClient.clear();
  await device()
    .then((db) => Promise.all([db.clear(ANSWERS), db.clear('rows')]))
    .catch(() => undefined);
}
