import type { LampFunction } from './lamps';

/** How somebody looks at a station: what they hold, where they stand, what they press. */
export interface View {
  /** A lamp is held on it. */
  light: boolean;
  /** The glass and the scale were wiped with a rag. */
  wiped: boolean;
  /** Whether the eye can stand off: then sight lines are drawn. */
  sighted: boolean;
  /** How far the eye stands off, in steps to either side; 0 is square on. */
  eye: number;
  /** The brake is applied, or the lever is pulled. */
  applied: boolean;
  /** Which of several places: a shoe, a spot round the tyre. */
  place: number;
  groove: number;
  lamps: LampFunction | null;
  /** The time ran out: what the gauges show then. */
  after: boolean;
  tapped: boolean;
}

export const firstView = (night: boolean): View => ({
  light: !night,
  wiped: !night,
  sighted: night,
  eye: night ? 2 : 0,
  applied: false,
  place: 0,
  groove: 0,
  lamps: null,
  after: false,
  tapped: false,
});

/** What may be done at a station. */
export type Control =
  | { does: 'toggle'; of: 'light' | 'wiped' | 'applied' | 'after' | 'tapped'; on: string; off: string }
  | { does: 'step'; of: 'eye'; label: string; least: number; most: number }
  | { does: 'choose'; of: 'place' | 'groove'; label: string; options: readonly string[] }
  | { does: 'choose'; of: 'lamps'; label: string; options: readonly { value: LampFunction; label: string }[] };
