import { z } from 'zod';
import { routeSchema } from '../inspection';
import { ROLES } from '../life';
import { BOOK_IDS, fleetLimitSchema, keptCheckSchema, ownSignSchema } from '../limits';
import { displayUnitsSchema } from '../measure';
import { factorCodeText } from './people';

const id = z.string();

export const signInSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  password: z.string().min(1).max(200),
  /** Asked for where the person has a second factor. */
  code: factorCodeText.optional(),
});

export const sessionSchema = z.strictObject({
  person: z.strictObject({
    id,
    name: z.string(),
    role: z.enum(ROLES),
    secondFactor: z.boolean(),
    /** Null reads in the fleet's units. */
    units: displayUnitsSchema.nullable(),
  }),
  fleet: z.strictObject({
    id,
    name: z.string(),
    zone: z.string(),
    book: z.enum(BOOK_IDS),
    policies: z.record(z.string(), z.string()),
    units: displayUnitsSchema,
    version: z.int(),
    /** The fleet's own stricter limits. */
    limits: z.array(fleetLimitSchema),
    /** Signs the fleet is stricter about than its book. */
    signs: z.array(ownSignSchema),
    /** What the fleet looks at besides. */
    checks: z.array(keptCheckSchema),
    /** Its own sentences for a walk by heart, by what is read or looked at. */
    phrases: z.record(z.string(), z.string()),
    /** Routes the fleet made its own, with the version each is at. */
    routes: z.array(z.strictObject({ version: z.int(), definition: routeSchema })),
  }),
});
export type Session = z.infer<typeof sessionSchema>;
