import { z } from 'zod';

/** What a fleet may be connected to, outside of the program. */
export const OUTSIDE_THINGS = ['road-service', 'dispatch', 'gauges'] as const;
export type OutsideThing = (typeof OUTSIDE_THINGS)[number];

/**
 * How a fleet uses one: not at all, which is how every fleet begins; by its open protocol; or by a stand-in, chosen by
 * name, whose every word is marked as made up.
 */
export const OUTSIDE_WAYS = ['none', 'protocol', 'made-up'] as const;
export type OutsideWay = (typeof OUTSIDE_WAYS)[number];

/** Who told of something: a person, a connected system, or a stand-in. */
export const OUTSIDE_SOURCES = ['hand', 'protocol', 'made-up'] as const;
export type OutsideSource = (typeof OUTSIDE_SOURCES)[number];

export const outsideFormSchema = z.strictObject({
  way: z.enum(OUTSIDE_WAYS),
  /** Where to call, as the fleet wrote it down. */
  phone: z.string().trim().max(40),
  /** Where the program tells it of something; empty where it only listens. */
  url: z
    .string()
    .trim()
    .max(300)
    .refine(
      (text) => text === '' || /^https?:\/\/[^\s]+$/.test(text),
      'write an address like https://example.org/road',
    ),
});
export type OutsideForm = z.infer<typeof outsideFormSchema>;

/** What both sides sign with: drawn on the device of whoever connects them, and shown once. */
export const outsideSecretText = z.string().regex(/^[A-Za-z0-9_-]{43}$/, 'a secret of 43 letters and digits');

export const outsideViewSchema = z.strictObject({
  thing: z.enum(OUTSIDE_THINGS),
  ...outsideFormSchema.shape,
  /** A secret is kept. */
  signed: z.boolean(),
  set: z.strictObject({ by: z.string(), at: z.string() }).nullable(),
  /** The last thing that could not be told, and why. */
  problem: z.string().nullable(),
  version: z.int(),
});
export type OutsideView = z.infer<typeof outsideViewSchema>;
export const outsideListSchema = z.strictObject({
  /** Under which address it is told from outside. */
  fleet: z.string(),
  things: z.array(outsideViewSchema),
});
export type OutsideList = z.infer<typeof outsideListSchema>;

/** A thing nobody set up. */
export const NOT_SET_UP: OutsideForm = { way: 'none', phone: '', url: '' };

/** When a unit leaves next and where to; whether a stand-in made that up. */
export const leavesSchema = z.strictObject({ at: z.string(), to: z.string(), madeUp: z.boolean() });
export type Leaves = z.infer<typeof leavesSchema>;
