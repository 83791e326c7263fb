import { z } from 'zod';
import { ROLES, type Role } from '../life';
import { wordsText } from '../measure';

/** What a person signs in with before the `@` of the fleet. */
export const signInText = z
  .string()
  .trim()
  .toLowerCase()
  .regex(/^[a-z0-9][a-z0-9._-]{0,38}$/, 'write small letters and digits, like wyn.castellan');

/** Letters and digits that are not taken for each other, read aloud or written on paper. */
export const CODE_LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const FOUR = `[${CODE_LETTERS}]{4}`;
/** A code that opens the door once: `K7QM-2XWD-9HRT`. */
export const onceCodeText = z
  .string()
  .trim()
  .toUpperCase()
  .regex(new RegExp(`^${FOUR}-${FOUR}-${FOUR}$`), 'write the code as it was given, like K7QM-2XWD-9HRT');

export const LEAST_PASSWORD = 10;
export const passwordText = z
  .string()
  .min(LEAST_PASSWORD, `a password has at least ${LEAST_PASSWORD} letters or signs`)
  .max(200);

export const claimSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  code: onceCodeText,
  password: passwordText,
});
export const newPasswordSchema = z.strictObject({ current: z.string().min(1).max(200), next: passwordText });

/** Where one is signed in: since when, until when, and whether it is here. */
export const ownSessionsSchema = z.array(z.strictObject({ opened: z.string(), ends: z.string(), here: z.boolean() }));
export type OwnSessions = z.infer<typeof ownSessionsSchema>;

export const personFormSchema = z.strictObject({ name: wordsText(60), role: z.enum(ROLES) });

export const PERSON_STATES = ['invited', 'active', 'left'] as const;
export const personViewSchema = z.strictObject({
  id: z.string(),
  signIn: z.string(),
  name: z.string(),
  role: z.enum(ROLES),
  state: z.enum(PERSON_STATES),
  /** Until when the code they were given opens the door. */
  invitedUntil: z.string().nullable(),
  version: z.int(),
});
export type PersonView = z.infer<typeof personViewSchema>;
export const peopleSchema = z.strictObject({ slug: z.string(), people: z.array(personViewSchema) });
export type People = z.infer<typeof peopleSchema>;

/** Whom a role may invite, change and reset: a foreman those of the bench and the road, a manager everybody. */
export const mayManage = (by: Role, whom: Role): boolean =>
  by === 'manager' || (by === 'foreman' && (whom === 'driver' || whom === 'technician'));

/** What the fleet has of what it needs, and what waits for the rest. */
export const setUpSchema = z.strictObject({
  units: z.int(),
  chambersUnknown: z.int(),
  people: z.int(),
  invited: z.int(),
  bays: z.array(z.strictObject({ id: z.string(), name: z.string(), rank: z.int() })),
  papers: z.int(),
});
export type SetUp = z.infer<typeof setUpSchema>;
