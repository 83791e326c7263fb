/** The running gear of a unit, as plain data. Axles are numbered from the front of their unit, from 1. */

export const UNIT_KINDS = ['semitrailer', 'full-trailer', 'dolly', 'tractor', 'truck', 'bus'] as const;
export const BRAKE_KINDS = [
  's-cam',
  'wedge',
  'air-disc',
  'hydraulic-drum',
  'hydraulic-disc',
  'electric',
  'none',
] as const;
export const CHAMBER_TYPES = ['clamp', 'bolt', 'rotochamber', 'dual-diaphragm'] as const;
export const CHAMBER_STROKES = ['standard', 'long', 'long-3in'] as const;
export const ADJUSTERS = ['automatic', 'manual'] as const;
export const TYRE_FITS = ['single', 'dual'] as const;
export const HUB_KINDS = ['oil', 'grease', 'sealed'] as const;
export const LINING_STYLES = ['strip', 'pads'] as const;
export const SUSPENSIONS = ['air', 'spring'] as const;
export const COUPLINGS = ['king-pin', 'fifth-wheel', 'pintle', 'drawbar'] as const;
/** What turns a part of the engine, or the pump of its steering. */
export const DRIVES = ['belt', 'gear'] as const;
/** How the transmission's level is read; a sealed one has no reading. */
export const FLUID_READ = ['stick', 'glass', 'sealed'] as const;
export const DOORS = ['swing', 'roll', 'none'] as const;
/** What became of a unit. What is not in use is neither inspected nor planned; its records stay. */
export const UNIT_STATES = ['in-use', 'sold', 'scrapped'] as const;
export const SIDES = ['left', 'right'] as const;
export const TYRES = ['single', 'inner', 'outer'] as const;

export type UnitState = (typeof UNIT_STATES)[number];
export type UnitKind = (typeof UNIT_KINDS)[number];
export type BrakeKind = (typeof BRAKE_KINDS)[number];
export type ChamberType = (typeof CHAMBER_TYPES)[number];
export type ChamberStroke = (typeof CHAMBER_STROKES)[number];
export type Side = (typeof SIDES)[number];
export type Tyre = (typeof TYRES)[number];

export interface Chamber {
  type: ChamberType;
  size: string;
  stroke?: ChamberStroke;
}

/** What is fitted at one axle end. A missing or null chamber is unknown equipment. */
export interface EndEquipment {
  brake: BrakeKind;
  chamber?: Chamber | null;
  adjuster?: (typeof ADJUSTERS)[number];
  tyres: (typeof TYRE_FITS)[number];
  hub: (typeof HUB_KINDS)[number];
  liningStyle?: (typeof LINING_STYLES)[number];
  suspension?: (typeof SUSPENSIONS)[number];
  /** Hole to hole, from the pushrod's clevis pin to the camshaft: a length with its unit. */
  slack?: string;
  /** As on the sidewall: `11R22.5`. */
  tyreSize?: string;
  /** Pressures with their unit: what the load asks for cold, and the most the sidewall names. */
  target?: string;
  sidewallMax?: string;
  /** Limits marked on the part or given by its maker, by the reading they judge. */
  maker?: Partial<Record<MakerReading, MakerLimit>>;
}

/** Readings a maker gives limits for. */
export const MAKER_READINGS = ['stroke-applied', 'lining', 'drum', 'rotor', 'tread'] as const;
export type MakerReading = (typeof MAKER_READINGS)[number];
export interface MakerLimit {
  /** A length with its unit. */
  value: string;
  /** Where it is written: `cast on the drum`, a manual and its page. */
  source: string;
}

/** An axle: its equipment, and what differs at one end of it. */
export interface Axle extends EndEquipment {
  steer?: boolean;
  lift?: boolean;
  ends?: Partial<Record<Side, Partial<EndEquipment>>>;
}

/** What is fitted on a unit beside its running gear. What is left out is not known, and is asked for. */
export interface Features {
  /** Whose limits it is judged by, where not by the fleet's: the id of a limit book. */
  book?: string;
  coupling?: (typeof COUPLINGS)[number];
  abs?: boolean;
  autoInflation?: boolean;
  doors?: (typeof DOORS)[number];
  liftGate?: boolean;
  refrigeration?: boolean;
  yearBuilt?: number;
  /** The most it may weigh loaded, and may carry: weights with their unit, off its plate. */
  grossWeight?: string;
  payload?: string;
  /** Lengths with their unit. */
  height?: string;
  width?: string;
  /** As on the extinguisher: `10 B:C`. */
  extinguisher?: string;
  /** How many air tanks it has. */
  airTanks?: number;
  alternator?: (typeof DRIVES)[number];
  waterPump?: (typeof DRIVES)[number];
  compressor?: (typeof DRIVES)[number];
  steeringPump?: (typeof DRIVES)[number];
  transmission?: (typeof FLUID_READ)[number];
  /** The most its governor may cut out at by its maker: a pressure with its unit. */
  cutOut?: string;
}

