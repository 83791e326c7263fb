import { z } from 'zod';
import { catalogueEntry, checkEntry } from '../defects';
import { BOOK_IDS, SURENESS, VERDICTS } from '../limits';
import { SIDES, TYRES, tyresOf, type Unit, wheelEnd } from '../trailer';
import { unitIdSchema, unitSchema, wireUnitSchema } from './gear';
import { contradiction, type Reading, readingPlace, readingSchema } from './reading';

/** A reading with the unit it was taken on. */
export type UnitReading = Reading & { unit: string };

const unitReadingSchema = z.discriminatedUnion(
  'kind',
  readingSchema.options.map((option) =>
    option.extend({ unit: unitIdSchema }),
  ) as unknown as typeof readingSchema.options,
) as unknown as z.ZodType<UnitReading>;

const needsEnd = (reading: Reading): boolean =>
  (reading.kind === 'defect' && catalogueEntry(reading.code)?.where !== 'unit') ||
  (reading.kind === 'check' && checkEntry(reading.check)?.at === 'end');

/** Why a reading cannot stand, or null: it must not contradict itself, and its place must exist on the unit. */
export const unsound = (reading: Reading, unit: Unit): { path: string; message: string } | null =>
  contradiction(reading) ?? misplaced(reading, unit);

function misplaced(reading: Reading, unit: Unit): { path: string; message: string } | null {
  const { axle, side, tyre } = readingPlace(reading);
  if (needsEnd(reading) && !(axle && side))
    return { path: 'axle', message: 'This is noted at a wheel end: give its axle and side' };
  if (axle === null) return null;
  if (axle > unit.axles.length)
    return { path: 'axle', message: `“${unit.id}” has ${unit.axles.length} axles, not ${axle}` };
  const end = wheelEnd(unit, axle, side ?? 'left');
  if (!end || tyre === null) return null;
  const fitted = tyresOf(end);
  if (fitted.includes(tyre)) return null;
  return { path: 'tyre', message: `The tyre here is ${fitted.join(' or ')}, not ${tyre}` };
}

interface Placed {
  units: Unit[];
  readings: UnitReading[];
}

function checkPlaces({ units, readings }: Placed, refuse: (path: (string | number)[], message: string) => void): void {
  const known = new Map(units.map((unit) => [unit.id, unit]));
  if (known.size < units.length) refuse(['units'], 'Two units have the same id');
  for (const [index, reading] of readings.entries()) {
    const unit = known.get(reading.unit);
    const wrong = unit ? unsound(reading, unit) : { path: 'unit', message: `No unit “${reading.unit}” in units` };
    if (wrong) refuse(['readings', index, wrong.path], wrong.message);
  }
}

const requestWith = <T extends z.ZodType<Unit>>(unit: T) =>
  z
    .strictObject({
      book: z.enum(BOOK_IDS),
      units: z.array(unit).min(1).max(8),
      readings: z.array(unitReadingSchema).max(2_000),
      /** Good brakes elsewhere in the combination, for the what-if. */
      assumeOtherBrakes: z.int().min(0).max(100).optional(),
    })
    .superRefine((request, context) =>
      checkPlaces(request as Placed, (path, message) => context.addIssue({ code: 'custom', path, message })),
    );

/** What `POST /api/v1/judge` takes. */
export const judgeRequestSchema = requestWith(wireUnitSchema);
/** The same, with running gear as we keep it (lift axles, ends that differ). */
export const keptJudgeRequestSchema = requestWith(unitSchema);
export type JudgeRequest = z.infer<typeof keptJudgeRequestSchema>;

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
  because: z.string(),
});
export type Finding = z.infer<typeof findingSchema>;

export const unitJudgementSchema = z.strictObject({
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
export type JudgeAnswer = z.infer<typeof judgeAnswerSchema>;
