import { CATALOGUE, CHECKS } from '../../catalogue';
import { chosen } from '../../chance';
import type { Step } from '../../reading';
import {
  dragging,
  type EndFault,
  figure,
  hot,
  isOil,
  soaked,
  studOf,
  type There,
  type ThereAtEnd,
  tyreOf,
  type UnitFault,
  withCodes,
  withHub,
} from './at-end';
import { figureOf } from './settings';
import { isHidden, signsOf } from './signs';

/** What else is so where a code of the catalogue is seen at an end. */
const CONSEQUENCES: Readonly<Record<string, (there: ThereAtEnd) => void>> = {
  'lining-oil': soaked,
  'hub-seal-onto-lining': soaked,
  'wheel-inside-wet': (there) => withHub(there.end, { leak: 'seep', ...(isOil(there) ? { level: 'at-add' } : {}) }),
  'hub-leak': (there) => withHub(there.end, { leak: 'outside', ...(isOil(there) ? { level: 'at-add' } : {}) }),
  'hub-cap-missing': (there) => withHub(there.end, { cap: 'missing', ...(isOil(there) ? { level: 'empty' } : {}) }),
  'hub-smoking': (there) => {
    there.end.heatF = figure(there.random, 'hub-heats');
    withHub(there.end, { smoking: true, heat: 'hot', ...(isOil(there) ? { level: 'empty', condition: 'dark' } : {}) });
    withCodes(there.end, 'hub-hot');
  },
  'hub-hot': hot,
  'brake-dragging': dragging,
  'drum-blue': dragging,
  'no-braking-action': ({ end }) => {
    end.stroke16 = 0;
  },
  'brake-missing': ({ end }) => {
    end.stroke16 = 0;
  },
  'metal-on-metal': ({ end }) => {
    end.lining32 = end.lining32.map((each, nth) => (nth ? each : 0));
  },
  'lining-wear-mark': ({ end, random }) => {
    const left = figure(random, 'lining-wear-mark');
    end.lining32 = end.lining32.map(() => left);
  },
  'adjuster-slips': ({ end, limit16, random }) => {
    end.stroke16 = Math.max(end.stroke16, limit16 + figure(random, 'adjuster-slips'));
    end.free16 = 16;
  },
  'tyre-flat': (there) => {
    tyreOf(there).truth.psi = figure(there.random, 'tyre-flat');
  },
  'tyre-contact': ({ end }) => {
    end.touching = true;
  },
  'tyre-cord': (there) => {
    const { truth } = tyreOf(there);
    truth.grooves = truth.grooves.map((row) => row.map((each, nth) => (nth === 0 ? 0 : each)));
  },
  'wheel-nut-loose': (there) => {
    there.end.loose = [studOf(there)];
  },
  'nut-pointer': (there) => {
    there.end.loose = [studOf(there)];
  },
  'thread-shiny': (there) => {
    there.end.loose = [studOf(there)];
  },
  'rust-trail': (there) => {
    there.end.rust = [studOf(there)];
  },
};
const NEEDS_DUAL = new Set(['tyre-contact', 'tyre-mismatch', 'tyre-stone']);
const NEEDS_STEER = new Set(['steer-recapped', 'steer-regrooved', 'tyre-regrooved']);

/** A code of the catalogue at an end, with everything that goes with it. */
const codeAtEnd = (code: string, words: string, checks: readonly string[]): EndFault => ({
  id: code,
  words,
  foundBy: checks,
  fits: ({ fitted, limit16 }) =>
    !(NEEDS_DUAL.has(code) && fitted.tyres !== 'dual') &&
    !(NEEDS_STEER.has(code) && !fitted.steer) &&
    !(['no-braking-action', 'brake-missing', 'adjuster-slips'].includes(code) && limit16 === 0),
  apply: (there) => {
    withCodes(there.end, code);
    CONSEQUENCES[code]?.(there);
  },
});

const checksOf = (code: string, at: 'unit' | 'end'): string[] =>
  CHECKS.filter((check) => check.at === at && signsOf(check.id, [code]).length).map(({ id }) => `check:${id}`);

/** Two chambers of an axle that differ are made as equipment: they deceive, and are not plain to see. */
const MADE_OTHERWISE = new Set(['chamber-match']);