export interface Unit {
  id: string;
  kind: UnitKind;
  axles: Axle[];
  /** Keys of what it was found not to have: it is not asked for again. */
  notFitted?: readonly string[] | undefined;
  features?: Features | undefined;
}

/** One wheel end with everything a rule may ask about it. */
export interface WheelEnd extends EndEquipment {
  unit: string;
  kind: UnitKind;
  axle: number;
  side: Side;
  /** The axle steers a power unit. */
  steer: boolean;
  lift: boolean;
}

const POWER_UNITS: readonly UnitKind[] = ['tractor', 'truck', 'bus'];

/** A unit that moves itself; its front wheels have rules of their own. */
export const isPowerUnit = (kind: UnitKind): boolean => POWER_UNITS.includes(kind);

/** An end of an axle, written out field by field: every judgement begins with all of them. */
function endAt(unit: Unit, fitted: Axle, axle: number, side: Side): WheelEnd {
  const own = fitted.ends?.[side];
  const { brake, chamber, adjuster, tyres, hub, liningStyle, suspension, slack, tyreSize, target, sidewallMax, maker } =
    own ? { ...fitted, ...own } : fitted;
  return {
    brake,
    chamber,
    adjuster,
    tyres,
    hub,
    liningStyle,
    suspension,
    slack,
    tyreSize,
    target,
    sidewallMax,
    maker,
    unit: unit.id,
    kind: unit.kind,
    axle,
    side,
    steer: isPowerUnit(unit.kind) && (fitted.steer ?? axle === 1),
    lift: fitted.lift ?? false,
  };
}

// A unit is plain data that nothing changes in place: its ends are worked out once.
const known = new WeakMap<Unit, WheelEnd[]>();

/** Every wheel end of a unit, front to rear, left before right. */
export function wheelEnds(unit: Unit): WheelEnd[] {
  const before = known.get(unit);
  if (before) return before;
  const ends: WheelEnd[] = [];
  for (const [index, fitted] of unit.axles.entries())
    ends.push(endAt(unit, fitted, index + 1, 'left'), endAt(unit, fitted, index + 1, 'right'));
  known.set(unit, ends);
  return ends;
}

/** The wheel end at an axle (from 1) and side, or null when the unit has no such axle. */
export const wheelEnd = (unit: Unit, axle: number, side: Side): WheelEnd | null =>
  wheelEnds(unit)[(axle - 1) * SIDES.length + (side === 'left' ? 0 : 1)] ?? null;

/** The tyres of a wheel end from the inside out. */
export const tyresOf = (end: EndEquipment): Tyre[] => (end.tyres === 'dual' ? ['inner', 'outer'] : ['single']);

export const hasBrake = (end: EndEquipment): boolean => end.brake !== 'none';

const AIR_DRUM: readonly BrakeKind[] = ['s-cam', 'wedge'];
const DISC: readonly BrakeKind[] = ['air-disc', 'hydraulic-disc'];
const DRUM: readonly BrakeKind[] = [...AIR_DRUM, 'hydraulic-drum', 'electric'];

export const isAirDrum = ({ brake }: EndEquipment): boolean => AIR_DRUM.includes(brake);
export const isDrum = ({ brake }: EndEquipment): boolean => DRUM.includes(brake);
export const isDisc = ({ brake }: EndEquipment): boolean => DISC.includes(brake);

/** Its pushrod stroke is measured: of a disc the pushrod is inside the caliper, of a wedge the scribe marks tell. */
export const hasPushrod = ({ brake }: EndEquipment): boolean => brake === 's-cam';
export const isWedge = ({ brake }: EndEquipment): boolean => brake === 'wedge';

const TYPE_WORDS: Record<Chamber['type'], string> = {
  clamp: 'clamp chamber',
  bolt: 'bolt chamber',
  rotochamber: 'rotochamber',
  'dual-diaphragm': 'dual-diaphragm chamber',
};
const STROKE_WORDS = { standard: '', long: ' long stroke', 'long-3in': ' long stroke, 3 in rated' };

/** A chamber in words: `30 long stroke clamp chamber`. */
export const chamberWords = ({ type, size, stroke }: Chamber): string =>
  `${size}${STROKE_WORDS[stroke ?? 'standard']} ${TYPE_WORDS[type]}`;
