import {
  type Axle,
  type BrakeKind,
  type COUPLINGS,
  chamberWords,
  type DOORS,
  type DRIVES,
  type FLUID_READ,
  type HUB_KINDS,
  type LINING_STYLES,
  type SUSPENSIONS,
  type TYRE_FITS,
  type UnitKind,
} from '@zealous-axle/core';

type Words<V extends string> = Record<V, string>;
export const optionsOf = <V extends string>(words: Words<V>): { value: V; label: string }[] =>
  (Object.keys(words) as V[]).map((value) => ({ value, label: words[value] }));

export const KIND_WORDS: Words<UnitKind> = {
  semitrailer: 'Semitrailer',
  'full-trailer': 'Full trailer',
  dolly: 'Dolly',
  tractor: 'Tractor',
  truck: 'Straight truck',
  bus: 'Bus',
};
export const BRAKE_WORDS: Words<BrakeKind> = {
  's-cam': 'S-cam drum',
  wedge: 'Wedge drum',
  'air-disc': 'Air disc',
  'hydraulic-drum': 'Hydraulic drum',
  'hydraulic-disc': 'Hydraulic disc',
  electric: 'Electric',
  none: 'No brake',
};
/** Brakes worked by air have a chamber and an adjuster. */
export const hasChamber = (brake: BrakeKind): boolean => ['s-cam', 'wedge', 'air-disc'].includes(brake);

export const TYRE_WORDS: Words<(typeof TYRE_FITS)[number]> = { single: 'Single', dual: 'Dual' };
export const HUB_WORDS: Words<(typeof HUB_KINDS)[number]> = { oil: 'Oil', grease: 'Grease', sealed: 'Sealed' };
export const SUSPENSION_WORDS: Words<(typeof SUSPENSIONS)[number]> = { air: 'Air bags', spring: 'Leaf springs' };
export const LINING_WORDS: Words<(typeof LINING_STYLES)[number]> = { strip: 'One strip', pads: 'Pads' };
export const COUPLING_WORDS: Words<(typeof COUPLINGS)[number]> = {
  'king-pin': 'Kingpin',
  'fifth-wheel': 'Fifth wheel',
  pintle: 'Pintle hook',
  drawbar: 'Drawbar eye',
};
export const DRIVE_WORDS: Words<(typeof DRIVES)[number]> = { belt: 'Belt', gear: 'Gear' };
export const FLUID_WORDS: Words<(typeof FLUID_READ)[number]> = { stick: 'Stick', glass: 'Glass', sealed: 'Sealed' };
export const DOOR_WORDS: Words<(typeof DOORS)[number]> = { swing: 'Swing', roll: 'Roll-up', none: 'None' };

/** An axle in one line: `S-cam drum, 30 clamp chamber, dual, oil`. */
export function axleWords(axle: Axle): string {
  const { brake, chamber, adjuster, tyres, hub, suspension, lift, steer } = axle;
  return [
    BRAKE_WORDS[brake],
    hasChamber(brake) ? (chamber ? chamberWords(chamber) : 'chamber not known') : '',
    adjuster === 'manual' ? 'manual adjuster' : '',
    TYRE_WORDS[tyres].toLowerCase(),
    `${HUB_WORDS[hub].toLowerCase()} hubs`,
    suspension ? SUSPENSION_WORDS[suspension].toLowerCase() : '',
    lift ? 'lift axle' : '',
    steer ? 'steered' : '',
  ]
    .filter(Boolean)
    .join(', ');
}
