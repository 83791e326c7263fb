import { z } from 'zod';
import { BENCH, command, EVERYBODY, SHOP } from '../life';
import { isBookId, STICKER_MEANS, stickerMonth } from '../limits';
import { dayText, distanceText, wordsText } from '../measure';
import { OUTSIDE_SOURCES } from '../outside';
import {
  becauseSchema,
  endFactsSchema,
  endSchema,
  MAKER_READINGS,
  makerLimitSchema,
  SIDES,
  UNIT_STATES,
  unitFormSchema,
} from '../trailer';
import { PAPER_NAMES } from './papers';

const id = z.uuid();
const form = unitFormSchema.refine(({ features }) => !features.book || isBookId(features.book), {
  path: ['features', 'book'],
  message: 'there is no such limit book',
});
const version = z.int().min(1);
/** As many ends as a unit may have. */
const MOST_ENDS = 24;

/** What a unit is, what it runs with, and the papers it carries. */
export const UNIT_COMMANDS = {
  /** `pulled` runs directly behind `unit` from now on. */
  hook: command(
    'units',
    EVERYBODY,
    z.strictObject({ coupling: id, unit: id, pulled: id, place: z.string().trim().max(60) }),
    { names: ({ unit, pulled }) => ({ units: [unit, pulled] }) },
  ),
  drop: command(
    'units',
    EVERYBODY,
    z.strictObject({ coupling: id, unit: id, pulled: id, place: z.string().trim().max(60) }),
    { names: ({ unit, pulled }) => ({ units: [unit, pulled] }) },
  ),
  /** An odometer or hub meter, as it was read. */
  'record-meter': command(
    'unit',
    EVERYBODY,
    z.strictObject({
      meter: id,
      unit: id,
      value: distanceText,
      /** When it was read, where somebody else told it. */
      readAt: z.iso.datetime().optional(),
      source: z.enum(OUTSIDE_SOURCES).optional(),
    }),
    { touches: ['shop'], foresees: 'its units' },
  ),
  'add-unit': command('fleet', SHOP, z.strictObject({ unit: id, form }), {
    touches: ['set-up'],
    foresees: 'its units',
  }),
  /**
   * Corrects what a unit is. What was judged stays as it was; what stands is judged again. What is judged by is not changed
   * without a reason.
   */
  'set-unit': command('unit', BENCH, z.strictObject({ unit: id, version, form, because: becauseSchema.optional() }), {
    touches: ['shop', 'set-up'],
    foresees: 'its units',
  }),
  /** What is fitted at ends of axles, as it was seen there, and why that is said: what was judged by something else is judged again. */
  'correct-ends': command(
    'unit',
    BENCH,
    z
      .strictObject({
        change: id,
        unit: id,
        ends: z.array(endSchema).min(1).max(MOST_ENDS),
        facts: endFactsSchema,
        because: becauseSchema,
      })
      .refine(({ facts }) => Object.values(facts).some((fact) => fact !== undefined), {
        path: ['facts'],
        message: 'say what it is',
      })
      // A chamber is read on its own clamp: those of another axle are others.
      .refine(({ ends, facts }) => !facts.chamber || new Set(ends.map(({ axle }) => axle)).size === 1, {
        path: ['ends'],
        message: 'a chamber is put right one axle at a time',
      }),
    { touches: ['shop', 'set-up'], foresees: 'its units' },
  ),
  /** Sold, scrapped, or back in use: its records stay whole. */
  'set-unit-state': command(
    'unit',
    SHOP,
    z.strictObject({ unit: id, version, state: z.enum(UNIT_STATES), reason: wordsText(300) }),
    { touches: ['shop', 'set-up'] },
  ),
  /** When a unit leaves next, and where to; null where it is not known any more. */
  'set-departure': command(
    'unit',
    SHOP,
    z.strictObject({
      unit: id,
      departure: z.strictObject({ at: z.iso.datetime({ offset: true }), to: z.string().trim().max(60) }).nullable(),
      /** Who told of it, where nobody of the fleet did. */
      source: z.enum(OUTSIDE_SOURCES).optional(),
    }),
    { touches: ['shop', 'plan'], movesPlan: 'A departure changed' },
  ),
  /** A maker's limit for what is fitted at an axle, or at one end of it; null takes it back. */
  'set-maker-limit': command(
    'unit',
    BENCH,
    z.strictObject({
      unit: id,
      axle: z.int().min(1).max(12),
      side: z.enum(SIDES).nullable(),
      reading: z.enum(MAKER_READINGS),
      limit: makerLimitSchema.nullable(),
      /** Why it is taken back: where it is written says why it is set. */
      reason: wordsText(300).optional(),
    }),
    { touches: ['shop', 'forecast'], foresees: 'its units' },
  ),
  /** What a unit was found to have or to lack, by the key of what asks for it: asked once. */
  'set-fitted': command('unit', BENCH, z.strictObject({ unit: id, key: wordsText(120), fitted: z.boolean() })),
  /** The month on an inspection sticker, as stickers print it or by year first; its last day follows from what that month means. */
  'record-sticker': command(
    'unit',
    BENCH,
    z.strictObject({
      paper: id,
      unit: id,
      month: z.string().refine((text) => stickerMonth(text) !== null, 'write a month like 12/2026 or 2026-12'),
      /** Which month is on this very sticker; the fleet's usual one where it is not said. */
      means: z.enum(STICKER_MEANS).optional(),
    }),
    { touches: ['set-up'] },
  ),
  /** Another paper, with its last day, or the day it was done and after how many weeks it is done again; null takes it away. */
  'record-paper': command(
    'unit',
    BENCH,
    z.strictObject({
      paper: id,
      unit: id,
      name: z.enum(PAPER_NAMES),
      good: z
        .union([z.strictObject({ until: dayText }), z.strictObject({ done: dayText, weeks: z.int().min(1).max(60) })])
        .nullable(),
    }),
    { touches: ['set-up'] },
  ),
} as const;
