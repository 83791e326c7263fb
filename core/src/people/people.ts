import { z } from 'zod';
import { ROLES, type Role, SHOP } from '../life';
import { type Day, dayText, wordsText } from '../measure';
import { bayViewSchema, holidaysSchema } from './bays';
import { awaySchema, shiftSchema } from './hours';
import skillsFile from './skills.json';

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
export const passwordText = z.string().min(LEAST_PASSWORD, `use at least ${LEAST_PASSWORD} characters`).max(200);

export const claimSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  code: onceCodeText,
  password: passwordText,
});
export const newPasswordSchema = z.strictObject({ current: z.string().min(1).max(200), next: passwordText });

/** The digits for a quick change of person on a shared device. */
export const pinText = z
  .string()
  .trim()
  .regex(/^\d{6}$/, 'a PIN has six digits');
/** Null takes the PIN away. */
export const ownPinSchema = z.strictObject({ current: z.string().min(1).max(200), pin: pinText.nullable() });
export const changePersonSchema = z.strictObject({ person: z.uuid(), pin: pinText });
/** Who may take over this device by a PIN: nobody before somebody signed in on it in full today. */
export const changersSchema = z.strictObject({
  fullToday: z.boolean(),
  ownPin: z.boolean(),
  people: z.array(z.strictObject({ id: z.string(), name: z.string() })),
});
export type Changers = z.infer<typeof changersSchema>;

/** A code of the moment from one's own device, or one of the codes kept on paper. */
export const factorCodeText = z.union([
  z
    .string()
    .transform((text) => text.replaceAll(/\s/g, ''))
    .pipe(z.string().regex(/^\d{6}$/, 'enter the six digits on your device, or a backup code')),
  onceCodeText,
]);
export const beginFactorSchema = z.strictObject({ current: z.string().min(1).max(200) });
/** What a device needs to show codes: as an address it can scan, and to be typed. */
export const factorOfferSchema = z.strictObject({ address: z.string(), secret: z.string() });
export type FactorOffer = z.infer<typeof factorOfferSchema>;
export const confirmFactorSchema = z.strictObject({ code: factorCodeText });
/** Codes to keep on paper: each opens the door once where the device is lost. */
export const keptCodesSchema = z.strictObject({ codes: z.array(z.string()) });
export type KeptCodes = z.infer<typeof keptCodesSchema>;
export const endFactorSchema = z.strictObject({ current: z.string().min(1).max(200), code: factorCodeText });
/** Whose sign-in may ask for a second factor. */
export const mayHaveFactor = (role: Role): boolean => SHOP.includes(role);

/** Where one is signed in: since when, until when, and whether it is here. */
export const ownSessionsSchema = z.array(z.strictObject({ opened: z.string(), ends: z.string(), here: z.boolean() }));
export type OwnSessions = z.infer<typeof ownSessionsSchema>;

type Named = { name: string; says: string };
/** What work a person does: what a job asks for. */
export const SKILLS: readonly Named[] = skillsFile.skills;
/** What a person holds a paper for. */
export const QUALIFICATIONS: readonly Named[] = skillsFile.qualifications;
const namesOf = (list: readonly Named[]) => list.map(({ name }) => name) as [string, ...string[]];

export const qualificationSchema = z.strictObject({
  name: z.enum(namesOf(QUALIFICATIONS)),
  /** Its last day; null where it has none. */
  until: dayText.nullable(),
});
export type Qualification = z.infer<typeof qualificationSchema>;

/** What a person can do, may sign and when they are there. */
export const personWorkSchema = z.strictObject({
  skills: z.array(z.enum(namesOf(SKILLS))).max(SKILLS.length),
  qualifications: z.array(qualificationSchema).max(QUALIFICATIONS.length),
  shifts: z.array(shiftSchema).max(14),
  /** Days on which they are not there. */
  away: z.array(awaySchema).max(60).default([]),
});
export type PersonWork = z.infer<typeof personWorkSchema>;
export const NO_WORK: PersonWork = { skills: [], qualifications: [], shifts: [], away: [] };

/** Whether a paper stands on a day: `never` held, `expired`, or `valid`. */
export function qualified({ qualifications }: PersonWork, name: string, on: Day): 'never' | 'expired' | 'valid' {
  const held = qualifications.find((each) => each.name === name);
  if (!held) return 'never';
  return held.until !== null && held.until < on ? 'expired' : 'valid';
}

export const personFormSchema = z.strictObject({
  name: wordsText(60),
  role: z.enum(ROLES),
  /** Left as it is where it is not said. */
  work: personWorkSchema.optional(),
});

export const PERSON_STATES = ['invited', 'active', 'left'] as const;
export const personViewSchema = z.strictObject({
  id: z.string(),
  signIn: z.string(),
  name: z.string(),
  role: z.enum(ROLES),
  work: personWorkSchema,
  state: z.enum(PERSON_STATES),
  /** Until when the code they were given opens the door. */
  invitedUntil: z.string().nullable(),
  /** Whether a code of their own device is asked for beside the password. */
  secondFactor: z.boolean(),
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
  bays: z.array(bayViewSchema),
  holidays: holidaysSchema,
  /** Of the fleet's rules and holidays. */
  version: z.int(),
  papers: z.int(),
});
export type SetUp = z.infer<typeof setUpSchema>;