const CODES_AT_END: EndFault[] = CATALOGUE.filter(({ code }) => isHidden(code) && !MADE_OTHERWISE.has(code)).flatMap(
  ({ code, words }) => {
    const checks = checksOf(code, 'end');
    return checks.length ? [codeAtEnd(code, words, checks)] : [];
  },
);

/** Faults that only a measurement finds. */
const MEASURED_AT_END: EndFault[] = [
  {
    id: 'stroke-long',
    words: 'A stroke far past its limit',
    foundBy: ['stroke-applied'],
    fits: ({ limit16 }) => limit16 > 0,
    apply: ({ end, limit16, random }) => {
      end.stroke16 = limit16 + figure(random, 'stroke-long');
    },
  },
  {
    id: 'lining-thin',
    words: 'Lining below its limit',
    foundBy: ['lining'],
    apply: ({ end, random }) => {
      const thin = figure(random, 'lining-thin');
      end.lining32 = end.lining32.map((_, nth) => (nth === 0 ? thin : thin + 1));
    },
  },
  {
    id: 'tread-worn',
    words: 'Tread below its limit',
    foundBy: ['tread'],
    apply: (there) => {
      const { truth } = tyreOf(there);
      const [worn, rest] = figureOf('tread-worn');
      truth.grooves = truth.grooves.map((row) => row.map((_, nth) => (nth < 2 ? worn : rest)));
    },
  },
  {
    id: 'pressure-low',
    words: 'A tire far below its pressure',
    foundBy: ['pressure'],
    apply: (there) => {
      tyreOf(there).truth.psi = figure(there.random, 'pressure-low');
    },
  },
  {
    id: 'hub-low',
    words: 'Hub oil at the add mark',
    foundBy: ['hub-oil'],
    fits: isOil,
    apply: ({ end }) => withHub(end, { level: 'at-add' }),
  },
  {
    id: 'hub-empty',
    words: 'Nothing to be seen in the hub',
    foundBy: ['hub-oil'],
    fits: isOil,
    apply: ({ end }) => withHub(end, { level: 'empty' }),
  },
  {
    id: 'hub-milky',
    words: 'Water in the hub oil',
    foundBy: ['hub-oil'],
    fits: isOil,
    apply: ({ end }) => withHub(end, { condition: 'milky' }),
  },
  {
    id: 'nuts-missing',
    words: 'Nuts gone side by side',
    foundBy: ['wheel-nuts'],
    apply: (there) => {
      const stud = studOf(there);
      there.end.missing = [stud, (stud % there.end.holes) + 1].sort((a, b) => a - b);
    },
  },
  {
    id: 'end-play',
    words: 'Too much play in the bearings',
    foundBy: ['end-play'],
    apply: ({ end, random }) => {
      end.play1000 = figure(random, 'end-play');
    },
  },
  {
    id: 'hub-heats',
    words: 'A hub that runs hot',
    foundBy: ['wheel-temperature'],
    apply: hot,
  },
  {
    id: 'drum-worn',
    words: 'A drum past its discard diameter',
    foundBy: ['drum'],
    apply: ({ end, random }) => {
      end.drum32 = figure(random, 'drum-worn');
    },
  },
  {
    id: 'rotor-worn',
    words: 'A rotor past its discard thickness',
    foundBy: ['rotor'],
    apply: ({ end, random }) => {
      end.rotorMm2 = figure(random, 'rotor-worn');
    },
  },
];

/** A stroke a little past its limit: half of a defective brake. */
export const HALF_STROKE: EndFault = {
  id: 'stroke-half',
  words: 'A stroke a little past its limit',
  foundBy: ['stroke-applied'],
  fits: ({ limit16 }) => limit16 > 0,
  apply: ({ end, limit16, random }) => {
    end.stroke16 = limit16 + figure(random, 'stroke-half');
  },
};

export const END_FAULTS: readonly EndFault[] = [...CODES_AT_END, ...MEASURED_AT_END];

/** Which lamp it is, where a check is of several. */
const LAMP_SIDES = ['left', 'right'] as const;
const SINGLE_LAMPS = new Set(['lamp-plate', 'lamp-ident', 'abs-lamp', 'lamp-turn-left', 'lamp-turn-right']);
/** Where there is one lamp a side, none of it works when it is out. */
const isAllOut = ({ all }: { all?: string }, check: string): boolean => SINGLE_LAMPS.has(check) && all !== undefined;

