import { catalogueEntry, type Part, severityOf } from '../catalogue';
import { type Day, daysBetween } from '../measure';
import { parseSubject, partRead } from '../reading';
import { asWritten, type Said, said } from '../said';
import type { Side, Tyre } from '../trailer';
import {
  breaksLaw,
  heldByPractice,
  holdsFromReport,
  ownRuleOf,
  PRACTICE_HOLDS,
  type SignRules,
  WITHOUT_HOLD,
  withoutHold,
} from './holding';
import urgency from './urgency.json';

/** A report as far as its answer is concerned. */
export interface Reported {
  id: string;
  code: string;
  axle: number | null;
  side: Side | null;
  tyre: Tyre | null;
  words: string;
  holds: boolean;
  /** It was measured since it was reported. */
  measured: boolean;
}

/** A repair that was certified: what it was of, by whom, and on which day. */
export interface Repaired extends Omit<Reported, 'words' | 'holds' | 'measured'> {
  job: string;
  by: string;
  on: Day;
}

/** How much it presses: not used until it is repaired, before its next use, at its next visit, or measured first. */
export const URGENCIES = ['hold', 'before-use', 'next-visit', 'measure-first'] as const;
export type Urgency = (typeof URGENCIES)[number];

/** Days after its certificate in which a fault at the same place counts as come back. Source: `urgency.json`. */
export const COME_BACK_DAYS = urgency.comeBackDays;
/** Days a report is put off by to begin with; whoever puts it off writes the day. Source: `urgency.json`. */
export const FIRST_DEFERRAL_DAYS = urgency.firstDeferralDays;

/** What is proposed for a report: never looser than the rule. A person answers. */
export interface Proposal {
  severity: Urgency;
  answer: 'repair' | 'measure' | 'join';
  /** To be repaired, it holds its unit until then. */
  holds: boolean;
  /** Why, with its rule. */
  said: readonly Said[];
  /** An open report of the same fault. */
  joins: string | null;
  /** The certified repair it may have come back from. */
  comeBackOf: Pick<Repaired, 'id' | 'job' | 'by' | 'on'> | null;
}

/** What a driver says where only a reading can tell. */
const ONLY_A_READING = /\b(pull(s|ing)?|soft|spongy|worn|weak|not sure|unsure)\b/i;
const MEASURED_PARTS: readonly Part[] = ['brake', 'tyre', 'hub', 'wheel'];

/** The part a code or a failed reading is of. */
export const partOf = (code: string): Part =>
  catalogueEntry(code)?.part ?? partRead(parseSubject(code).kind) ?? 'other';

const samePlace = (one: Pick<Reported, 'axle' | 'side' | 'tyre'>, other: Pick<Reported, 'axle' | 'side' | 'tyre'>) =>
  one.axle === other.axle &&
  one.side === other.side &&
  (one.tyre === null || other.tyre === null || one.tyre === other.tyre);

/**
 * The catalogue's code for what is seen again after a repair: the defect's own, or – where a reading had failed, which a
 * person reporting has not taken – doubt about that part at that place.
 */
export function comeBackCode({ code, axle }: Pick<Reported, 'code' | 'axle'>): string {
  if (catalogueEntry(code)) return code;
  const doubt = `unsure-${partOf(code)}`;
  const where = catalogueEntry(doubt)?.where;
  if (where && (where === 'unit') === (axle === null)) return doubt;
  return axle === null ? 'other' : 'other-end';
}

const vague = (code: string): boolean => code.startsWith('unsure') || code.startsWith('other');

/** The same fault: one code at one place, or one that does not say what beside one that does. */
export const sameFault = (
  one: Pick<Reported, 'code' | 'axle' | 'side' | 'tyre'>,
  other: Pick<Reported, 'code' | 'axle' | 'side' | 'tyre'>,
): boolean =>
  samePlace(one, other) &&
  (one.code === other.code || (partOf(one.code) === partOf(other.code) && (vague(one.code) || vague(other.code))));

const isDoubt = (code: string): boolean => code.startsWith('unsure');

const ownSaid = ({ reason, by }: { reason: string; by: string }): Said => said('own-rule', { reason, by });
const PRACTICE = asWritten(`${PRACTICE_HOLDS}.`);
const ONLY = said('only-a-reading');

/** How much a report presses, and the rule that says so. */
export function urgencyOf(
  { code, words, holds, measured: known }: Pick<Reported, 'code' | 'words' | 'holds' | 'measured'>,
  rules: SignRules,
): Pick<Proposal, 'severity' | 'said'> {
  const { book } = rules;
  const rule = severityOf(code, book);
  const own = ownRuleOf(rules, code);
  const measured = !known && MEASURED_PARTS.includes(partOf(code));
  if (rule?.verdict === 'out-of-service')
    return { severity: 'hold', said: [said('out-of-service-by', { rule: rule.rule })] };
  if (own?.presses === 'hold' && !heldByPractice(code)) return { severity: 'hold', said: [ownSaid(own)] };
  if (holds && !rule) return { severity: 'hold', said: [said('past-a-limit')] };
  if (measured && isDoubt(code)) {
    const until = heldByPractice(code) ? [said('held-until-answered'), PRACTICE] : [];
    return { severity: 'measure-first', said: [ONLY, ...until] };
  }
  if (heldByPractice(code)) return { severity: 'hold', said: [PRACTICE] };
  if (rule && breaksLaw(code, book))
    return {
      severity: 'before-use',
      said: [said('violation-by', { rule: rule.rule, without: withoutHold(code) && !holds ? WITHOUT_HOLD : 'none' })],
    };
  if (own) return { severity: 'before-use', said: [ownSaid(own)] };
  if (holds) return { severity: 'before-use', said: [said('holds-the-unit')] };
  if (measured && ONLY_A_READING.test(words)) return { severity: 'measure-first', said: [ONLY] };
  if (!rule) return { severity: 'next-visit', said: [said('own-limit')] };
  return { severity: 'next-visit', said: [said('no-legal-limit', { rule: rule.rule })] };
}

/**
 * What to answer to a report, from the catalogue, the unit's other open reports and its certified repairs.
 * `today` is the shop's date. What holds by practice, and when a fault counts as come back: `urgency.json`.
 */
export function proposalFor(
  report: Reported,
  rules: SignRules,
  { open, repaired, today }: { open: readonly Reported[]; repaired: readonly Repaired[]; today: Day },
): Proposal {
  const own = urgencyOf(report, rules);
  const joins = open.find((each) => each.id < report.id && sameFault(report, each))?.id ?? null;
  const before = repaired.find(
    (each) =>
      samePlace(report, each) &&
      partOf(each.code) === partOf(report.code) &&
      daysBetween(each.on, today) <= COME_BACK_DAYS,
  );
  const comeBackOf = before ? { id: before.id, job: before.job, by: before.by, on: before.on } : null;
  const why = [
    ...own.said,
    ...(joins ? [said('reported-already')] : []),
    ...(comeBackOf ? [said('repaired-before', { days: daysBetween(comeBackOf.on, today), by: comeBackOf.by })] : []),
  ];
  return {
    severity: own.severity,
    holds: report.holds || holdsFromReport(report.code, rules),
    answer: joins ? 'join' : own.severity === 'measure-first' ? 'measure' : 'repair',
    said: why,
    joins,
    comeBackOf,
  };
}
