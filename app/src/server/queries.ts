import { type DehydratedState, dehydrate, hydrate, QueryClient, useQuery } from '@tanstack/react-query';
import type { JobPage, Session, Sheet, Shop, UnitPage, yardSchema } from '@zealous-axle/core';
import type { z } from 'zod';
import { device } from '../device/device';
import { call, Refused } from './client';

export type Yard = z.infer<typeof yardSchema>;

const WEEK_MS = 7 * 86_400_000;

/** Answers are shown at once as last known, and read again behind it. */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      networkMode: 'always',
      gcTime: WEEK_MS,
      staleTime: 2_000,
      refetchOnReconnect: 'always',
      retry: (count, error) => !(error instanceof Refused) && count < 1,
    },
  },
});

export const useYard = () => useQuery({ queryKey: ['yard'], queryFn: () => call<Yard>('GET', '/units') });
/** The question for one unit's page. */
export const unitQuery = (id: string) => ({
  queryKey: ['unit', id],
  queryFn: () => call<UnitPage>('GET', `/units/${id}`),
});
export const useUnit = (id: string) => useQuery({ ...unitQuery(id), enabled: id !== '' });
export const useShop = () => useQuery({ queryKey: ['shop'], queryFn: () => call<Shop>('GET', '/shop') });
export const useJob = (id: string) =>
  useQuery({ queryKey: ['job', id], queryFn: () => call<JobPage>('GET', `/jobs/${id}`) });
export const useSheet = (id: string) =>
  useQuery({ queryKey: ['sheet', id], queryFn: () => call<Sheet>('GET', `/inspections/${id}`) });

/** Reads the trailers' pages ahead, so that any of them can be measured where there is no signal. */
export async function readAhead(units: readonly { id: string }[]): Promise<void> {
  for (const { id } of units)
    await queryClient.prefetchQuery({
      ...unitQuery(id),
      staleTime: 10 * 60_000,
    });
}

export const readAgain = (): Promise<void> => queryClient.invalidateQueries();

const ANSWERS = 'answers';
/** Counted up when a view's shape changes: answers kept in an older one are not shown. */
const SHAPE = 3;
const KEEP_AFTER_MS = 400;
interface Kept {
  shape: number;
  query: DehydratedState['queries'][number];
}
const keyOf = (person: string, hash: string) => `${person} ${hash}`;
const allOf = (person: string) => IDBKeyRange.bound(keyOf(person, ''), keyOf(person, '\uffff'));
/** A device whose storage takes nothing shows answers as they come: they are the server's, so nothing is lost. */
const notKept = () => undefined;

/** Brings back the answers this person last saw on this device. */
export async function restoreAnswers({ person }: Pick<Session, 'person'>): Promise<void> {
  const kept = (await (await device()).getAll(ANSWERS, allOf(person.id))) as Kept[];
  hydrate(queryClient, {
    mutations: [],
    queries: kept.filter(({ shape }) => shape === SHAPE).map(({ query }) => query),
  });
}

/** Keeps the answers on the device as they come in, each by itself: a fleet's worth is not written for one of them. */
export function keepAnswers(person: string): () => void {
  const fresh = new Set<string>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const keep = async () => {
    const { queries } = dehydrate(queryClient, { shouldDehydrateQuery: ({ queryHash }) => fresh.has(queryHash) });
    fresh.clear();
    const writing = (await device()).transaction(ANSWERS, 'readwrite');
    const put = (query: Kept['query']) =>
      writing.store.put({ shape: SHAPE, query } satisfies Kept, keyOf(person, query.queryHash));
    await Promise.all([...queries.map(put), writing.done]);
  };
  const stop = queryClient.getQueryCache().subscribe((event) => {
    if (event.type !== 'updated' || event.action.type !== 'success') return;
    fresh.add(event.query.queryHash);
    clearTimeout(timer);
    timer = setTimeout(() => void keep().catch(notKept), KEEP_AFTER_MS);
  });
  return () => {
    clearTimeout(timer);
    stop();
  };
}

/** Forgets what a person saw, when they sign out. */
export async function forgetAnswers(): Promise<void> {
  queryClient.clear();
  await device()
    .then((db) => db.clear(ANSWERS))
    .catch(notKept);
}
