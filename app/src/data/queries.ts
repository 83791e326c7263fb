import { type DehydratedState, dehydrate, hydrate, QueryClient, useQuery } from '@tanstack/react-query';
import type { JobPage, Session, Sheet, Shop, UnitPage, yardSchema } from '@zealous-axle/core';
import type { z } from 'zod';
import { call, Refused } from './client';
import { device } from './device';

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
const SHAPE = 2;
const KEEP_AFTER_MS = 400;
/** A device whose storage takes nothing shows answers as they come: they are the server's, so nothing is lost. */
const notKept = () => undefined;

/** Brings back the answers this person last saw on this device. */
export async function restoreAnswers(session: Session): Promise<void> {
  const kept = (await (await device()).get(ANSWERS, session.person.id)) as
    | { shape: number; state: DehydratedState }
    | undefined;
  if (kept?.shape === SHAPE) hydrate(queryClient, kept.state);
}

/** Keeps the answers on the device as they come in. */
export function keepAnswers(person: string): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const keep = () =>
    device()
      .then((db) => db.put(ANSWERS, { shape: SHAPE, state: dehydrate(queryClient) }, person))
      .catch(notKept);
  const stop = queryClient.getQueryCache().subscribe(({ type }) => {
    if (type !== 'updated' && type !== 'added') return;
    clearTimeout(timer);
    timer = setTimeout(() => void keep(), KEEP_AFTER_MS);
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
