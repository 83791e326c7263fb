import type { z } from 'zod';
import type { Role } from './act';

/**
 * What a command decides about, and whose row is therefore taken before anything is looked at: a unit named in the
 * body, or the unit of the defect, job or inspection named there; several units; the fleet's rules; or the sender alone.
 */
export type About = 'unit' | 'defect' | 'job' | 'inspection' | 'units' | 'fleet' | 'self';

/**
 * What reads differently after a command, beside the pages of the units it concerns: what the shop has before it, the
 * plan, what is foreseen, photos, the parts room, templates, what a fleet is set up with, what is practised, what is known of the records themselves.
 */
export type Touched =
  | 'shop'
  | 'plan'
  | 'forecast'
  | 'photos'
  | 'parts'
  | 'templates'
  | 'set-up'
  | 'practice'
  | 'records';

/** The units a body names otherwise than by its field `unit`: by themselves, by their numbers, by what is of them, or in a file's column `unit`. */
export interface Named {
  units?: readonly string[];
  numbers?: readonly string[];
  jobs?: readonly string[];
  defects?: readonly string[];
  csv?: string;
}

/** What follows from a command, and how it is taken. */
interface Follows {
  touches: readonly Touched[];
  /** Why the plan may no longer stand after it, as it is told; null where it does not move the plan. */
  movesPlan: string | null;
  /** Whose forecast it may change. */
  foresees: 'none' | 'its units' | 'all';
  /** What every unit is judged by changes: all are judged anew. */
  judgesAnew: boolean;
  /** How large it may be, in bytes; null as large as any. */
  largest: number | null;
  /** It stands in the security log: it changes who may do what, by which rules, or what of the records leaves. */
  logged: boolean;
  /** A person signs by it: where their device holds a key of theirs, it is signed with that. */
  signed: boolean;
  /** What it is worth when it comes later than a device may go without the server: nothing, or it is written down. */
  late: 'nothing' | 'written down';
}

export interface Command<Body extends z.ZodType> extends Follows {
  about: About;
  /** Who may ever send it. The life-cycle tables ask again, together with the state. */
  roles: readonly Role[];
  body: Body;
  names: ((body: never) => Named) | null;
}

type More<Body extends z.ZodType> = Partial<Follows> & { names?: (body: z.infer<Body>) => Named };

/** What is decided of a defect or a job is before the shop. */
const OF_SHOP: readonly About[] = ['defect', 'job'];

/** Declares a command: everything that must be known of it beside how it is done. */
export const command = <Body extends z.ZodType>(
  about: About,
  roles: readonly Role[],
  body: Body,
  { touches = [], names, ...more }: More<Body> = {},
): Command<Body> => ({
  movesPlan: null,
  foresees: 'none',
  judgesAnew: false,
  largest: null,
  late: 'nothing',
  logged: false,
  signed: false,
  ...more,
  about,
  roles,
  body,
  names: names ?? null,
  touches: OF_SHOP.includes(about) ? ['shop', ...touches] : touches,
});
