import type { Route } from '../../inspection';
import type { Verdict } from '../../limits';

export interface Level {
  id: number;
  name: string;
  says: string;
  /** How many faults, at least and at most. */
  faults: readonly [number, number];
  /** The share of trailers that have nothing wrong. */
  clean: number;
}

/** From and to. */
type Between = readonly [number, number];
type Measured =
  | 'stroke16'
  | 'free16'
  | 'lining32'
  | 'tread32'
  | 'psi'
  | 'play1000'
  | 'pin64'
  | 'flap4'
  | 'guard2'
  | 'drum32'
  | 'rotorMm2'
  | 'playWheel8'
  | 'lowAir'
  | 'springBrake'
  | 'cutIn'
  | 'cutOut'
  | 'buildUp';

declare const data: {
  levels: readonly Level[];
  routes: readonly Route[];
  good: Readonly<Record<Measured, Between>> & { targetPsi: number; built: number; heatF: number };
  faults: Readonly<Record<string, { figure?: Between; disc?: Between; meets?: Verdict; atWorst?: Verdict }>>;
  exclusive: readonly (readonly string[])[];
  cost: Readonly<Record<'missedHold' | 'missedOther' | 'invented' | 'heldForNothing', number>>;
  marks: Readonly<Record<'faults' | 'readings' | 'decision' | 'order' | 'begunAgain' | 'begunAgainMost', number>>;
};
export default data;
