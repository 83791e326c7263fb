import { z } from 'zod';
import type { Part } from '../catalogue';
import type { Side, Tyre, WheelEnd } from '../trailer';
import { SIDES, TYRES } from '../trailer';

/** Where a kind of reading is taken: at an axle end, at one of its tyres, on a side of the unit, or on the whole of it. */
export type TakenAt = 'end' | 'tyre' | 'side' | 'unit';

/** The place and the item a reading is asked for at. */
export interface AskedFor {
  axle: number | null;
  side: Side | null;
  tyre: Tyre | null;
  item?: string;
}

/** What a reading says against itself: the field, and a sentence. */
export interface Contradiction {
  path: string;
  message: string;
}

/** Figures with their unit. With `orNone`, nothing at all can be as well. */
export interface Range {
  least?: string;
  most: string;
  orNone?: true;
}

/** A finding of comparing readings: how its fault is called, and between which two places they are. */
export interface Comparison {
  words: string;
  between: 'dual' | 'axle';
  /** The kinds it rests on; its own unless said. */
  rests?: readonly string[];
}

/**
 * Everything there is to know of a kind of reading but how it is judged and how it is entered: those stand in
 * `judge` and in the app, each in a table that names every kind.
 */
export interface Kind<K extends string, S extends z.ZodObject> {
  kind: K;
  /** The wire's shape of a reading of this kind, place included. */
  schema: S;
  /** The part it is a reading of. */
  part: Part;
  /** What it is compared under with others, where that is judged beside it. */
  comparisons?: Readonly<Record<string, Comparison>>;
  /** What people call it. */
  words: string;
  /** Its words are of several things. */
  plural?: true;
  /** Its word where there is little room: the plan and print. */
  short?: string;
  at: TakenAt;
  /** Whether it has any meaning at an axle end; at every one unless said. */
  fits?(end: WheelEnd): boolean;
  /** The wheels are chocked before it is read, the brakes being let go or moved: it, or those of its items. */
  chocked?: true | readonly string[];
  /** It takes the bench: it is not read on a driver's walk. */
  bench?: true;
  /** The check, the test or the code it is about, where a kind has several at one place. */
  item?(reading: z.infer<S>): string;
  /** It is read off a scale by eye: how far off tells how somebody reads. */
  scale?: true;
  /** The lengths it is judged by, the smallest of them deciding, or its temperature. */
  figures?(reading: z.infer<S>): readonly string[];
  /** What its figures can be, in one of several ranges: what is outside is asked about, and has no verdict. */
  plausible?: readonly Range[];
  /** What else about it cannot be, in a sentence that says what to do. */
  odd?(reading: z.infer<S>): string | null;
  /** Such a reading is refused, since no verdict could rest on it. */
  contradiction?(reading: z.infer<S>): Contradiction | null;
  /** A reading in a few characters, for lists, the plan and print. */
  text(reading: z.infer<S>): string;
  /** The field that stands in the column `value` of a file; `value` unless said. */
  column?: string;
  /** A good example: what it reads when nothing is wrong. */
  good(at: AskedFor): z.infer<S>;
}

export const kindOf =
  <S extends z.ZodObject>(schema: S) =>
  <K extends string>(kind: Omit<Kind<K, S>, 'schema'>): Kind<K, S> => ({ ...kind, schema });

/** Whoever read it said that the wheels were chocked, both ways; left out where nobody was asked. */
export const chockedSchema = z.literal(true).optional();

export const axleNumber = z.int().min(1).max(12);
export const endPlace = { axle: axleNumber, side: z.enum(SIDES) };
export const tyrePlace = { ...endPlace, tyre: z.enum(TYRES) };

/** The place of an example at an axle end; the first left one where none was asked for. */
export const endOf = ({ axle, side }: AskedFor) => ({ axle: axle ?? 1, side: side ?? 'left' }) as const;
export const tyreOf = (at: AskedFor) => ({ ...endOf(at), tyre: at.tyre ?? 'single' }) as const;
