import { must, parseAmount, parseLength } from '../measure';
import { type Chamber, type EndEquipment, MAKER_READINGS, type MakerReading } from '../trailer';
import type { Book, Limit, Limited } from './book';

/** What a limit may ask about the place a reading was taken at. */
export interface Asking extends Partial<EndEquipment> {
  steer?: boolean;
  vehicles?: NonNullable<Limit['where']['vehicles']>[number];
  size?: Limit['where']['size'];
  /** Across the steering wheel. */
  wheel?: string;
  power?: boolean;
  /** The year it was built. */
  built?: number;
}

function matches(limit: Limit, asking: Asking): boolean {
  const { brake, steer, liningStyle, chamber, vehicles, size, power, wheel, built } = limit.where;
  if (brake && !(asking.brake && brake.includes(asking.brake))) return false;
  if (steer !== undefined && steer !== (asking.steer ?? false)) return false;
  if (liningStyle && !liningStyle.includes(asking.liningStyle ?? 'unknown')) return false;
  if (vehicles && !(asking.vehicles && vehicles.includes(asking.vehicles))) return false;
  if (size && size !== asking.size) return false;
  if (power !== undefined && power !== asking.power) return false;
  if (wheel && !isWheel(wheel, asking.wheel)) return false;
  if (built && !isBuilt(built, asking.built)) return false;
  return !chamber || isChamber(chamber, asking.chamber);
}

const nm = (text: string): number => must(parseLength(text, 'none'));

const isBuilt = ({ from, before }: NonNullable<Limit['where']['built']>, year: number | undefined): boolean =>
  year !== undefined && (from === undefined || year >= from) && (before === undefined || year < before);

/** Whether a steering wheel is one of those a limit was made for. */
const isWheel = ({ from, below }: NonNullable<Limit['where']['wheel']>, across: string | undefined): boolean =>
  across !== undefined &&
  (from === undefined || nm(across) >= nm(from)) &&
  (below === undefined || nm(across) < nm(below));

/** Whether a chamber is the one a limit was made for; its stroke is standard unless it says more. */
const isChamber = (meant: Chamber, fitted: Asking['chamber']): boolean =>
  !!fitted &&
  meant.type === fitted.type &&
  meant.size === fitted.size &&
  (meant.stroke ?? 'standard') === (fitted.stroke ?? 'standard');

const isMakerReading = (reading: Limited): reading is MakerReading =>
  (MAKER_READINGS as readonly string[]).includes(reading);

/** Which way a maker's figure is meant. */
const MAKER_IS: Record<MakerReading, Limit['is']> = {
  'stroke-applied': 'at-most',
  lining: 'at-least',
  drum: 'at-most',
  rotor: 'at-least',
  tread: 'at-least',
};

/**
 * A maker's limit for the part fitted here. It decides like law where the book has none of its own, or says “or to the
 * maker's mark”; else only when stricter.
 */
function makerLimit(reading: Limited, asking: Asking, applying: readonly Limit[]): Limit[] {
  const given = isMakerReading(reading) ? asking.maker?.[reading] : undefined;
  if (!given || !isMakerReading(reading)) return [];
  const law = applying.filter(({ from }) => !from);
  const stricterOnly = law.length > 0 && !law.some(({ orMakers }) => orMakers);
  return [
    {
      id: `maker.${reading}`,
      reading,
      judges: 'verdict',
      where: {},
      is: MAKER_IS[reading],
      value: given.value,
      ...(stricterOnly ? { fails: 'shop-limit' as const } : {}),
      from: 'maker',
      source: `The maker: ${given.source}`,
      sure: 'practice',
    },
  ];
}

/** A book's limits of one kind and purpose, and of these for each size of chamber those that may apply to it. */
interface Sorted {
  all: Limit[];
  bySize: Map<string, Limit[]>;
}
type Kinds = Map<Limited, Sorted>;
const sorted = new WeakMap<readonly Limit[], Record<Limit['judges'], Kinds>>();
const NONE: Sorted = { all: [], bySize: new Map() };

