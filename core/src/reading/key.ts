import { type Place, type Position, parseAxleCode, parsePosition, placeCode, SIDES } from '../trailer';
import type { Reading, ReadingKind } from './kinds';
import { readingItem, readingPlace } from './reading';

/**
 * Stable name of a kind at a place, unique within a unit: `stroke-applied@2L`, `tread@2L-out`, `air-test:low-air@unit`.
 * Put together and taken apart here alone.
 */
export type ReadingKey = `${string}@${string}`;

export const keyOf = (at: { kind: string; item?: string } & Place): ReadingKey => `${subjectOf(at)}@${placeCode(at)}`;

/** What is read, without its place: `tread`, `air-test:low-air`. Findings are named so. */
export const subjectOf = ({ kind, item }: { kind: string; item?: string }): string => (item ? `${kind}:${item}` : kind);

/** A subject taken apart. */
export function parseSubject(subject: string): { kind: string; item?: string } {
  const at = subject.indexOf(':');
  return at < 0 ? { kind: subject } : { kind: subject.slice(0, at), item: subject.slice(at + 1) };
}

/** The name of the place and kind a reading was taken at. */
export const readingKey = (reading: Reading): ReadingKey =>
  keyOf({ kind: reading.kind, item: readingItem(reading), ...readingPlace(reading) });

const whole = { axle: null, side: null, tyre: null };

const placeOf = (code: string): Required<Place> => {
  const position: Position | null = parsePosition(code);
  if (position) return { axle: position.axle, side: position.side, tyre: position.tyre ?? null };
  const axle = parseAxleCode(code);
  if (axle) return { ...whole, axle };
  const side = SIDES.find((each) => each === code);
  return side ? { ...whole, side } : whole;
};

/** A key taken apart. The tyre of a single stays unsaid, as its code leaves it. */
export function parseKey(key: string): { kind: string; item?: string } & Required<Place> {
  const at = key.lastIndexOf('@');
  return { ...parseSubject(at < 0 ? key : key.slice(0, at)), ...placeOf(at < 0 ? '' : key.slice(at + 1)) };
}

/** Whether a key is of one of these kinds. */
export const isKeyOf = (key: string, kinds: readonly (ReadingKind | string)[]): boolean =>
  kinds.includes(parseKey(key).kind);
