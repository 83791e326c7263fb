import { z } from 'zod';
import { chambersLike } from '../../limits';
import { dayText, distanceText } from '../../measure';
import { type Axle, type Chamber, FIRST_AXLES, type UnitForm, type UnitKind, unitFormSchema } from '../../trailer';
import type { MoveField } from './fields';
import { type Reader, withUnit } from './reader';
import type { DayOrder } from './written-day';

/** Papers a list may tell the last day of, by the field that tells it. */
const PAPER_OF = {
  inspection: 'Periodic inspection',
  insurance: 'Insurance',
  registration: 'Registration',
} as const satisfies Partial<Record<MoveField, string>>;
export const MOVED_PAPERS = Object.values(PAPER_OF);

/** A unit as it moves in: what it is, its papers with their last days, and what its meter read. */
export const movedUnitSchema = z.strictObject({
  form: unitFormSchema,
  papers: z.array(z.strictObject({ name: z.enum(MOVED_PAPERS as [string, ...string[]]), until: dayText })).max(5),
  meter: distanceText.optional(),
});
export type MovedUnit = z.infer<typeof movedUnitSchema>;

/** How bare figures and days of a file are meant. */
export interface UnitsMeant {
  days: DayOrder;
  /** Of a bare meter, weight and pressure. */
  distance: 'mi' | 'km';
  weight: 'lb' | 'kg';
  pressure: 'psi' | 'bar';
  /** What every unit of the file has where no column tells it: said by whoever moves it in, never assumed. */
  usual: {
    kind: UnitKind;
    /** Null is what its kind most often has. */
    axles: number | null;
    brake: Axle['brake'];
    tyres: Axle['tyres'];
    hub: Axle['hub'];
  };
}

const MOST_AXLES = 12;

const CHAMBER =
  /^(?:t|type|clamp)?\s*(\d{1,2})(?:\s*[/x]\s*\d{1,2})?\s*(ls|l|long|long stroke|long-stroke|3in|3 in)?$/i;
/** A chamber as shops write it: `30`, `T30`, `type 30 LS`, `30/30`, `24 long`; of a spring brake chamber the service side. Null where it is none. */
export function writtenChamber(text: string): Chamber | null {
  const found = CHAMBER.exec(text.trim());
  if (!found) return null;
  const [, size = '', long = ''] = found;
  if (chambersLike('clamp', size).length === 0) return null;
  const stroke = long === '' ? 'standard' : /3/.test(long) ? 'long-3in' : 'long';
  return { type: 'clamp', size, stroke };
}

function axlesOf(read: Reader, kind: UnitKind, { usual, pressure }: UnitsMeant): Axle[] {
  const ofKind = FIRST_AXLES[kind];
  const count = read.countOr('axles', 1, MOST_AXLES, usual.axles) ?? ofKind.length;
  const written = read.text('chamber');
  const chamber = written === '' ? null : writtenChamber(written);
  if (written !== '' && !chamber)
    read.no('chamber', `“${written}” is not a chamber. Enter its number, with LS for long stroke.`);
  const [adjuster, suspension] = [read.word<'automatic'>('adjuster'), read.word<'air'>('suspension')];
  const [tyreSize, target] = [read.text('tyreSize'), read.text('target')];
  const axle: Axle = {
    brake: read.wordOr('brake', usual.brake),
    chamber,
    tyres: read.wordOr('tyres', usual.tyres),
    hub: read.wordOr('hub', usual.hub),
    ...(adjuster ? { adjuster } : {}),
    ...(suspension ? { suspension } : {}),
    ...(tyreSize ? { tyreSize } : {}),
    ...(target ? { target: withUnit(target, pressure) } : {}),
  };
  // What steers has single tyres, whatever the list says of the rest.
  return Array.from({ length: count }, (_, at) =>
    at === 0 && ofKind[0]?.steer ? { ...axle, tyres: 'single', steer: true } : axle,
  );
}

function featuresOf(read: Reader, meant: UnitsMeant): UnitForm['features'] {
  const weight = (field: 'grossWeight' | 'payload') => read.text(field) && withUnit(read.text(field), meant.weight);
  const abs = read.word('abs');
  const said = {
    yearBuilt: read.count('yearBuilt', 1950, 2100),
    abs: abs === undefined ? undefined : abs === 'yes',
    grossWeight: weight('grossWeight'),
    payload: weight('payload'),
    height: read.text('height'),
    width: read.text('width'),
  };
  return Object.fromEntries(Object.entries(said).filter(([, value]) => value !== undefined && value !== ''));
}

/** What a line tells of a unit. */
export function movedUnit(read: Reader, meant: UnitsMeant) {
  const kind = read.wordOr<UnitKind>('kind', meant.usual.kind);
  const form = {
    number: read.must('number', 'No unit number.'),
    kind,
    body: read.text('body'),
    site: read.text('site'),
    axles: axlesOf(read, kind, meant),
    features: featuresOf(read, meant),
  };
  const papers = (Object.keys(PAPER_OF) as (keyof typeof PAPER_OF)[]).flatMap((field) => {
    const until = read.day(field, meant.days);
    return until ? [{ name: PAPER_OF[field], until }] : [];
  });
  const meter = read.text('meter');
  return { form, papers, ...(meter ? { meter: withUnit(meter, meant.distance) } : {}) };
}
