import { z } from 'zod';
import type { Role } from '../../life';
import { NO_WORK, onceCodeText, personFormSchema, type Qualification, signInText } from '../../people';
import { meantBy, wordsOf } from './columns';
import type { MoveField } from './fields';
import type { Reader } from './reader';
import type { DayOrder } from './written-day';

/** Papers of a person, by the field that tells their last day. */
const PAPER_OF = {
  brakeInspector: 'Brake inspector',
  periodicInspector: 'Periodic inspector',
  licence: 'Driving license',
  medical: 'Medical certificate',
} as const satisfies Partial<Record<MoveField, string>>;

/** Somebody as they move in; they come in by a code that is told them. */
export const movedPersonSchema = z.strictObject({ signIn: signInText, form: personFormSchema });
export type MovedPerson = z.infer<typeof movedPersonSchema>;
export const invitedPersonSchema = movedPersonSchema.extend({ code: onceCodeText });

/** What somebody signs in with where the list does not say: their name, `Wyn Castellan` as `wyn.castellan`. */
const signInFrom = (name: string): string =>
  name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '.')
    .replace(/^\.+|\.+$/g, '')
    .slice(0, 39);

function skillsOf(read: Reader): string[] {
  const said = read
    .text('skills')
    .split(/[,;/]|\band\b/)
    .map((each) => each.trim())
    .filter(Boolean);
  const skills = said.flatMap((each) => {
    const own = meantBy('skills', each);
    if (!own) read.no('skills', `“${each}” is not known: write ${wordsOf('skills').join(', ')}.`);
    return own ? [own] : [];
  });
  return [...new Set(skills)];
}

export function movedPerson(read: Reader, { days, role }: { days: DayOrder; role: Role }): MovedPerson {
  const name = read.must('name', 'No name.');
  const qualifications = (Object.keys(PAPER_OF) as (keyof typeof PAPER_OF)[]).flatMap((field): Qualification[] => {
    const until = read.day(field, days);
    return until ? [{ name: PAPER_OF[field], until }] : [];
  });
  return {
    signIn: read.text('signIn') || signInFrom(name),
    form: { name, role: read.wordOr<Role>('role', role), work: { ...NO_WORK, skills: skillsOf(read), qualifications } },
  };
}
