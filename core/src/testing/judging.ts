import { type JudgeRequest, judge, keptJudgeRequestSchema } from '../judge';
import { type BookId, bookFor, type FleetLimit } from '../limits';
import type { Axle, Unit } from '../trailer';
import { spoken } from '../words';
import { AXLE } from './axle';

/** The axle end most examples are about. */
export const at = { axle: 1, side: 'left' } as const;
export type Given = Record<string, unknown> & { kind: string };
export type More = {
  axle?: Partial<Axle>;
  book?: BookId;
  policies?: Record<string, string>;
  limits?: FleetLimit[];
};

/** A fleet's own limit, stricter than the one it names. */
export const ownLimit = (tightens: string, value: string): FleetLimit => ({
  id: tightens,
  tightens,
  value,
  reason: 'ours',
  by: 'Wyn',
  at: '2026-01-01',
});

/** Judges readings of a one-axle trailer; what it finds is said in words too. */
export const ask = (readings: Given[], { axle, book = 'na', policies = {}, limits = [] }: More = {}) => {
  const unit: Unit = { id: 'T', kind: 'semitrailer', axles: [{ ...AXLE, ...axle }] };
  const request = { book, units: [unit], readings: readings.map((each) => ({ unit: 'T', ...each })) };
  const parsed: JudgeRequest = keptJudgeRequestSchema.parse(request);
  return spoken(judge(parsed, { book: bookFor({ book, policies, limits }) }));
};
/** The finding of one reading, of its own kind. */
export const first = (reading: Given, more?: More) => {
  const own = ask([reading], more).findings.filter((each) => each.kind.split(':')[0] === reading.kind);
  const found = own.find(({ measured }) => measured !== null) ?? own[0];
  if (!found) throw new Error(`no finding for ${reading.kind}`);
  return found;
};
