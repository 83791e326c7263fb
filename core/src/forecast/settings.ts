import { must, type Nanometres, parseLength } from '../measure';
import file from './forecast.json';

/** Kinds of reading that wear towards a limit. */
export const WEARING = ['lining', 'tread', 'drum', 'rotor', 'stroke-applied'] as const;
export type WearingKind = (typeof WEARING)[number];

const nm = (text: string): Nanometres => must(parseLength(text, 'none'));

interface Wears {
  /** A reading better by at least this much than the one before is of another part, whether or not that was written down. */
  renewedBy: Nanometres;
  /** The step in which its gauges are read. */
  step: Nanometres;
}

/** How what wears is foreseen. `forecast.json`, practice. */
export const FORECAST = {
  leastReadings: file.leastReadings,
  leastDays: file.leastDays,
  /** The part of all that is to fall inside of the interval. */
  within: file.within,
  /** Nothing is foreseen further ahead. */
  aheadDays: file.aheadDays,
  /** So many days before its first and after its last reading a meter still says where it stood. */
  meterDays: file.meterDays,
  /** A unit is in the shop again after so many days, where no paper brings it there before. */
  nextVisitDays: file.nextVisitDays,
  /** What is due within so many days is done in this visit. */
  soonDays: file.soonDays,
  kinds: Object.fromEntries(
    WEARING.map((kind) => [kind, { renewedBy: nm(file.kinds[kind].renewedBy), step: nm(file.kinds[kind].step) }]),
  ) as Record<WearingKind, Wears>,
  strokeRise: nm(file.findings.strokeRise),
  unevenLining: file.findings.unevenLining,
  oilReadings: file.findings.oilReadings,
} as const;
