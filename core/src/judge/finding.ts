import { z } from 'zod';
import { SURENESS, VERDICTS } from '../limits';
import { asWritten, saidSchema } from '../said';
import { SIDES, TYRES } from '../trailer';

const verdict = z.enum(VERDICTS);

export const brakeCountSchema = z.strictObject({
  total: z.int(),
  /** Brakes whose stroke (air) or lining (others) was judged. */
  measured: z.int(),
  full: z.int(),
  half: z.int(),
  /** At least this many count as defective … */
  defective: z.int(),
  /** … and at most this many, were every open reading to fail. */
  defectiveAtMost: z.int(),
  outOfServiceAt: z.int().nullable(),
  outOfService: z.boolean(),
});
export type BrakeCount = z.infer<typeof brakeCountSchema>;

export const findingSchema = z.strictObject({
  unit: z.string(),
  axle: z.int().nullable(),
  side: z.enum(SIDES).nullable(),
  tyre: z.enum(TYRES).nullable(),
  kind: z.string(),
  verdict,
  measured: z.string().nullable(),
  limit: z.string().nullable(),
  margin: z.string().nullable(),
  share: z.union([z.literal(0), z.literal(0.5), z.literal(1)]),
  rule: z.string().nullable(),
  sure: z.enum(SURENESS).nullable(),
  /** Why, as data. */
  said: z.array(saidSchema).readonly(),
  /** The same in words, for whoever does not know the codes. */
  because: z.string(),
  /** By practice it holds its unit until somebody answers, whatever the verdict. */
  holds: z.literal(true).optional(),
});
/** A finding as it leaves the program. */
export type SpokenFinding = z.infer<typeof findingSchema>;
/** A finding: what was judged, and why as data. */
export type Finding = Omit<SpokenFinding, 'because'>;

/** A finding as it is kept: without words; one of before there were codes has nothing but words, and keeps them. */
export type KeptFinding = Omit<Finding, 'said'> & ({ said: Finding['said'] } | { because: string });
export function keptFinding(kept: KeptFinding): Finding {
  if ('said' in kept) return kept;
  const { because, ...finding } = kept;
  return { ...finding, said: [asWritten(because)] };
}

const unitJudgementSchema = z.strictObject({
  id: z.string(),
  verdict,
  complete: z.boolean(),
  brakes: brakeCountSchema,
});
export type UnitJudgement = z.infer<typeof unitJudgementSchema>;

/** What `POST /api/v1/judge` answers. */
export const judgeAnswerSchema = z.strictObject({
  book: z.strictObject({ id: z.string(), edition: z.string() }),
  units: z.array(unitJudgementSchema),
  combination: z.strictObject({ brakes: brakeCountSchema, verdict }),
  findings: z.array(findingSchema),
});
export type SpokenJudgeAnswer = z.infer<typeof judgeAnswerSchema>;
export type JudgeAnswer = Omit<SpokenJudgeAnswer, 'findings'> & { findings: Finding[] };

/** A judgement as an inspection keeps it. */
export const judgementSchema = z.strictObject({
  book: z.strictObject({ id: z.string(), edition: z.string() }),
  verdict,
  complete: z.boolean(),
  brakes: brakeCountSchema,
  findings: z.array(findingSchema),
});
export type SpokenJudgement = z.infer<typeof judgementSchema>;
export type Judgement = Omit<SpokenJudgement, 'findings'> & { findings: Finding[] };
