import { z } from 'zod';
import { SIDES, type Side, TYRES, type Tyre, tyresOf, type Unit, type WheelEnd, wheelEnds } from '../trailer';
import { keyOf } from './key';
import { axleNumber } from './kind';
import { kindAs, MEASURED_KINDS, type MeasuredKind, STEP_KINDS, type StepKind } from './kinds';

/** One thing to measure or look at, at one place. `item` names the check or air test. */
export interface Step {
  kind: StepKind;
  axle: number | null;
  side: Side | null;
  tyre: Tyre | null;
  item?: string;
  /** The section of the route it belongs to. */
  section?: string;
}
/** One of the four measured things, which always stand at an axle end. */
export type MeasuredStep = Step & { kind: MeasuredKind; axle: number; side: Side };

/** A step of a route, as an inspection is begun with it. */
export const stepSchema = z.strictObject({
  kind: z.enum(STEP_KINDS),
  axle: axleNumber.nullable(),
  side: z.enum(SIDES).nullable(),
  tyre: z.enum(TYRES).nullable(),
  item: z.string().max(60).optional(),
  section: z.string().max(40).optional(),
});

/** Whether a kind has any meaning at an axle end. */
export const fitsEnd = (kind: StepKind, end: WheelEnd): boolean => kindAs(kind).fits?.(end) ?? true;

/** The tyres a kind is read at by itself at an axle end; one null where it is read of the end as a whole. */
export const tyresAsked = (kind: StepKind, end: WheelEnd): (Tyre | null)[] =>
  kindAs(kind).at === 'tyre' ? tyresOf(end) : [null];

/** What one wheel end is expected to be measured for, in the order of {@link MEASURED_KINDS}. */
export const expectedAt = (end: WheelEnd): MeasuredStep[] =>
  MEASURED_KINDS.filter((kind) => fitsEnd(kind, end)).flatMap((kind) =>
    tyresAsked(kind, end).map((tyre) => ({ kind, axle: end.axle, side: end.side, tyre })),
  );

/** Every reading a full measurement of the unit needs. */
export const expectedReadings = (unit: Unit): MeasuredStep[] => wheelEnds(unit).flatMap(expectedAt);

/** Of what was asked for, what is not among the keys that were read. */
export const missingSteps = <S extends Step>(asked: readonly S[], read: ReadonlySet<string>): S[] =>
  asked.filter((step) => !read.has(keyOf(step)));