const UNIT_CONSEQUENCES: Readonly<Record<string, (there: There) => void>> = {
  'slider-pin-out': ({ unit }) => {
    unit.pins = { ...unit.pins, seated: unit.pins.pins - 1 };
  },
  'king-pin-worn': ({ unit }) => {
    unit.pin64 = [119, 118];
  },
  'air-leak': ({ unit }) => {
    unit.air.released = [112, 106];
    unit.air.applied = [100, 91];
  },
  'mud-flap-torn': () => undefined,
};

const codeAtUnit = (code: string, words: string, check: string): UnitFault => ({
  id: `${code}@${check}`,
  words,
  foundBy: [`check:${check}`],
  apply: (there) => {
    const lamp = check.startsWith('lamp-') && !SINGLE_LAMPS.has(check);
    const on = !lamp ? undefined : code.endsWith('-none') ? 'both' : chosen(there.random, LAMP_SIDES);
    there.unit.seen.push({ check, code, ...(on ? { on } : {}) });
    UNIT_CONSEQUENCES[code]?.(there);
  },
});

const CODES_AT_UNIT: UnitFault[] = CHECKS.filter(({ at }) => at === 'unit').flatMap(({ id, signs }) =>
  signs
    .filter((sign) => isHidden(sign.code) && !isAllOut(sign, id))
    .map(({ code }) => codeAtUnit(code, CATALOGUE.find((entry) => entry.code === code)?.words ?? code, id)),
);

const MEASURED_AT_UNIT: UnitFault[] = [
  {
    id: 'king-pin-thin',
    words: 'A kingpin worn past its limit',
    foundBy: ['king-pin'],
    apply: ({ unit, random }) => {
      const thin = figure(random, 'king-pin-thin');
      unit.pin64 = [thin, thin + 1];
    },
  },
  {
    id: 'flap-high',
    words: 'A mud flap that hangs too high',
    foundBy: ['mud-flap'],
    apply: ({ unit, random }) => {
      unit.flap4[chosen(random, LAMP_SIDES)] = figure(random, 'flap-high');
    },
  },
  {
    id: 'steering-play',
    words: 'Too much play in the steering wheel',
    foundBy: ['wheel-play'],
    apply: ({ unit, random }) => {
      unit.playWheel8 = figure(random, 'steering-play');
    },
  },
  {
    id: 'leak-applied',
    words: 'Air lost while the brakes are applied',
    foundBy: ['air-test:leak-applied'],
    apply: ({ unit, random }) => {
      unit.air.applied = [100, figure(random, 'leak-applied')];
    },
  },
  {
    id: 'leak-released',
    words: 'Air lost with the brakes released',
    foundBy: ['air-test:leak-released'],
    apply: ({ unit, random }) => {
      unit.air.released = [115, figure(random, 'leak-released')];
    },
  },
  {
    id: 'governor-high',
    words: 'The governor cuts out too late',
    foundBy: ['air-test:governor'],
    apply: ({ unit, random }) => {
      unit.air.cutOut = figure(random, 'governor-high');
    },
  },
  {
    id: 'low-air-late',
    words: 'The low-air warning comes late',
    foundBy: ['air-test:low-air'],
    apply: ({ unit, random }) => {
      unit.air.lowAir = figure(random, 'low-air-late');
    },
  },
  {
    id: 'valve-late',
    words: 'The parking valves pop late',
    foundBy: ['air-test:spring-brake'],
    apply: ({ unit, random }) => {
      unit.air.springBrake = figure(random, 'valve-late');
    },
  },
];

export const UNIT_FAULTS: readonly UnitFault[] = [...CODES_AT_UNIT, ...MEASURED_AT_UNIT];

/** What steps ask for, as faults name what finds them. */
export const askedBy = (steps: readonly Step[]): ReadonlySet<string> =>
  new Set(steps.map(({ kind, item }) => (item ? `${kind}:${item}` : kind)));

/** Whether something that is asked for finds a fault. */
export const findable = ({ foundBy }: Pick<EndFault, 'foundBy'>, asked: ReadonlySet<string>): boolean =>
  foundBy.some((each) => asked.has(each));
