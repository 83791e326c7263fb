import { randomOf } from '../../../chance';
import data from './air.json';

/** Atmosphere, in psi: amounts of air are kept absolute, gauges show what is above it. */
const ATMOSPHERE = 14.7;

export const RESERVOIRS = ['supply', 'primary', 'secondary', 'trailer'] as const;
export type Reservoir = (typeof RESERVOIRS)[number];
type Vessel = Reservoir | 'service' | 'trailerService' | 'spring';
const VESSELS: readonly Vessel[] = [...RESERVOIRS, 'service', 'trailerService', 'spring'];
const LITRES: Readonly<Record<Vessel, number>> = data.litres;

/** What is wrong with a made-up air system; null where nothing is. */
export type AirFault = keyof typeof data.faults;
export const AIR_FAULTS = Object.keys(data.faults) as AirFault[];
export const airFaultWords = (fault: AirFault): string => data.faults[fault].words;

/** Constants of one system: those of a good one, changed by its fault. Pressures in psi, leaks in parts a second. */
export interface AirSystem {
  fault: AirFault | null;
  compressor: number;
  cutIn: number;
  cutOut: number;
  warnAt: number;
  popAt: number;
  sticks: boolean;
  leaks: Partial<Record<Vessel, number>>;
}

/** What hands and feet do. */
export interface Controls {
  key: boolean;
  engine: boolean;
  /** From nothing to a full application. */
  pedal: number;
  /** Pushed in, a parking valve releases its spring brakes. */
  tractorIn: boolean;
  trailerIn: boolean;
}

/** A system at a moment: air by vessel in psi litres, absolute, and what its valves do by themselves. */
export interface AirState {
  seconds: number;
  air: Readonly<Record<Vessel, number>>;
  loaded: boolean;
  controls: Controls;
  warning: boolean;
  /** What was compressed in and what left, for the sum of all air. */
  compressed: number;
  left: number;
}

type Changes = Partial<{
  leakTrailer: number;
  leakPrimary: number;
  leakApplied: number;
  warnAt: number;
  sticks: boolean;
  cutOut: number;
  cutIn: number;
  compressor: number;
}>;

/** A system by its seed: every fifth has nothing wrong. */
export function airSystem(seed: number): AirSystem {
  const random = randomOf(seed);
  const fault = random.next() < 0.2 ? null : (AIR_FAULTS[seed % AIR_FAULTS.length] ?? null);
  return systemWith(fault);
}

export function systemWith(fault: AirFault | null): AirSystem {
  const changed: Changes = fault ? data.faults[fault] : {};
  return {
    fault,
    compressor: data.compressorPsiLitres * (changed.compressor ?? 1),
    cutIn: changed.cutIn ?? data.governor.cutIn,
    cutOut: changed.cutOut ?? data.governor.cutOut,
    warnAt: changed.warnAt ?? data.warnAt,
    popAt: data.popAt,
    sticks: changed.sticks ?? false,
    leaks: {
      primary: data.leak + (changed.leakPrimary ?? 0),
      secondary: data.leak,
      trailer: data.leak + (changed.leakTrailer ?? 0),
      ...(changed.leakApplied ? { service: changed.leakApplied } : {}),
    },
  };
}

/** What a gauge on a vessel shows, in psi. */
export const gaugeOf = ({ air }: Pick<AirState, 'air'>, vessel: Vessel): number =>
  air[vessel] / LITRES[vessel] - ATMOSPHERE;
/** The lower of the two circuits: what the dash, the warning and the valves go by. */
export const systemPsi = (state: Pick<AirState, 'air'>): number =>
  Math.min(gaugeOf(state, 'primary'), gaugeOf(state, 'secondary'));
/** All air there is, with what left and without what was compressed: the same at any time. */
export const airBalance = ({ air, left, compressed }: AirState): number =>
  VESSELS.reduce((sum, each) => sum + air[each], 0) + left - compressed;

