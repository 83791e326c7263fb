import { z } from 'zod';
import { type Policies, policySays } from '../limits';
import { type Features, factSays, QUOTED_FACTS } from '../trailer';
import { PARTS } from './catalogue';
import entries from './checks.json';

export const checkSchema = z.strictObject({
  id: z.string(),
  part: z.enum(PARTS),
  /** Looked at once on the unit, or at every axle end. */
  at: z.enum(['unit', 'end']),
  /** The unit is moved for it: the chocks are out by then. */
  rolls: z.literal(true).optional(),
  name: z.string(),
  /** What it looks like when nothing is wrong. */
  good: z.string(),
  /** The policy that says the rest of it, by the fleet's choice. */
  policy: z.string().optional(),
  /** What is kept of the unit that says the rest of it. */
  fact: z.enum(QUOTED_FACTS).optional(),
  /** What can hurt whoever looks, said where it is looked at. */
  caution: z.string().optional(),
  /** What may be seen instead, and the defect it means. */
  signs: z
    .array(
      z.strictObject({
        sign: z.string(),
        code: z.string(),
        /** The code where all of them are so, not one of several. */
        all: z.string().optional(),
      }),
    )
    .min(1),
});
export type Check = z.infer<typeof checkSchema>;

/** Everything that is looked at by eye: what good looks like, and the signs that lead to each defect. */
export const CHECKS = entries as readonly Check[];

/** What good looks like, with what a fleet's policies and what is kept of the unit say of it. */
export const goodOf = ({ good, policy, fact }: Check, policies: Policies, features: Features = {}): string =>
  [good, policy && policySays(policies, policy), fact && factSays(fact, features)]
    .filter((each): each is string => Boolean(each))
    .map((each) => each.replace(/\.$/, ''))
    .join('. ');

const byId = new Map(CHECKS.map((check) => [check.id, check]));
export const checkEntry = (id: string): Check | null => byId.get(id) ?? null;
