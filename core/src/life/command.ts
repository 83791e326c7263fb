import type { z } from 'zod';
import type { Role } from './act';

/**
 * What a command decides about, and whose row is therefore taken before anything is looked at: a unit named in the
 * body, or the unit of the defect, job or inspection named there; several units; the fleet's rules; or the sender alone.
 */
export type About = 'unit' | 'defect' | 'job' | 'inspection' | 'units' | 'fleet' | 'self';

export interface Command<Body extends z.ZodType> {
  about: About;
  /** Who may ever send it. The life-cycle tables ask again, together with the state. */
  roles: readonly Role[];
  body: Body;
}

export const command = <Body extends z.ZodType>(about: About, roles: readonly Role[], body: Body): Command<Body> => ({
  about,
  roles,
  body,
});
