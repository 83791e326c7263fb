import { BENCH, EVERYBODY, type Role, SHOP } from '@zealous-axle/core';

const MANAGER: readonly Role[] = ['manager'];

/** Who may read what by its address, as by need: a driver what is of a unit and their own, the bench what is before the shop, its heads the rest. */
export const READERS: Readonly<Record<string, readonly Role[]>> = {
  '/session': EVERYBODY,
  '/session/all': EVERYBODY,
  '/session/person': EVERYBODY,
  '/session/factor': EVERYBODY,
  '/live': EVERYBODY,
  '/units': EVERYBODY,
  '/units/total': EVERYBODY,
  '/units/number': EVERYBODY,
  '/units/gone': EVERYBODY,
  '/units/:id': EVERYBODY,
  '/units/:id/row': EVERYBODY,
  '/units/:id/acts': EVERYBODY,
  '/units/:id/inspections': EVERYBODY,
  '/units/:id/photos': EVERYBODY,
  '/units/:id/jobs': EVERYBODY,
  '/units/:id/past-repairs': EVERYBODY,
  '/units/:id/plan': EVERYBODY,
  '/units/:id/road': EVERYBODY,
  '/units/:id/forecast': EVERYBODY,
  '/units/:id/while-there': EVERYBODY,
  '/inspections/:id': EVERYBODY,
  '/inspections/:id/inspection.json': EVERYBODY,
  '/inspections/:id/inspection.pdf': EVERYBODY,
  '/jobs/:id': EVERYBODY,
  '/jobs/:id/certificate.pdf': EVERYBODY,
  '/photos/:id': EVERYBODY,
  '/check-pictures/:id': EVERYBODY,
  '/gauges': EVERYBODY,
  '/practice': EVERYBODY,
  '/practice/exams/:code': EVERYBODY,
  '/calendars': EVERYBODY,
  '/triage': BENCH,
  '/defects': BENCH,
  '/retorques/lapsed': BENCH,
  '/shop': BENCH,
  '/jobs': BENCH,
  '/repairs': BENCH,
  '/templates': BENCH,
  '/parts': BENCH,
  '/bays/:id/day': BENCH,
  '/plan': BENCH,
  '/plan/parts': BENCH,
  '/forecast': BENCH,
  '/forecast/weeks': BENCH,
  '/readings.csv': BENCH,
  'POST /readings.csv/preview': BENCH,
  '/units.csv': SHOP,
  'POST /units.csv/preview': SHOP,
  '/moves-in': SHOP,
  'POST /moves-in/known': SHOP,
  '/day': SHOP,
  '/set-up': SHOP,
  '/people': SHOP,
  '/outside': SHOP,
  '/dispatch': SHOP,
  '/practice/class': SHOP,
  '/units/:id/history.json': SHOP,
  '/events': SHOP,
  '/records': MANAGER,
  '/security-log': MANAGER,
};

const API = '/api/v1';
/** Whether a role may read at an address as a route has it; what is asked by a body is named with its method. */
export function mayRead({ method, url }: { method: string; url: string | undefined }, role: Role): boolean {
  const path = (url ?? '').replace(API, '');
  return READERS[method === 'GET' || method === 'HEAD' ? path : `${method} ${path}`]?.includes(role) ?? true;
}
