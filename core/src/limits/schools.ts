import { z } from 'zod';
import shipped from './schools.json';

const option = z.strictObject({
  id: z.string(),
  name: z.string(),
  says: z.string(),
  /** Of a sticker: how many months it is good for after the one on it. */
  months: z.int().optional(),
});
export const schoolSchema = z.strictObject({
  id: z.string(),
  name: z.string(),
  /** What it decides, in a sentence or two. */
  says: z.string(),
  default: z.string(),
  options: z.array(option).min(2),
});
export type School = z.infer<typeof schoolSchema>;

/** Where good shops differ: each a setting with its ways explained. */
export const SCHOOLS = shipped as readonly School[];

/** What a fleet chose, by school; what it does not name is the default. */
export type Schools = Readonly<Record<string, string>>;

const schoolOf = (id: string): School | undefined => SCHOOLS.find((school) => school.id === id);

export const schoolChoice = (schools: Schools, id: string): string => schools[id] ?? schoolOf(id)?.default ?? '';

export const schoolsSchema = z.record(z.string(), z.string()).superRefine((chosen, context) => {
  for (const [id, option] of Object.entries(chosen)) {
    const school = schoolOf(id);
    if (!school?.options.some((each) => each.id === option))
      context.addIssue({
        code: 'custom',
        path: [id],
        message: school ? `“${school.name}” has no such way` : 'No such school',
      });
  }
});

/** Whether a limit belongs to a fleet's schools: one that names none belongs to all. */
export function ofSchool(school: string | undefined, chosen: Schools): boolean {
  if (!school) return true;
  const [id = '', option] = school.split(':');
  return schoolChoice(chosen, id) === option;
}

/** The last day an inspection sticker is good, from the month on it (`2026-03`), as a plain date. */
export function stickerLastDay(schools: Schools, month: string): string | null {
  const found = /^(\d{4})-(0[1-9]|1[0-2])$/.exec(month);
  if (!found) return null;
  const way = schoolOf('sticker')?.options.find(({ id }) => id === schoolChoice(schools, 'sticker'));
  const last = new Date(Date.UTC(Number(found[1]), Number(found[2]) + (way?.months ?? 0), 0));
  return last.toISOString().slice(0, 10);
}
