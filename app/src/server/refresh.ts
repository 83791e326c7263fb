import type { Query } from '@tanstack/react-query';
import { type CommandName, commandOf, type JobPage, type Sheet, type Touched, type YardRow } from '@zealous-axle/core';
import { dropRow, keepRows } from '../device/rows';
import { Refused } from './client';
import { queryClient, yardRowQuery } from './queries';
import type { YardAnswer } from './yard';

/** Something happened: a command by name, or that much may have been missed; on a unit, on none (null), or on one not known here. */
export interface Happened {
  type: CommandName | 'read-again' | 'plan';
  unit?: string | null;
  /** The command that made it. */
  command?: string | null;
}

const isCommand = (type: Happened['type']): type is CommandName => type !== 'read-again' && type !== 'plan';

/** The unit an answer is about, where it is about one. */
function unitOf({ queryKey, state }: Query): string | undefined {
  if (queryKey[0] === 'unit') return queryKey[1] as string;
  if (queryKey[0] === 'job') return (state.data as JobPage | undefined)?.job.unit.id;
  return queryKey[0] === 'sheet' ? (state.data as Sheet | undefined)?.unit.id : undefined;
}

const ABOUT_ONE = ['unit', 'job', 'sheet'];
/** What each question is about: it is asked again after a command that touches that. */
const READS: Readonly<Record<string, readonly Touched[]>> = {
  shop: ['shop', 'photos'],
  defects: ['shop', 'photos'],
  jobs: ['shop', 'photos'],
  plan: ['plan', 'shop', 'set-up'],
  wear: ['shop', 'forecast'],
  parts: ['parts'],
  templates: ['templates'],
  practice: ['practice'],
  'set-up': ['set-up'],
  people: ['set-up'],
  gone: ['set-up'],
  outside: ['set-up'],
  gauges: ['set-up'],
  records: ['records', 'set-up'],
};

/** What sorts a row, or puts it on another list. */
const placeIn = ({
  number,
  body,
  site,
  held,
  openDefects,
  toAcknowledge,
  lastMeasured,
  verdict,
  due,
}: YardRow): string =>
  JSON.stringify([number, body, site, held, openDefects > 0, toAcknowledge > 0, lastMeasured, verdict, due]);

/** Asks for one row of the yard, and puts it in its place; lists are read again only where it now stands elsewhere. */
async function refreshRow(unit: string): Promise<void> {
  const lists = queryClient.getQueryCache().findAll({ queryKey: ['yard'] });
  if (lists.length === 0) return;
  const row = await yardRowQuery(unit).catch((error: unknown) => (error instanceof Refused ? null : undefined));
  if (row === undefined) return;
  if (row) void keepRows([row]);
  else void dropRow(unit);
  // What has no row any more left the yard.
  let moved = row === null;
  queryClient.setQueriesData<{ pages: YardAnswer[] }>({ queryKey: ['yard'] }, (data) => {
    if (!data || !row) return data;
    const old = data.pages.flatMap(({ units }) => units).find(({ id }) => id === unit);
    moved ||= !old || placeIn(old) !== placeIn(row);
    if (!old) return data;
    const units = (page: YardAnswer) => page.units.map((each) => (each.id === unit ? row : each));
    return { ...data, pages: data.pages.map((page) => ({ ...page, units: units(page) })) };
  });
  if (!moved) return;
  await queryClient.invalidateQueries({ queryKey: ['yard'] });
  await queryClient.invalidateQueries({ queryKey: ['yard-total'] });
}

const isUnanswered = ({ state }: Query): boolean => state.data === undefined;

const isOld = ({ state }: Query): boolean => state.isInvalidated && !(state.error instanceof Refused);
type Which = (query: Query) => boolean;
const EVERYTHING: Which = () => true;

/**
 * Reads again what an event touches, and nothing else. Answers once that came or did not, with whether all of it that is
 * shown is read by now, or not to be had.
 */
export async function refresh(events: readonly Happened[]): Promise<() => boolean> {
  const again = events.some(({ type }) => type === 'read-again');
  const touched = again ? EVERYTHING : touchedBy(events);
  await (again ? queryClient.invalidateQueries() : Promise.all([readPlan(events), readTouched(events, touched)]));
  const isOwn = (query: Query) => touched(query) && isOld(query);
  return () => queryClient.getQueryCache().findAll({ type: 'active', predicate: isOwn }).length === 0;
}

async function readPlan(events: readonly Happened[]): Promise<void> {
  if (events.some(({ type }) => type === 'plan')) await queryClient.invalidateQueries({ queryKey: ['plan'] });
}

const unitsOf = (events: readonly Happened[]) => new Set(events.flatMap(({ unit }) => unit ?? []));

/** Which questions these events touch. */
function touchedBy(events: readonly Happened[]): Which {
  const commands = events.map(({ type }) => type).filter(isCommand);
  if (commands.length === 0) return () => false;
  const units = unitsOf(events);
  const unknown = events.some(
    ({ type, unit }) =>
      unit === undefined || (unit === null && isCommand(type) && ['units', 'fleet'].includes(commandOf(type).about)),
  );
  const all = new Set(commands.flatMap((type) => commandOf(type).touches));
  return (query) => {
    const [name] = query.queryKey as [string];
    const reads = READS[name];
    if (reads) return reads.some((each) => all.has(each));
    if (!ABOUT_ONE.includes(name)) return unknown && name.startsWith('yard');
    return unknown || isUnanswered(query) || units.has(unitOf(query) ?? '');
  };
}

async function readTouched(events: readonly Happened[], touched: Which): Promise<void> {
  if (!events.some(({ type }) => isCommand(type))) return;
  // A first answer on its way may be from before: it is not waited for.
  const pages = queryClient
    .cancelQueries({ predicate: (query) => isUnanswered(query) && touched(query) })
    .then(() => queryClient.invalidateQueries({ predicate: touched }));
  await Promise.all([pages, ...[...unitsOf(events)].map(refreshRow)]);
}
