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

const MEASURED = MEASURED_KINDS.map((kind) => ({ kind, fits: kindAs(kind).fits, perTyre: kindAs(kind).at === 'tyre' }));

function addExpected(steps: MeasuredStep[], end: WheelEnd): void {
  const { axle, side } = end;
  for (const { kind, fits, perTyre } of MEASURED) {
    if (fits && !fits(end)) continue;
    if (!perTyre) steps.push({ kind, axle, side, tyre: null });
    else for (const tyre of tyresOf(end)) steps.push({ kind, axle, side, tyre });
  }
}

/** What one wheel end is expected to be measured for, in the order of {@link MEASURED_KINDS}. */
export function expectedAt(end: WheelEnd): MeasuredStep[] {
  const steps: MeasuredStep[] = [];
  addExpected(steps, end);
  return steps;
}

/** Every reading a full measurement of the unit needs. */
export function expectedReadings(unit: Unit): MeasuredStep[] {
  const steps: MeasuredStep[] = [];
  for (const end of wheelEnds(unit)) addExpected(steps, end);
  return steps;
}

/** Of what was asked for, what is not among the keys that were read. */
export const missingSteps = <S extends Step>(asked: readonly S[], read: ReadonlySet<string>): S[] =>
  asked.filter((step) => !read.has(keyOf(step)));
