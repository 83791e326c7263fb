import { z } from 'zod';
import { wordsText } from '../measure';
import table from './torque.json';

/** Torque as written down: value with its unit, and the tool it was set with. */
export const torqueSchema = z.strictObject({
  value: z
    .string()
    .trim()
    .regex(/^\d{2,4}\s*(lb-ft|N·m|Nm)$/, 'write a torque like 475 lb-ft or 640 N·m'),
  tool: wordsText(80),
});

/** What wheels of a kind are commonly torqued to, where the maker says nothing else. `torque.json`, practice. */
export const WHEEL_KINDS: readonly { id: string; name: string; least: string; most: string }[] = table.wheels;
/** Drawn up by hand first to about this. */
export const SNUG_TORQUE = table.snug;

const LB_FT_IN_NM = 1.355_817_948_331_4;
const ROUGHLY = 0.5;

/** A torque in N·m. Null where the text is none. The pound-foot: exact by definition (0.3048 m × 0.45359237 kg × g₀). */
function newtonMetres(text: string): number | null {
  const read = torqueSchema.shape.value.safeParse(text);
  if (!read.success) return null;
  const value = Number.parseInt(read.data, 10);
  return read.data.includes('lb-ft') ? value * LB_FT_IN_NM : value;
}

/** Why a torque is asked about again: it is outside what such wheels are commonly torqued to. Null where it is not. */
export function torqueDoubt(value: string, wheel: string): string | null {
  const kind = WHEEL_KINDS.find(({ id }) => id === wheel);
  const [now, least, most] = [value, kind?.least ?? '', kind?.most ?? ''].map(newtonMetres);
  if (!kind || now == null || least == null || most == null) return null;
  return now < least - ROUGHLY || now > most + ROUGHLY
    ? `${kind.name} is commonly torqued to ${kind.least} to ${kind.most} (${table.source}). Does the maker say ${value}?`
    : null;
}

/** How a wheel is torqued: drawn up by hand in star first, then to its full value in star. */
export const TORQUE_STAGES = ['snug', 'full'] as const;
export type TorqueStage = (typeof TORQUE_STAGES)[number];

/** The order in which the nuts of a bolt circle are drawn up, each far from the one before: on eight 1, 5, 3, 7, 2, 6, 4, 8. */
export function starOrder(holes: number): number[] {
  const half = holes % 2 === 0 ? holes / 2 : holes;
  const first = Array.from({ length: half }, (_, n) => n + 1);
  const spread = [...first.filter((n) => n % 2 === 1), ...first.filter((n) => n % 2 === 0)];
  return holes % 2 === 0 ? spread.flatMap((n) => [n, n + half]) : spread;
}