function sortedByKind(limits: readonly Limit[]): Kinds {
  const kinds: Kinds = new Map();
  for (const limit of limits) {
    const own: Sorted = kinds.get(limit.reading) ?? { all: [], bySize: new Map() };
    own.all.push(limit);
    kinds.set(limit.reading, own);
  }
  for (const { all, bySize } of kinds.values())
    for (const { where } of all)
      if (where.chamber) {
        const { size } = where.chamber;
        bySize.set(
          size,
          all.filter(({ where: other }) => !other.chamber || other.chamber.size === size),
        );
      }
  return kinds;
}

/** A book's limits that may apply to a chamber. A book is plain data that nothing changes in place: it is sorted once. */
function limitsOf(book: Book, reading: Limited, judges: Limit['judges'], chamber: Asking['chamber']): Limit[] {
  let known = sorted.get(book.limits);
  if (!known) {
    const meant = (purpose: Limit['judges']) => sortedByKind(book.limits.filter((limit) => limit.judges === purpose));
    known = { verdict: meant('verdict'), share: meant('share'), 'out-of-service': meant('out-of-service') };
    sorted.set(book.limits, known);
  }
  const { all, bySize } = known[judges].get(reading) ?? NONE;
  return (chamber && bySize.get(chamber.size)) || all;
}

/** The limits that apply to a reading at a place, in the book's order; the fleet's and the maker's after the book's. */
export function limitsFor(book: Book, reading: Limited, asking: Asking, judges: Limit['judges'] = 'verdict'): Limit[] {
  const applying = limitsOf(book, reading, judges, asking.chamber).filter((limit) => matches(limit, asking));
  if (!asking.maker || !(judges === 'verdict' || applying.some(({ orMakers }) => orMakers))) return applying;
  return [...applying, ...makerLimit(reading, asking, applying)];
}

const strictest = (limits: readonly Limit[]): Limit | null =>
  limits.reduce<Limit | null>((found, each) => (found === null || isStricter(each, found) ? each : found), null);

/** The strictest limit that applies here, the one to show before anything is measured; null when there is none. */
export function limitFor(
  book: Book,
  reading: Limited,
  asking: Asking,
  judges: Limit['judges'] = 'verdict',
): Limit | null {
  const [first, ...others] = limitsFor(book, reading, asking, judges);
  return first ? strictest([first, ...others.filter((each) => sameWay(each, first))]) : null;
}

/** The strictest limit on the other side, where a reading may be too small and too large; null when there is one side. */
export function otherSideFor(book: Book, reading: Limited, asking: Asking): Limit | null {
  const [first, ...others] = limitsFor(book, reading, asking);
  return first ? strictest(others.filter((each) => !sameWay(each, first))) : null;
}

const downward = ({ is }: Pick<Limit, 'is'>): boolean => is === 'at-most' || is === 'less-than';
const sameWay = (a: Limit, b: Limit): boolean => downward(a) === downward(b);
const isStricter = (a: Limit, b: Limit): boolean => (downward(a) ? limitNm(a) < limitNm(b) : limitNm(a) > limitNm(b));

/** Whether an amount keeps a limit. Equality is decided by the limit's own words. */
export function keeps(limit: Pick<Limit, 'is' | 'value'>, amount: number): boolean {
  const value = limitNm(limit);
  if (limit.is === 'at-most') return amount <= value;
  if (limit.is === 'less-than') return amount < value;
  return limit.is === 'at-least' ? amount >= value : amount > value;
}

/** How far inside its limit an amount stands: negative when past it, zero exactly at it. */
export const marginOf = (limit: Pick<Limit, 'is' | 'value'>, amount: number): number =>
  downward(limit) ? limitNm(limit) - amount : amount - limitNm(limit);

/** Whether a limit is meant for a part that measures this much. */
export function meantFor({ appliesTo }: Limit, amount: number): boolean {
  if (!appliesTo) return true;
  if (appliesTo.from !== undefined && amount < nm(appliesTo.from)) return false;
  return appliesTo.to === undefined || amount <= nm(appliesTo.to);
}

const figures = new WeakMap<object, number>();

/** A limit's figure in base units: nanometres, pascals, milliseconds or thousandths of a kelvin. Each limit's text is read once. */
export function limitNm(limit: Pick<Limit, 'value'>): number {
  const known = figures.get(limit);
  if (known !== undefined) return known;
  const read = must(parseAmount(limit.value)).value;
  figures.set(limit, read);
  return read;
}
