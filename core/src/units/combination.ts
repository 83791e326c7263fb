import { z } from 'zod';
import { formatDistance, must, parseDistance } from '../measure';
import { isPowerUnit, type UnitKind, unitHeadSchema } from '../trailer';
import settings from './combination.json';

/** What each kind may pull directly behind it. */
const PULLS: Readonly<Record<UnitKind, readonly UnitKind[]>> = {
  tractor: ['semitrailer'],
  truck: ['full-trailer', 'dolly'],
  bus: [],
  semitrailer: ['full-trailer', 'dolly'],
  'full-trailer': ['full-trailer', 'dolly'],
  dolly: ['semitrailer', 'full-trailer'],
};

/** Why one unit cannot run directly behind another; null when it can. */
export function whyNotBehind(puller: { number: string; kind: UnitKind }, pulled: { number: string; kind: UnitKind }) {
  if (isPowerUnit(pulled.kind)) return `${pulled.number} moves itself: it is not pulled.`;
  if (PULLS[puller.kind].includes(pulled.kind)) return null;
  const may = PULLS[puller.kind];
  return may.length
    ? `${puller.number} is a ${puller.kind}: behind it runs a ${may.join(' or a ')}.`
    : `Nothing can be hooked behind a ${puller.kind}.`;
}

/** A unit of a combination, from front to rear; `coupling` is what hooks it to the one before. */
export const coupledUnitSchema = unitHeadSchema.extend({
  held: z.boolean(),
  openDefects: z.int(),
  coupling: z.string().nullable(),
});
export type CoupledUnit = z.infer<typeof coupledUnitSchema>;

export const meterSchema = z.strictObject({ value: z.string(), at: z.string(), by: z.string() });
export type Meter = z.infer<typeof meterSchema>;

/** For so many days the last combination of a unit is proposed again. */
export const PROPOSE_DAYS = settings.proposeDays;
const DAY_MS = 86_400_000;

/**
 * Why an odometer or hub meter is asked about again: it runs backwards, or further than anybody drives in the time.
 * `at` and the earlier `at` are instants. Null where nothing is odd. Figure: `combination.json`, practice.
 */
export function meterDoubt(before: Meter | null, value: string, at: string): string | null {
  if (!before) return null;
  const [was, is] = [must(parseDistance(before.value)), must(parseDistance(value))];
  if (is < was) return `Last reading was ${before.value}. A meter does not run backward.`;
  const days = Math.max(1, Math.ceil((Date.parse(at) - Date.parse(before.at)) / DAY_MS));
  const unit = value.toLowerCase().endsWith('mi') ? 'mi' : 'km';
  const most = must(parseDistance(settings.mostADay));
  return is - was > days * most
    ? `${formatDistance(is - was, unit)} in ${days === 1 ? 'a day' : `${days} days`} is farther than anyone drives.`
    : null;
}
