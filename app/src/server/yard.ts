import { infiniteQueryOptions, keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import {
  DUE_SOON_DAYS,
  dayAfter,
  dayIn,
  type YardAsked,
  type YardOrder,
  type YardPage,
  type YardRow,
  type YardTotal,
} from '@zealous-axle/core';
import { keepRows, rowsHere } from '../device/rows';
import { call, Unreachable } from './client';
import { queryClient } from './queries';

/** A page of the yard; `here` when it is what this device has seen, because there is no signal. */
export interface YardAnswer extends YardPage {
  here?: true;
}

const queryText = (asked: object): string =>
  Object.entries(asked)
    .filter(([, value]) => value !== undefined && value !== '')
    .map(([name, value]) => `${name}=${encodeURIComponent(String(value))}`)
    .join('&');

const shownBy = ({ show }: YardAsked, today: string): ((row: YardRow) => boolean) => {
  const soon = dayAfter(today, DUE_SOON_DAYS);
  if (show === 'held') return (row) => row.held;
  if (show === 'defects') return (row) => row.openDefects > 0 || row.toAcknowledge > 0;
  return show === 'due' ? (row) => row.due !== null && row.due.on <= soon : () => true;
};
const urgencyOf = (row: YardRow): number => (row.held ? 0 : row.openDefects ? 1 : 2);

/** What is asked for among the units this device has seen. */
export function searchHere(rows: readonly YardRow[], asked: YardAsked, today: string): YardRow[] {
  const text = (asked.text ?? '').trim().toLowerCase();
  const shown = shownBy(asked, today);
  return rows
    .filter((row) => shown(row) && `${row.number} ${row.body}`.toLowerCase().includes(text))
    .filter(({ verdict }) => !asked.verdict || verdict === asked.verdict)
    .filter(({ site, body }) => (!asked.site || site === asked.site) && (!asked.body || body === asked.body))
    .sort((a, b) => urgencyOf(a) - urgencyOf(b) || (a.number < b.number ? -1 : 1));
}

async function page(asked: YardAsked, order: YardOrder, after: string, zone: string): Promise<YardAnswer> {
  try {
    const answer = await call<YardPage>('GET', `/units?${queryText({ ...asked, order, after })}`);
    void keepRows(answer.units);
    return answer;
  } catch (error) {
    if (!(error instanceof Unreachable) || after) throw error;
    const rows = await rowsHere();
    if (rows.length === 0) throw error;
    const today = dayIn(zone, new Date());
    return { today, units: searchHere(rows, asked, today), next: null, here: true };
  }
}

/** What is typed letter by letter is asked of the server alone: the device keeps no answer for every letter. */
const unkept = ({ text }: YardAsked) => (text ? { persister: undefined } : {});

const yardQuery = (asked: YardAsked, order: YardOrder, zone: string) =>
  infiniteQueryOptions({
    queryKey: ['yard', asked, order],
    queryFn: ({ pageParam }) => page(asked, order, pageParam, zone),
    initialPageParam: '',
    getNextPageParam: ({ next }: YardAnswer) => next ?? undefined,
  });

/** The yard as asked for, page by page; without a signal, what this device has seen of it. */
export const useYard = (asked: YardAsked, order: YardOrder, zone: string) =>
  useInfiniteQuery({ ...yardQuery(asked, order, zone), ...unkept(asked), placeholderData: keepPreviousData });

/** Asks for what the yard shows first, before the program has drawn its frame. */
export const askYard = (zone: string): void => void queryClient.prefetchInfiniteQuery(yardQuery({}, 'urgency', zone));

/** How many there are of what is asked for, and what may be asked for. */
export const useYardTotal = (asked: YardAsked) =>
  useQuery({
    ...unkept(asked),
    queryKey: ['yard-total', asked],
    queryFn: () => call<YardTotal>('GET', `/units/total?${queryText(asked)}`),
    placeholderData: keepPreviousData,
  });
