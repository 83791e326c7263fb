import type { Figure, List, Said } from './said';

/** Nothing where a part of a sentence is left out. */
type None = 'none';
type Counts = 'half' | 'one' | None;

/** Every code with what it is about; null: nothing. Its words stand in `words`, one message for each. */
export interface SaidArgs {
  /** Kept as it was written. */
  'as-written': { text: string };
  /** Something said, with its first letter large and an end. */
  sentence: { said: Said | List };

  // A figure against its limits.
  compared: {
    measured: Figure;
    is: 'atMost' | 'atLeast' | 'moreThan' | 'lessThan';
    limit: Figure;
    spare: 'kept' | 'past' | None;
    apart: Figure;
  };
  'limits-apply': { limits: List };
  'limit-of': { limit: Figure; whose: 'book' | 'fleet' | 'maker' };
  'no-limit': null;
  'limit-of-other-part': { note: string };
  'counts-one': null;

  // What was not looked at.
  'not-checked': { what: string };
  'not-measured': { what: string };
  'no-axle-end': null;
  'nothing-noted': null;

  // Brakes.
  'stroke-compared': { sum: Said; chamber: string; counts: Counts };
  'but-open': { sum: Said; open: Said; again: Said };
  'pressure-low': null;
  'pressure-high': null;
  'pressure-not-noted': null;
  'measure-again': null;
  'measure-again-at': { from: Figure; to: Figure };
  'reservoir-not-noted': null;
  'manual-adjuster': null;
  'find-cause': null;
  'find-cause-after': { presses: number };
  'press-first': null;
  'no-pushrod': null;
  'chamber-unknown': null;
  'no-chamber-limit': { chamber: string };
  'maker-has-limit': null;
  'pushrod-still': null;
  'pushrod-still-open': { open: Said; again: Said };
  'strokes-read-at': { noted: List; ranges: List };
  'range-of': { of: string; from: Figure; to: Figure };
  'no-free-stroke-limit': null;
  'free-stroke-says': null;
  'pull-says': null;
  'no-scribe-limit': null;
  together: { marks: List };
  'lining-compared': { points: Said | None; sum: Said; counts: Counts };
  'points-of': { all: number };
  'points-seen': { seen: number; all: number };
  'points-not-seen': { unseen: number; all: number };
  'no-lining-limit': null;
  'enter-discard': { part: 'drum' | 'rotor' };
  'adjusters-differ': { axle: number; left: string | Figure; right: string | Figure };
  'chambers-differ': { axle: number; left: string; right: string };

  // Air.
  'no-leak-figure': null;
  'leak-needs': null;
  'pressure-rose': { by: Figure };
  'too-short': { seconds: number; per: number };
  'leak-sum': { start: Figure; end: Figure; seconds: number; lost: Figure; rate: Said | None };
  'in-seconds': { lost: Figure; seconds: number };
  'cut-out-was': { cutOut: Figure };
  'no-cut-out': null;
  'no-governor': null;
  'no-time': null;
  'take-time': { from: Figure; to: Figure };
  'no-pressure': null;

  // Seen by eye.
  'no-check': { check: string };
  'check-good': { name: string; good: string };
  'as-other-end': null;
  'as-last-time': null;
  'of-check': { name: string; said: Said };
  defect: { code: string; words: string };
  'no-code': { code: string };
  'own-sign': { name: string; sign: string };
  'nothing-counted': { name: string };
  'own-past': { name: string; measured: string; is: 'less' | 'more'; limit: string };
  'own-figure': { name: string; measured: string };
  'no-own-check': { name: string };

  // Tires, hubs and wheels.
  'duals-apart': null;
  'dual-not-noted': null;
  'dual-no-size': null;
  'inner-outer': { inner: Figure; outer: Figure };
  'larger-inside': null;
  'both-hot': null;
  'mate-fails': null;
  'by-temperature': { value: Figure; at: Figure; cold: Figure; coldAt: Figure };
  'taken-hot': { value: Figure; allowance: Figure; cold: Figure };
  'tire-flat': { value: Figure };
  'half-of': { taken: Said | Figure; half: Figure; of: 'sidewall' | 'target'; most: Figure };
  'no-target': null;
  'not-less': { taken: Said | Figure; target: Figure };
  'is-less': { taken: Said | Figure; target: Figure };
  'look-inside': null;
  'tread-settle': { run: number; wanted: number; have: number };
  'in-band': { kept: Said; part: string; measured: Figure };
  'adjacent-grooves': { run: number; limit: Figure; places: number };
  'smallest-reading': { sum: Said };
  'no-tread-limit': null;
  'hub-level': null;
  'hub-glass': null;
  'hub-condition': null;
  'hub-leaks': null;
  'glass-unreadable': null;
  'also-open': { parts: List };
  'hub-part-open': { parts: List };
  fasteners: { gone: number; holes: number; out: Said | None; parts: List };
  'side-by-side': { run: number };
  'or-more-of': { least: number; holes: number };
  'missing-at': { at: string };
  'loose-at': { at: string };
  'rust-at': { at: string };
  'rust-trail': { at: string };
  'all-tight': { holes: number };
  'ends-read': { hot: Figure; cold: Figure };

  // What stands in the way of a release, and what is proposed for a report.
  'not-held': null;
  'barred-by-defect': { place: string; what: string; state: string };
  'barred-by-reading': { place: string; what: string };
  'out-of-service-by': { rule: string };
  'own-rule': { reason: string; by: string };
  'past-a-limit': null;
  'only-a-reading': null;
  'held-until-answered': null;
  'violation-by': { rule: string; without: string };
  'holds-the-unit': null;
  'own-limit': null;
  'no-legal-limit': { rule: string };
  'reported-already': null;
  'repaired-before': { days: number; by: string };

  // Frame, coupling and steering.
  'smaller-of-two': { pin: List };
  collar: { said: List };
  'pins-seated': { pins: number };
  'pins-out': { out: number; pins: number; over: string };
  'guard-year': null;
  'which-wheel': null;
  'on-a-wheel': { wheel: Figure; power: 'with' | 'without' };
}
