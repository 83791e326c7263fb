import { z } from 'zod';
import { BOOK_IDS } from '../limits';
import { type Reading, readingSchema } from '../reading';
import { type Unit, unitIdSchema, unitSchema, wireUnitSchema } from '../trailer';
import { unsound } from './sound';

/** A reading with the unit it was taken on. */
export type UnitReading = Reading & { unit: string };

const [first, ...others] = readingSchema.options.map((option: z.ZodObject) => option.extend({ unit: unitIdSchema }));
if (!first) throw new Error('there is no kind of reading');
/** Each kind's own shape and its unit: what came through is a reading. */
const unitReadingSchema = z.discriminatedUnion('kind', [first, ...others]).transform((read) => read as UnitReading);

interface Request {
  units: Unit[];
  readings: UnitReading[];
}

function checkPlaces({ units, readings }: Request, refuse: (path: (string | number)[], message: string) => void): void {
  const known = new Map(units.map((unit) => [unit.id, unit]));
  if (known.size < units.length) refuse(['units'], 'Two units have the same id');
  for (const [index, reading] of readings.entries()) {
    const unit = known.get(reading.unit);
    const wrong = unit ? unsound(reading, unit) : { path: 'unit', message: `No unit “${reading.unit}” in units` };
    if (wrong) refuse(['readings', index, wrong.path], wrong.message);
  }
}

/** What several units fully read have, and some. */
const MOST_READINGS = 500;

const requestWith = <T extends z.ZodType<Unit>>(unit: T) =>
  z
    .strictObject({
      book: z.enum(BOOK_IDS),
      units: z.array(unit).min(1).max(8),
      readings: z.array(unitReadingSchema).max(MOST_READINGS),
      /** Good brakes elsewhere in the combination, for the what-if. */
      assumeOtherBrakes: z.int().min(0).max(100).optional(),
    })
    .superRefine((request, context) =>
      checkPlaces(request as Request, (path, message) => context.addIssue({ code: 'custom', path, message })),
    );

/** What `POST /api/v1/judge` takes. */
export const judgeRequestSchema = requestWith(wireUnitSchema);
/** The same, with running gear as we keep it (lift axles, ends that differ). */
export const keptJudgeRequestSchema = requestWith(unitSchema);
export type JudgeRequest = z.infer<typeof keptJudgeRequestSchema>;