/** A parked combination, engine off, as it stood over night. */
export function restingAir(): AirState {
  const at = (psi: number, vessel: Vessel) => (psi + ATMOSPHERE) * LITRES[vessel];
  return {
    seconds: 0,
    air: {
      supply: at(data.startPsi, 'supply'),
      primary: at(data.startPsi, 'primary'),
      secondary: at(data.startPsi, 'secondary'),
      trailer: at(data.startPsi, 'trailer'),
      service: at(0, 'service'),
      trailerService: at(0, 'trailerService'),
      spring: at(0, 'spring'),
    },
    loaded: true,
    controls: { key: false, engine: false, pedal: 0, tractorIn: false, trailerIn: false },
    warning: false,
    compressed: 0,
    left: 0,
  };
}

/** Air that flows from one vessel to a lower one within a step, and no more than evens them out. */
function between(air: Record<Vessel, number>, from: Vessel, to: Vessel, rate: number, most: number, dt: number): void {
  const [high, low] = [air[from] / LITRES[from], air[to] / LITRES[to]];
  const wanted = Math.min(high, most + ATMOSPHERE) - low;
  if (wanted <= 0) return;
  const together = (LITRES[from] * LITRES[to]) / (LITRES[from] + LITRES[to]);
  const flow = together * wanted * (1 - Math.exp((-rate * dt) / together));
  air[from] -= flow;
  air[to] += flow;
}

/** Air let out down to a pressure; how much of it. */
function letOut(air: Record<Vessel, number>, from: Vessel, to: number, rate: number, dt: number): number {
  const over = air[from] - (to + ATMOSPHERE) * LITRES[from];
  if (over <= 0) return 0;
  const out = over * (1 - Math.exp((-rate * dt) / LITRES[from]));
  air[from] -= out;
  return out;
}

const ANY = 1_000;

/** The valves come out by themselves when the pressure falls; one that sticks stays where it is. */
function popped(system: AirSystem, controls: Controls, psi: number): Controls {
  if (psi >= system.popAt) return controls;
  return { ...controls, tractorIn: system.sticks ? controls.tractorIn : false, trailerIn: false };
}

/** One step of time, in seconds. Isothermal: what flows is psi times litres, and none of it is lost. */
export function stepAir(system: AirSystem, state: AirState, dt: number): AirState {
  const air = { ...state.air };
  const { controls } = state;
  let { compressed, left, loaded } = state;
  if (controls.engine && loaded) {
    air.supply += system.compressor * dt;
    compressed += system.compressor * dt;
  }
  between(air, 'supply', 'primary', data.feed, ANY, dt);
  between(air, 'supply', 'secondary', data.feed, ANY, dt);
  if (controls.trailerIn) between(air, 'secondary', 'trailer', data.feed, ANY, dt);
  const wanted = controls.pedal * Math.max(0, systemPsi({ air }));
  between(air, 'primary', 'service', data.apply, wanted, dt);
  left += letOut(air, 'service', wanted, data.exhaust, dt);
  between(air, 'trailer', 'trailerService', data.apply, wanted, dt);
  left += letOut(air, 'trailerService', wanted, data.exhaust, dt);
  if (controls.tractorIn) between(air, 'secondary', 'spring', data.apply, ANY, dt);
  else left += letOut(air, 'spring', 0, data.exhaust, dt);
  for (const [vessel, rate] of Object.entries(system.leaks) as [Vessel, number][])
    left += letOut(air, vessel, 0, rate, dt);
  const psi = systemPsi({ air });
  const supply = gaugeOf({ air }, 'supply');
  if (loaded && supply >= system.cutOut) loaded = false;
  else if (!loaded && supply <= system.cutIn) loaded = true;
  return {
    seconds: state.seconds + dt,
    air,
    loaded,
    controls: popped(system, controls, psi),
    warning: controls.key && psi < system.warnAt,
    compressed,
    left,
  };
}

/** The step the model is run by, in seconds. */
export const AIR_STEP = 0.05;

/** Runs a system for so long. */
export function runAir(system: AirSystem, state: AirState, seconds: number, dt = AIR_STEP): AirState {
  let now = state;
  const steps = Math.round(seconds / dt);
  for (let nth = 0; nth < steps; nth++) now = stepAir(system, now, dt);
  return now;
}

export const withControls = (state: AirState, controls: Partial<Controls>): AirState => ({
  ...state,
  controls: { ...state.controls, ...controls },
});
