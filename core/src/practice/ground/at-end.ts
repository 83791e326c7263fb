import type { Random } from '../../chance';
import { chosen } from '../../chance';
import type { HubNotes } from '../../reading';
import type { Tyre, WheelEnd } from '../../trailer';
import { figureOf } from './settings';
import type { EndTruth, UnitTruth } from './truth';

/** A place something can be wrong at, as it is made. */
export interface There {
  random: Random;
  unit: UnitTruth;
  /** The longest stroke that is still within, in sixteenths; 0 where none is judged. */
  limit16: number;
}
export interface ThereAtEnd extends There {
  end: EndTruth;
  fitted: WheelEnd;
}

/** Something that can be wrong at an axle end. */
export interface EndFault {
  id: string;
  words: string;
  /** Steps that find it, by kind or check: it is only hidden where the route has one. */
  foundBy: readonly string[];
  fits?: (there: ThereAtEnd) => boolean;
  apply: (there: ThereAtEnd) => void;
}
/** Something that can be wrong with the unit as a whole. */
export interface UnitFault {
  id: string;
  words: string;
  foundBy: readonly string[];
  apply: (there: There) => void;
}

export const tyreOf = ({ random, end }: ThereAtEnd): { tyre: Tyre; truth: NonNullable<EndTruth['tyres'][Tyre]> } => {
  const tyre = chosen(random, Object.keys(end.tyres) as Tyre[]);
  return { tyre, truth: end.tyres[tyre] as NonNullable<EndTruth['tyres'][Tyre]> };
};
export const withHub = (end: EndTruth, hub: Partial<HubNotes>): void => {
  end.hub = { ...end.hub, ...hub };
};
export const withCodes = (end: EndTruth, ...codes: string[]): void => {
  end.codes = [...new Set([...end.codes, ...codes])];
};
/** A figure a fault may have, by its name in the settings. */
export const figure = (random: Random, id: string, on?: 'disc'): number => {
  const [least, most] = figureOf(id, on);
  return least + random.below(most - least + 1);
};
export const isOil = ({ fitted }: ThereAtEnd): boolean => fitted.hub === 'oil';
export const studOf = ({ random, end }: ThereAtEnd): number => 1 + random.below(end.holes);

/** A hub that heats through: what is hot is hot to the hand and at the hub. */
export const hot = ({ end, random }: Pick<ThereAtEnd, 'end' | 'random'>): void => {
  end.heatF = figure(random, 'hub-heats');
  withHub(end, { heat: 'hot' });
  withCodes(end, 'hub-hot');
};
/** Oil past the inner seal: the seal is wet, the level low, the lining soaked. */
export const soaked = (there: ThereAtEnd): void => {
  const { end } = there;
  withHub(end, { leak: 'onto-lining', ...(isOil(there) ? { level: 'at-add' as const } : {}) });
  withCodes(end, 'lining-oil', 'hub-seal-onto-lining', 'wheel-inside-wet');
};
/** A brake that does not let go: hot, short of free stroke, and worn. */
export const dragging = ({ end, random }: ThereAtEnd): void => {
  end.free16 = figure(random, 'dragging');
  end.stroke16 = Math.min(end.stroke16, 16);
  end.lining32 = end.lining32.map((each) => Math.max(9, each - 5));
  withCodes(end, 'brake-dragging', 'drum-blue');
  hot({ end, random });
};
