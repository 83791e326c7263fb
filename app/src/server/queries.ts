import { keepPreviousData, QueryClient, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import type {
  ActsPage,
  BayDay,
  Board,
  Calendars,
  DefectsPage,
  ForecastPage,
  InspectionsPage,
  JobPage,
  JobsPage,
  Lapsed,
  Parts,
  PartsNeeded,
  PastRepairs,
  PhotosPage,
  Sheet,
  Shop,
  Templates,
  TriagePage,
  UnitForecastView,
  UnitPage,
  UnitPlan,
  WeeksAhead,
  WhileThere,
  YardRow,
} from '@zealous-axle/core';
import { call, Refused } from './client';

/** Answers nobody looks at leave the window's memory after this long; the device keeps them. */
const UNSEEN_MS = 5 * 60_000;
const PLAN_AGAIN_MS = 60_000;

/** Answers are shown at once as last known, and read again behind it. */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      networkMode: 'always',
      gcTime: UNSEEN_MS,
      staleTime: 2_000,
      refetchOnReconnect: 'always',
      retry: (count, error) => !(error instanceof Refused) && count < 1,
    },
  },
});

/** The question for one unit's page. */
export const unitQuery = (id: string) => ({
  queryKey: ['unit', id],
  queryFn: () => call<UnitPage>('GET', `/units/${id}`),
});
export const useUnit = (id: string) => useQuery({ ...unitQuery(id), enabled: id !== '' });
/** What of the forecast is asked for; an empty word asks for all. */
export type ForecastAsked = Record<'within' | 'kind' | 'site', string>;
const askedFor = (asked: ForecastAsked): URLSearchParams =>
  new URLSearchParams(Object.entries(asked).filter(([, value]) => value !== ''));
export const useForecastPages = (asked: ForecastAsked) =>
  usePages(
    ['forecast', asked],
    (key) => call<ForecastPage>('GET', `/forecast?${askedFor(asked)}&${from('after', key)}`),
    { typed: asked.site !== '' },
  );
export const useWeeksAhead = (asked: ForecastAsked) =>
  useQuery({
    queryKey: ['forecast', 'weeks', asked],
    queryFn: () => call<WeeksAhead>('GET', `/forecast/weeks?${askedFor({ ...asked, within: '' })}`),
    placeholderData: keepPreviousData,
  });
export const useUnitForecast = (id: string) =>
  useQuery({ queryKey: ['wear', id], queryFn: () => call<UnitForecastView>('GET', `/units/${id}/forecast`) });

export const useWhileThere = (unit: string) =>
  useQuery({
    queryKey: ['wear', unit, 'there'],
    queryFn: () => call<WhileThere>('GET', `/units/${unit}/while-there`),
    enabled: unit !== '',
  });
export const useUnitPlan = (unit: string) =>
  useQuery({ queryKey: ['plan', unit], queryFn: () => call<UnitPlan>('GET', `/units/${unit}/plan`) });
/** How full a bay's day is beside one job; asked once a bay and a day are chosen. */
export const useBayDay = (bay: string | null, day: string | null, job: string) =>
  useQuery({
    queryKey: ['plan', 'bay', bay, day, job],
    queryFn: () => call<BayDay>('GET', `/bays/${bay}/day?day=${day}&job=${job}`),
    enabled: bay !== null && day !== null,
  });
export const useShortParts = () =>
  useQuery({ queryKey: ['plan', 'parts'], queryFn: () => call<PartsNeeded>('GET', '/plan/parts') });
export const useCalendars = () =>
  useQuery({ queryKey: ['plan', 'calendars'], queryFn: () => call<Calendars>('GET', '/calendars') });

/** The plan; looked at again while the clock moves, since what has begun and what is late follows from it. */
export const usePlan = () =>
  useQuery({ queryKey: ['plan'], queryFn: () => call<Board>('GET', '/plan'), refetchInterval: PLAN_AGAIN_MS });
export const useShop = () => useQuery({ queryKey: ['shop'], queryFn: () => call<Shop>('GET', '/shop') });
export const useTemplates = () =>
  useQuery({ queryKey: ['templates'], queryFn: () => call<Templates>('GET', '/templates') });
export const useParts = () => useQuery({ queryKey: ['parts'], queryFn: () => call<Parts>('GET', '/parts') });
export const useJob = (id: string) =>
  useQuery({ queryKey: ['job', id], queryFn: () => call<JobPage>('GET', `/jobs/${id}`) });
export const useSheet = (id: string) =>
  useQuery({ queryKey: ['sheet', id], queryFn: () => call<Sheet>('GET', `/inspections/${id}`) });

/**
 * A list that comes page by page, each asked for by where the one before it ended. Of what is typed letter by letter the
 * device keeps no answers.
 */
export const usePages = <P extends { next: string | null }>(
  key: readonly unknown[],
  page: (after: string) => Promise<P>,
  { typed = false } = {},
) =>
  useInfiniteQuery({
    ...(typed ? { persister: undefined } : {}),
    queryKey: key,
    queryFn: ({ pageParam }) => page(pageParam),
    initialPageParam: '',
    getNextPageParam: ({ next }) => next ?? undefined,
    placeholderData: keepPreviousData,
  });

const from = (name: 'after' | 'before', key: string): string => (key ? `${name}=${encodeURIComponent(key)}` : '');

/** What waits for an answer, by trailer. */
export const useTriagePages = () =>
  usePages(['defects', 'triage'], (key) => call<TriagePage>('GET', `/triage?${from('after', key)}`));
export const useDefectPages = (state: 'triaged' | 'measuring') =>
  usePages(['defects', state], (key) => call<DefectsPage>('GET', `/defects?state=${state}&${from('after', key)}`));
/** Re-torques whose day has passed. */
export const useLapsed = () =>
  useQuery({ queryKey: ['defects', 'lapsed'], queryFn: () => call<Lapsed>('GET', '/retorques/lapsed') });
export const useJobPages = () => usePages(['jobs'], (key) => call<JobsPage>('GET', `/jobs?${from('after', key)}`));
export const olderInspections = (unit: string, key: string) =>
  call<InspectionsPage>('GET', `/units/${unit}/inspections?${from('before', key)}`);
export const olderActs = (unit: string, key: string) =>
  call<ActsPage>('GET', `/units/${unit}/acts?${from('before', key)}`);
/** Repairs of before this program, as the shop’s list told them. */
export const pastRepairs = (unit: string, key: string) =>
  call<PastRepairs>('GET', `/units/${unit}/past-repairs?${from('before', key)}`);
export const olderPhotos = (unit: string, key: string) =>
  call<PhotosPage>('GET', `/units/${unit}/photos?${from('before', key)}`);
export const yardRowQuery = (id: string) => call<YardRow>('GET', `/units/${id}/row`);

const AHEAD_FRESH_MS = 10 * 60_000;

/** Reads trailers' pages ahead, so that any of them can be measured where there is no signal. */
export async function readAhead(units: readonly string[], still: () => boolean): Promise<void> {
  for (const id of units) {
    if (!still()) return;
    await queryClient.prefetchQuery({ ...unitQuery(id), staleTime: AHEAD_FRESH_MS });
  }
}
